// SPDX-License-Identifier: MIT
//
// Track sizing. A track has a base size, which becomes its size, and a growth limit; both start from its bounds and are
// raised by what stands in it:
//
//   1  children in one track raise it directly: of each track only the largest claims are known, so this is one loop;
//   2  children across several tracks hand what is missing to those tracks, fewer tracks first, all children of one
//      span together: each track takes the largest increase that any of them asked for, so their order does not matter;
//   3  the same for children that cross a share, to the shares only, in their ratio;
//   4  what is left of the room raises bases to their limits, equally;
//   5  what is left then goes to the shares, in their ratio, but none below its base;
//   6  or, where tracks stretch, to those of automatic size, equally.
//
// Handing space out equally up to limits is done in one round: the tracks are sorted by how much they can take, and
// each takes an equal part of what the smaller ones left. So are shares: sorted by base / share, those whose base is
// larger than their part drop out first. Cost: O(t log t + c log c + cells crossed, sorted a child).
//
// Source: CSS Grid Layout 2, sections 12.4 to 12.8, without 12.5's baseline shims (a grid aligns no baselines). In step
// 3 the standard also lets the tracks that are no shares grow up to their limits; here, as it says, they count as
// fixed. Tests: tracks_test.cpp, and the plain arranger, which takes the text literally.
#include "solve/tracks.hpp"

#include <algorithm>
#include <cmath>

#include "model/limits.hpp"

namespace fond_ladder::inline v0::detail {
namespace {

bool is_intrinsic(TrackWay way) {
  return way == TrackWay::content || way == TrackWay::min_content || way == TrackWay::max_content;
}

bool is_max_content(TrackWay way) {  // an automatic maximum is the max-content size
  return way == TrackWay::content || way == TrackWay::max_content;
}

void initialize(SizedTrack& track) {
  track.base = track.min == TrackWay::fixed ? track.least : 0;
  track.limit = track.max == TrackWay::fixed ? std::max(track.most, track.base) : unlimited;
  track.grows_freely = false;
}

/// The claim on a base by its minimum, under a question: section 12.5, "limited min-content contributions".
double automatic_claim(const TrackRequest& claim, double most, Room asked) {
  if (asked == Room::known) return claim.minimum;
  return std::max(std::min(claim.min_content, most), claim.minimum);
}

double fixed_most(const SizedTrack& track) {
  return track.max == TrackWay::fixed ? track.most : unlimited;
}

void raise_by_own(SizedTrack& track, Room asked) {
  if (!track.claimed || track.max == TrackWay::share) return;  // shares are raised together with those that cross them
  const TrackRequest& claim = track.claim;
  if (track.min == TrackWay::content)
    track.base = std::max(track.base, automatic_claim(claim, fixed_most(track), asked));
  if (track.min == TrackWay::min_content) track.base = std::max(track.base, claim.min_content);
  if (track.min == TrackWay::max_content) track.base = std::max(track.base, claim.max_content);
  if (track.max == TrackWay::min_content) track.limit = claim.min_content;
  if (is_max_content(track.max)) track.limit = claim.max_content;
  track.limit = std::max(track.limit, track.base);
}

/// Hands space out, and out of what is asked of the tracks.
class Handout {
 public:
  Handout(std::span<SizedTrack> tracks, double gap, TrackScratch& scratch)
      : tracks_(tracks), gap_(gap), scratch_(scratch) {}

  /// One step for children of one span: `amount(child)` is what they claim, `takes(track)` says which tracks are
  /// raised, `takes_more(track)` which of these beyond their limits. Limits are raised instead of bases if `of_limits`.
  template <class Amount, class Takes, class TakesMore>
  void step(std::span<const CrossingClaim> children, bool of_limits, Amount amount, Takes takes, TakesMore takes_more) {
    of_limits_ = of_limits;
    for (const CrossingClaim& child : children) {
      const auto own = tracks_.subspan(child.first, child.count);
      if (std::ranges::none_of(own, takes)) continue;
      double space = amount(child) - gap_ * (child.count - 1);
      for (SizedTrack& track : own) {
        space -= size_of(track);
        track.granted = 0;
        track.touched |= takes(track);
      }
      if (space <= 0) continue;
      space = up_to_limits(own, space, takes);
      if (!of_limits) space = up_to_limits(own, space, [&](const SizedTrack& track) { return !takes(track); });
      if (space > 0) {
        const bool any = std::ranges::any_of(own, [&](const SizedTrack& t) { return takes(t) && takes_more(t); });
        beyond(own, space, [&](const SizedTrack& track) { return takes(track) && (!any || takes_more(track)); });
      }
      for (SizedTrack& track : own) track.planned = std::max(track.planned, track.granted);
    }
    for (const CrossingClaim& child : children) settle(tracks_.subspan(child.first, child.count));
  }

