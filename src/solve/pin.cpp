// SPDX-License-Identifier: MIT
//
// Pinned children stand outside the flow: nobody counts them going up, and they are placed after everybody else,
// against the padding box of their parent. CSS Positioned Layout 3, section 4 gives the idea of insets that set a size.
#include "solve/cross.hpp"
#include "solve/kinds.hpp"
#include "solve/moving.hpp"

namespace fond_ladder::inline v0::detail {
namespace {

/// Which distance of a pin.
using PinSide = Limit Pin::*;

/// The pins of one axis, start and end already turned into left and right; null for none.
struct AxisPins {
  PinSide before = nullptr, after = nullptr, center = nullptr;
  bool starts_far = false;  // start is the far edge, and decides where both ends are pinned or nothing is

  /// Whether the child holds to its far edge: that alone is pinned, or start decides and is that.
  [[nodiscard]] bool hold_far() const {
    return before != nullptr && after != nullptr ? starts_far : after != nullptr || (before == nullptr && starts_far);
  }
};

AxisPins pins_on(const Pin& pin, Axis axis, bool mirrored) {
  const auto said = [&](PinSide side) { return pin.*side ? side : nullptr; };
  if (axis == y_axis) return {said(&Pin::top), said(&Pin::bottom), said(&Pin::middle_y)};
  const PinSide starts_left = said(mirrored ? &Pin::end : &Pin::start);
  const PinSide starts_right = said(mirrored ? &Pin::start : &Pin::end);
  AxisPins pins{pin.left ? &Pin::left : starts_left, pin.right ? &Pin::right : starts_right, said(&Pin::middle_x)};
  pins.starts_far = mirrored && !pin.left && !pin.right;
  return pins;
}

/// Whether opposite pins set the size: it is not given, and no aspect gives it.
template <Axis axis, class N>
bool is_tied(const Child<axis, false, N>& child, const AxisPins& pins) {
  if (pins.before == nullptr || pins.after == nullptr) return false;
  return child.way() == SizeWay::fill || (child.way() == SizeWay::automatic && !child.keeps_aspect());
}

template <Axis axis, class N>
void place(FrameOf<N>& frame, Index container, Index node) {
  const SidesOf<N> border = frame.border(container, axis);
  const N whole = most_of(0.0, frame.size(container, axis) - border.sum());
  frame.resolve_edges(node, axis, whole);
  const auto child = any_child<axis, N>(frame, node);
  const AxisPins pins = pins_on(*frame.keys(node).pin, axis, frame.mirrored && axis == x_axis);
  const SidesOf<N> margin = child.margin_down(false);
  const auto px = [&](PinSide side) {
    return side == nullptr ? N(0)
                           : frame.length(
                                 node, [side](const Keys& keys) { return *((*keys.pin).*side); }, whole);
  };

  const N room = most_of(0.0, whole - px(pins.before) - px(pins.after) - margin.sum());
  const bool tied = is_tied(child, pins);
  const N size = tied ? child.bounds(child.inset_down(), whole).held(room / child.counted_scale())
                      : size_across_down<axis, false, N>(frame, child, room, whole, Across::start);
  N at = px(pins.before) + margin.before;
  if (pins.center != nullptr && pins.before == nullptr && pins.after == nullptr) {
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
