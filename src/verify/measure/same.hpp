// SPDX-License-Identifier: MIT
#pragma once

#include <algorithm>
#include <cmath>

namespace fond_ladder::inline v0 {

/// Pixels. Places and sizes that differ by less are the same to people: to claims that say nothing else, to comparisons
/// and to lint.
inline constexpr double give = 0.01;

/// Whether two computed sizes are one but for rounding.
inline bool same(double a, double b) {
  return std::abs(a - b) <= 1e-9 * std::max({1.0, std::abs(a), std::abs(b)});
}

}  // namespace fond_ladder::inline v0
