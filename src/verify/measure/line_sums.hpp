// SPDX-License-Identifier: MIT
#pragma once

// What a line of a row or column has to hold, as a sum in words.

#include <string>

#include "fond_ladder/solution.hpp"
#include "solve/answers/account.hpp"

namespace fond_ladder::inline v0 {

/// `a 672 + 40 + b 256 = 968`: what a line has to hold up to a child, of many the first few and that one.
[[nodiscard]] std::string line_sum_text(const Tree& tree, const detail::LineAccount& line, detail::Index last);

/// `c begins line 2: a 200 + 10 + b 180 + 10 + c 150 = 550, 5 more than 545`, and how many lines more there are; empty
/// of what has one line or none.
[[nodiscard]] std::string line_breaks_text(const Solution& solution, NodeId container);

}  // namespace fond_ladder::inline v0
