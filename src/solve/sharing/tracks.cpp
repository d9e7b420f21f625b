// SPDX-License-Identifier: MIT
//
// Track sizing. A track has a base size, which becomes its size, and a growth limit; both start from its bounds and are
// raised by its content:
//
//   1  children in one track raise it directly: of each track only the largest claims are known, so this is one loop;
//   2  children across several tracks hand what is missing to those tracks, fewer tracks first, all children of one
//      span together: each track takes the largest increase that any of them asked for, so their order does not matter;
//   3  the same for children that cross a share, to the shares only, in their ratio;
//   4  what is left of the space raises bases to their limits, equally;
//   5  what is left then goes to the shares, in their ratio, but none below its base;
//   6  or, where tracks stretch, to those of automatic size, equally.
//
// Handing space out equally up to limits is done in one round: the tracks are sorted by how much they can take, and
// each takes an equal part of what the smaller ones left. So are shares: sorted by base / share, those with a base
// larger than their part drop out first. Cost: O(t log t + c log c + cells crossed, sorted per child).
//
// Source: CSS Grid Layout 2, sections 12.4 to 12.8, without 12.5's baseline shims (a grid aligns no baselines). In step
// 3 the standard also lets the tracks that are no shares grow up to their limits; here, as it allows, they count as
// fixed. Tests: tracks_test.cpp, and the plain arranger, which takes the text literally.
#include "solve/sharing/tracks.hpp"

#include <algorithm>
#include <cmath>

#include "model/limits.hpp"
#include "solve/numbers/traced_number.hpp"

namespace fond_ladder::inline v0::detail {
namespace {

bool is_intrinsic(TrackWay way) {
  return way == TrackWay::content || way == TrackWay::min_content || way == TrackWay::max_content;
}

bool is_max_content(TrackWay way) {  // an automatic maximum is the max-content size
  return way == TrackWay::content || way == TrackWay::max_content;
}

template <class N>
void initialize(SizedTrackOf<N>& track) {
  track.base = track.min == TrackWay::fixed ? track.least : 0;
  track.limit = track.max == TrackWay::fixed ? max_of(track.most, track.base) : unlimited;
  track.grows_freely = false;
}

/// The claim on a base by its minimum, under a question: section 12.5, "limited min-content contributions".
template <class N>
N automatic_claim(const TrackRequestOf<N>& claim, N most, Space asked) {
  if (asked == Space::known) return claim.minimum;
  return max_of(min_of(claim.min_content, most), claim.minimum);
}

template <class N>
N fixed_most(const SizedTrackOf<N>& track) {
  return track.max == TrackWay::fixed ? track.most : unlimited;
}

template <class N>
void raise_by_own(SizedTrackOf<N>& track, Space asked) {
  if (!track.claimed || track.max == TrackWay::share) return;  // shares are raised together with those that cross them
  const TrackRequestOf<N>& claim = track.claim;
  if (track.min == TrackWay::content) track.base = max_of(track.base, automatic_claim(claim, fixed_most(track), asked));
  if (track.min == TrackWay::min_content) track.base = max_of(track.base, claim.min_content);
  if (track.min == TrackWay::max_content) track.base = max_of(track.base, claim.max_content);
  if (track.max == TrackWay::min_content) track.limit = claim.min_content;
  if (is_max_content(track.max)) track.limit = claim.max_content;
  track.limit = max_of(track.limit, track.base);
}

/// Hands space out, and out of what is asked of the tracks.
template <class N>
class Handout {
 public:
  Handout(std::span<SizedTrackOf<N>> tracks, N gap, TrackScratchOf<N>& scratch)
      : tracks_(tracks), gap_(gap), scratch_(scratch) {}

