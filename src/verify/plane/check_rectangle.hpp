// SPDX-License-Identifier: MIT
#pragma once

#include <string>
#include <vector>

#include "fond_ladder/check.hpp"
#include "fond_ladder/variant.hpp"

namespace fond_ladder::inline v0 {

/// Checks claims in one variant: over every width of the ladder and every height of an interval. Throws BadClaim, and
/// as SceneSolver does.
[[nodiscard]] std::vector<CheckedClaim> check_rectangle(const Variant& variant, const std::vector<std::string>& claims,
                                                        const Interval& heights, unsigned threads,
                                                        const Progress& progress);

}  // namespace fond_ladder::inline v0
