// SPDX-License-Identifier: MIT
//
// Children over one another. A stack is as large as its largest child; each child then fills or fits the whole content
// box and is aligned in it on its own. Nothing is shared, so each step is one loop.
#include "solve/kinds/kinds.hpp"
#include "solve/kinds/leaf.hpp"
#include "solve/kinds/lines.hpp"
#include "solve/numbers/traced_number.hpp"

namespace fond_ladder::inline v0::detail {
namespace {

template <Axis axis, class N>
CrossAxis<axis, N> space_of(const SolveContextOf<N>& context, Index node) {
  return {context, node, axis == x_axis && context.mirrored};
}

template <Axis axis, class N>
N nudge_of(const SolveContextOf<N>& context, Index child) {
  if (!context.traits(child).nudged) return 0;
  return context.length(
      child, [](const Keys& keys) { return axis == x_axis ? keys.nudge.x : keys.nudge.y; }, N(0));
}

template <Axis axis, class N>
void place_child(SolveContextOf<N>& context, const CrossAxis<axis, N>& across, const Traits& stack, Index child) {
  const Traits traits = context.traits(child);
  place_across<axis, N>(context, across, child, {0, across.whole}, alignment<axis>(stack, traits, Across::start), -1,
                        nudge_of<axis>(context, child));
}

template <Axis axis, class N>
void place_children(SolveContextOf<N>& context, Index node) {
  const Traits own = context.traits(node);
  const auto across = space_of<axis, N>(context, node);
  const InFlow flow = context.flow(node);
  for (Index i = 0; i < flow.size(); ++i) place_child(context, across, own, flow[i]);
  place_pinned(context, node, axis);
}

}  // namespace

namespace stack {

template <class N>
void widths_up(SolveContextOf<N>& context, Index node) {
  leaf::settle_pinned(context, node);
  N least = 0, most = 0;
  const InFlow flow = context.flow(node);
  for (Index i = 0; i < flow.size(); ++i) {
    with_child<x_axis, N>(context, flow[i], [&](const auto& child) {
      leaf::settle(context, child);
      least = max_of(least, outer_across_up<x_axis>(child, context.min_content(child.node())));
      most = max_of(most, outer_across_up<x_axis>(child, context.max_content(child.node())));
    });
  }
  const N inset = context.edges_up(node).inset[x_axis].sum();
  context.set_content_widths(node, context.traits(node).scroll_x ? inset : least + inset, most + inset);
}

template <class N>
void widths_down(SolveContextOf<N>& context, Index node) {
  place_children<x_axis>(context, node);
}

template <class N>
void heights_up(SolveContextOf<N>& context, Index node) {
  const Traits own = context.traits(node);
  const InFlow flow = context.flow(node);
  const SidesOf<N> inset = context.edges_up(node).inset[y_axis];
  const auto by_children = [&](HeightBy by) {
    N most = 0;
    for (Index i = 0; i < flow.size(); ++i) {
      with_child<y_axis, N>(context, flow[i], [&](const auto& child) {
        most = max_of(most, outer_across_up<y_axis>(child, content_height<N>(context, child.node(), by)));
      });
    }
    return context.height_by_aspect(node, most + inset.sum());
  };
  if (own.holds_scroller) context.set_least_height(node, own.scroll_y ? N(inset.sum()) : by_children(HeightBy::least));
  context.set_need(node, by_children(HeightBy::content));
  const N height = natural_height<N>(context, node);
  context.set_baseline(node, height);
  if (flow.size() == 0) return;
  const auto first = any_child<y_axis, N>(context, flow[0]);
  const N unused_space = height - inset.sum() - first.margin_up().sum() - natural_height<N>(context, flow[0]);
  const Across align = alignment<y_axis>(own, first.traits(), Across::start);
  const N ahead = ahead_by(first.auto_margins(false), unused_space, align, own.scroll_y);
  context.set_baseline(node, inset.before + first.margin_up().before + ahead + first_baseline<N>(context, flow[0]));
}

template <class N>
void heights_down(SolveContextOf<N>& context, Index node) {
  place_children<y_axis>(context, node);
}

void lay_one(SolveContext& context, Index container, Index child, Axis axis) {
  const Traits own = context.traits(container);
  if (axis == x_axis) {
    place_child(context, space_of<x_axis, double>(context, container), own, child);
  } else {
    place_child(context, space_of<y_axis, double>(context, container), own, child);
  }
}

FOND_LADDER_STEPS_FOR(double)
FOND_LADDER_STEPS_FOR(TracedNumber)

}  // namespace stack
}  // namespace fond_ladder::inline v0::detail
