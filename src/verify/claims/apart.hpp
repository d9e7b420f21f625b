// SPDX-License-Identifier: MIT
#pragma once

// Whether boxes lie apart needs no look at every pair where straight cuts part them: sorted by where they begin, a cut
// goes wherever all that began has ended, and what is between two cuts is cut across in the same way. Only what no cut
// parts is held against one another, pair by pair. That a cut parts is compared again in the numbers of the boxes, so
// that it holds, for numbers in motion, up to where that changes.

#include <algorithm>
#include <span>
#include <vector>

#include "verify/claims/crossing.hpp"

namespace fond_ladder::inline v0::detail {

template <class N>
class CutApart {
 public:
  /// Boxes that overlap by no more than `fit_tolerance` count as apart.
  CutApart(std::span<const BoxEdgesOf<N>> boxes, double within)
      : boxes_(boxes), slack_(within / static_cast<double>(std::max<std::size_t>(boxes.size(), 1))) {}

  /// The groups that are left of all boxes, by their places: no box of one goes over one of another. Those of a single
  /// box are left out.
  [[nodiscard]] std::vector<std::vector<std::size_t>> groups() {
    std::vector<std::size_t> all(boxes_.size());
    for (std::size_t i = 0; i < all.size(); ++i) all[i] = i;
    part(std::move(all), true, 0, 0);
    return std::move(left_);
  }

 private:
  using Places = std::vector<std::size_t>;
  static constexpr int deepest = 40;  // cuts within cuts: what takes more is held against one another

  [[nodiscard]] const N& begin(std::size_t i, bool by_x) const { return by_x ? boxes_[i].left : boxes_[i].top; }
  [[nodiscard]] const N& end(std::size_t i, bool by_x) const { return by_x ? boxes_[i].right : boxes_[i].bottom; }

  /// `in_vain` counts the directions in which no cut was found.
  void part(Places places, bool by_x, int depth, int in_vain) {
    if (places.size() < 2) return;
    constexpr std::size_t few = 3;
    if (in_vain == 2 || depth == deepest || places.size() <= few) return keep(std::move(places));
    std::ranges::sort(places, {}, [&](std::size_t i) { return in_pixels(begin(i, by_x)); });
    std::vector<Places> groups(1);
    double reached = in_pixels(end(places.front(), by_x));
    for (const std::size_t i : places) {
      if (reached <= in_pixels(begin(i, by_x)) + slack_ && !groups.back().empty()) groups.emplace_back();
      groups.back().push_back(i);
      reached = std::max(reached, in_pixels(end(i, by_x)));
    }
    for (std::size_t g = groups.size(); g-- > 1;) {
      if (parts(groups[g - 1], groups[g], by_x)) continue;
      groups[g - 1].insert(groups[g - 1].end(), groups[g].begin(), groups[g].end());
      groups.erase(groups.begin() + static_cast<std::ptrdiff_t>(g));
    }
    const bool cut = groups.size() > 1;
    for (Places& group : groups) part(std::move(group), !by_x, depth + 1, cut ? 0 : in_vain + 1);
  }

  /// Whether the first box of `behind` begins behind all of `ahead`, and ahead of all others of `behind`.
  [[nodiscard]] bool parts(const Places& ahead, const Places& behind, bool by_x) const {
    const N& cut = begin(behind.front(), by_x);
    return std::ranges::all_of(ahead, [&](std::size_t i) { return end(i, by_x) <= cut + N(slack_); }) &&
           std::ranges::all_of(behind.begin() + 1, behind.end(), [&](std::size_t i) { return cut <= begin(i, by_x); });
  }

  void keep(Places places) {
    std::ranges::sort(places);
    left_.push_back(std::move(places));
  }

  std::span<const BoxEdgesOf<N>> boxes_;
  double slack_;
  std::vector<Places> left_;
};

}  // namespace fond_ladder::inline v0::detail
