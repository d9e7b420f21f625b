// SPDX-License-Identifier: MIT
#pragma once

// Ties of a pinned node to edges of its siblings: what there are, and what a hand makes by pulling from edge to edge.

#include <string>

#include "page/engine/shown_scene.hpp"

namespace fond_ladder::page {

/// The ties of a node as lines, and the sides that a tie can be pulled from, as JSON; nothing of a node without a pin.
[[nodiscard]] std::string ties(const ShownScene& shown, NodeId node);

/// What can tie a side of a node: of each edge of its siblings the words, and what is tried. As JSON.
[[nodiscard]] std::string possible_ties(const ShownScene& shown, NodeId node, PinSide side);

/// What ties a side of a node to the edge of a sibling that is nearest to a point of the container, with the distance
/// that there is: where that edge is, and what is tried. As JSON, `null` where no edge is near.
[[nodiscard]] std::string tie(const ShownScene& shown, NodeId node, PinSide side, double x, double y);

}  // namespace fond_ladder::page
