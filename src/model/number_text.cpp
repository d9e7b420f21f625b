// SPDX-License-Identifier: MIT
#include "model/number_text.hpp"

#include <algorithm>
#include <array>
#include <charconv>
#include <cmath>
#include <functional>
#include <numeric>

namespace fond_ladder::inline v0 {
namespace {

using Digits = std::array<char, 330>;  // room for the largest double with two decimals

}  // namespace

std::string rounded(double number) {
  Digits digits;
  const auto end = std::to_chars(digits.data(), digits.data() + digits.size(), number, std::chars_format::fixed, 2).ptr;
  std::string text(digits.data(), end);
  text.erase(text.find_last_not_of('0') + 1);
  if (text.back() == '.') text.pop_back();
  return text == "-0" ? "0" : text;
}

std::vector<std::string> rounded_parts(const std::vector<double>& parts, double sum) {
  constexpr double cents = 100;
  std::vector<double> whole;
  std::vector<std::size_t> order(parts.size());
  double missing = std::round(sum * cents);
  for (const double part : parts) {
    whole.push_back(std::round(part * cents));
    missing -= whole.back();
  }
  std::iota(order.begin(), order.end(), 0);
  const double step = missing < 0 ? -1 : 1;
  std::ranges::stable_sort(order, std::ranges::greater(),
                           [&](std::size_t i) { return step * (parts[i] * cents - whole[i]); });
  if (std::abs(missing) <= static_cast<double>(parts.size())) {
    for (std::size_t i = 0; missing != 0; ++i, missing -= step) whole[order[i]] += step;
  }
  std::vector<std::string> texts;
  for (const double one : whole) texts.push_back(rounded(one / cents));
  return texts;
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
