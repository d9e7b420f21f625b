// SPDX-License-Identifier: MIT
#pragma once

// The tracks of a grid, for its four steps and for whoever asks about a finished solve.

#include "solve/kinds/cells.hpp"
#include "solve/kinds/lines.hpp"

namespace fond_ladder::inline v0::detail::grid {

/// Places the flow of a grid in cells. `inner_width` is its content width, or `unknown`.
template <class N>
CellCounts place(const ViewOf<N>& view, Index grid, const detail::InFlow& flow, N inner_width, CellScratch& scratch);

/// Sizes the tracks of one axis into `scratch.tracks`. `inner` is the content box on that axis where it is known. `by`
/// selects the height with which children count in rows; in either case no row is smaller than their minimum.
template <Axis axis, class N>
void size_axis(const ViewOf<N>& view, Index grid, const detail::InFlow& flow, Space asked, N inner, bool stretch,
               GridScratchOf<N>& scratch, HeightBy by = HeightBy::content);

/// Where the sized tracks lie in a content box of `inner`, into `scratch.slots`.
template <Axis axis, class N>
void lay_tracks(const ViewOf<N>& view, Index grid, N inner, GridScratchOf<N>& scratch);

/// What a child asks of the tracks that it takes.
template <Axis axis, class N>
[[nodiscard]] TrackRequestOf<N> request_of(const ViewOf<N>& view, Index child, std::span<const SizedTrackOf<N>> own,
                                           N gap, HeightBy by = HeightBy::content);

/// The gap between tracks going up, where a percentage counts 0, and going down.
template <class N>
[[nodiscard]] N gap_up(const ViewOf<N>& view, Index grid, Axis axis);
template <class N>
[[nodiscard]] N gap_down(const ViewOf<N>& view, Index grid, Axis axis, N inner);

/// The first of the sized tracks that a child takes: empty ones may have been dropped.
template <class N>
[[nodiscard]] std::uint32_t first_track(const GridScratchOf<N>& scratch, Axis axis, const CellRange& range) {
  return scratch.new_place.empty() ? range.first(axis) : scratch.new_place[range.first(axis)];
}

}  // namespace fond_ladder::inline v0::detail::grid
