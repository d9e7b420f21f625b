// SPDX-License-Identifier: MIT
#pragma once

#include <array>
#include <string_view>

#include "fond_ladder/solution.hpp"

namespace fond_ladder::inline v0 {

inline constexpr std::array<std::string_view, 4> side_names{"top", "right", "bottom", "left"};

/// In the order of their names.
[[nodiscard]] inline std::array<double, 4> by_side(const FourSides& sides) {
  return {sides.top, sides.right, sides.bottom, sides.left};
}

}  // namespace fond_ladder::inline v0
