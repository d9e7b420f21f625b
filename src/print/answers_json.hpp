// SPDX-License-Identifier: MIT
#pragma once

// Calculations, claims, comparisons and findings as the fields of a JSON answer. docs/json.md describes them.

#include <string>
#include <vector>

#include "fond_ladder/check.hpp"
#include "fond_ladder/compare.hpp"
#include "fond_ladder/explanation.hpp"
#include "fond_ladder/lint.hpp"
#include "print/json_writer.hpp"

namespace fond_ladder::inline v0 {

void write_explanation(JsonWriter& json, const Tree& tree, const Explanation& account,
                       const std::vector<ExplanationStep>& chain);
/// `numbers`: the place of each claim among all of its scene, from 0.
void write_checked(JsonWriter& json, const std::vector<CheckedClaim>& checked, bool all_hold,
                   const std::vector<std::size_t>& numbers);
void write_comparison(JsonWriter& json, const Comparison& comparison);
void write_lint(JsonWriter& json, const Lint& lint);

}  // namespace fond_ladder::inline v0
