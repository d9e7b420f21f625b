// SPDX-License-Identifier: MIT
//
// Sharing the space of one line.
//
// The open standard resolves flexible lengths in rounds: hand out the unused space by factors, clamp, freeze each
// child clamped on the side that dominates, repeat. Every round costs the line once, and there can be as many rounds as
// children. The outcome, though, is a water level: there is one number L such that each child ends at
//
//     clamp(base + L * grow)                     when there is unused space,
//     clamp(base - L * shrink * inner base)      when space is missing,
//
// and the sizes add up to the space. (A round overestimates L when minima dominate and underestimates it when maxima
// do, so a child it freezes is clamped at the final level too.) The sum of the clamped sizes is a piecewise linear,
// monotone function of L whose corners are the points where a child meets a limit; sorting these and walking along them
// finds L in O(n log n).
//
//   space 100, bases 0, grow 1 1 2, the last at most 20:  rounds give 25 25 50>20, then 40 40;
//   the level rises to 10 (the last stops at 20), then on to 40.
//
// Factors that add to less than 1 hand out only that part. Growing, this caps L at the initial unused space, whatever
// is frozen. Shrinking, the cap depends on which children are free (factors are scaled there), so a line on which a
// limit stops a child and some shrink factor is below 1 replays the rounds; see share_rounds.cpp.
//
// Sums run in the order of the file, so that the numbers are the same on every machine. Tests: share_test.cpp, which
// holds this against the rounds.
#include "solve/sharing/share.hpp"

#include <algorithm>
#include <cmath>
#include <limits>

#include "solve/numbers/traced_number.hpp"

