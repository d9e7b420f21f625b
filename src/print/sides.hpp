// SPDX-License-Identifier: MIT
#pragma once

#include <array>
#include <string_view>

#include "fond_ladder/solution.hpp"
#include "print/json_writer.hpp"

namespace fond_ladder::inline v0 {

inline constexpr std::array<std::string_view, 4> side_names{"top", "right", "bottom", "left"};

/// In the order of their names.
[[nodiscard]] inline std::array<double, 4> by_side(const FourSides& sides) {
  return {sides.top, sides.right, sides.bottom, sides.left};
}

/// An object of those sides that are more than 0.
inline void write_sides(JsonWriter& json, std::string_view key, const FourSides& sides) {
  json.begin_object(key);
  const auto amounts = by_side(sides);
  for (std::size_t i = 0; i < amounts.size(); ++i) {
    if (amounts[i] > 0) json.number(side_names[i], amounts[i]);
  }
  json.end();
}

}  // namespace fond_ladder::inline v0
