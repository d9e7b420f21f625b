// SPDX-License-Identifier: MIT
#pragma once

// The tracks of a grid, for its four steps and for whoever asks about a finished solve.

#include "solve/cells.hpp"
#include "solve/lines.hpp"

namespace fond_ladder::inline v0::detail::grid {

/// Places the flow of a grid in cells. `inner_width` is its content width, or `unknown`.
CellCounts place(const View& view, Index grid, const detail::InFlow& flow, double inner_width, CellScratch& scratch);

/// Sizes the tracks of one axis into `scratch.tracks`. `inner` is the content box on that axis where it is known. `by`
/// says by which height children count in rows; in either case no row goes below what they cannot do without.
template <Axis axis>
void size_axis(const View& view, Index grid, const detail::InFlow& flow, Room asked, double inner, bool stretch,
               GridScratch& scratch, HeightBy by = HeightBy::content);

/// Where the sized tracks lie in a content box of `inner`, into `scratch.slots`.
template <Axis axis>
void lay_tracks(const View& view, Index grid, double inner, GridScratch& scratch);

/// What a child asks of the tracks that it takes.
template <Axis axis>
[[nodiscard]] TrackRequest request_of(const View& view, Index child, std::span<const SizedTrack> own, double gap,
                                      HeightBy by = HeightBy::content);

/// The gap between tracks going up, where a percentage counts 0, and going down.
[[nodiscard]] double gap_up(const View& view, Index grid, Axis axis);
[[nodiscard]] double gap_down(const View& view, Index grid, Axis axis, double inner);

/// The first of the sized tracks that a child takes: empty ones may have been dropped.
[[nodiscard]] inline std::uint32_t first_track(const GridScratch& scratch, Axis axis, const CellRange& range) {
  return scratch.new_place.empty() ? range.first(axis) : scratch.new_place[range.first(axis)];
}

}  // namespace fond_ladder::inline v0::detail::grid
