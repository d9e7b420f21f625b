// SPDX-License-Identifier: MIT
//
// Shrinking in rounds. While shrink factors add to 1 or more, a line ends at one common level (share.cpp). Below that
// the standard takes only a part of the missing room, and which part depends on who is still free: the level may fall
// from one round to the next, and there is no single one to look for. So the rounds are replayed, but a round does not
// look at every child:
//
//  - a child is stopped by its minimum when the level exceeds (base - least) / speed, and, if its base is above its
//    maximum, held by that while the level is below (base - most) / speed. Children are sorted by both once;
//  - at a given level, those stopped are the first ones of an order; how much they violate is a sum over that first
//    part, kept in a binary indexed tree from which frozen children are taken out.
//
// A round costs two such sums and freezes at least one child, so all rounds cost O(n log n). Source: CSS Flexible Box
// Layout 1, section 9.7, step 4. Test: share_test.cpp holds this against the rounds taken literally.
#include "solve/share_rounds.hpp"

#include <algorithm>
#include <limits>

#include "solve/moving.hpp"
#include "solve/share.hpp"

namespace fond_ladder::inline v0::detail {
namespace {

constexpr std::uint32_t nowhere = 0xFFFFFFFF;

template <class N>
N speed_of(const PortionOf<N>& portion) {
  return portion.shrink * portion.inner_base;
}

}  // namespace

template <class N>
void ShrinkRoundsOf<N>::Stops::reserve(std::size_t most) {
  order.reserve(most);
  level.reserve(most);
  place.reserve(most);
  sums.reserve(most + 1);
}

template <class N>
void ShrinkRoundsOf<N>::Stops::clear(std::size_t children) {
  order.clear();
  level.assign(children, 0);
  place.assign(children, nowhere);
  passed = 0;
}

/// Until here `level` is by child; from here on by place.
template <class N>
void ShrinkRoundsOf<N>::Stops::sort_by_level() {
  std::sort(order.begin(), order.end(), [&](std::uint32_t a, std::uint32_t b) {
    return sorts_before(level[a], level[b]) || (a < b && !sorts_before(level[b], level[a]));
  });
  for (std::uint32_t i = 0; i < order.size(); ++i) place[order[i]] = i;
  std::sort(level.begin(), level.end(), [](const N& a, const N& b) { return sorts_before(a, b); });
  sums.assign(order.size() + 1, {});
}

template <class N>
void ShrinkRoundsOf<N>::Stops::add(std::uint32_t at, const Violation& change, int sign) {
  for (std::size_t i = at + 1; i < sums.size(); i += i & (~i + 1)) {
    sums[i].offset += sign * change.offset;
    sums[i].speed += sign * change.speed;
    sums[i].count += static_cast<std::uint32_t>(sign) * change.count;
  }
}

template <class N>
std::uint32_t ShrinkRoundsOf<N>::Stops::places_below(N at) const {
  const auto end = level.begin() + static_cast<std::ptrdiff_t>(order.size());
  if constexpr (!std::is_same_v<N, double>) {  // each is a decision of its own, however it moves
    return static_cast<std::uint32_t>(std::count_if(level.begin(), end, [&](const N& one) { return one < at; }));
  }
  return static_cast<std::uint32_t>(std::lower_bound(level.begin(), end, at) - level.begin());
}

template <class N>
typename ShrinkRoundsOf<N>::Violation ShrinkRoundsOf<N>::Stops::sum_below(std::uint32_t end) const {
  Violation sum;
  for (std::uint32_t i = end; i > 0; i -= i & (~i + 1)) {
    sum.offset += sums[i].offset;
    sum.speed += sums[i].speed;
    sum.count += sums[i].count;
  }
  return sum;
}

template <class N>
void ShrinkRoundsOf<N>::reserve(std::size_t most) {
  least_.reserve(most);
  most_.reserve(most);
  free_.reserve(most);
}

template <class N>
void ShrinkRoundsOf<N>::list(std::span<const PortionOf<N>> portions) {
  const std::size_t n = portions.size();
  least_.clear(n);
  most_.clear(n);
  constexpr double never = std::numeric_limits<double>::infinity();
  for (std::uint32_t i = 0; i < n; ++i) {
    least_.level[i] = most_.level[i] = never;
    if (!free_[i]) continue;
    const PortionOf<N>& portion = portions[i];
    const N speed = speed_of(portion);
    if (speed > 0) {
      least_.level[i] = (portion.base - portion.least) / speed;
      least_.order.push_back(i);
    }
    if (portion.base > portion.most) {
      most_.level[i] = speed > 0 ? -(portion.base - portion.most) / speed : -never;
      most_.order.push_back(i);
    }
  }
  least_.sort_by_level();
  most_.sort_by_level();
  for (std::uint32_t i = 0; i < n; ++i) {
    const PortionOf<N>& portion = portions[i];
    if (least_.place[i] != nowhere)
      least_.add(least_.place[i], {portion.least - portion.base, speed_of(portion), 1}, 1);
    if (most_.place[i] != nowhere) most_.add(most_.place[i], {portion.base - portion.most, -speed_of(portion), 1}, 1);
  }
}

template <class N>
void ShrinkRoundsOf<N>::freeze(std::span<PortionOf<N>> portions, std::uint32_t child, N size) {
  if (!free_[child]) return;
  PortionOf<N>& portion = portions[child];
  free_[child] = false;
  --free_count_;
  portion.size = size;
  missing_ += size - portion.base;
  factors_ -= portion.shrink;
  scaled_ -= speed_of(portion);
  if (least_.place[child] != nowhere) {
    least_.add(least_.place[child], {portion.least - portion.base, speed_of(portion), 1}, -1);
  }
  if (most_.place[child] != nowhere) {
    most_.add(most_.place[child], {portion.base - portion.most, -speed_of(portion), 1}, -1);
  }
}

template <class N>
void ShrinkRoundsOf<N>::freeze_below(std::span<PortionOf<N>> portions, Stops& stops, std::uint32_t end) {
  for (; stops.passed < end; ++stops.passed) {
    const std::uint32_t child = stops.order[stops.passed];
    freeze(portions, child, &stops == &least_ ? portions[child].least : portions[child].most);
  }
}

template <class N>
N ShrinkRoundsOf<N>::shrink(std::span<PortionOf<N>> portions, N room, N initial) {
  const std::size_t n = portions.size();
  free_.assign(n, false);
  missing_ = -room;
  factors_ = scaled_ = 0;
  free_count_ = 0;
  for (std::size_t i = 0; i < n; ++i) {
    PortionOf<N>& portion = portions[i];
    free_[i] = portion.shrink > 0 && portion.base >= portion.least;
    portion.size = portion.held(portion.base);
    missing_ += free_[i] ? portion.base : portion.size;
    if (!free_[i]) continue;
    factors_ += portion.shrink;
    scaled_ += speed_of(portion);
    ++free_count_;
  }
  list(portions);
  while (free_count_ > 0) {
    const N part = factors_ < 1 ? least_of(missing_, initial * factors_) : missing_;
    const N level = scaled_ > 0 ? most_of(0.0, part) / scaled_ : 0;
    const std::uint32_t by_least = least_.places_below(level), by_most = most_.places_below(-level);
    const Violation below = least_.sum_below(by_least), above = most_.sum_below(by_most);
    const N lacking = below.offset + level * below.speed, exceeding = above.offset + level * above.speed;
    if ((below.count == 0 && above.count == 0) || lacking == exceeding) {
      for (std::size_t i = 0; i < n; ++i) {
        if (free_[i]) portions[i].size = portions[i].held(portions[i].base - level * speed_of(portions[i]));
      }
      break;
    }
    const bool minima_win = above.count == 0 || (below.count > 0 && lacking > exceeding);
    minima_win ? freeze_below(portions, least_, by_least) : freeze_below(portions, most_, by_most);
  }
  N sum = 0;
  for (const PortionOf<N>& portion : portions) sum += portion.size;
  return sum;
}

template class ShrinkRoundsOf<double>;
template class ShrinkRoundsOf<Moving>;

}  // namespace fond_ladder::inline v0::detail
