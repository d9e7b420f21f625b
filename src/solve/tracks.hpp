// SPDX-License-Identifier: MIT
#pragma once

// Sizes of the tracks of a grid on one axis, as a pure function of their bounds and of what stands in them. CSS Grid
// Layout 2, section 12.

#include <algorithm>
#include <cstdint>
#include <span>
#include <vector>

#include "model/flat.hpp"

namespace fond_ladder::inline v0::detail {

/// How a bound of a track is told. A share is a maximum only.
enum class TrackWay : std::uint8_t { fixed, content, min_content, max_content, share };

/// What a child asks of the tracks it stands in: outer sizes.
struct TrackRequest {
  double minimum = 0;      ///< least that it can be arranged in
  double min_content = 0;  ///< without overflow
  double max_content = 0;  ///< as it would like to be
};

struct SizedTrack {
  TrackWay min = TrackWay::content, max = TrackWay::content;
  double least = 0;             ///< where `min` is fixed
  double most = 0;              ///< where `max` is fixed
  double share = 0;             ///< where `max` is a share
  TrackRequest claim{0, 0, 0};  ///< largest of those who stand in this track alone
  bool asks = true;             ///< its size depends on claims
  bool claimed = false;         ///< there is one
  double base = 0, limit = 0;   ///< the result is `base`
  double planned = 0;           ///< while space is handed out
  double granted = 0;           ///< of it, to one child
  bool grows_freely = false;    ///< its limit was endless until now
  bool touched = false;         ///< by a child of the run at work
};

/// Enters the claim of a child that stands in one track.
inline void claim_alone(SizedTrack& track, const TrackRequest& claim) {
  track.claim = {std::max(track.claim.minimum, claim.minimum), std::max(track.claim.min_content, claim.min_content),
                 std::max(track.claim.max_content, claim.max_content)};
  track.claimed = true;
}

/// A child that crosses more than one track.
struct CrossingClaim {
  std::uint32_t first = 0, count = 0;
  TrackRequest claim;
  bool crosses_share = false;
};

/// Under which question tracks are sized: how narrow could the grid be, how wide would it like to be, or how they
/// share a room that is known.
enum class Room : std::uint8_t { min_content, max_content, known };

/// Memory of the function, used again.
struct TrackScratch {
  struct Headroom {
    double room = 0, weight = 1;
    std::uint32_t track = 0;
  };
  std::vector<Headroom> headroom;
};

/// Sets `base` of all tracks. `gap` is between neighbours, `room` the content box (meaningful where it is known).
/// Crossing claims are put in order. `stretch`: tracks of automatic size share what is left over.
void size_tracks(std::span<SizedTrack> tracks, std::vector<CrossingClaim>& crossing, double gap, Room asked,
                 double room, bool stretch, TrackScratch& scratch);

/// All tracks and the gaps between them.
[[nodiscard]] double sum_of(std::span<const SizedTrack> tracks, double gap);

}  // namespace fond_ladder::inline v0::detail
