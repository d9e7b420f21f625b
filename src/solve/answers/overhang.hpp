// SPDX-License-Identifier: MIT
#pragma once

// What of a finished solve overhangs: boxes out of their parents or into their padding, words out of their texts.

#include <type_traits>

#include "fond_ladder/solution.hpp"
#include "model/content_kinds.hpp"
#include "solve/answers/inside.hpp"

namespace fond_ladder::inline v0::detail {

/// By how much on each side, in pixels that move.
template <class N>
struct AnySides {
  N top = 0, right = 0, bottom = 0, left = 0;
  [[nodiscard]] N most() const { return max_of(max_of(top, right), max_of(bottom, left)); }
};
template <class N>
using FourSidesOf = std::conditional_t<std::is_same_v<N, double>, FourSides, AnySides<N>>;

/// Whether an amount is more than rounding.
template <class N>
[[nodiscard]] bool is_reported(const N& amount) {
  return exceeds(amount, N(0), limits::report_tolerance);
}

/// The parts of [at, at + size) outside [low, high), before and after.
template <class N>
[[nodiscard]] SidesOf<N> outside(const N& at, const N& size, const N& low, const N& high) {
  const auto counted = [](const N& amount) { return is_reported(amount) ? amount : N(0); };
  return {counted(low - at), counted(at + size - high)};
}

/// By how much a box overhangs its parent, when it is enlarged about its center by `scale`.
template <class SomeView>
[[nodiscard]] auto overhang_of(const SomeView& view, Index node, double scale = 1) {
  using N = typename SomeView::Number;
  const Index above = view.parent(node);
  if (above == no_index) return FourSidesOf<N>{};
  const auto on = [&](Axis axis) -> SidesOf<N> {
    if (view.traits(above).scrolls(axis)) return {};
    const SidesOf<N> border = view.border(above, axis);
    const N size = view.size(node, axis), place = view.place(node, axis) + size * ((1 - scale) / 2);
    return outside<N>(place, size * scale, border.before, view.size(above, axis) - border.after);
  };
  const SidesOf<N> horizontal = on(x_axis), vertical = on(y_axis);
  return FourSidesOf<N>{vertical.before, horizontal.after, vertical.after, horizontal.before};
}

/// The largest overhang of a direct child of a container on one axis; 0 of other nodes.
template <class SomeView>
[[nodiscard]] typename SomeView::Number overflow_of(const SomeView& view, Index node, Axis axis) {
  typename SomeView::Number most = 0;
  if (!is_container(view.traits(node).node_kind())) return most;
  const Index first = view.first_child(node), behind = first + view.child_count(node);
  for (Index child = first; child < behind; ++child) {
    if (view.traits(child).hidden) continue;
    const auto sides = overhang_of(view, child);
    most = max_of(most, axis == x_axis ? max_of(sides.left, sides.right) : max_of(sides.top, sides.bottom));
  }
  return most;
}

/// How much of a box is in its parent's padding. Overlap by a negative margin is intended.
template <class SomeView>
[[nodiscard]] auto padding_overlap_of(const SomeView& view, Index node) {
  using N = typename SomeView::Number;
  const Index above = view.parent(node);
  if (above == no_index || view.traits(node).pinned) return FourSidesOf<N>{};
  const auto on = [&](Axis axis) -> SidesOf<N> {
    if (view.traits(above).scrolls(axis)) return {};
    const SidesOf<N> border = view.border(above, axis);
    const SidesOf<N> inset = view.edges_down(above).inset[axis], margin = view.edges_down(node).margin[axis];
    const N start = view.place(node, axis), end = start + view.size(node, axis), whole = view.size(above, axis);
    const auto in_padding = [&](const N& from, const N& to, const N& own_margin) -> N {
      const N in = min_of(end, to) - max_of(start, from) + min_of(N(0), own_margin);
      return is_reported(in) ? in : N(0);
    };
    return {in_padding(border.before, inset.before, margin.before),
            in_padding(whole - inset.after, whole - border.after, margin.after)};
  };
  const SidesOf<N> horizontal = on(x_axis), vertical = on(y_axis);
  return FourSidesOf<N>{vertical.before, horizontal.after, vertical.after, horizontal.before};
}

/// Whether a text has the space it asks for, so that its lines need not be broken to know that no word overhangs.
template <class N>
[[nodiscard]] bool text_surely_fits(const ViewOf<N>& view, Index node) {
  const Traits own = view.traits(node);
  if (own.node_kind() != Kind::text) return true;
  if (own.has_aspect_ratio || own.percent_edges || own.scroll_x || own.scroll_y) return false;
  if (view.size(node, x_axis) < view.min_content(node) || view.size(node, y_axis) < view.need(node)) return false;
  const auto* text = as_text(view.content(node));
  return text == nullptr || !text->max_lines();
}

/// By how much words overhang their text's border box, those that are dropped at the bottom.
template <class SomeView>
[[nodiscard]] auto text_overhang_of(const Finished<SomeView>& solve, Index node) {
  using N = typename SomeView::Number;
  const SomeView& view = solve.view;
  FourSidesOf<N> overhang;
  if (text_surely_fits(view, node)) return overhang;
  const Traits own = view.traits(node);
  const SidesOf<N> border_x = view.border(node, x_axis), border_y = view.border(node, y_axis);
  double dropped = 0;
  N bottom = 0;
  for_each_text_line(solve, node, [&](const TextLineOf<N>& line) {
    const SidesOf<N> sides =
        outside<N>(line.box.x, line.box.width, border_x.before, view.size(node, x_axis) - border_x.after);
    overhang.left = max_of(overhang.left, sides.before);
    overhang.right = max_of(overhang.right, sides.after);
    if (line.dropped) {
      dropped += as_text(view.content(node))->line_height();
    } else {
      bottom = line.box.bottom();
    }
  });
  if (own.scroll_x) overhang.left = overhang.right = 0;
  if (!own.scroll_y) {
    overhang.bottom = dropped + outside<N>(0, bottom, 0, view.size(node, y_axis) - border_y.after).after;
  }
  return overhang;
}

/// By how much words lie in their text's own padding.
template <class SomeView>
[[nodiscard]] auto text_padding_overlap_of(const Finished<SomeView>& solve, Index node) {
  using N = typename SomeView::Number;
  const SomeView& view = solve.view;
  FourSidesOf<N> all;
  if (text_surely_fits(view, node)) return all;
  const Traits own = view.traits(node);
  const SidesOf<N> border_x = view.border(node, x_axis), border_y = view.border(node, y_axis);
  const SidesOf<N> inset_x = view.edges_down(node).inset[x_axis], inset_y = view.edges_down(node).inset[y_axis];
  for_each_text_line(solve, node, [&](const TextLineOf<N>& line) {
    if (line.dropped) return;
    const SidesOf<N> x =
        outside<N>(line.box.x, line.box.width, inset_x.before, view.size(node, x_axis) - inset_x.after);
    const SidesOf<N> y =
        outside<N>(line.box.y, line.box.height, inset_y.before, view.size(node, y_axis) - inset_y.after);
    if (!own.scroll_x) {
      all.left = max_of(all.left, min_of(x.before, inset_x.before - border_x.before));
      all.right = max_of(all.right, min_of(x.after, inset_x.after - border_x.after));
    }
    if (!own.scroll_y) all.bottom = max_of(all.bottom, min_of(y.after, inset_y.after - border_y.after));
  });
  return all;
}

/// The largest overhang of a node and everything in it, unless it is allowed.
template <class SomeView>
[[nodiscard]] typename SomeView::Number max_overhang_of(const Finished<SomeView>& solve, Index node) {
  using N = typename SomeView::Number;
  const SomeView& view = solve.view;
  const auto is_allowed = [&](Index overhanging_node) { return solve.keys(overhanging_node).allow.overhang(); };
  N most = max_of(overhang_of(view, node).most(), text_overhang_of(solve, node).most());
  if (most > 0 && is_allowed(node)) most = 0;
  std::vector<Index> open{node};
  while (!open.empty()) {
    const Index above = open.back();
    open.pop_back();
    const Traits own = view.traits(above);
    if (!is_container(own.node_kind())) {
      if (text_surely_fits(view, above)) continue;
      const N over = text_overhang_of(solve, above).most();
      if (over > most && !is_allowed(above)) most = over;
      continue;
    }
    const bool plain = view.is_plain(above);
    const SidesOf<N> border_x = plain ? SidesOf<N>() : view.border(above, x_axis),
                     border_y = plain ? SidesOf<N>() : view.border(above, y_axis);
    const N right = view.size(above, x_axis) - border_x.after, bottom = view.size(above, y_axis) - border_y.after;
    const auto see = [&](Index child, const N& at, const N& size, const N& low, const N& high) {
      const N over = max_of(low - at, at + size - high);
      if (is_reported(over) && over > most && !is_allowed(child)) most = over;
    };
    const Index first = view.first_child(above), behind = first + view.child_count(above);
    for (Index child = first; child < behind; ++child) {
      if (view.traits(child).hidden) continue;
      if (!own.scroll_x) see(child, view.place(child, x_axis), view.size(child, x_axis), border_x.before, right);
      if (!own.scroll_y) see(child, view.place(child, y_axis), view.size(child, y_axis), border_y.before, bottom);
      const Kind kind = view.traits(child).node_kind();
      if (is_container(kind) || kind == Kind::text) open.push_back(child);
    }
  }
  return most;
}

}  // namespace fond_ladder::inline v0::detail
