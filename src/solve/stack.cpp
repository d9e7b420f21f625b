// SPDX-License-Identifier: MIT
//
// Children over one another. A stack is as large as its largest child; each child then fills or fits the whole content
// box and is aligned in it on its own. Nothing is shared, so each step is one loop.
#include "solve/cross.hpp"
#include "solve/kinds.hpp"

namespace fond_ladder::detail {
namespace {

Across alignment(const Traits& container, const Traits& child, Axis axis) {
  const std::uint64_t own = axis == x_axis ? child.self_x : child.self_y;
  if (own != follows_parent) return static_cast<Across>(own);
  return static_cast<Across>(axis == x_axis ? container.align_x : container.align_y);
}

void place_children(Frame& frame, Index node, Axis axis) {
  const double inner = frame.inner_size(node, axis);
  const bool flip = axis == x_axis && frame.mirrored;
  const auto flow = frame.flow(node);
  for (Index i = 0; i < flow.size(); ++i) {
    const Across align = alignment(frame.traits(node), frame.traits(flow[i]), axis);
    place_across(frame, node, flow[i], axis, {0, inner}, inner, align, flip);
    if (frame.traits(flow[i]).nudged) {
      const Pair& nudge = frame.keys(flow[i]).nudge;
      frame.state.place[axis][flow[i]] += axis == x_axis ? nudge.x : nudge.y;
    }
  }
  place_pinned(frame, node, axis);
}

}  // namespace

namespace stack {

void widths_up(Frame& frame, Index node) {
  double least = 0, most = 0;
  const auto flow = frame.flow(node);
  for (Index i = 0; i < flow.size(); ++i) {
    const Index child = flow[i];
    const double margins = frame.edges_up(child).margin[x_axis].sum();
    least = std::max(least, margins + size_across_up(frame, child, x_axis, frame.state.min_content[child]));
    most = std::max(most, margins + size_across_up(frame, child, x_axis, frame.state.max_content[child]));
  }
  const double inset = frame.edges_up(node).inset[x_axis].sum();
  frame.state.min_content[node] = frame.traits(node).scroll_x ? inset : least + inset;
  frame.state.max_content[node] = most + inset;
}

void widths_down(Frame& frame, Index node) {
  place_children(frame, node, x_axis);
}

void heights_up(Frame& frame, Index node) {
  double most = 0;
  const auto flow = frame.flow(node);
  for (Index i = 0; i < flow.size(); ++i) {
    const Index child = flow[i];
    const double margins = frame.edges_up(child).margin[y_axis].sum();
    most = std::max(most, margins + size_across_up(frame, child, y_axis, frame.state.need[child]));
  }
  const Sides inset = frame.edges_up(node).inset[y_axis];
  frame.state.need[node] = frame.height_by_aspect(node, most + inset.sum());
  frame.state.baseline[node] = frame.natural_height(node);
  if (flow.size() == 0) return;
  const Index first = flow[0];
  const double room = frame.natural_height(node) - inset.sum() - frame.edges_up(first).margin[y_axis].sum() -
                      frame.natural_height(first);
  const Across align = alignment(frame.traits(node), frame.traits(first), y_axis);
  const double ahead = align == Across::center ? room / 2 : align == Across::end ? room : 0;
  frame.state.baseline[node] =
      inset.before + frame.edges_up(first).margin[y_axis].before + ahead + frame.state.baseline[first];
}

void heights_down(Frame& frame, Index node) {
  place_children(frame, node, y_axis);
}

}  // namespace stack
}  // namespace fond_ladder::detail
