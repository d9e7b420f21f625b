// SPDX-License-Identifier: MIT
#pragma once

// A finished solve in which scrollers are scrolled: the view, and by how much places in it are moved. Written once for
// the numbers it may be counted in, so that a claim about the end of a list is proved as any other.

#include <span>
#include <vector>

#include "fond_ladder/solution.hpp"
#include "solve/answers/inside.hpp"
#include "solve/passes/placed.hpp"

namespace fond_ladder::inline v0::detail {

/// How far a node can be scrolled on an axis.
template <class N>
[[nodiscard]] N scroll_range_of(const ViewOf<N>& view, Index node, Axis axis) {
  if (!view.traits(node).scrolls(axis)) return 0;
  const N seen = max_of(0.0, view.size(node, axis) - view.border(node, axis).sum());
  return max_of(0.0, content_extent<N>(view, node, axis) - seen);
}

/// A scroller, and how far it is scrolled on each axis, from where its content begins.
template <class N>
struct ScrollerAt {
  Index node;
  std::array<N, 2> at;
};

/// Positions held within what the scrollers have to scroll.
template <class N>
[[nodiscard]] std::vector<ScrollerAt<N>> scroll_positions(const ViewOf<N>& view, const TreeStore& store,
                                                          std::span<const Solution::ScrolledTo> asked) {
  std::vector<ScrollerAt<N>> positions;
  for (const Solution::ScrolledTo& one : asked) {
    const Index node = store.index_of(one.node);
    const auto on = [&](Axis axis, double position) -> N {
      if (!has_place(view, node) || position <= 0) return 0;
      const N range = scroll_range_of(view, node, axis);
      return position == Solution::scroll_end ? range : min_of(N(position), range);
    };
    positions.push_back({node, {on(x_axis, one.x), on(y_axis, one.y)}});
  }
  return positions;
}

/// By which share of what its scroller is scrolled a child of that moves.
template <class N>
[[nodiscard]] double scroll_share(const ViewOf<N>& view, Index child) {
  const bool has_ratio = view.rare_fields(child).keys && view.keys(child).scroll_ratio;
  return has_ratio ? *view.keys(child).scroll_ratio : view.traits(child).pinned ? 0 : 1;
}

template <class N>
class ScrolledViewOf : public ViewOf<N> {
 public:
  ScrolledViewOf(const ViewOf<N>& view, std::vector<ScrollerAt<N>> scrolled)
      : ViewOf<N>(view), scrolled_(std::move(scrolled)) {}

  /// From the parent's border box, moved by what the parent is scrolled.
  [[nodiscard]] N place(Index node, Axis axis) const {
    const N still = ViewOf<N>::place(node, axis);
    return scrolled_.empty() ? still : still + movement(node, axis);
  }
  /// Whether somebody asked where a node is scrolled to.
  [[nodiscard]] bool is_scrolled(Index node) const {
    return std::ranges::find(scrolled_, node, &ScrollerAt<N>::node) != scrolled_.end();
  }

 private:
  [[nodiscard]] N movement(Index node, Axis axis) const {
    const Index above = this->parent(node);
    const auto found = std::ranges::find(scrolled_, above, &ScrollerAt<N>::node);
    if (above == no_index || found == scrolled_.end()) return 0;
    const N moved = found->at[axis] * scroll_share<N>(*this, node);
    return scrolls_backwards<N>(*this, above, axis) ? moved : -moved;
  }

  std::vector<ScrollerAt<N>> scrolled_;
};

class ScrolledView : public ScrolledViewOf<double> {
 public:
  ScrolledView(const Tree& tree, const Passes& passes, const std::vector<Solution::ScrolledTo>* positions);
};

/// The requested scroll position of a node; none if nothing is scrolled.
template <class SomeView>
[[nodiscard]] bool is_scrolled(const SomeView& view, Index node) {
  if constexpr (requires { view.is_scrolled(node); }) {
    return view.is_scrolled(node);
  } else {
    return false;
  }
}

}  // namespace fond_ladder::inline v0::detail
