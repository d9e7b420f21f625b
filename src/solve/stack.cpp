// SPDX-License-Identifier: MIT
//
// Children over one another. A stack is as large as its largest child; each child then fills or fits the whole content
// box and is aligned in it on its own. Nothing is shared, so each step is one loop.
#include "solve/kinds.hpp"
#include "solve/leaf.hpp"
#include "solve/lines.hpp"

namespace fond_ladder::inline v0::detail {
namespace {

template <Axis axis>
CrossAxis<axis> room_of(const Frame& frame, Index node) {
  return {frame, node, axis == x_axis && frame.mirrored};
}

template <Axis axis>
void place_child(Frame& frame, const CrossAxis<axis>& across, const Traits& stack, Index child) {
  const Traits traits = frame.traits(child);
  const Pair nudge = traits.nudged ? frame.keys(child).nudge : Pair{};
  place_across(frame, across, child, {0, across.whole}, alignment<axis>(stack, traits, Across::start), -1,
               axis == x_axis ? nudge.x : nudge.y);
}

template <Axis axis>
void place_children(Frame& frame, Index node) {
  const Traits own = frame.traits(node);
  const auto across = room_of<axis>(frame, node);
  const InFlow flow = frame.flow(node);
  for (Index i = 0; i < flow.size(); ++i) place_child(frame, across, own, flow[i]);
  place_pinned(frame, node, axis);
}

}  // namespace

namespace stack {

void widths_up(Frame& frame, Index node) {
  leaf::settle_pinned(frame, node);
  double least = 0, most = 0;
  const InFlow flow = frame.flow(node);
  for (Index i = 0; i < flow.size(); ++i) {
    with_child<x_axis>(frame, flow[i], [&](const auto& child) {
      leaf::settle(frame, child);
      least = std::max(least, outer_across_up(child, frame.min_content(child.node())));
      most = std::max(most, outer_across_up(child, frame.max_content(child.node())));
    });
  }
  const double inset = frame.edges_up(node).inset[x_axis].sum();
  frame.set_content_widths(node, frame.traits(node).scroll_x ? inset : least + inset, most + inset);
}

void widths_down(Frame& frame, Index node) {
  place_children<x_axis>(frame, node);
}

void heights_up(Frame& frame, Index node) {
  const Traits own = frame.traits(node);
  const InFlow flow = frame.flow(node);
  const Sides inset = frame.edges_up(node).inset[y_axis];
  const auto by_children = [&](HeightBy by) {
    double most = 0;
    for (Index i = 0; i < flow.size(); ++i) {
      with_child<y_axis>(frame, flow[i], [&](const auto& child) {
        most = std::max(most, outer_across_up(child, content_height(frame, child.node(), by)));
      });
    }
    return frame.height_by_aspect(node, most + inset.sum());
  };
  if (own.holds_scroller) frame.set_least_height(node, own.scroll_y ? inset.sum() : by_children(HeightBy::least));
  frame.set_need(node, by_children(HeightBy::content));
  const double height = natural_height(frame, node);
  frame.set_baseline(node, height);
  if (flow.size() == 0) return;
  const Child<y_axis, false> first(frame, flow[0]);
  const double spare = height - inset.sum() - first.margin_up().sum() - natural_height(frame, flow[0]);
  const Across align = alignment<y_axis>(own, first.traits(), Across::start);
  const double ahead = ahead_by(first.auto_margins(false), spare, align, own.scroll_y);
  frame.set_baseline(node, inset.before + first.margin_up().before + ahead + first_baseline(frame, flow[0]));
}

void heights_down(Frame& frame, Index node) {
  place_children<y_axis>(frame, node);
}

void lay_one(Frame& frame, Index container, Index child, Axis axis) {
  const Traits own = frame.traits(container);
  if (axis == x_axis) {
    place_child(frame, room_of<x_axis>(frame, container), own, child);
  } else {
    place_child(frame, room_of<y_axis>(frame, container), own, child);
  }
}

}  // namespace stack
}  // namespace fond_ladder::inline v0::detail
