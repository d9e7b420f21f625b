// SPDX-License-Identifier: MIT
#pragma once

#include <string>
#include <vector>

#include "fond_ladder/check.hpp"
#include "fond_ladder/variant.hpp"

namespace fond_ladder::inline v0 {

/// Checks claims in one variant: over the widths of the ladder at both ends of its heights, and at every named size.
/// Throws BadClaim, and as SceneSolver does.
[[nodiscard]] std::vector<CheckedClaim> check_ladder(const Variant& variant, const std::vector<std::string>& claims,
                                                     unsigned threads, const Progress& progress);

}  // namespace fond_ladder::inline v0
