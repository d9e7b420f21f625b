// SPDX-License-Identifier: MIT
//
// Stands in for src/model/number_text.cpp: the same texts by fmt, which the page needs anyway. The standard library's
// std::to_chars brings tables of 100 KB with it. tests/page holds the answers of both against each other.
#include "model/number_text.hpp"

#include <fmt/format.h>

#include <cmath>

namespace fond_ladder::inline v0 {

std::string rounded(double number) {
  std::string text = fmt::format("{:.2f}", number);
  text.erase(text.find_last_not_of('0') + 1);
  if (text.back() == '.') text.pop_back();
  return text == "-0" ? "0" : text;
}

std::string exact(double number) {
  if (number == 0) return "0";  // no minus
  std::string text = fmt::format("{}", number);
  constexpr double most_plain = 1e15, plain_for_fmt = 1e16;
  const double size = std::abs(number);
  if (size < most_plain || size >= plain_for_fmt) return text;
  const std::size_t first = number < 0 ? 2 : 1;  // behind the first digit
  text.erase(text.find_last_not_of('0') + 1);
  if (text.size() > first) text.insert(first, ".");
  return text + "e+15";
}

}  // namespace fond_ladder::inline v0
