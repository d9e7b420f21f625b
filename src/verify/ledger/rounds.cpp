// SPDX-License-Identifier: MIT
#include "verify/ledger/rounds.hpp"

#include <algorithm>
#include <cmath>
#include "model/limits.hpp"

namespace fond_ladder::inline v0 {

using detail::ChildAccount;
using detail::Portion;

void Rounds::play(LedgerLine& told) {
  double held = 0;
  for (const ChildAccount& child : line_.children) held += child.portion.held(child.portion.base);
  grows_ = held < line_.room();
  told.grows = grows_;
  std::vector<bool> free(size_.size());
  for (std::size_t i = 0; i < size_.size(); ++i) {
    const Portion& portion = portion_of(i);
    const double start = portion.held(portion.base);
    free[i] = factor(i) > 0 && !(grows_ ? portion.base > start : portion.base < start);
    size_[i] = free[i] ? portion.base : start;
  }
  const double initial = rest();
  for (int round = 1; std::ranges::find(free, true) != free.end(); ++round) play_one(round, initial, free, told);
}

void Rounds::play_one(int round, double initial, std::vector<bool>& free, LedgerLine& told) {
  double room = line_.room(), factors = 0, speeds = 0;
  for (std::size_t i = 0; i < size_.size(); ++i) {
    room -= free[i] ? portion_of(i).base : size_[i];
    if (free[i]) factors += factor(i), speeds += speed(i);
  }
  if (factors < 1 && std::abs(initial * factors) < std::abs(room)) room = initial * factors;
  if (grows_ ? room < 0 : room > 0) room = 0;
  const double level = speeds > 0 ? room / speeds : 0;
  std::vector<double> held(size_.size());
  double violation = 0;
  for (std::size_t i = 0; i < size_.size(); ++i) {
    if (!free[i]) continue;
    size_[i] = portion_of(i).base + level * speed(i);
    held[i] = portion_of(i).held(size_[i]);
    violation += held[i] - size_[i];
  }
  const bool ends = std::abs(violation) <= limits::violation_rounding * std::max(1.0, line_.inner);
  LedgerRound told_round{room, level, {}};
  for (std::size_t i = 0; i < size_.size(); ++i) {
    if (!free[i] || !(ends || (violation > 0 ? held[i] > size_[i] : held[i] < size_[i]))) continue;
    size_[i] = held[i];
    free[i] = false;
    settled_in_[i] = round;
    told_round.settled.push_back(i);
  }
  told.rounds.push_back(std::move(told_round));
}

}  // namespace fond_ladder::inline v0
