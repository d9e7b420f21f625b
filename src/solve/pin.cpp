// SPDX-License-Identifier: MIT
//
// Pinned children stand outside the flow: nobody counts them going up, and they are placed after everybody else,
// against the padding box of their parent. CSS Positioned Layout 3, section 4 gives the idea of insets that set a size.
#include "solve/cross.hpp"
#include "solve/kinds.hpp"

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
template <Axis axis>
bool is_tied(const Child<axis, false>& child, const AxisPins& pins) {
  if (!pins.before || !pins.after) return false;
  return child.way() == SizeWay::fill || (child.way() == SizeWay::automatic && !child.keeps_aspect());
}

template <Axis axis>
void place(Frame& frame, Index container, Index node) {
  const Sides border = frame.border(container, axis);
  const double whole = std::max(0.0, frame.size(container, axis) - border.sum());
  frame.resolve_edges(node, axis, whole);
  const Child<axis, false> child(frame, node);
  const AxisPins pins = pins_on(*frame.keys(node).pin, axis, frame.mirrored && axis == x_axis);
  const Sides margin = child.margin_down(false);
  const auto px = [&](const Limit& pin) { return pin ? pin->in_px(frame.em, whole) : 0; };

  const double room = std::max(0.0, whole - px(pins.before) - px(pins.after) - margin.sum());
  const bool tied = is_tied(child, pins);
  const double size = tied ? child.bounds(child.inset_down(), whole).held(room / child.counted_scale())
                           : size_across_down(frame, child, room, whole, Across::start);
  double at = px(pins.before) + margin.before;
  if (pins.center && !pins.before && !pins.after) {
    at = (whole - size) / 2 + px(pins.center);
  } else if (pins.hold_far()) {
    at = whole - px(pins.after) - margin.after - size;
  }
  frame.set_place(node, axis, border.before + at);
  frame.set_size<axis>(node, size, child.traits().passive);
}

}  // namespace

void place_pinned_child(Frame& frame, Index container, Index child, Axis axis) {
  axis == x_axis ? place<x_axis>(frame, container, child) : place<y_axis>(frame, container, child);
}

void place_pinned(Frame& frame, Index container, Axis axis) {
  if (!frame.traits(container).odd_children) return;
  const Index first = frame.first_child(container), count = frame.child_count(container);
  for (Index child = first; child < first + count; ++child) {
    if (!frame.traits(child).pinned || frame.traits(child).hidden) continue;
    place_pinned_child(frame, container, child, axis);
  }
}

}  // namespace fond_ladder::inline v0::detail
