// SPDX-License-Identifier: MIT
#pragma once

// Sizes of the tracks of a grid on one axis, as a pure function of their bounds and their content. CSS Grid
// Layout 2, section 12.

#include <cstdint>
#include <span>
#include <vector>

#include "model/flat.hpp"
#include "solve/numbers/number.hpp"

namespace fond_ladder::inline v0::detail {

/// How a bound of a track is given. A share is a maximum only.
enum class TrackWay : std::uint8_t { fixed, content, min_content, max_content, share };

/// What a child requests of the tracks it is in: outer sizes.
template <class N>
struct TrackRequestOf {
  N minimum = 0;      ///< least that it can be arranged in
  N min_content = 0;  ///< without overflow
  N max_content = 0;  ///< as it would like to be
};

/// What two request together of the same tracks: in each sense the larger request.
template <class N>
[[nodiscard]] TrackRequestOf<N> both_of(const TrackRequestOf<N>& a, const TrackRequestOf<N>& b) {
  return {max_of(a.minimum, b.minimum), max_of(a.min_content, b.min_content), max_of(a.max_content, b.max_content)};
}

template <class N>
struct SizedTrackOf {
  TrackWay min = TrackWay::content, max = TrackWay::content;
  N least = 0;                       ///< where `min` is fixed
  N most = 0;                        ///< where `max` is fixed
  N share = 0;                       ///< where `max` is a share
  N largest = 0;                     ///< `most` where `max` is fixed, else endless
  TrackRequestOf<N> claim{0, 0, 0};  ///< largest of the children in this track alone
  bool asks = true;                  ///< its size depends on claims
  bool claimed = false;              ///< there is one
  N base = 0, limit = 0;             ///< the result is `base`
  N planned = 0;                     ///< while space is handed out
  N granted = 0;                     ///< of it, to one child
  bool grows_freely = false;         ///< its limit was endless until now
  bool touched = false;              ///< by a child of the run at work
};

/// Enters the claim of a child that is in one track.
template <class N>
void claim_alone(SizedTrackOf<N>& track, const TrackRequestOf<N>& claim) {
  track.claim = both_of(track.claim, claim);
  track.claimed = true;
}

/// A child that crosses more than one track, or all that cross the same ones.
template <class N>
struct CrossingClaimOf {
  std::uint32_t first = 0, count = 0;
  TrackRequestOf<N> claim;
  bool crosses_share = false;
};

/// Under which question tracks are sized: how narrow could the grid be, how wide would it like to be, or how they
/// share a space that is known.
enum class Space : std::uint8_t { min_content, max_content, known };

/// Memory of the function, used again.
template <class N>
struct TrackScratchOf {
  struct Headroom {
    using Number = N;
    N free_space = 0, weight = 1;
    std::uint32_t track = 0;
  };
  std::vector<Headroom> headroom;
};

/// Sets `base` of all tracks. `gap` is between neighbors, `space` the content box (meaningful where it is known).
/// Crossing claims are put in order. `stretch`: tracks of automatic size share what is left over.
template <class N>
void size_tracks(std::span<SizedTrackOf<N>> tracks, std::vector<CrossingClaimOf<N>>& crossing, N gap, Space asked,
                 N free_space, bool stretch, TrackScratchOf<N>& scratch);

/// All tracks and the gaps between them.
template <class N>
[[nodiscard]] N sum_of(std::span<const SizedTrackOf<N>> tracks, N gap);

using TrackRequest = TrackRequestOf<double>;
using SizedTrack = SizedTrackOf<double>;
using CrossingClaim = CrossingClaimOf<double>;
using TrackScratch = TrackScratchOf<double>;

inline void size_tracks(std::span<SizedTrack> tracks, std::vector<CrossingClaim>& crossing, double gap, Space asked,
                        double free_space, bool stretch, TrackScratch& scratch) {
  size_tracks<double>(tracks, crossing, gap, asked, free_space, stretch, scratch);
}
[[nodiscard]] inline double sum_of(std::span<const SizedTrack> tracks, double gap) {
  return sum_of<double>(tracks, gap);
}

}  // namespace fond_ladder::inline v0::detail
