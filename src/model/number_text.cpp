// SPDX-License-Identifier: MIT
#include "model/number_text.hpp"

#include <array>
#include <charconv>
#include <cmath>

namespace fond_ladder::inline v0 {
namespace {

using Digits = std::array<char, 330>;  // space for the largest double with two decimals

}  // namespace

std::string rounded(double number) {
  Digits digits;
  const auto end = std::to_chars(digits.data(), digits.data() + digits.size(), number, std::chars_format::fixed, 2).ptr;
  std::string text(digits.data(), end);
  text.erase(text.find_last_not_of('0') + 1);
  if (text.back() == '.') text.pop_back();
  return text == "-0" ? "0" : text;
}

std::string exact(double number) {
  if (number == 0) return "0";  // no minus
  constexpr double least_plain = 1e-4, most_plain = 1e15;
  const double size = std::abs(number);
  const auto format = size >= least_plain && size < most_plain ? std::chars_format::fixed : std::chars_format::general;
  Digits digits;
  return {digits.data(), std::to_chars(digits.data(), digits.data() + digits.size(), number, format).ptr};
}

}  // namespace fond_ladder::inline v0