  /// The same for all children in a share, however many tracks they cross: in the ratio of the shares, and to nobody
  /// else. `amount` tells it of a claim.
  template <class Amount, class Takes>
  void step_of_shares(std::span<const CrossingClaim> children, Amount amount, Takes takes) {
    of_limits_ = false;
    for (SizedTrack& track : tracks_) {
      if (takes(track)) track.planned = std::max(0.0, amount(track.claim) - track.base);
    }
    for (const CrossingClaim& child : children) {
      const auto own = tracks_.subspan(child.first, child.count);
      double space = amount(child.claim) - gap_ * (child.count - 1), all_shares = 0, shares = 0, count = 0;
      for (const SizedTrack& track : own) {
        space -= track.base;
        all_shares += track.share;
        shares += takes(track) ? track.share : 0;
        count += takes(track) ? 1 : 0;
      }
      if (space <= 0 || count == 0) continue;
      for (SizedTrack& track : own) {
        const double part = all_shares >= 1 && shares > 0 ? track.share / shares : 1 / count;
        if (takes(track)) track.planned = std::max(track.planned, space * part);
      }
    }
    settle(tracks_);
  }

 private:
  double size_of(const SizedTrack& track) const {
    return of_limits_ && track.limit != unlimited ? track.limit : track.base;
  }
  double headroom_of(const SizedTrack& track) const {
    if (!of_limits_) return track.limit - track.base - track.granted;
    return track.limit == unlimited || track.grows_freely ? unlimited : 0;
  }

  /// Gives equal parts to the tracks that `takes`, none more than its headroom. Returns what nobody could take.
  template <class Takes>
  double up_to_limits(std::span<SizedTrack> own, double space, Takes takes) {
    auto& sorted = scratch_.headroom;
    sorted.clear();
    for (std::uint32_t i = 0; i < own.size(); ++i) {
      if (takes(own[i])) sorted.push_back({headroom_of(own[i]), 1, i});
    }
    std::ranges::sort(sorted, {}, &TrackScratch::Headroom::room);
    auto left = static_cast<double>(sorted.size());
    for (const auto& [room, weight, track] : sorted) {
      const double part = std::min(std::max(0.0, room), space / left);
      own[track].granted += part;
      space -= part;
      --left;
    }
    return sorted.empty() ? space : std::max(0.0, space);
  }

  template <class Takes>
  void beyond(std::span<SizedTrack> own, double space, Takes takes) {
    const auto count = static_cast<double>(std::ranges::count_if(own, takes));
    for (SizedTrack& track : own) {
      if (takes(track)) track.granted += space / count;
    }
  }

