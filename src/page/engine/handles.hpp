// SPDX-License-Identifier: MIT
#pragma once

// What of a node a hand can pull, and where it lies in the picture.

#include <string>

#include "page/engine/shown_scene.hpp"

namespace fond_ladder::page {

/// The handles of a node in the last arrangement, as JSON: each a setting with its value in pixels, where it lies,
/// along which axis and which way it is pulled, and what else can move with it; and for what cannot be pulled, why.
[[nodiscard]] std::string handles(const ShownScene& shown, NodeId node);

/// Where a node that is carried to a point of the container would come to stand, as JSON: container, place, and the
/// mark that shows it; nothing but `null` outside.
[[nodiscard]] std::string drop_target(const ShownScene& shown, double x, double y, NodeId carried);

}  // namespace fond_ladder::page
