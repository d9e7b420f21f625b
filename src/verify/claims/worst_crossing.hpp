// SPDX-License-Identifier: MIT
#pragma once

// Of many boxes those two that are most on the wrong side of each other.

#include <numeric>
#include <span>
#include <vector>

#include "verify/claims/apart.hpp"

namespace fond_ladder::inline v0::detail {

/// One placed node of an argument of `inside_of` or `apart`.
template <class N>
struct OutlineOf {
  BoxEdgesOf<N> at{};
  const std::size_t* slots = nullptr;  // of its edges
  std::size_t part = 0;                // the argument
};

/// Two edges, and by how much they are on the wrong side of each other.
template <class N>
struct WorstCrossingOf {
  N by = 0;
  std::size_t first = 0, second = 0;  // slots
};

/// Looks at each pair of places of a group; `cross(a, b)` returns how two boxes cross, `are_one(a, b)` which pairs do
/// not count.
template <class N, class Cross, class AreOne>
void look_at_pairs(std::span<const OutlineOf<N>> all, const std::vector<std::size_t>& group, Cross cross,
                   AreOne are_one, WorstCrossingOf<N>& worst) {
  for (std::size_t i = 0; i < group.size(); ++i) {
    for (std::size_t k = i + 1; k < group.size(); ++k) {
      const OutlineOf<N>&a = all[group[i]], &b = all[group[k]];
      if (are_one(a, b)) continue;
      const CrossingOf<N> crossing = cross(a.at, b.at);
      if (crossing.by > worst.by) worst = {crossing.by, a.slots[crossing.first], b.slots[crossing.second]};
    }
  }
}

/// How far nodes of one argument overhang those of the next.
template <class N>
[[nodiscard]] WorstCrossingOf<N> worst_sticking_out(std::span<const OutlineOf<N>> all) {
  std::vector<std::size_t> everybody(all.size());
  std::iota(everybody.begin(), everybody.end(), 0);
  WorstCrossingOf<N> worst;
  look_at_pairs<N>(
      all, everybody, overhangs<N>, [](const auto& a, const auto& b) { return a.part == b.part; }, worst);
  return worst;
}

/// How deep nodes lie in one another, where it is more than `fit_tolerance`.
template <class N>
[[nodiscard]] WorstCrossingOf<N> worst_overlap(std::span<const OutlineOf<N>> all, double within) {
  std::vector<BoxEdgesOf<N>> boxes;
  boxes.reserve(all.size());
  for (const OutlineOf<N>& one : all) boxes.push_back(one.at);
  WorstCrossingOf<N> worst;
  const auto are_one = [](const auto& a, const auto& b) { return a.slots[0] == b.slots[0]; };
  for (const std::vector<std::size_t>& group : CutApart<N>(boxes, within).groups())
    look_at_pairs<N>(all, group, overlap<N>, are_one, worst);
  return worst;
}

}  // namespace fond_ladder::inline v0::detail