namespace fond_ladder::inline v0::detail {
namespace {

constexpr double never = std::numeric_limits<double>::infinity();

/// Where the sum of clamped sizes, `at_zero` at level 0 and bending at the points, reaches `target`; infinite if never.
template <class N>
N walk_to(std::vector<SharePointOf<N>>& points, N at_zero, N target) {
  sort_by(points, &SharePointOf<N>::level);
  N level = 0, reached = at_zero, slope = 0;
  for (const SharePointOf<N>& point : points) {
    const N next = reached + slope * (point.level - level);
    if (next >= target && slope > 0) break;
    reached = next;
    level = point.level;
    slope += point.slope;
  }
  if (!(slope > 0)) return never;
  return level + (target - reached) / slope;
}

/// The exact level from the children that are free at `near`: summed in the order of the file, without rounding errors.
template <class N, class Speed, class IsFree>
N settle(std::span<const LineItemOf<N>> line_items, N space, N near, Speed speed, IsFree is_free) {
  N left = space, sum = 0;
  for (const LineItemOf<N>& line_item : line_items) {
    if (!is_free(line_item)) {
      left -= line_item.clamp(line_item.base);
      continue;
    }
    const N moved = line_item.base + near * speed(line_item);
    if (moved <= line_item.least || moved >= line_item.most) {
      left -= line_item.clamp(moved);
    } else {
      left -= line_item.base;
      sum += speed(line_item);
    }
  }
  return sum == 0 ? near : left / sum;
}

template <class N, class Speed, class IsFree>
N set_sizes(std::span<LineItemOf<N>> line_items, N level, Speed speed, IsFree is_free) {
  N sum = 0;
  for (LineItemOf<N>& line_item : line_items) {
    const N step = is_free(line_item) ? speed(line_item) : 0;
    line_item.size = line_item.clamp(step == 0 ? line_item.base : line_item.base + level * step);
    sum += line_item.size;
  }
  return sum;
}

/// Finds the level for a line on which some limit stops somebody. `speed` is how fast a child's size moves with the
/// level, `is_free` whether it takes part at all. Levels count upwards from 0 either way.
template <class N, class Speed, class IsFree>
N find_level(std::span<const LineItemOf<N>> line_items, N space, ShareScratchOf<N>& scratch, Speed speed,
             IsFree is_free) {
  auto& points = scratch.points;
  points.clear();
  N at_zero = 0, taken = 0;
  const double sign = [&] {
    for (const LineItemOf<N>& line_item : line_items) {
      if (is_free(line_item) && speed(line_item) != 0) return speed(line_item) > 0 ? 1.0 : -1.0;
    }
    return 1.0;
  }();
  for (const LineItemOf<N>& line_item : line_items) {
    const N step = is_free(line_item) ? magnitude(speed(line_item)) : 0;
    if (step == 0) {
      taken += line_item.clamp(line_item.base);
      continue;
    }
    at_zero += line_item.clamp(line_item.base);
    const N low = (line_item.least - line_item.base) * sign / step,
            high = (line_item.most - line_item.base) * sign / step;
    const N from = max_of(0.0, min_of(low, high)), to = max_of(low, high);
    if (to <= from) continue;
    points.push_back({from, step});
    if (to != never) points.push_back({to, -step});
  }
  const N level = walk_to(points, at_zero * sign, (space - taken) * sign);
  return level == never ? never : settle<N>(line_items, space, level, speed, is_free);
}

/// What came of a level: the sum of the sizes, and whether some limit stopped somebody.
template <class N>
struct Edited {
  N sum = 0;
  bool stopped = false;
};

/// A factor of a child that takes part, which is so where `holds()`; else 0. (Without branches: see number.hpp.)
template <class N, class Holds>
N factor_where(const N& factor, const Holds& holds) {
  if constexpr (std::is_same_v<N, double>) {
    return holds() ? factor : 0;
  } else {
    return factor > 0 && holds() ? factor : N(0);
  }
}
template <class N>
N grows_by(const LineItemOf<N>& line_item) {
  return factor_where(line_item.grow, [&] { return line_item.base <= line_item.most; });
}
template <class N>
N shrinks_by(const LineItemOf<N>& line_item) {
  return factor_where(line_item.shrink, [&] { return line_item.base >= line_item.least; });
}
/// What a child takes of the space before anything is handed out.
template <class N>
N taken_by(const LineItemOf<N>& line_item, const N& factor) {
  const bool is_free = factor > 0;
  const N capped = least_unless(is_free, line_item.base, [&] { return line_item.most; });
  return most_unless(is_free, capped, [&] { return line_item.least; });
}

/// Tries a level as if no limit stopped anybody, and sets the sizes.
template <class N, class Factor, class Speed>
Edited<N> try_level(std::span<LineItemOf<N>> line_items, N level, Factor factor, Speed speed) {
  Edited<N> edited;
  for (LineItemOf<N>& line_item : line_items) {
    const bool takes_part = factor(line_item) > 0;
    const N moved = line_item.base + only_if<N>(takes_part, [&] { return level * speed(line_item); });
    line_item.size = line_item.clamp(moved);
    edited.sum += line_item.size;
    edited.stopped |= all_true(takes_part, line_item.size != moved);
  }
  return edited;
}

template <class N>
N grow_line(std::span<LineItemOf<N>> line_items, N space, ShareScratchOf<N>& scratch) {
  const auto speed = [](const LineItemOf<N>& line_item) { return line_item.grow; };
  N unused_space = space, factors = 0;
  for (const LineItemOf<N>& line_item : line_items) {
    const N factor = grows_by(line_item);
    unused_space -= taken_by(line_item, factor);
    factors += factor;
  }
  const N level = factors == 0 ? 0 : factors < 1 ? unused_space : unused_space / factors;
  const Edited<N> edited = try_level<N>(line_items, level, grows_by<N>, speed);
  if (!edited.stopped) return edited.sum;
  const auto is_free = [](const LineItemOf<N>& line_item) { return grows_by(line_item) > 0; };
  return set_sizes(line_items, min_of(unused_space, find_level<N>(line_items, space, scratch, speed, is_free)), speed,
                   is_free);
}

template <class N>
N shrink_line(std::span<LineItemOf<N>> line_items, N space, ShareScratchOf<N>& scratch) {
  const auto speed = [](const LineItemOf<N>& line_item) { return -line_item.shrink * line_item.inner_base; };
  N missing = -space, factors = 0, scaled = 0;
  bool may_fall_below_one = false;
  for (const LineItemOf<N>& line_item : line_items) {
    const N factor = shrinks_by(line_item);
    missing += taken_by(line_item, factor);
    factors += factor;
    scaled += factor * line_item.inner_base;
    may_fall_below_one |= all_true(factor > 0, factor < 1);
  }
  const N part = factors < 1 ? missing * factors : missing;
  const bool nothing_to_take = scaled <= 1e-100;
  const Edited<N> edited = try_level<N>(line_items, nothing_to_take ? 0 : part / scaled, shrinks_by<N>, speed);
  if (!edited.stopped || nothing_to_take) return edited.sum;
  if (may_fall_below_one) return scratch.rounds.shrink(line_items, space, missing);
  const auto is_free = [](const LineItemOf<N>& line_item) { return shrinks_by(line_item) > 0; };
  return set_sizes(line_items, find_level<N>(line_items, space, scratch, speed, is_free), speed, is_free);
}

}  // namespace

template <class N>
N share(std::span<LineItemOf<N>> line_items, N space, N wanted, ShareScratchOf<N>& scratch) {
  if (wanted == space) {
    for (LineItemOf<N>& line_item : line_items) line_item.size = line_item.clamp(line_item.base);
    return wanted;
  }
  return wanted < space ? grow_line(line_items, space, scratch) : shrink_line(line_items, space, scratch);
}

template double share(std::span<LineItemOf<double>>, double, double, ShareScratchOf<double>&);
template TracedNumber share(std::span<LineItemOf<TracedNumber>>, TracedNumber, TracedNumber,
                            ShareScratchOf<TracedNumber>&);

}  // namespace fond_ladder::inline v0::detail
