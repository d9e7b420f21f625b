// SPDX-License-Identifier: MIT
#pragma once

// Columns and rows of a grid: grid().columns(Tracks{240, fr(1)}), Tracks(3), Tracks().fitting({Track(160, fr(1))})

#include <concepts>
#include <cstdint>
#include <initializer_list>
#include <utility>
#include <vector>

#include "fond_ladder/length.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// Tag types; use the constants below.
struct MinContent {};
struct MaxContent {};
/// As narrow as the content can be without overflow.
inline constexpr MinContent min_content{};
/// As wide as the content prefers.
inline constexpr MaxContent max_content{};

/// One bound of a track. CSS Grid Layout 2, section 7.2.
class TrackSize {
 public:
  /// The form of a track size.
  enum class Way : unsigned char {
    by_length,       ///< a length
    by_content,      ///< its content
    by_min_content,  ///< the min-content size of its content
    by_max_content,  ///< the max-content size of its content
    by_share,        ///< a share of the free space
  };

  /// Default: as large as the content (`auto` of the standard).
  constexpr TrackSize() : TrackSize(content) {}
  constexpr TrackSize(Content) : way_(Way::by_content) {}         // NOLINT(google-explicit-constructor)
  constexpr TrackSize(MinContent) : way_(Way::by_min_content) {}  // NOLINT(google-explicit-constructor)
  constexpr TrackSize(MaxContent) : way_(Way::by_max_content) {}  // NOLINT(google-explicit-constructor)
  /// A length, 0 or more; a percentage is of the grid's content box.
  TrackSize(Length length) : length_(length), way_(Way::by_length) {}  // NOLINT(google-explicit-constructor)
  TrackSize(double px) : TrackSize(Length(px)) {}                      // NOLINT(google-explicit-constructor)
  /// `factor` shares of the free space: 0, or from 1e-9 to 1e9. Only as a maximum. See fr().
  [[nodiscard]] static TrackSize of_share(double factor) {
    TrackSize size;
    size.way_ = Way::by_share;
    size.share_ = factor;
    return size;
  }

  /// Which form this is.
  [[nodiscard]] Way way() const { return way_; }
  /// Meaningful when `way()` is `length`.
  [[nodiscard]] const Length& length() const { return length_; }
  /// Meaningful when `way()` is `share`: the number before `fr`.
  [[nodiscard]] double share() const { return share_; }

  friend bool operator==(const TrackSize&, const TrackSize&) = default;

 private:
  Length length_;
  double share_ = 0;
  Way way_;
};

/// `factor` shares of the free space that other tracks leave.
[[nodiscard]] inline TrackSize fr(double factor) {
  return TrackSize::of_share(factor);
}

/// A column or row of a grid, between two bounds; a maximum below the minimum counts as the minimum. A share can only
/// be a maximum.
struct Track {
  TrackSize min, max;
  Track() = default;
  Track(Content both) : Track(TrackSize(both)) {}     // NOLINT(google-explicit-constructor)
  Track(MinContent both) : Track(TrackSize(both)) {}  // NOLINT(google-explicit-constructor)
  Track(MaxContent both) : Track(TrackSize(both)) {}  // NOLINT(google-explicit-constructor)
  Track(Length both) : Track(TrackSize(both)) {}      // NOLINT(google-explicit-constructor)
  Track(double px) : Track(TrackSize(px)) {}          // NOLINT(google-explicit-constructor)
  /// A share alone is at least as large as its content.
  Track(TrackSize both)  // NOLINT(google-explicit-constructor)
      : min(both.way() == TrackSize::Way::by_share ? TrackSize() : both), max(both) {}
  /// Between two bounds; `least` must not be a share.
  Track(TrackSize least, TrackSize most) : min(least), max(most) {}
  friend bool operator==(const Track&, const Track&) = default;
};

/// What happens to empty tracks of a `fitting` run.
enum class Empty : std::uint8_t {
  keep,  ///< they stay
  drop,  ///< they are removed, with their gaps
};

/// The columns or the rows of a grid, from the start.
class Tracks {
 public:
  /// Tracks that are repeated; `fitting`: as often as they fit, at least once.
  struct Run {
    /// At least one.
    std::vector<Track> tracks;
    /// The number of repeats, from 1; no effect in a fitting run.
    int times = 1;
    /// Its tracks need a length as minimum or maximum. At most one run of a grid is fitting (CSS Grid Layout
    /// 2, 7.2.3.2).
    bool fitting = false;
    /// Only for a fitting run.
    Empty empty = Empty::keep;
    friend bool operator==(const Run&, const Run&) = default;
  };

  /// None: a grid has implicit tracks only.
  Tracks() = default;
  /// `count` equal tracks, independent of their content.
  template <std::integral Whole>
  Tracks(Whole count) {  // NOLINT(google-explicit-constructor)
    repeat(static_cast<int>(count), {Track(0.0, fr(1))});
  }
  /// Neither two and a half tracks nor one of that size: write `{2.5}` for that.
  template <std::floating_point Size>
  Tracks(Size) = delete;
  /// Track by track, as in a scene file: `{3}` is one track of 3 pixels, and 3 are three equal ones.
  Tracks(std::initializer_list<Track> tracks) { runs_.push_back({tracks, 1, false, Empty::keep}); }
  /// Runs one after the other. At most 10,000 tracks in all; checked when a Scene or Tree gets them.
  explicit Tracks(std::vector<Run> runs) : runs_(std::move(runs)) {}

  /// Appends tracks repeated `times` times. Returns itself.
  Tracks& repeat(int times, std::vector<Track> tracks) {
    runs_.push_back({std::move(tracks), times, false, Empty::keep});
    return *this;
  }
  /// Appends tracks repeated as often as they fit, at least once. Returns itself.
  Tracks& fitting(std::vector<Track> tracks, Empty empty = Empty::keep) {
    runs_.push_back({std::move(tracks), 1, true, empty});
    return *this;
  }
  /// In order from the start. Valid as long as the object.
  [[nodiscard]] const std::vector<Run>& runs() const { return runs_; }

  friend bool operator==(const Tracks&, const Tracks&) = default;

 private:
  std::vector<Run> runs_;
};

/// A cell of a grid, counted from 0.
struct Cell {
  int column = 0, row = 0;
  friend bool operator==(const Cell&, const Cell&) = default;
};

/// How many columns and rows a child of a grid takes.
struct CellSpan {
  static constexpr int all = 0;  ///< up to the last explicit track
  int columns = 1, rows = 1;
  friend bool operator==(const CellSpan&, const CellSpan&) = default;
};

}  // namespace v0
}  // namespace fond_ladder
