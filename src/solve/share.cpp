// SPDX-License-Identifier: MIT
//
// Sharing the room of one line.
//
// The open standard resolves flexible lengths in rounds: hand out the spare room by factors, clamp, freeze whoever was
// clamped on the side that dominates, repeat. Every round costs the line once, and there can be as many rounds as
// children. The outcome, though, is a water level: there is one number L such that each child ends at
//
//     clamp(base + L * grow)                     when there is room to spare,
//     clamp(base - L * shrink * inner base)      when room is missing,
//
// and the sizes add up to the room. (A round overestimates L when minima dominate and underestimates it when maxima do,
// so whoever it freezes is clamped at the final level too.) The sum of the clamped sizes is a piecewise straight,
// monotone function of L whose corners are the points where a child meets a limit; sorting these and walking along them
// finds L in O(n log n).
//
//   room 100, bases 0, grow 1 1 2, the last at most 20:  rounds give 25 25 50>20, then 40 40;
//   the level rises to 10 (the last stops at 20), then on to 40.
//
// Factors that add to less than 1 hand out only that part. Growing, this caps L at the initial spare room, whatever is
// frozen. Shrinking, the cap depends on who is still free (factors are scaled there), so that a line on which a limit
// stops somebody and some shrink factor is below 1 replays the rounds; see share_rounds.cpp.
//
// Sums run in the order of the file, so that the numbers are the same on every machine. Tests: share_test.cpp, which
// holds this against the rounds.
#include "solve/share.hpp"

#include <algorithm>
#include <cmath>
#include <limits>

#include "solve/moving.hpp"

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

/// The exact level from who is free at `near`: summed afresh in the order of the file, without the walk's rounding.
template <class N, class Speed, class IsFree>
N settle(std::span<const PortionOf<N>> portions, N room, N near, Speed speed, IsFree is_free) {
  N left = room, sum = 0;
  for (const PortionOf<N>& portion : portions) {
    if (!is_free(portion)) {
      left -= portion.held(portion.base);
      continue;
    }
    const N moved = portion.base + near * speed(portion);
    if (moved <= portion.least || moved >= portion.most) {
      left -= portion.held(moved);
    } else {
      left -= portion.base;
      sum += speed(portion);
    }
  }
  return sum == 0 ? near : left / sum;
}

template <class N, class Speed, class IsFree>
N set_sizes(std::span<PortionOf<N>> portions, N level, Speed speed, IsFree is_free) {
  N sum = 0;
  for (PortionOf<N>& portion : portions) {
    const N step = is_free(portion) ? speed(portion) : 0;
    portion.size = portion.held(step == 0 ? portion.base : portion.base + level * step);
    sum += portion.size;
  }
  return sum;
}

/// Finds the level for a line on which some limit stops somebody. `speed` is how fast a child's size moves with the
/// level, `is_free` whether it takes part at all. Levels count upwards from 0 either way.
template <class N, class Speed, class IsFree>
N find_level(std::span<const PortionOf<N>> portions, N room, ShareScratchOf<N>& scratch, Speed speed, IsFree is_free) {
  auto& points = scratch.points;
  points.clear();
  N at_zero = 0, taken = 0;
  const double sign = [&] {
    for (const PortionOf<N>& portion : portions) {
      if (is_free(portion) && speed(portion) != 0) return speed(portion) > 0 ? 1.0 : -1.0;
    }
    return 1.0;
  }();
  for (const PortionOf<N>& portion : portions) {
    const N step = is_free(portion) ? magnitude(speed(portion)) : 0;
    if (step == 0) {
      taken += portion.held(portion.base);
      continue;
    }
    at_zero += portion.held(portion.base);
    const N low = (portion.least - portion.base) * sign / step, high = (portion.most - portion.base) * sign / step;
    const N from = most_of(0.0, least_of(low, high)), to = most_of(low, high);
    if (to <= from) continue;
    points.push_back({from, step});
    if (to != never) points.push_back({to, -step});
  }
  const N level = walk_to(points, at_zero * sign, (room - taken) * sign);
  return level == never ? never : settle<N>(portions, room, level, speed, is_free);
}

