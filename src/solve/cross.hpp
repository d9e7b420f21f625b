// SPDX-License-Identifier: MIT
#pragma once

// One child on an axis on which it shares with nobody: across its row or column, or in a stack. CSS Flexible Box
// Layout 1, section 9.4 (steps 7 and 11) and 9.6; CSS Box Alignment 3, section 6.

#include "solve/frame.hpp"

namespace fond_ladder::detail {

/// Going up: the size by which a child counts on such an axis, without margins. `content` is its size by content.
[[nodiscard]] inline double size_across_up(const View& frame, Index child, Axis axis, double content) {
  const double given = frame.given(child, axis, unknown);
  const Bounds bounds = frame.bounds(child, axis, frame.edges_up(child).inset[axis].sum(), unknown);
  return bounds.held(given >= 0 ? given : content) * frame.counted_scale(child);
}

/// Whether the aspect rule keeps a child from being stretched on an axis: a height that follows the width, and an image
/// whose width is its own.
[[nodiscard]] inline bool keeps_aspect(const Traits& traits, Axis axis) {
  return traits.has_aspect && (axis == y_axis || traits.node_kind() == Kind::image);
}

/// A stretch of the parent's content box, measured from its start edge.
struct Slot {
  double at = 0, size = 0;
};

/// Fills or fits `room` with a child and returns its size, without margins. `whole` is what a percentage is of.
[[nodiscard]] inline double size_across_down(const Frame& frame, Index child, Axis axis, double room, double whole,
                                             Across align) {
  const Traits& traits = frame.traits(child);
  const SizeWay way = traits.way(axis);
  const Bounds bounds = frame.bounds(child, axis, frame.edges_down(child).inset[axis].sum(), whole);
  const double given = frame.given(child, axis, whole);
  if (given >= 0) return bounds.held(given);
  const bool stretched = way == SizeWay::automatic && align == Across::stretch && !keeps_aspect(traits, axis) &&
                         !frame.has_auto_margin(child, axis);
  const double scaled_room = traits.scale_counts ? room / frame.keys(child).scale : room;
  if (stretched || way == SizeWay::fill) return bounds.held(scaled_room);
  if (axis == y_axis) return bounds.held(frame.state.need[child]);
  const State& state = frame.state;
  return bounds.held(std::min(state.max_content[child], std::max(state.min_content[child], scaled_room)));
}

/// Where a child of a known size lies in a slot, from its parent's border box: its automatic margins decide first, then
/// `to_baseline` (how far behind the slot's start its margin box begins; negative when it stands on no baseline), then
/// its alignment. `flip` lays from the far edge.
[[nodiscard]] inline double place_in_slot(const Frame& frame, Index container, Index child, Axis axis, Slot slot,
                                          double size, Across align, bool flip, double to_baseline) {
  Sides margin = frame.edges_down(child).margin[axis];
  if (flip) std::swap(margin.before, margin.after);
  const double counted = size * frame.counted_scale(child);
  const double spare = slot.size - margin.sum() - counted;
  double ahead = 0;
  if (frame.has_auto_margin(child, axis)) {
    unsigned automatic = frame.extra(child).auto_margins >> (2 * axis) & 3U;
    if (flip) automatic = (automatic & 1U) << 1 | automatic >> 1;
    if (spare > 0) ahead = automatic == 3 ? spare / 2 : automatic == 1 ? spare : 0;
  } else if (to_baseline >= 0) {
    ahead = to_baseline;
  } else if (spare > 0 || !frame.traits(container).scrolls(axis)) {
    if (align == Across::center) ahead = spare / 2;
    if (align == Across::end) ahead = spare;
  }

  const Sides inset = frame.edges_down(container).inset[axis];
  const double from_start = slot.at + margin.before + ahead + (counted - size) / 2;
  if (flip) return frame.state.size[axis][container] - inset.after - from_start - size;
  return inset.before + from_start;
}

/// Sizes and places a child in a slot. `whole` is what a percentage is of.
inline void place_across(Frame& frame, Index container, Index child, Axis axis, Slot slot, double whole, Across align,
                         bool flip, double to_baseline = -1) {
  frame.resolve_edges(child, axis, whole);
  const double room = slot.size - frame.edges_down(child).margin[axis].sum();
  const double size = size_across_down(frame, child, axis, room, whole, align);
  frame.state.place[axis][child] = place_in_slot(frame, container, child, axis, slot, size, align, flip, to_baseline);
  frame.set_size(child, axis, size);
}

}  // namespace fond_ladder::detail
