// SPDX-License-Identifier: MIT
//
// Questions to a finished solve about painting: its order, painted sizes, and which nodes are visible at
// a point.
#include <algorithm>

#include "solve/answers/painted.hpp"
#include "solve/answers/scrolled_view.hpp"

namespace fond_ladder::inline v0 {
namespace {

using detail::Index;
using detail::ScrolledView;
using detail::Traits;
using detail::TreeStore;
using PixelLens = detail::Lens<double>;

}  // namespace

std::vector<Solution::Painted> Solution::painted() const {
  const TreeStore& store = tree().store();
  const ScrolledView view = scrolled_view();
  std::vector<Painted> order;
  detail::walk_painted(view, [&](Index node, int depth, const PixelLens& lens) {
    order.push_back({store.id_of(node), detail::through(lens, view, node), depth, lens.scale});
  });
  return order;
}

Rect Solution::painted_box(NodeId node) const {
  if (!is_placed(node)) return {};
  return detail::painted_box(scrolled_view(), tree().store().index_of(node));
}

std::vector<NodeId> Solution::hit_test(double x, double y) const {
  const TreeStore& store = tree().store();
  const ScrolledView view = scrolled_view();
  std::vector<bool> open;  // by depth: no scroller above hides the point
  std::vector<NodeId> hit;
  detail::walk_painted(view, [&](Index node, int depth, const PixelLens& lens) {
    open.resize(static_cast<std::size_t>(depth));
    const bool reached = open.empty() || open.back();
    const Rect box = detail::through(lens, view, node);
    const bool in_x = x >= box.x && x < box.right(), in_y = y >= box.y && y < box.bottom();
    if (reached && in_x && in_y) hit.push_back(store.id_of(node));
    const Traits own = view.traits(node);
    open.push_back(reached && (!own.scroll_x || in_x) && (!own.scroll_y || in_y));
  });
  std::ranges::reverse(hit);
  return hit;
}

}  // namespace fond_ladder::inline v0
