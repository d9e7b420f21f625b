// SPDX-License-Identifier: MIT
#pragma once

#include <string>
#include <vector>

#include "fond_ladder/check.hpp"
#include "fond_ladder/variant.hpp"

namespace fond_ladder::calls {

/// Refuses texts that are no claims, all at once. Throws WrongCall.
void require_claims(const std::vector<Variant>& variants, const std::vector<std::string>& claims);

/// `all 24 claims hold, proved for every width`
[[nodiscard]] std::string verdict_text(const std::vector<CheckedClaim>& checked);
/// Of a claim that does not hold: where and how, or that it was never tested, in one line.
[[nodiscard]] std::string why_broken(const CheckedClaim& one);

/// The heights that an option stands for: `every` those of the ladder, else a span. Throws WrongCall.
[[nodiscard]] Span heights_asked(const Scene& scene, const std::string& asked, std::string_view option);

}  // namespace fond_ladder::calls
