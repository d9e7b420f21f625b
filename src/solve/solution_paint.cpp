// SPDX-License-Identifier: MIT
//
// Questions to a finished solve that have to do with painting: who is painted over whom, how large, and who is seen at
// a point.
#include <algorithm>

#include "solve/scrolled_view.hpp"

namespace fond_ladder::inline v0 {
namespace {

using detail::Index;
using detail::no_index;
using detail::ScrolledView;
using detail::Traits;
using detail::TreeStore;

double scale_of(const ScrolledView& view, Index node) {
  return view.extra(node).keys ? view.keys(node).scale : 1;
}

/// A map from a node's own coordinates to the root's, as painted.
struct Lens {
  double scale = 1, x = 0, y = 0;
};

Lens lens_into(const ScrolledView& view, const Lens& parent, Index node) {
  const double scale = scale_of(view, node);
  const auto shift = [&](Axis axis) { return view.place(node, axis) + view.size(node, axis) * (1 - scale) / 2; };
  return {parent.scale * scale, parent.x + parent.scale * shift(x_axis), parent.y + parent.scale * shift(y_axis)};
}

Rect through(const Lens& lens, const ScrolledView& view, Index node) {
  return {lens.x, lens.y, view.size(node, x_axis) * lens.scale, view.size(node, y_axis) * lens.scale};
}

/// Calls `each(node, depth, lens)` in the order of painting.
template <class Each>
void walk_painted(const ScrolledView& view, Each each) {
  std::vector<Lens> above;
  detail::walk_placed(
      view, [&](Index node) { return view.traits(node).paints_backward != 0; },
      [&](Index node, int depth) {
        above.resize(static_cast<std::size_t>(depth));
        above.push_back(lens_into(view, above.empty() ? Lens{} : above.back(), node));
        each(node, depth, above.back());
      });
}

}  // namespace

std::vector<Solution::Painted> Solution::painted() const {
  const TreeStore& store = tree().store();
  const ScrolledView view = scrolled_view();
  std::vector<Painted> order;
  walk_painted(view, [&](Index node, int depth, const Lens& lens) {
    order.push_back({store.id_of(node), through(lens, view, node), depth, lens.scale});
  });
  return order;
}

Rect Solution::painted_box(NodeId node) const {
  if (!is_placed(node)) return {};
  const ScrolledView view = scrolled_view();
  std::vector<Index> way;
  for (Index i = tree().store().index_of(node); i != no_index; i = view.parent(i)) way.push_back(i);
  Lens lens;
  for (auto i = way.rbegin(); i != way.rend(); ++i) lens = lens_into(view, lens, *i);
  return through(lens, view, way.front());
}

std::vector<NodeId> Solution::under(double x, double y) const {
  const TreeStore& store = tree().store();
  const ScrolledView view = scrolled_view();
  std::vector<bool> open;  // by depth: no scroller above hides the point
  std::vector<NodeId> hit;
  walk_painted(view, [&](Index node, int depth, const Lens& lens) {
    open.resize(static_cast<std::size_t>(depth));
    const bool reached = open.empty() || open.back();
    const Rect box = through(lens, view, node);
    const bool in_x = x >= box.x && x < box.right(), in_y = y >= box.y && y < box.bottom();
    if (reached && in_x && in_y) hit.push_back(store.id_of(node));
    const Traits own = view.traits(node);
    open.push_back(reached && (!own.scroll_x || in_x) && (!own.scroll_y || in_y));
  });
  std::ranges::reverse(hit);
  return hit;
}

}  // namespace fond_ladder::inline v0
