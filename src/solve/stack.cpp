// SPDX-License-Identifier: MIT
//
// Children over one another. A stack is as large as its largest child; each child then fills or fits the whole content
// box and is aligned in it on its own. Nothing is shared, so each step is one loop.
#include "solve/kinds.hpp"
#include "solve/leaf.hpp"
#include "solve/lines.hpp"
#include "solve/moving.hpp"

namespace fond_ladder::inline v0::detail {
namespace {

template <Axis axis, class N>
CrossAxis<axis, N> room_of(const FrameOf<N>& frame, Index node) {
  return {frame, node, axis == x_axis && frame.mirrored};
}

template <Axis axis, class N>
N nudge_of(const FrameOf<N>& frame, Index child) {
  if (!frame.traits(child).nudged) return 0;
  return frame.length(
      child, [](const Keys& keys) { return axis == x_axis ? keys.nudge.x : keys.nudge.y; }, N(0));
}

template <Axis axis, class N>
void place_child(FrameOf<N>& frame, const CrossAxis<axis, N>& across, const Traits& stack, Index child) {
  const Traits traits = frame.traits(child);
  place_across<axis, N>(frame, across, child, {0, across.whole}, alignment<axis>(stack, traits, Across::start), -1,
                        nudge_of<axis>(frame, child));
}

template <Axis axis, class N>
void place_children(FrameOf<N>& frame, Index node) {
  const Traits own = frame.traits(node);
  const auto across = room_of<axis, N>(frame, node);
  const InFlow flow = frame.flow(node);
  for (Index i = 0; i < flow.size(); ++i) place_child(frame, across, own, flow[i]);
  place_pinned(frame, node, axis);
}

}  // namespace

namespace stack {

template <class N>
void widths_up(FrameOf<N>& frame, Index node) {
  leaf::settle_pinned(frame, node);
  N least = 0, most = 0;
  const InFlow flow = frame.flow(node);
  for (Index i = 0; i < flow.size(); ++i) {
    with_child<x_axis, N>(frame, flow[i], [&](const auto& child) {
      leaf::settle(frame, child);
      least = most_of(least, outer_across_up<x_axis>(child, frame.min_content(child.node())));
      most = most_of(most, outer_across_up<x_axis>(child, frame.max_content(child.node())));
    });
  }
  const N inset = frame.edges_up(node).inset[x_axis].sum();
  frame.set_content_widths(node, frame.traits(node).scroll_x ? inset : least + inset, most + inset);
}

template <class N>
void widths_down(FrameOf<N>& frame, Index node) {
  place_children<x_axis>(frame, node);
}

template <class N>
void heights_up(FrameOf<N>& frame, Index node) {
  const Traits own = frame.traits(node);
  const InFlow flow = frame.flow(node);
  const SidesOf<N> inset = frame.edges_up(node).inset[y_axis];
  const auto by_children = [&](HeightBy by) {
    N most = 0;
    for (Index i = 0; i < flow.size(); ++i) {
      with_child<y_axis, N>(frame, flow[i], [&](const auto& child) {
        most = most_of(most, outer_across_up<y_axis>(child, content_height<N>(frame, child.node(), by)));
      });
    }
    return frame.height_by_aspect(node, most + inset.sum());
  };
  if (own.holds_scroller) frame.set_least_height(node, own.scroll_y ? N(inset.sum()) : by_children(HeightBy::least));
  frame.set_need(node, by_children(HeightBy::content));
  const N height = natural_height<N>(frame, node);
  frame.set_baseline(node, height);
  if (flow.size() == 0) return;
  const auto first = any_child<y_axis, N>(frame, flow[0]);
  const N spare = height - inset.sum() - first.margin_up().sum() - natural_height<N>(frame, flow[0]);
  const Across align = alignment<y_axis>(own, first.traits(), Across::start);
  const N ahead = ahead_by(first.auto_margins(false), spare, align, own.scroll_y);
  frame.set_baseline(node, inset.before + first.margin_up().before + ahead + first_baseline<N>(frame, flow[0]));
}

template <class N>
void heights_down(FrameOf<N>& frame, Index node) {
  place_children<y_axis>(frame, node);
}

void lay_one(Frame& frame, Index container, Index child, Axis axis) {
  const Traits own = frame.traits(container);
  if (axis == x_axis) {
    place_child(frame, room_of<x_axis, double>(frame, container), own, child);
  } else {
    place_child(frame, room_of<y_axis, double>(frame, container), own, child);
  }
}

FOND_LADDER_STEPS_FOR(double)
FOND_LADDER_STEPS_FOR(Moving)

}  // namespace stack
}  // namespace fond_ladder::inline v0::detail
