// SPDX-License-Identifier: MIT
#pragma once

// A kind of node is one file that supplies these four steps (a leaf two: leaf.hpp); the passes call them. A container's
// step reads its children and writes to them; it never looks further down. Cost of a step with c children: O(c), or O(c
// log c) where children are sorted or a limit stops somebody.

#include "solve/state/solve_context.hpp"

namespace fond_ladder::inline v0::detail {

/// The four steps of a kind: what its file defines, and makes for a number that is counted in.
#define FOND_LADDER_STEPS                                   \
  template <class N>                                        \
  void widths_up(SolveContextOf<N>& context, Index node);   \
  template <class N>                                        \
  void widths_down(SolveContextOf<N>& context, Index node); \
  template <class N>                                        \
  void heights_up(SolveContextOf<N>& context, Index node);  \
  template <class N>                                        \
  void heights_down(SolveContextOf<N>& context, Index node);
#define FOND_LADDER_STEPS_FOR(N)                        \
  template void widths_up(SolveContextOf<N>&, Index);   \
  template void widths_down(SolveContextOf<N>&, Index); \
  template void heights_up(SolveContextOf<N>&, Index);  \
  template void heights_down(SolveContextOf<N>&, Index);

namespace line {
FOND_LADDER_STEPS
/// Sizes and places one child across its row or column, that the others do not depend on: see `lays_together`.
void lay_one_across(SolveContext& context, Index container, Index child);
}  // namespace line

namespace stack {
FOND_LADDER_STEPS
/// Sizes and places one child on an axis.
void lay_one(SolveContext& context, Index container, Index child, Axis axis);
}  // namespace stack

namespace grid {
FOND_LADDER_STEPS
}  // namespace grid

/// Whether the children of a container are laid all together on an axis, so that each depends on all.
[[nodiscard]] inline bool lays_together(const Traits& container, Axis axis) {
  switch (container.node_kind()) {
    case Kind::row: return axis == x_axis || container.wrap || container.stands_on_base;
    case Kind::column: return axis == y_axis || container.wrap;
    case Kind::grid: return true;
    default: return false;
  }
}

/// Places one pinned child without ties on one axis.
void place_pinned_child(SolveContext& context, Index container, Index child, Axis axis);
/// Places the pinned children of a container on one axis, after its flow.
template <class N>
void place_pinned(SolveContextOf<N>& context, Index container, Axis axis);

}  // namespace fond_ladder::inline v0::detail
