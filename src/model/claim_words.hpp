// SPDX-License-Identifier: MIT
#pragma once

// Words that join the parts of a claim. No range, mode or node range is called by one, or a claim could not name it.

#include <algorithm>
#include <array>
#include <string_view>

namespace fond_ladder::inline v0::detail {

inline constexpr std::array<std::string_view, 6> claim_words{"or", "and", "not", "when", "with", "within"};

[[nodiscard]] constexpr bool is_claim_word(std::string_view name) {
  return std::ranges::find(claim_words, name) != claim_words.end();
}

}  // namespace fond_ladder::inline v0::detail
