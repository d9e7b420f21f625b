// SPDX-License-Identifier: MIT
#include "model/rounded_parts.hpp"

#include <algorithm>
#include <cmath>
#include <functional>
#include <numeric>

#include "model/number_text.hpp"

namespace fond_ladder::inline v0 {

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

}  // namespace fond_ladder::inline v0
