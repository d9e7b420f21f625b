// SPDX-License-Identifier: MIT
#pragma once

// A kind of node is one file that supplies these four steps (a leaf two: leaf.hpp); the passes call them. A container's
// step reads its children and writes to them; it never looks further down. Cost of a step with c children: O(c), or O(c
// log c) where children are sorted or a limit stops somebody.

#include "solve/frame.hpp"

namespace fond_ladder::inline v0::detail {

namespace line {
void widths_up(Frame& frame, Index node);
void widths_down(Frame& frame, Index node);
void heights_up(Frame& frame, Index node);
void heights_down(Frame& frame, Index node);
}  // namespace line

namespace stack {
void widths_up(Frame& frame, Index node);
void widths_down(Frame& frame, Index node);
void heights_up(Frame& frame, Index node);
void heights_down(Frame& frame, Index node);
}  // namespace stack

namespace grid {
void widths_up(Frame& frame, Index node);
void widths_down(Frame& frame, Index node);
void heights_up(Frame& frame, Index node);
void heights_down(Frame& frame, Index node);
}  // namespace grid

/// Places the pinned children of a container on one axis, after its flow.
void place_pinned(Frame& frame, Index container, Axis axis);

}  // namespace fond_ladder::inline v0::detail