  /// One step for children of one span: `amount(child)` is their claim, `takes(track)` returns which tracks are
  /// raised, `takes_more(track)` which of these beyond their limits. Limits are raised instead of bases if `of_limits`.
  template <class Amount, class Takes, class TakesMore>
  void step(std::span<const CrossingClaimOf<N>> children, bool of_limits, Amount amount, Takes takes,
            TakesMore takes_more) {
    of_limits_ = of_limits;
    for (const CrossingClaimOf<N>& child : children) {
      const auto own = tracks_.subspan(child.first, child.count);
      if (std::ranges::none_of(own, takes)) continue;
      N space = amount(child) - gap_ * (child.count - 1);
      for (SizedTrackOf<N>& track : own) {
        space -= size_of(track);
        track.granted = 0;
        track.touched |= takes(track);
      }
      if (space <= 0) continue;
      space = up_to_limits(own, space, takes);
      if (!of_limits) space = up_to_limits(own, space, [&](const SizedTrackOf<N>& track) { return !takes(track); });
      if (space > 0) {
        const bool any = std::ranges::any_of(own, [&](const SizedTrackOf<N>& t) { return takes(t) && takes_more(t); });
        beyond(own, space, [&](const SizedTrackOf<N>& track) { return takes(track) && (!any || takes_more(track)); });
      }
      for (SizedTrackOf<N>& track : own) track.planned = max_of(track.planned, track.granted);
    }
    for (const CrossingClaimOf<N>& child : children) settle(tracks_.subspan(child.first, child.count));
  }

  /// The same for all children in a share, however many tracks they cross: in the ratio of the shares, and to no other
  /// tracks. `amount` returns the amount of a claim.
  template <class Amount, class Takes>
  void step_of_shares(std::span<const CrossingClaimOf<N>> children, Amount amount, Takes takes) {
    of_limits_ = false;
    for (SizedTrackOf<N>& track : tracks_) {
      if (takes(track)) track.planned = max_of(0.0, amount(track.claim) - track.base);
    }
    for (const CrossingClaimOf<N>& child : children) {
      const auto own = tracks_.subspan(child.first, child.count);
      N space = amount(child.claim) - gap_ * (child.count - 1), all_shares = 0, shares = 0, count = 0;
      for (const SizedTrackOf<N>& track : own) {
        space -= track.base;
        all_shares += track.share;
        shares += takes(track) ? track.share : 0;
        count += takes(track) ? 1 : 0;
      }
      if (space <= 0 || count == 0) continue;
      for (SizedTrackOf<N>& track : own) {
        const N part = all_shares >= 1 && shares > 0 ? track.share / shares : 1 / count;
        if (takes(track)) track.planned = max_of(track.planned, space * part);
      }
    }
    settle(tracks_);
  }

 private:
  N size_of(const SizedTrackOf<N>& track) const {
    return of_limits_ && track.limit != unlimited ? track.limit : track.base;
  }
  N headroom_of(const SizedTrackOf<N>& track) const {
    if (!of_limits_) return track.limit - track.base - track.granted;
    return track.limit == unlimited || track.grows_freely ? unlimited : 0;
  }

  /// Gives equal parts to the tracks that `takes`, none more than its headroom. Returns what no track could take.
  template <class Takes>
  N up_to_limits(std::span<SizedTrackOf<N>> own, N space, Takes takes) {
    auto& sorted = scratch_.headroom;
    sorted.clear();
    for (std::uint32_t i = 0; i < own.size(); ++i) {
      if (takes(own[i])) sorted.push_back({headroom_of(own[i]), 1, i});
    }
    sort_by(sorted, &TrackScratchOf<N>::Headroom::free_space);
    auto left = static_cast<double>(sorted.size());
    for (const auto& [free_space, weight, track] : sorted) {
      const N part = min_of(max_of(0.0, free_space), space / left);
      own[track].granted += part;
      space -= part;
      --left;
    }
    return sorted.empty() ? space : max_of(0.0, space);
  }

  template <class Takes>
  void beyond(std::span<SizedTrackOf<N>> own, N space, Takes takes) {
    const auto count = static_cast<double>(std::ranges::count_if(own, takes));
    for (SizedTrackOf<N>& track : own) {
      if (takes(track)) track.granted += space / count;
    }
  }

  /// Takes what was planned into the sizes.
  void settle(std::span<SizedTrackOf<N>> own) {
    for (SizedTrackOf<N>& track : own) {
      if (!of_limits_) {
        track.base += track.planned;
      } else if (track.limit != unlimited) {
        track.limit += track.planned;
      } else if (track.touched) {
        track.limit = track.base + track.planned;
        track.grows_freely = true;
      }
      track.planned = 0;
      track.touched = false;
    }
  }

