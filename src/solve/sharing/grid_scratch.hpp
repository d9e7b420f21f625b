// SPDX-License-Identifier: MIT
#pragma once

// Working memory for the visit of one grid, reused by the next.

#include <cstdint>
#include <vector>

#include "model/area_map.hpp"
#include "model/bytes_of.hpp"
#include "solve/sharing/tracks.hpp"

namespace fond_ladder::inline v0::detail {

/// The tracks that a child takes.
struct CellRange {
  std::uint16_t column = 0, row = 0, columns = 1, rows = 1;
  [[nodiscard]] std::uint32_t first(Axis axis) const { return axis == x_axis ? column : row; }
  [[nodiscard]] std::uint32_t count(Axis axis) const { return axis == x_axis ? columns : rows; }
};

/// What the visit of a grid in the passes of widths leaves for later ones: for a child of a grid the tracks it takes,
/// for a grid how many it has.
struct GridPlace {
  CellRange cell;
  std::uint16_t columns = 0, rows = 0;
};

/// For placing children in cells.
struct CellScratch {
  std::vector<CellRange> cells;  ///< of the flow, in its order
  AreaMap areas;
  std::vector<std::uint64_t> taken;  ///< a bit a cell, line by line
  struct Cursor {
    std::uint32_t columns, rows;  ///< of the children it is for
    std::uint32_t major, minor;
  };
  std::vector<Cursor> cursors;

  [[nodiscard]] std::size_t memory() const { return bytes_of(cells, taken, cursors) + areas.memory(); }
};

/// A stretch of the parent's content box, measured from the edge from which it is laid.
template <class N>
struct SlotOf {
  N at = 0, size = 0;
};

template <class N>
struct GridScratchOf {
  CellScratch cells;
  TrackScratchOf<N> sizing;
  std::vector<SizedTrackOf<N>> tracks;
  std::vector<CrossingClaimOf<N>> crossing;
  std::vector<SlotOf<N>> slots;          ///< of the tracks
  std::vector<std::uint32_t> new_place;  ///< of tracks, where empty ones are dropped; else empty

  [[nodiscard]] std::size_t memory() const {
    return cells.memory() + bytes_of(sizing.headroom, tracks, crossing, slots, new_place);
  }
};

using Slot = SlotOf<double>;
using GridScratch = GridScratchOf<double>;

}  // namespace fond_ladder::inline v0::detail
