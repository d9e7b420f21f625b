// SPDX-License-Identifier: MIT
#pragma once

#include <algorithm>
#include <cmath>

#include "model/limits.hpp"

namespace fond_ladder::inline v0 {

/// See limits.
inline constexpr double fit_tolerance = limits::same_to_people;

/// Whether two computed sizes are one but for rounding.
inline bool same(double a, double b) {
  return std::abs(a - b) <= limits::rounding * std::max({1.0, std::abs(a), std::abs(b)});
}

}  // namespace fond_ladder::inline v0
