// SPDX-License-Identifier: MIT
#include "solve/scrolled_view.hpp"

namespace fond_ladder::inline v0::detail {

ScrolledView::ScrolledView(const Tree& tree, const Passes& passes, const std::vector<Solution::ScrolledTo>* positions)
    : View(tree.store(), passes.state) {
  if (positions == nullptr) return;
  for (const Solution::ScrolledTo& one : *positions) {
    const Index node = tree.store().index_of(one.node);
    const auto moved = [&](Axis axis, double by) { return scrolls_backwards(*this, node, axis) ? by : -by; };
    scrolled_.push_back({node, {moved(x_axis, one.x), moved(y_axis, one.y)}});
  }
}

double ScrolledView::movement(Index node, Axis axis) const {
  const Index above = parent(node);
  const auto found = std::ranges::find(scrolled_, above, &Scrolled::node);
  if (above == no_index || found == scrolled_.end()) return 0;
  const bool says = extra(node).keys && keys(node).drift;
  const double drift = says ? *keys(node).drift : traits(node).pinned ? 0 : 1;
  return found->moved[axis] * drift;
}

}  // namespace fond_ladder::inline v0::detail
