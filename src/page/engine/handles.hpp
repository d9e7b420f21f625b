// SPDX-License-Identifier: MIT
#pragma once

// The handles of a node that can be dragged, and their places in the picture.

#include <string>

#include "page/engine/shown_scene.hpp"

namespace fond_ladder::page {

/// The handles of a node in the last arrangement, as JSON: each a setting with its value in pixels, its place,
/// its axis and direction, and what else can move with it; and the reason for what cannot be dragged.
[[nodiscard]] std::string handles(const ShownScene& shown, NodeId node);

/// Where a node that is carried to a point of the container would come to stand, as JSON: container, place, and the
/// mark that shows it; nothing but `null` outside.
[[nodiscard]] std::string drop_target(const ShownScene& shown, double x, double y, NodeId carried);

}  // namespace fond_ladder::page
