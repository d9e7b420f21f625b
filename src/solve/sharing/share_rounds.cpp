// SPDX-License-Identifier: MIT
//
// Shrinking in rounds. While shrink factors add to 1 or more, a line ends at one common level (share.cpp). Below that
// the standard takes only a part of the missing space, by which children are still free: the level may fall
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
#include "solve/sharing/share_rounds.hpp"

#include <algorithm>
#include <limits>

#include "solve/numbers/traced_number.hpp"

namespace fond_ladder::inline v0::detail {
namespace {

constexpr std::uint32_t nowhere = 0xFFFFFFFF;

template <class N>
N speed_of(const LineItemOf<N>& line_item) {
  return line_item.shrink * line_item.inner_base;
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
void ShrinkRoundsOf<N>::list(std::span<const LineItemOf<N>> line_items) {
  const std::size_t n = line_items.size();
  least_.clear(n);
  most_.clear(n);
  constexpr double never = std::numeric_limits<double>::infinity();
  for (std::uint32_t i = 0; i < n; ++i) {
    least_.level[i] = most_.level[i] = never;
    if (!free_[i]) continue;
    const LineItemOf<N>& line_item = line_items[i];
    const N speed = speed_of(line_item);
    if (speed > 0) {
      least_.level[i] = (line_item.base - line_item.least) / speed;
      least_.order.push_back(i);
    }
    if (line_item.base > line_item.most) {
      most_.level[i] = speed > 0 ? -(line_item.base - line_item.most) / speed : -never;
      most_.order.push_back(i);
    }
  }
  least_.sort_by_level();
  most_.sort_by_level();
  for (std::uint32_t i = 0; i < n; ++i) {
    const LineItemOf<N>& line_item = line_items[i];
    if (least_.place[i] != nowhere)
      least_.add(least_.place[i], {line_item.least - line_item.base, speed_of(line_item), 1}, 1);
    if (most_.place[i] != nowhere)
      most_.add(most_.place[i], {line_item.base - line_item.most, -speed_of(line_item), 1}, 1);
  }
}

template <class N>
void ShrinkRoundsOf<N>::freeze(std::span<LineItemOf<N>> line_items, std::uint32_t child, N size) {
  if (!free_[child]) return;
  LineItemOf<N>& line_item = line_items[child];
  free_[child] = false;
  --free_count_;
  line_item.size = size;
  missing_ += size - line_item.base;
  factors_ -= line_item.shrink;
  scaled_ -= speed_of(line_item);
  if (least_.place[child] != nowhere) {
    least_.add(least_.place[child], {line_item.least - line_item.base, speed_of(line_item), 1}, -1);
  }
  if (most_.place[child] != nowhere) {
    most_.add(most_.place[child], {line_item.base - line_item.most, -speed_of(line_item), 1}, -1);
  }
}

template <class N>
void ShrinkRoundsOf<N>::freeze_below(std::span<LineItemOf<N>> line_items, Stops& stops, std::uint32_t end) {
  for (; stops.passed < end; ++stops.passed) {
    const std::uint32_t child = stops.order[stops.passed];
    freeze(line_items, child, &stops == &least_ ? line_items[child].least : line_items[child].most);
  }
}

template <class N>
N ShrinkRoundsOf<N>::shrink(std::span<LineItemOf<N>> line_items, N space, N initial) {
  const std::size_t n = line_items.size();
  free_.assign(n, false);
  missing_ = -space;
  factors_ = scaled_ = 0;
  free_count_ = 0;
  for (std::size_t i = 0; i < n; ++i) {
    LineItemOf<N>& line_item = line_items[i];
    free_[i] = line_item.shrink > 0 && line_item.base >= line_item.least;
    line_item.size = line_item.clamp(line_item.base);
    missing_ += free_[i] ? line_item.base : line_item.size;
    if (!free_[i]) continue;
    factors_ += line_item.shrink;
    scaled_ += speed_of(line_item);
    ++free_count_;
  }
  list(line_items);
  while (free_count_ > 0) {
    const N part = factors_ < 1 ? min_of(missing_, initial * factors_) : missing_;
    const N level = scaled_ > 0 ? max_of(0.0, part) / scaled_ : 0;
    const std::uint32_t by_least = least_.places_below(level), by_most = most_.places_below(-level);
    const Violation below = least_.sum_below(by_least), above = most_.sum_below(by_most);
    const N lacking = below.offset + level * below.speed, exceeding = above.offset + level * above.speed;
    if ((below.count == 0 && above.count == 0) || lacking == exceeding) {
      for (std::size_t i = 0; i < n; ++i) {
        if (free_[i]) line_items[i].size = line_items[i].clamp(line_items[i].base - level * speed_of(line_items[i]));
      }
      break;
    }
    const bool minima_win = above.count == 0 || (below.count > 0 && lacking > exceeding);
    minima_win ? freeze_below(line_items, least_, by_least) : freeze_below(line_items, most_, by_most);
  }
  N sum = 0;
  for (const LineItemOf<N>& line_item : line_items) sum += line_item.size;
  return sum;
}

template class ShrinkRoundsOf<double>;
template class ShrinkRoundsOf<TracedNumber>;

}  // namespace fond_ladder::inline v0::detail
