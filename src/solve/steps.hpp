// SPDX-License-Identifier: MIT
#pragma once

// The step of each pass for one node, by its kind.

#include "solve/kinds.hpp"
#include "solve/leaf.hpp"

namespace fond_ladder::inline v0::detail {

using Step = void (*)(Frame&, Index);

inline void nothing(Frame& /*frame*/, Index /*node*/) {}

template <Step of_line, Step of_grid, Step of_stack, Step of_leaf>
void by_kind(Frame& frame, Index node) {
  switch (frame.traits(node).node_kind()) {
    case Kind::row:
    case Kind::column: return of_line(frame, node);
    case Kind::grid: return of_grid(frame, node);
    case Kind::stack: return of_stack(frame, node);
    default: return of_leaf(frame, node);
  }
}

inline constexpr Step widths_up = by_kind<line::widths_up, grid::widths_up, stack::widths_up, leaf::widths_up>;
inline constexpr Step widths_down = by_kind<line::widths_down, grid::widths_down, stack::widths_down, nothing>;
inline constexpr Step heights_up = by_kind<line::heights_up, grid::heights_up, stack::heights_up, leaf::heights_up>;
inline constexpr Step heights_down = by_kind<line::heights_down, grid::heights_down, stack::heights_down, nothing>;

/// The step down on an axis.
template <Axis axis>
inline constexpr Step laying_step = axis == x_axis ? widths_down : heights_down;

}  // namespace fond_ladder::inline v0::detail