  /// Takes what was planned into the sizes.
  void settle(std::span<SizedTrack> own) {
    for (SizedTrack& track : own) {
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

  std::span<SizedTrack> tracks_;
  double gap_;
  TrackScratch& scratch_;
  bool of_limits_ = false;
};

double most_across(std::span<const SizedTrack> own, double gap) {
  double sum = gap * static_cast<double>(own.size() - 1);
  for (const SizedTrack& track : own) sum += fixed_most(track);
  return sum;
}

/// Children of one span that cross no share: section 12.5, step 3.
void raise_by_crossing(std::span<SizedTrack> tracks, std::span<const CrossingClaim> children, double gap, Room asked,
                       TrackScratch& scratch) {
  Handout handout(tracks, gap, scratch);
  const auto limited = [&](const CrossingClaim& child, double claim) {
    return std::max(std::min(claim, most_across(tracks.subspan(child.first, child.count), gap)), child.claim.minimum);
  };
  const auto automatic = [&](const CrossingClaim& child) {
    return asked == Room::known ? child.claim.minimum : limited(child, child.claim.min_content);
  };
  const auto min_content = [](const CrossingClaim& child) { return child.claim.min_content; };
  const auto max_content = [](const CrossingClaim& child) { return child.claim.max_content; };
  const auto intrinsic_max = [](const SizedTrack& track) { return is_intrinsic(track.max); };
  const auto max_content_max = [](const SizedTrack& track) { return is_max_content(track.max); };
  const auto everybody = [](const SizedTrack&) { return true; };

  handout.step(
      children, false, automatic, [](const SizedTrack& t) { return is_intrinsic(t.min); }, intrinsic_max);
  const auto by_content = [](const SizedTrack& t) {
    return t.min == TrackWay::min_content || t.min == TrackWay::max_content;
  };
  handout.step(children, false, min_content, by_content, intrinsic_max);
  if (asked == Room::max_content) {
    const auto amount = [&](const CrossingClaim& child) { return limited(child, child.claim.max_content); };
    handout.step(
        children, false, amount, [](const SizedTrack& t) { return is_max_content(t.min); }, max_content_max);
  }
  const auto by_max_content = [](const SizedTrack& t) { return t.min == TrackWay::max_content; };
  handout.step(children, false, max_content, by_max_content, max_content_max);
  for (const CrossingClaim& child : children) {
    for (SizedTrack& track : tracks.subspan(child.first, child.count)) track.limit = std::max(track.limit, track.base);
  }
  handout.step(children, true, min_content, intrinsic_max, everybody);
  handout.step(children, true, max_content, max_content_max, everybody);
  for (const CrossingClaim& child : children) {
    for (SizedTrack& track : tracks.subspan(child.first, child.count)) track.grows_freely = false;
  }
}

/// Children in shares, all together: section 12.5, step 4.
void raise_shares(std::span<SizedTrack> tracks, std::span<const CrossingClaim> children, double gap, Room asked,
                  TrackScratch& scratch) {
  Handout handout(tracks, gap, scratch);
  const auto shares_with = [](auto way) {
    return [way](const SizedTrack& track) { return track.max == TrackWay::share && way(track.min); };
  };
  const auto min_content = [](const TrackRequest& claim) { return claim.min_content; };
  const auto max_content = [](const TrackRequest& claim) { return claim.max_content; };
  const auto by_max_content = [](TrackWay min) { return min == TrackWay::max_content; };
  handout.step_of_shares(
      children, [&](const TrackRequest& claim) { return automatic_claim(claim, unlimited, asked); },
      shares_with(is_intrinsic));
  handout.step_of_shares(children, min_content, shares_with([](TrackWay min) {
                           return min == TrackWay::min_content || min == TrackWay::max_content;
                         }));
  if (asked == Room::max_content) handout.step_of_shares(children, max_content, shares_with(is_max_content));
  handout.step_of_shares(children, max_content, shares_with(by_max_content));
}

void raise_by_content(std::span<SizedTrack> tracks, std::vector<CrossingClaim>& crossing, double gap, Room asked,
                      TrackScratch& scratch) {
  for (SizedTrack& track : tracks) raise_by_own(track, asked);
  for (CrossingClaim& child : crossing) {
    const auto own = tracks.subspan(child.first, child.count);
    child.crosses_share = std::ranges::any_of(own, [](const SizedTrack& t) { return t.max == TrackWay::share; });
  }
  std::ranges::sort(crossing, [](const CrossingClaim& a, const CrossingClaim& b) {
    return a.crosses_share != b.crosses_share ? b.crosses_share : a.count < b.count;
  });
  const auto all = std::span<const CrossingClaim>(crossing);
  std::size_t first = 0;
  while (first < all.size() && !all[first].crosses_share) {
    std::size_t last = first + 1;
    while (last < all.size() && !all[last].crosses_share && all[last].count == all[first].count) ++last;
    raise_by_crossing(tracks, all.subspan(first, last - first), gap, asked, scratch);
    first = last;
  }
  const auto holds_content = [](const SizedTrack& t) { return t.max == TrackWay::share && is_intrinsic(t.min); };
  if (std::ranges::any_of(tracks, holds_content)) raise_shares(tracks, all.subspan(first), gap, asked, scratch);
  for (SizedTrack& track : tracks) {
    if (track.limit == unlimited) track.limit = track.base;
  }
}

/// Raises bases to their limits, equally: section 12.6.
void maximize(std::span<SizedTrack> tracks, double gap, Room asked, double room, TrackScratch& scratch) {
  if (asked == Room::min_content) return;
  double space = unlimited;
  if (asked == Room::known) space = room - sum_of(tracks, gap);
  if (space <= 0) return;
  auto& sorted = scratch.headroom;
  sorted.clear();
  for (std::uint32_t i = 0; i < tracks.size(); ++i) {
    if (tracks[i].limit > tracks[i].base) sorted.push_back({tracks[i].limit - tracks[i].base, 1, i});
  }
  if (asked == Room::known) std::ranges::sort(sorted, {}, &TrackScratch::Headroom::room);
  auto left = static_cast<double>(sorted.size());
  for (const auto& [headroom, weight, track] : sorted) {
    const double part = std::min(headroom, space / left);
    tracks[track].base += part;
    space -= part;
    --left;
  }
}

/// The size of one share over some tracks that fill `space` together: section 12.7.1.
double size_of_share(std::span<const SizedTrack> tracks, double gap, double space, TrackScratch& scratch) {
  auto& sorted = scratch.headroom;
  sorted.clear();
  double left = space - gap * static_cast<double>(tracks.size() - 1), shares = 0;
  for (std::uint32_t i = 0; i < tracks.size(); ++i) {
    if (tracks[i].max != TrackWay::share || tracks[i].share <= 0) {
      left -= tracks[i].base;
      continue;
    }
    shares += tracks[i].share;
    sorted.push_back({tracks[i].base / tracks[i].share, tracks[i].share, i});
  }
  std::ranges::sort(sorted, std::ranges::greater(), &TrackScratch::Headroom::room);
  for (const auto& [least, share, track] : sorted) {  // those that hold more than their part drop out
    // A grid as wide as its content lies right on this edge, and rounding must not push a track over it.
    if (left / std::max(1.0, shares) >= least * (1 - limits::share_tolerance)) break;
    left -= tracks[track].base;
    shares -= share;
  }
  return std::max(0.0, left / std::max(1.0, shares));
}

/// Gives the shares what is left: section 12.7.
void expand_shares(std::span<SizedTrack> tracks, std::span<const CrossingClaim> crossing, double gap, Room asked,
                   double room, TrackScratch& scratch) {
  if (asked == Room::min_content) return;
  if (std::ranges::none_of(tracks, [](const SizedTrack& t) { return t.max == TrackWay::share; })) return;
  double fraction = 0;
  if (asked == Room::known) {
    fraction = size_of_share(tracks, gap, room, scratch);
  } else {
    for (const SizedTrack& track : tracks) {
      if (track.max != TrackWay::share) continue;
      const double alone = size_of_share({&track, 1}, gap, track.claim.max_content, scratch);
      fraction = std::max({fraction, track.base / std::max(1.0, track.share), alone});
    }
    for (const CrossingClaim& child : crossing) {
      if (!child.crosses_share) continue;
      const auto own = std::span<const SizedTrack>(tracks).subspan(child.first, child.count);
      fraction = std::max(fraction, size_of_share(own, gap, child.claim.max_content, scratch));
    }
  }
  for (SizedTrack& track : tracks) {
    if (track.max == TrackWay::share) track.base = std::max(track.base, fraction * track.share);
  }
}

/// Shares what is left among tracks of automatic size: section 12.8.
void stretch_automatic(std::span<SizedTrack> tracks, double gap, double room) {
  const auto is_automatic = [](const SizedTrack& track) { return track.max == TrackWay::content; };
  const auto count = static_cast<double>(std::ranges::count_if(tracks, is_automatic));
  const double space = room - sum_of(tracks, gap);
  if (count == 0 || space <= 0) return;
  for (SizedTrack& track : tracks) {
    if (is_automatic(track)) track.base += space / count;
  }
}

}  // namespace

double sum_of(std::span<const SizedTrack> tracks, double gap) {
  double sum = tracks.empty() ? 0 : gap * static_cast<double>(tracks.size() - 1);
  for (const SizedTrack& track : tracks) sum += track.base;
  return sum;
}

void size_tracks(std::span<SizedTrack> tracks, std::vector<CrossingClaim>& crossing, double gap, Room asked,
                 double room, bool stretch, TrackScratch& scratch) {
  if (tracks.empty()) return;
  for (SizedTrack& track : tracks) initialize(track);
  raise_by_content(tracks, crossing, gap, asked, scratch);
  maximize(tracks, gap, asked, room, scratch);
  expand_shares(tracks, crossing, gap, asked, room, scratch);
  if (stretch && asked == Room::known) stretch_automatic(tracks, gap, room);
}

}  // namespace fond_ladder::inline v0::detail
