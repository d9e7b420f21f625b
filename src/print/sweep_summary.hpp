// SPDX-License-Identifier: MIT
#pragma once

// What a sweep without --show asks for, and the paragraph at its top.

#include <string>
#include <vector>

#include "fond_ladder/sweep.hpp"

namespace fond_ladder::inline v0 {

/// What a sweep of everything asks for: these sizes of all nodes (width, height or both), and what the paragraph needs.
/// Of scenes with more than 2,000 nodes only the first ones.
[[nodiscard]] std::vector<Quantity> all_quantities(const Scene& scene, const std::vector<Measure>& sizes);

/// Of a sweep of everything, the quantities with breakpoints: outer nodes first, then those that
/// have the most; of quantities that behave alike only the first.
struct Telling {
  std::size_t quantity = 0;
  std::vector<std::size_t> group;  ///< others that had the same value at every size
};
[[nodiscard]] std::vector<Telling> most_telling(const Scene& scene, const Sweep& swept);

/// A paragraph: which ranges hold where, what wraps, what keeps its size, what is cut.
[[nodiscard]] std::string summary(const Scene& scene, const Sweep& swept, const std::vector<Telling>& telling,
                                  const std::vector<std::string>& modes);

}  // namespace fond_ladder::inline v0
