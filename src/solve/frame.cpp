// SPDX-License-Identifier: MIT
#include "solve/frame.hpp"

namespace fond_ladder::detail {

void View::resolve_bounds(Index node, Axis axis, double whole, Bounds& found) const {
  const Keys& own = keys(node);
  const Limit& least = axis == x_axis ? own.min_width : own.min_height;
  const Limit& most = axis == x_axis ? own.max_width : own.max_height;
  if (least && least->is_percent()) found.least = least->in_px(em, whole);
  if (most && most->is_percent()) found.most = most->in_px(em, whole);
}

double View::aspect_height(Index node) const {
  const double width = results.size[x_axis][node];
  double height = 0;
  if (extra(node).keys && keys(node).aspect) {
    height = width / *keys(node).aspect;
  } else {  // a picture keeps its own shape inside its padding
    const double inner = std::max(0.0, width - edges_down(node).inset[x_axis].sum());
    height = inner * (flat.inner[y_axis][node] / flat.inner[x_axis][node]) + edges_up(node).inset[y_axis].sum();
  }
  return std::min(height, limits::largest_length);
}

void Frame::resolve_percent_edges(Index node, Axis axis, double whole) {
  const Keys& own = keys(node);
  const Side before = axis == x_axis ? Side::left : Side::top, after = axis == x_axis ? Side::right : Side::bottom;
  const auto px = [&](const Edges& edges, Side side) {
    const Edge edge = edges.on(side, mirrored);
    return edge.is_automatic() ? 0 : edge.length().in_px(em, whole);
  };
  Sides margin{px(own.margin, before), px(own.margin, after)};
  Sides inset{px(own.padding, before), px(own.padding, after)};
  if (own.border_counts) {
    inset.before += px(own.border, before);
    inset.after += px(own.border, after);
  }
  EdgeRoom& resolved = state.resolved[flat.extra[node]];
  if (inset.before != resolved.inset[axis].before || inset.after != resolved.inset[axis].after) {
    state.flags[node] |= edges_moved;
  }
  resolved.margin[axis] = margin;
  resolved.inset[axis] = inset;
}

Sides View::border(Index node, Axis axis) const {
  if (!extra(node).keys || !keys(node).border_counts) return {};
  const Edges& border = keys(node).border;
  return {border.on(axis == x_axis ? Side::left : Side::top, mirrored).length().in_px(em, 0),
          border.on(axis == x_axis ? Side::right : Side::bottom, mirrored).length().in_px(em, 0)};
}

void View::list_odd_flow(Index container, std::vector<Index>& listed) const {
  listed.clear();
  bool ordered = false;
  const Index first = flat.first_child[container], count = flat.child_count[container];
  for (Index child = first; child < first + count; ++child) {
    const Traits& own = traits(child);
    if (own.hidden || own.pinned) continue;
    ordered |= own.ordered != 0;
    listed.push_back(child);
  }
  if (ordered) {
    const auto rank = [&](Index child) { return traits(child).ordered ? keys(child).order.rank : 0; };
    std::sort(listed.begin(), listed.end(), [&](Index a, Index b) {
      const int of_a = rank(a), of_b = rank(b);
      return of_a != of_b ? of_a < of_b : a < b;
    });
  }
}

}  // namespace fond_ladder::detail
