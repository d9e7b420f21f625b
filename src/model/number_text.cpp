// SPDX-License-Identifier: MIT
#include "model/number_text.hpp"

#include <array>
#include <charconv>

namespace fond_ladder {
std::string rounded(double number) {
  std::array<char, 330> digits;  // room for the largest double with two decimals
  const auto end = std::to_chars(digits.data(), digits.data() + digits.size(), number, std::chars_format::fixed, 2).ptr;
  std::string text(digits.data(), end);
  text.erase(text.find_last_not_of('0') + 1);
  if (text.back() == '.') text.pop_back();
  return text == "-0" ? "0" : text;
}

}  // namespace fond_ladder
