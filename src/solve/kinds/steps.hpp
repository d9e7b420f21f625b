// SPDX-License-Identifier: MIT
#pragma once

// The step of each pass for one node, by its kind.

#include "solve/kinds/kinds.hpp"
#include "solve/kinds/leaf.hpp"

namespace fond_ladder::inline v0::detail {

template <class N>
using StepOf = void (*)(SolveContextOf<N>&, Index);

template <class N>
void nothing(SolveContextOf<N>& /*frame*/, Index /*node*/) {}

template <class N, StepOf<N> of_line, StepOf<N> of_grid, StepOf<N> of_stack, StepOf<N> of_leaf>
void by_kind(SolveContextOf<N>& context, Index node) {
  switch (context.traits(node).node_kind()) {
    case Kind::row:
    case Kind::column: return of_line(context, node);
    case Kind::grid: return of_grid(context, node);
    case Kind::stack: return of_stack(context, node);
    default: return of_leaf(context, node);
  }
}

template <class N>
inline constexpr StepOf<N> widths_up = by_kind<N, line::widths_up, grid::widths_up, stack::widths_up, leaf::widths_up>;
template <class N>
inline constexpr StepOf<N> widths_down = by_kind<N, line::widths_down, grid::widths_down, stack::widths_down, nothing>;
template <class N>
inline constexpr StepOf<N> heights_up =
    by_kind<N, line::heights_up, grid::heights_up, stack::heights_up, leaf::heights_up>;
template <class N>
inline constexpr StepOf<N> heights_down =
    by_kind<N, line::heights_down, grid::heights_down, stack::heights_down, nothing>;

/// The step down on an axis.
template <Axis axis, class N = double>
inline constexpr StepOf<N> laying_step = axis == x_axis ? widths_down<N> : heights_down<N>;

}  // namespace fond_ladder::inline v0::detail
