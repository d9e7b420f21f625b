// SPDX-License-Identifier: MIT
#pragma once

#include <optional>

#include "fond_ladder/length.hpp"
#include "fond_ladder/version.hpp"
#include "model/limits.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// Whether a container can be `size` pixels wide or high.
[[nodiscard]] constexpr bool is_container_size(double size) {
  return size >= 0 && size <= limits::largest_length;
}

/// Throws BadValue for a side that is given and is no size.
inline void require_container_size(const std::optional<double>& side) {
  if (side && !is_container_size(*side)) throw BadValue("a container is 0 to 1e9 pixels wide and high");
}

}  // namespace v0
}  // namespace fond_ladder