  std::span<SizedTrackOf<N>> tracks_;
  N gap_;
  TrackScratchOf<N>& scratch_;
  bool of_limits_ = false;
};

template <class N>
N most_across(std::span<const SizedTrackOf<N>> own, N gap) {
  N sum = gap * static_cast<N>(own.size() - 1);
  for (const SizedTrackOf<N>& track : own) sum += fixed_most(track);
  return sum;
}

/// Children of one span that cross no share: section 12.5, step 3.
template <class N>
void raise_by_crossing(std::span<SizedTrackOf<N>> tracks, std::span<const CrossingClaimOf<N>> children, N gap,
                       Space asked, TrackScratchOf<N>& scratch) {
  Handout<N> handout(tracks, gap, scratch);
  const auto limited = [&](const CrossingClaimOf<N>& child, N claim) {
    return max_of(min_of(claim, most_across<N>(tracks.subspan(child.first, child.count), gap)), child.claim.minimum);
  };
  const auto automatic = [&](const CrossingClaimOf<N>& child) {
    return asked == Space::known ? child.claim.minimum : limited(child, child.claim.min_content);
  };
  const auto min_content = [](const CrossingClaimOf<N>& child) { return child.claim.min_content; };
  const auto max_content = [](const CrossingClaimOf<N>& child) { return child.claim.max_content; };
  const auto intrinsic_max = [](const SizedTrackOf<N>& track) { return is_intrinsic(track.max); };
  const auto max_content_max = [](const SizedTrackOf<N>& track) { return is_max_content(track.max); };
  const auto everybody = [](const SizedTrackOf<N>&) { return true; };

  handout.step(
      children, false, automatic, [](const SizedTrackOf<N>& t) { return is_intrinsic(t.min); }, intrinsic_max);
  const auto by_content = [](const SizedTrackOf<N>& t) {
    return t.min == TrackWay::min_content || t.min == TrackWay::max_content;
  };
  handout.step(children, false, min_content, by_content, intrinsic_max);
  if (asked == Space::max_content) {
    const auto amount = [&](const CrossingClaimOf<N>& child) { return limited(child, child.claim.max_content); };
    handout.step(
        children, false, amount, [](const SizedTrackOf<N>& t) { return is_max_content(t.min); }, max_content_max);
  }
  const auto by_max_content = [](const SizedTrackOf<N>& t) { return t.min == TrackWay::max_content; };
  handout.step(children, false, max_content, by_max_content, max_content_max);
  for (const CrossingClaimOf<N>& child : children) {
    for (SizedTrackOf<N>& track : tracks.subspan(child.first, child.count))
      track.limit = max_of(track.limit, track.base);
  }
  handout.step(children, true, min_content, intrinsic_max, everybody);
  handout.step(children, true, max_content, max_content_max, everybody);
  for (const CrossingClaimOf<N>& child : children) {
    for (SizedTrackOf<N>& track : tracks.subspan(child.first, child.count)) track.grows_freely = false;
  }
}

/// Children in shares, all together: section 12.5, step 4.
template <class N>
void raise_shares(std::span<SizedTrackOf<N>> tracks, std::span<const CrossingClaimOf<N>> children, N gap, Space asked,
                  TrackScratchOf<N>& scratch) {
  Handout<N> handout(tracks, gap, scratch);
  const auto shares_with = [](auto way) {
    return [way](const SizedTrackOf<N>& track) { return track.max == TrackWay::share && way(track.min); };
  };
  const auto min_content = [](const TrackRequestOf<N>& claim) { return claim.min_content; };
  const auto max_content = [](const TrackRequestOf<N>& claim) { return claim.max_content; };
  const auto by_max_content = [](TrackWay min) { return min == TrackWay::max_content; };
  handout.step_of_shares(
      children, [&](const TrackRequestOf<N>& claim) { return automatic_claim<N>(claim, unlimited, asked); },
      shares_with(is_intrinsic));
  handout.step_of_shares(children, min_content, shares_with([](TrackWay min) {
                           return min == TrackWay::min_content || min == TrackWay::max_content;
                         }));
  if (asked == Space::max_content) handout.step_of_shares(children, max_content, shares_with(is_max_content));
  handout.step_of_shares(children, max_content, shares_with(by_max_content));
}

/// One claim of all that cross the same tracks, in the order in which they raise them. What more space would give to a
/// track is never less: of several the larger claims decide.
template <class N>
void join_crossing(std::vector<CrossingClaimOf<N>>& crossing) {
  std::ranges::sort(crossing, [](const CrossingClaimOf<N>& a, const CrossingClaimOf<N>& b) {
    if (a.crosses_share != b.crosses_share) return b.crosses_share;
    return a.count != b.count ? a.count < b.count : a.first < b.first;
  });
  std::size_t kept = 0;
  for (const CrossingClaimOf<N>& one : crossing) {
    if (kept > 0 && one.first == crossing[kept - 1].first && one.count == crossing[kept - 1].count) {
      crossing[kept - 1].claim = both_of(crossing[kept - 1].claim, one.claim);
    } else {
      crossing[kept++] = one;
    }
  }
  crossing.resize(kept);
}

template <class N>
void raise_by_content(std::span<SizedTrackOf<N>> tracks, std::vector<CrossingClaimOf<N>>& crossing, N gap, Space asked,
                      TrackScratchOf<N>& scratch) {
  for (SizedTrackOf<N>& track : tracks) raise_by_own(track, asked);
  for (CrossingClaimOf<N>& child : crossing) {
    const auto own = tracks.subspan(child.first, child.count);
    child.crosses_share = std::ranges::any_of(own, [](const SizedTrackOf<N>& t) { return t.max == TrackWay::share; });
  }
  join_crossing(crossing);
  const auto all = std::span<const CrossingClaimOf<N>>(crossing);
  std::size_t first = 0;
  while (first < all.size() && !all[first].crosses_share) {
    std::size_t last = first + 1;
    while (last < all.size() && !all[last].crosses_share && all[last].count == all[first].count) ++last;
    raise_by_crossing<N>(tracks, all.subspan(first, last - first), gap, asked, scratch);
    first = last;
  }
  const auto holds_content = [](const SizedTrackOf<N>& t) { return t.max == TrackWay::share && is_intrinsic(t.min); };
  if (std::ranges::any_of(tracks, holds_content)) raise_shares<N>(tracks, all.subspan(first), gap, asked, scratch);
  for (SizedTrackOf<N>& track : tracks) {
    if (track.limit == unlimited) track.limit = track.base;
  }
}

/// Raises bases to their limits, equally: section 12.6.
template <class N>
void maximize(std::span<SizedTrackOf<N>> tracks, N gap, Space asked, N free_space, TrackScratchOf<N>& scratch) {
  if (asked == Space::min_content) return;
  N space = unlimited;
  if (asked == Space::known) space = free_space - sum_of<N>(tracks, gap);
  if (space <= 0) return;
  auto& sorted = scratch.headroom;
  sorted.clear();
  for (std::uint32_t i = 0; i < tracks.size(); ++i) {
    if (tracks[i].limit > tracks[i].base) sorted.push_back({tracks[i].limit - tracks[i].base, 1, i});
  }
  if (asked == Space::known) sort_by(sorted, &TrackScratchOf<N>::Headroom::free_space);
  auto left = static_cast<double>(sorted.size());
  for (const auto& [headroom, weight, track] : sorted) {
    const N part = min_of(headroom, space / left);
    tracks[track].base += part;
    space -= part;
    --left;
  }
}

/// The size of one share over some tracks that fill `space` together: section 12.7.1.
template <class N>
N size_of_share(std::span<const SizedTrackOf<N>> tracks, N gap, N space, TrackScratchOf<N>& scratch) {
  auto& sorted = scratch.headroom;
  sorted.clear();
  N left = space - gap * static_cast<N>(tracks.size() - 1), shares = 0;
  for (std::uint32_t i = 0; i < tracks.size(); ++i) {
    if (tracks[i].max != TrackWay::share || tracks[i].share <= 0) {
      left -= tracks[i].base;
      continue;
    }
    shares += tracks[i].share;
    sorted.push_back({tracks[i].base / tracks[i].share, tracks[i].share, i});
  }
  sort_falling_by(sorted, &TrackScratchOf<N>::Headroom::free_space);
  for (const auto& [least, share, track] : sorted) {  // those that hold more than their part drop out
    // The width of a grid by its content is right on this edge, and rounding must not push a track over it.
    if (left / max_of(1.0, shares) >= least * (1 - limits::share_tolerance)) break;
    left -= tracks[track].base;
    shares -= share;
  }
  return max_of(0.0, left / max_of(1.0, shares));
}

/// Gives the shares what is left: section 12.7.
template <class N>
void expand_shares(std::span<SizedTrackOf<N>> tracks, std::span<const CrossingClaimOf<N>> crossing, N gap, Space asked,
                   N free_space, TrackScratchOf<N>& scratch) {
  if (asked == Space::min_content) return;
  if (std::ranges::none_of(tracks, [](const SizedTrackOf<N>& t) { return t.max == TrackWay::share; })) return;
  N fraction = 0;
  if (asked == Space::known) {
    fraction = size_of_share<N>(tracks, gap, free_space, scratch);
  } else {
    for (const SizedTrackOf<N>& track : tracks) {
      if (track.max != TrackWay::share) continue;
      const N alone = size_of_share<N>({&track, 1}, gap, track.claim.max_content, scratch);
      fraction = max_of(max_of(fraction, track.base / max_of(1.0, track.share)), alone);
    }
    for (const CrossingClaimOf<N>& child : crossing) {
      if (!child.crosses_share) continue;
      const auto own = std::span<const SizedTrackOf<N>>(tracks).subspan(child.first, child.count);
      fraction = max_of(fraction, size_of_share<N>(own, gap, child.claim.max_content, scratch));
    }
  }
  for (SizedTrackOf<N>& track : tracks) {
    if (track.max == TrackWay::share) track.base = max_of(track.base, fraction * track.share);
  }
}

/// Shares what is left among tracks of automatic size: section 12.8.
template <class N>
void stretch_automatic(std::span<SizedTrackOf<N>> tracks, N gap, N free_space) {
  const auto is_automatic = [](const SizedTrackOf<N>& track) { return track.max == TrackWay::content; };
  const auto count = static_cast<double>(std::ranges::count_if(tracks, is_automatic));
  const N space = free_space - sum_of<N>(tracks, gap);
  if (count == 0 || space <= 0) return;
  for (SizedTrackOf<N>& track : tracks) {
    if (is_automatic(track)) track.base += space / count;
  }
}

}  // namespace

template <class N>
N sum_of(std::span<const SizedTrackOf<N>> tracks, N gap) {
  N sum = tracks.empty() ? 0 : gap * static_cast<N>(tracks.size() - 1);
  for (const SizedTrackOf<N>& track : tracks) sum += track.base;
  return sum;
}

template <class N>
void size_tracks(std::span<SizedTrackOf<N>> tracks, std::vector<CrossingClaimOf<N>>& crossing, N gap, Space asked,
                 N free_space, bool stretch, TrackScratchOf<N>& scratch) {
  if (tracks.empty()) return;
  for (SizedTrackOf<N>& track : tracks) initialize(track);
  raise_by_content<N>(tracks, crossing, gap, asked, scratch);
  maximize(tracks, gap, asked, free_space, scratch);
  expand_shares<N>(tracks, crossing, gap, asked, free_space, scratch);
  if (stretch && asked == Space::known) stretch_automatic(tracks, gap, free_space);
}

template double sum_of(std::span<const SizedTrackOf<double>>, double);
template TracedNumber sum_of(std::span<const SizedTrackOf<TracedNumber>>, TracedNumber);
template void size_tracks(std::span<SizedTrackOf<double>>, std::vector<CrossingClaimOf<double>>&, double, Space, double,
                          bool, TrackScratchOf<double>&);
template void size_tracks(std::span<SizedTrackOf<TracedNumber>>, std::vector<CrossingClaimOf<TracedNumber>>&,
                          TracedNumber, Space, TracedNumber, bool, TrackScratchOf<TracedNumber>&);

}  // namespace fond_ladder::inline v0::detail
