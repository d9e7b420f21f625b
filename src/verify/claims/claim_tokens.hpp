// SPDX-License-Identifier: MIT
#pragma once

#include <cstddef>
#include <string_view>
#include <vector>

namespace fond_ladder::inline v0::detail {

/// A word of a claim.
struct Token {
  enum class Kind : unsigned char { number, name, mark, end };
  Kind kind = Kind::end;
  std::string_view text;
  std::size_t column = 1;
  double number = 0;
};

/// The words of a claim, and an end behind them. Throws BadClaim for what can be no word of one.
[[nodiscard]] std::vector<Token> tokens_of(std::string_view claim);

/// Throws BadClaim where a text has an operator from a place on: what is no word by itself, as in `a.width*2`.
void refuse_close_operator(std::string_view typed, std::size_t from, std::size_t column);

}  // namespace fond_ladder::inline v0::detail
