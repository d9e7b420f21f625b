// SPDX-License-Identifier: MIT
#pragma once

// The tracks of a grid, for its four steps and for whoever asks about a finished solve.

#include "solve/cells.hpp"
#include "solve/frame.hpp"

namespace fond_ladder::detail::grid {

/// Places the flow in cells and sizes the tracks of one axis: afterwards `scratch.tracks` has them, `scratch.cells` the
/// cells. `inner` is the content box on that axis where it is known.
template <Axis axis>
void size_axis(const View& view, Index grid, const detail::Flow& flow, Room asked, double inner, bool stretch,
               GridScratch& scratch);

/// Where the sized tracks lie in a content box of `inner`, into `scratch.slots`.
template <Axis axis>
void lay_tracks(const View& view, Index grid, double inner, GridScratch& scratch);

/// What a child asks of the tracks that it takes.
template <Axis axis>
[[nodiscard]] Claim claim_of(const View& view, Index child, std::span<const SizedTrack> own, double gap);

/// The gap between tracks going up, where a percentage counts 0, and going down.
[[nodiscard]] double gap_up(const View& view, Index grid, Axis axis);
[[nodiscard]] double gap_down(const View& view, Index grid, Axis axis, double inner);

/// Whether children would stand beyond the last possible track.
[[nodiscard]] bool overflows(const View& view, Index grid, const detail::Flow& flow, GridScratch& scratch);

}  // namespace fond_ladder::detail::grid
