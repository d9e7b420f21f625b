// SPDX-License-Identifier: MIT
#include "solve/answers/scrolled_view.hpp"

namespace fond_ladder::inline v0::detail {
namespace {

/// Of positions that are held within their ranges already.
std::vector<ScrollerAt<double>> scrollers_at(const Tree& tree, const std::vector<Solution::ScrolledTo>* positions) {
  std::vector<ScrollerAt<double>> all;
  if (positions == nullptr) return all;
  for (const Solution::ScrolledTo& one : *positions) all.push_back({tree.store().index_of(one.node), {one.x, one.y}});
  return all;
}

}  // namespace

ScrolledView::ScrolledView(const Tree& tree, const Passes& passes, const std::vector<Solution::ScrolledTo>* positions)
    : ScrolledViewOf(View(tree.store(), passes.state), scrollers_at(tree, positions)) {}

}  // namespace fond_ladder::inline v0::detail
