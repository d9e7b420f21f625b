// SPDX-License-Identifier: MIT
#include "verify/explain/rounds.hpp"

#include <algorithm>
#include <cmath>
#include "model/limits.hpp"

namespace fond_ladder::inline v0 {

using detail::ChildAccount;
using detail::LineItem;

void Rounds::play(ExplanationLine& line) {
  double clamped = 0;
  for (const ChildAccount& child : line_.children) clamped += child.line_item.clamp(child.line_item.base);
  grows_ = clamped < line_.space();
  line.grows = grows_;
  std::vector<bool> free(size_.size());
  for (std::size_t i = 0; i < size_.size(); ++i) {
    const LineItem& line_item = line_item_of(i);
    const double start = line_item.clamp(line_item.base);
    free[i] = factor(i) > 0 && !(grows_ ? line_item.base > start : line_item.base < start);
    size_[i] = free[i] ? line_item.base : start;
  }
  const double initial = rest();
  for (int round = 1; std::ranges::find(free, true) != free.end(); ++round) play_one(round, initial, free, line);
}

void Rounds::play_one(int round, double initial, std::vector<bool>& free, ExplanationLine& line) {
  double space = line_.space(), factors = 0, speeds = 0;
  for (std::size_t i = 0; i < size_.size(); ++i) {
    space -= free[i] ? line_item_of(i).base : size_[i];
    if (free[i]) factors += factor(i), speeds += speed(i);
  }
  if (factors < 1 && std::abs(initial * factors) < std::abs(space)) space = initial * factors;
  if (grows_ ? space < 0 : space > 0) space = 0;
  const double level = speeds > 0 ? space / speeds : 0;
  std::vector<double> clamped(size_.size());
  double violation = 0;
  for (std::size_t i = 0; i < size_.size(); ++i) {
    if (!free[i]) continue;
    size_[i] = line_item_of(i).base + level * speed(i);
    clamped[i] = line_item_of(i).clamp(size_[i]);
    violation += clamped[i] - size_[i];
  }
  const bool ends = std::abs(violation) <= limits::violation_rounding * std::max(1.0, line_.inner);
  ExplanationRound this_round{space, level, {}};
  for (std::size_t i = 0; i < size_.size(); ++i) {
    if (!free[i] || !(ends || (violation > 0 ? clamped[i] > size_[i] : clamped[i] < size_[i]))) continue;
    size_[i] = clamped[i];
    free[i] = false;
    settled_in_[i] = round;
    this_round.settled.push_back(i);
  }
  line.rounds.push_back(std::move(this_round));
}

}  // namespace fond_ladder::inline v0
