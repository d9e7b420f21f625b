// SPDX-License-Identifier: MIT
#pragma once

// Which cells the children of a grid stand in. CSS Grid Layout 2, section 8.

#include <cstdint>

#include "solve/sharing/grid_scratch.hpp"
#include "solve/state/solve_context.hpp"

namespace fond_ladder::inline v0::detail {

struct CellCounts {
  std::uint32_t columns = 0, rows = 0;
  bool overflows = false;  ///< somebody would stand beyond the last possible track
  [[nodiscard]] std::uint32_t on(Axis axis) const { return axis == x_axis ? columns : rows; }
};

/// Places the flow of a grid, of which `columns` and `rows` tracks are written down (its areas not counted), into
/// `scratch.cells`. Returns the tracks there are then.
template <class N>
CellCounts place_in_cells(const ViewOf<N>& view, Index grid, const InFlow& flow, std::uint32_t columns,
                          std::uint32_t rows, CellScratch& scratch);

}  // namespace fond_ladder::inline v0::detail
