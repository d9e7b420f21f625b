// SPDX-License-Identifier: MIT
#pragma once

// What each child brings to the sharing of a row or column: base, limits and factors. For the passes, and for whoever
// asks afterwards how a line came about. CSS Flexible Box Layout 1, section 9.7.

#include <span>

#include "solve/child.hpp"
#include "solve/share.hpp"

namespace fond_ladder::inline v0::detail {

[[nodiscard]] inline bool is_row(const Traits& container) {
  return container.node_kind() == Kind::row;
}

/// Whether children are laid from the far end of an axis.
template <class N>
[[nodiscard]] bool lays_backwards(const ViewOf<N>& view, const Traits& container, Axis axis) {
  const bool mirrored = axis == x_axis && view.mirrored;
  return is_row(container) == (axis == x_axis) ? mirrored != (container.reverse != 0) : mirrored;
}

/// How a child takes part in the sharing along its line.
struct Factors {
  bool weighted;  // its size is its part by weight (sharing rule, weights)
  double grow;
  double shrink;
};

template <Axis axis, bool plain, class N>
[[gnu::always_inline]] inline Factors factors_of(const ViewOf<N>& view, const Traits& container,
                                                 const Child<axis, plain, N>& child) {
  const bool fills = child.way() == SizeWay::fill, has_weight = child.traits().weighted, alike = container.alike;
  const bool weighted = has_weight | fills | alike;  // bits, not branches: these are as good as random
  const bool is_one = alike | (fills & !has_weight);
  return {weighted, is_one ? 1 : view.grow(child.node()), (weighted | container.scrolls(axis)) ? 0 : child.shrink()};
}

/// Limits along a line; of children that are alike only those that the author gave.
template <Axis axis, bool plain, class N>
[[gnu::always_inline]] inline BoundsOf<N> bounds_in_line(const Traits& container, const Child<axis, plain, N>& child,
                                                         N inset, N whole, N content, N given) {
  return container.alike ? child.bounds(inset, whole) : child.bounds_along(inset, whole, content, given);
}

/// The children of one visit, laid along `axis`.
template <Axis axis, class SeenBy = const View>
struct Laying {
  using Number = typename SeenBy::Number;
  SeenBy& view;
  Index container;
  Traits traits;
  Number inner;
  Number gap;
  bool flip;
  InFlow flow;
  bool all_plain = true;  ///< nobody has margins
};

template <Axis axis, class SeenBy, bool plain, class N>
[[nodiscard]] PortionOf<N> portion_of(const Laying<axis, SeenBy>& laying, const Child<axis, plain, N>& child) {
  const ViewOf<N>& view = laying.view;
  const N inset = child.inset_down(), given = child.given(laying.inner);
  const N minimum = axis == x_axis ? view.min_content(child.node()) : view.least_height(child.node());
  const N widest = axis == x_axis ? view.max_content(child.node()) : view.need(child.node());
  const BoundsOf<N> bounds = bounds_in_line(laying.traits, child, inset, laying.inner, minimum, given);
  const Factors factors = factors_of(view, laying.traits, child);
  PortionOf<N> portion{0, bounds.least, bounds.most, factors.grow, factors.shrink, 0, 0};
  if (!factors.weighted) {
    portion.base = child.base_size(inset, laying.inner, widest, given);
    portion.inner_base = portion.base - inset;
  }
  if constexpr (!plain) {
    const double scale = child.counted_scale();
    for (N* size : {&portion.base, &portion.least, &portion.most, &portion.inner_base}) *size *= scale;
  }
  return portion;
}

/// Weights and grow factors of a line as parts of its declared total (sharing rule, `out_of`).
template <class N>
void take_parts_of(double total, std::span<PortionOf<N>> portions) {
  N sum = 0;
  for (const PortionOf<N>& portion : portions) sum += portion.grow;
  const N whole = most_of(total, sum);
  if (whole <= 0) return;
  for (PortionOf<N>& portion : portions) portion.grow /= whole;
}

/// What the margins of a line take, and how many of them are automatic.
template <class N>
struct LineMargins {
  N sum = 0;
  std::size_t automatic = 0;
};

template <Axis axis, class SeenBy>
[[nodiscard]] LineMargins<typename SeenBy::Number> margins_of(const Laying<axis, SeenBy>& laying, Index first,
                                                              Index count) {
  LineMargins<typename SeenBy::Number> found;
  if (laying.all_plain) return found;
  for (Index i = first; i < first + count; ++i) {
    const Index node = laying.flow[i];
    if (laying.view.is_plain(node)) continue;
    const auto child = any_child<axis>(laying.view, node);
    found.sum += child.margin_down(laying.flip).sum();
    const unsigned automatic = child.auto_margins(laying.flip);
    found.automatic += automatic == 3 ? 2 : automatic == 0 ? 0 : 1;
  }
  return found;
}

}  // namespace fond_ladder::inline v0::detail
