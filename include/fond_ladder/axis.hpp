// SPDX-License-Identifier: MIT
#pragma once

// The two axes, x to the right and y down. Questions that are asked of either take one:
// solution.box(node).size_on(x_axis)

#include <cstdint>

#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// The two directions in which there are sizes: x to the right, with widths; y down, with heights. Counts from 0, so
/// that it picks out of pairs.
enum Axis : std::uint8_t { x_axis, y_axis };

/// `width` or `height`.
[[nodiscard]] constexpr const char* side_word(Axis axis) {
  return axis == x_axis ? "width" : "height";
}

}  // namespace v0
}  // namespace fond_ladder
