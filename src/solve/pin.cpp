// SPDX-License-Identifier: MIT
//
// Pinned children stand outside the flow: nobody counts them going up, and they are placed after everybody else,
// against the padding box of their parent. CSS Positioned Layout 3, section 4 gives the idea of insets that set a size.
#include "solve/cross.hpp"
#include "solve/kinds.hpp"
#include "solve/moving.hpp"

namespace fond_ladder::inline v0::detail {
namespace {

/// The pins of one axis as physical distances, start and end already turned into left and right.
struct AxisPins {
  Limit before, after, center;
  bool starts_far = false;  // start is the far edge, and decides where both ends are pinned or nothing is

  /// Whether the child holds to its far edge: that alone is pinned, or start decides and is that.
  [[nodiscard]] bool hold_far() const { return before && after ? starts_far : after ? true : !before && starts_far; }
};

AxisPins pins_on(const Pin& pin, Axis axis, bool mirrored) {
  if (axis == y_axis) return {pin.top, pin.bottom, pin.middle_y};
  const Limit& starts_left = mirrored ? pin.end : pin.start;
  const Limit& starts_right = mirrored ? pin.start : pin.end;
  AxisPins pins{pin.left ? pin.left : starts_left, pin.right ? pin.right : starts_right, pin.middle_x};
  pins.starts_far = mirrored && !pin.left && !pin.right;
  return pins;
}

/// Whether opposite pins set the size: it is not given, and no aspect gives it.
template <Axis axis, class N>
bool is_tied(const Child<axis, false, N>& child, const AxisPins& pins) {
  if (!pins.before || !pins.after) return false;
  return child.way() == SizeWay::fill || (child.way() == SizeWay::automatic && !child.keeps_aspect());
}

template <Axis axis, class N>
void place(FrameOf<N>& frame, Index container, Index node) {
  const Sides border = frame.border(container, axis);
  const N whole = most_of(0.0, frame.size(container, axis) - border.sum());
  frame.resolve_edges(node, axis, whole);
  const auto child = any_child<axis, N>(frame, node);
  const AxisPins pins = pins_on(*frame.keys(node).pin, axis, frame.mirrored && axis == x_axis);
  const SidesOf<N> margin = child.margin_down(false);
  const auto px = [&](const Limit& pin) { return pin ? in_px(*pin, frame.em, whole) : N(0); };

  const N room = most_of(0.0, whole - px(pins.before) - px(pins.after) - margin.sum());
  const bool tied = is_tied(child, pins);
  const N size = tied ? child.bounds(child.inset_down(), whole).held(room / child.counted_scale())
                      : size_across_down<axis, false, N>(frame, child, room, whole, Across::start);
  N at = px(pins.before) + margin.before;
  if (pins.center && !pins.before && !pins.after) {
    at = (whole - size) / 2 + px(pins.center);
  } else if (pins.hold_far()) {
    at = whole - px(pins.after) - margin.after - size;
  }
  frame.set_place(node, axis, border.before + at);
  frame.template set_size<axis>(node, size, child.traits().passive);
}

}  // namespace

template <class N>
void place_pinned_child(FrameOf<N>& frame, Index container, Index child, Axis axis) {
  axis == x_axis ? place<x_axis>(frame, container, child) : place<y_axis>(frame, container, child);
}

template <class N>
void place_pinned(FrameOf<N>& frame, Index container, Axis axis) {
  if (!frame.traits(container).odd_children) return;
  const Index first = frame.first_child(container), count = frame.child_count(container);
  for (Index child = first; child < first + count; ++child) {
    if (!frame.traits(child).pinned || frame.traits(child).hidden) continue;
    place_pinned_child(frame, container, child, axis);
  }
}

template void place_pinned_child(FrameOf<double>&, Index, Index, Axis);
template void place_pinned(FrameOf<double>&, Index, Axis);
template void place_pinned(FrameOf<Moving>&, Index, Axis);

}  // namespace fond_ladder::inline v0::detail
