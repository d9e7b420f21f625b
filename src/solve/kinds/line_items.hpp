// SPDX-License-Identifier: MIT
#pragma once

// What each child brings to the sharing of a row or column: base, limits and factors. For the passes, and for whoever
// asks afterwards how a line came about. CSS Flexible Box Layout 1, section 9.7.

#include <bit>
#include <span>

#include "solve/kinds/child.hpp"
#include "solve/sharing/share.hpp"

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

/// How a child takes part in the sharing along its line (sharing rule, weights). In bits, not branches: these are as
/// good as random.
struct Factors {
  bool weighted;
  double grow;
  double shrink;
};

/// Whether its size is its part by weight, and whether its factor counts as 1.
template <Axis axis, bool plain, class N>
[[nodiscard]] bool is_weighted(const Traits& container, const Child<axis, plain, N>& child) {
  return any_true(child.traits().weighted, child.way() == SizeWay::fill, container.equal_sizes);
}
template <Axis axis, bool plain, class N>
[[nodiscard]] bool grows_by_one(const Traits& container, const Child<axis, plain, N>& child) {
  return any_true(container.equal_sizes, all_true(child.way() == SizeWay::fill, !child.traits().weighted));
}
template <Axis axis, bool plain, class N>
[[gnu::always_inline]] inline Factors factors_of(const ViewOf<N>& view, const Traits& container,
                                                 const Child<axis, plain, N>& child) {
  const bool weighted = is_weighted(container, child), shrinks = !any_true(weighted, container.scrolls(axis));
  return {weighted, either<double>(grows_by_one(container, child), 1, view.grow(child.node())),
          only_if<double>(all_true(shrinks, child.can_shrink()), [&] { return child.shrink(); })};
}

/// Limits along a line; of children that are alike only those that the author gave.
template <Axis axis, bool plain, class N>
[[gnu::always_inline]] inline BoundsOf<N> bounds_in_line(const Traits& container, const Child<axis, plain, N>& child,
                                                         N inset, N whole, N content, N given) {
  return container.equal_sizes ? child.bounds(inset, whole) : child.bounds_along(inset, whole, content, given);
}

/// Of entries of a list, among which nothing is shared.
inline constexpr Factors no_factors{false, 0, 0};

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
};

/// Written where it will be read: a portion that is copied waits for its own stores. Returns what the child wants.
template <Axis axis, class SeenBy, bool plain, class N>
FOND_LADDER_INLINED inline N put_line_item(const Laying<axis, SeenBy>& laying, const Child<axis, plain, N>& child,
                                           const Factors& factors, LineItemOf<N>& line_item) {
  const ViewOf<N>& view = laying.view;
  const N inset = child.inset_down(), given = child.given(laying.inner);
  const N minimum = axis == x_axis ? view.min_content(child.node()) : view.least_height(child.node());
  const N widest = axis == x_axis ? view.max_content(child.node()) : view.need(child.node());
  const BoundsOf<N> bounds = bounds_in_line(laying.traits, child, inset, laying.inner, minimum, given);
  const N base = only_if<N>(!factors.weighted, [&] { return child.base_size(inset, laying.inner, widest, given); });
  line_item.grow = factors.grow;
  line_item.shrink = factors.shrink;
  if constexpr (plain) {
    line_item.base = line_item.inner_base = base;
    line_item.least = bounds.least;
    line_item.most = bounds.most;
  } else {
    const double scale = child.counted_scale();
    line_item.base = base * scale;
    line_item.inner_base = (factors.weighted ? N(0) : base - inset) * scale;
    line_item.least = bounds.least * scale;
    line_item.most = bounds.most * scale;
  }
  return line_item.clamp(line_item.base);
}
template <Axis axis, class SeenBy, bool plain, class N>
FOND_LADDER_INLINED inline N put_line_item(const Laying<axis, SeenBy>& laying, const Child<axis, plain, N>& child,
                                           LineItemOf<N>& line_item) {
  return put_line_item(laying, child, factors_of<axis, plain, N>(laying.view, laying.traits, child), line_item);
}
template <Axis axis, class SeenBy, bool plain, class N>
[[nodiscard]] LineItemOf<N> line_item_of(const Laying<axis, SeenBy>& laying, const Child<axis, plain, N>& child,
                                         const Factors& factors) {
  LineItemOf<N> line_item;
  put_line_item(laying, child, factors, line_item);
  return line_item;
}
template <Axis axis, class SeenBy, bool plain, class N>
[[nodiscard]] LineItemOf<N> line_item_of(const Laying<axis, SeenBy>& laying, const Child<axis, plain, N>& child) {
  return line_item_of(laying, child, factors_of<axis, plain, N>(laying.view, laying.traits, child));
}

/// Weights and grow factors of a line as parts of its declared total (sharing rule, `out_of`).
template <class N>
void take_parts_of(double total, std::span<LineItemOf<N>> line_items) {
  N sum = 0;
  for (const LineItemOf<N>& line_item : line_items) sum += line_item.grow;
  const N whole = max_of(total, sum);
  if (whole <= 0) return;
  for (LineItemOf<N>& line_item : line_items) line_item.grow /= whole;
}

/// What the margins of a line take, and how many of them are automatic.
template <class N>
struct LineMargins {
  N sum = 0;
  std::size_t automatic = 0;

  template <Axis axis, bool plain>
  void add(const Child<axis, plain, N>& child, bool flip) {
    sum += child.margin_down(flip).sum();
    automatic += static_cast<std::size_t>(std::popcount(child.auto_margins(flip)));
  }
};

template <Axis axis, class SeenBy>
[[nodiscard]] LineMargins<typename SeenBy::Number> margins_of(const Laying<axis, SeenBy>& laying, Index first,
                                                              Index count) {
  LineMargins<typename SeenBy::Number> found;
  for (Index i = first; i < first + count; ++i) {
    const Index node = laying.flow[i];
    if (!laying.view.is_plain(node)) found.add(any_child<axis>(laying.view, node), laying.flip);
  }
  return found;
}

}  // namespace fond_ladder::inline v0::detail
