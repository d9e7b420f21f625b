// SPDX-License-Identifier: MIT
#pragma once

// Where curves leave their straight lines. Knows nothing of scenes: values of several quantities over a rising list of
// sizes, and a way to ask for the values in between.

#include <functional>
#include <span>
#include <vector>

#include "fond_ladder/breakpoint.hpp"
#include "verify/measure/measuring.hpp"

namespace fond_ladder::inline v0 {

/// Sizes between which something happens to some quantities: places in the list of sizes.
struct BentStretch {
  std::size_t first = 0, last = 0;
  std::vector<std::size_t> quantities;  // those to which it happens, rising
};

/// The regions in which any quantity is not straight, from the smallest size up; they have no size in common.
[[nodiscard]] std::vector<BentStretch> bent_regions(std::span<const double> sizes, std::span<const Values> values);

/// Asks for the values at a size.
using Sample = std::function<const Values&(double)>;

/// The breakpoints of one region, by size and quantity, without causes. Reads a handful of values per breakpoint.
[[nodiscard]] std::vector<Breakpoint> breakpoints_in(const BentStretch& region, std::span<const double> sizes,
                                                     std::span<const Values> values, const Sample& sample);

}  // namespace fond_ladder::inline v0
