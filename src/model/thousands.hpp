// SPDX-License-Identifier: MIT
#pragma once

#include <cmath>
#include <string>

namespace fond_ladder::inline v0 {

/// A number of 0 or more for people, rounded to a whole one, its thousands set apart: 1,000,000.
[[nodiscard]] inline std::string in_thousands(double number) {
  std::string text = std::to_string(static_cast<unsigned long long>(std::round(number)));
  for (std::size_t at = text.size(); at > 3;) text.insert(at -= 3, ",");
  return text;
}

}  // namespace fond_ladder::inline v0