/// What came of a level: the sum of the sizes, and whether some limit stopped somebody.
template <class N>
struct Tried {
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
N grows_by(const PortionOf<N>& portion) {
  return factor_where(portion.grow, [&] { return portion.base <= portion.most; });
}
template <class N>
N shrinks_by(const PortionOf<N>& portion) {
  return factor_where(portion.shrink, [&] { return portion.base >= portion.least; });
}
/// What a child takes of the room before anything is handed out.
template <class N>
N taken_by(const PortionOf<N>& portion, const N& factor) {
  const bool is_free = factor > 0;
  const N capped = least_unless(is_free, portion.base, [&] { return portion.most; });
  return most_unless(is_free, capped, [&] { return portion.least; });
}

/// Tries a level as if no limit stopped anybody, and sets the sizes.
template <class N, class Factor, class Speed>
Tried<N> try_level(std::span<PortionOf<N>> portions, N level, Factor factor, Speed speed) {
  Tried<N> tried;
  for (PortionOf<N>& portion : portions) {
    const bool takes_part = factor(portion) > 0;
    const N moved = portion.base + only_if<N>(takes_part, [&] { return level * speed(portion); });
    portion.size = portion.held(moved);
    tried.sum += portion.size;
    tried.stopped |= all_true(takes_part, portion.size != moved);
  }
  return tried;
}

template <class N>
N grow_line(std::span<PortionOf<N>> portions, N room, ShareScratchOf<N>& scratch) {
  const auto speed = [](const PortionOf<N>& portion) { return portion.grow; };
  N spare = room, factors = 0;
  for (const PortionOf<N>& portion : portions) {
    const N factor = grows_by(portion);
    spare -= taken_by(portion, factor);
    factors += factor;
  }
  const N level = factors == 0 ? 0 : factors < 1 ? spare : spare / factors;
  const Tried<N> tried = try_level<N>(portions, level, grows_by<N>, speed);
  if (!tried.stopped) return tried.sum;
  const auto is_free = [](const PortionOf<N>& portion) { return grows_by(portion) > 0; };
  return set_sizes(portions, least_of(spare, find_level<N>(portions, room, scratch, speed, is_free)), speed, is_free);
}

template <class N>
N shrink_line(std::span<PortionOf<N>> portions, N room, ShareScratchOf<N>& scratch) {
  const auto speed = [](const PortionOf<N>& portion) { return -portion.shrink * portion.inner_base; };
  N missing = -room, factors = 0, scaled = 0;
  bool may_fall_below_one = false;
  for (const PortionOf<N>& portion : portions) {
    const N factor = shrinks_by(portion);
    missing += taken_by(portion, factor);
    factors += factor;
    scaled += factor * portion.inner_base;
    may_fall_below_one |= all_true(factor > 0, factor < 1);
  }
  const N part = factors < 1 ? missing * factors : missing;
  const bool nothing_to_take = scaled <= 1e-100;
  const Tried<N> tried = try_level<N>(portions, nothing_to_take ? 0 : part / scaled, shrinks_by<N>, speed);
  if (!tried.stopped || nothing_to_take) return tried.sum;
  if (may_fall_below_one) return scratch.rounds.shrink(portions, room, missing);
  const auto is_free = [](const PortionOf<N>& portion) { return shrinks_by(portion) > 0; };
  return set_sizes(portions, find_level<N>(portions, room, scratch, speed, is_free), speed, is_free);
}

}  // namespace

template <class N>
N share(std::span<PortionOf<N>> portions, N room, N wanted, ShareScratchOf<N>& scratch) {
  if (wanted == room) {
    for (PortionOf<N>& portion : portions) portion.size = portion.held(portion.base);
    return wanted;
  }
  return wanted < room ? grow_line(portions, room, scratch) : shrink_line(portions, room, scratch);
}

template double share(std::span<PortionOf<double>>, double, double, ShareScratchOf<double>&);
template Moving share(std::span<PortionOf<Moving>>, Moving, Moving, ShareScratchOf<Moving>&);

}  // namespace fond_ladder::inline v0::detail
