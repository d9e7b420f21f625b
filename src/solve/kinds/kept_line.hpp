// SPDX-License-Identifier: MIT
#pragma once

// Long columns in which one child changed. While nothing in a column grows, has a weight or has edges, and there
// was space for all or nothing could shrink, the height of each child is also what it counts in the column: its base
// size within its limits. The column has NodeFlag::keeps_line as long as the heights in the state are just that.
// Then a new height by content is their sum, and a new arrangement their places one after the other, in the order of
// the file, so that the result is the same bit for bit; the children need not be examined.

#include <span>

#include "solve/sharing/share.hpp"
#include "solve/state/solve_context.hpp"

namespace fond_ladder::inline v0::detail::kept_line {

/// After a column was laid: sets its flags, or takes them away.
void note(SolveContext& context, Index column, std::span<const LineItem> line_items, bool all_plain);

/// A child in the flow is new, or counts otherwise: its height becomes what it counts now, or the column loses its
/// flag.
void take_child(SolveContext& context, Index column, Index child);

/// The heights of its children may be others than they count.
inline void drop(SolveContext& context, Index column) {
  context.set_flag(column, NodeFlag::keeps_line, false);
}

/// Whether the column may be gone through by its heights.
[[nodiscard]] inline bool stands(const View& view, Index column) {
  return view.has(column, NodeFlag::keeps_line) && !view.traits(column).odd_children;
}

/// The heights of its children in the order of the file, added to `first`.
[[nodiscard]] double sum(const View& view, Index column, double first);

/// Places the children of a column that keeps its line. Returns false, and does nothing, if one would have to shrink.
[[nodiscard]] bool lay(SolveContext& context, Index column);

}  // namespace fond_ladder::inline v0::detail::kept_line
