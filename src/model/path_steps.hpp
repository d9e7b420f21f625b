// SPDX-License-Identifier: MIT
#pragma once

#include <string_view>
#include <vector>

namespace fond_ladder {

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

}  // namespace fond_ladder
