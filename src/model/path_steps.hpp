// SPDX-License-Identifier: MIT
#pragma once

#include <string_view>
#include <vector>

#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// `cards/*/button` as its steps.
[[nodiscard]] inline std::vector<std::string_view> steps_of(std::string_view path) {
  std::vector<std::string_view> steps;
  for (;;) {
    const std::size_t slash = path.find('/');
    steps.push_back(path.substr(0, slash));
    if (slash == std::string_view::npos) return steps;
    path.remove_prefix(slash + 1);
  }
}

}  // namespace v0
}  // namespace fond_ladder
