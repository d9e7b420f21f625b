// SPDX-License-Identifier: MIT
#pragma once

// The painting of a finished solve: the order, and the painted sizes.

#include <vector>

#include "solve/passes/placed.hpp"

namespace fond_ladder::inline v0::detail {

/// A map from a node's own coordinates to the root's, as painted.
template <class N>
struct Lens {
  double scale = 1;
  N x = 0, y = 0;
};

template <class SomeView>
[[nodiscard]] auto lens_into(const SomeView& view, const Lens<typename SomeView::Number>& parent, Index node) {
  const double scale = view.rare_fields(node).keys ? view.keys(node).scale : 1;
  const auto shift = [&](Axis axis) { return view.place(node, axis) + view.size(node, axis) * (1 - scale) / 2; };
  return Lens<typename SomeView::Number>{parent.scale * scale, parent.x + parent.scale * shift(x_axis),
                                         parent.y + parent.scale * shift(y_axis)};
}

template <class SomeView>
[[nodiscard]] RectOf<typename SomeView::Number> through(const Lens<typename SomeView::Number>& lens,
                                                        const SomeView& view, Index node) {
  return {lens.x, lens.y, view.size(node, x_axis) * lens.scale, view.size(node, y_axis) * lens.scale};
}

/// Whether a node hides everything entirely behind it. Containers and words do not.
template <class SomeView>
[[nodiscard]] bool covers(const SomeView& view, Index node) {
  const Kind kind = view.traits(node).node_kind();
  if (kind != Kind::box && kind != Kind::image) return false;
  const RareFields& rare_fields = view.rare_fields(node);
  if (rare_fields.keys) return !rare_fields.keys->see_through;
  Keys keys;
  rare_fields.packed.put_into(keys);
  return !keys.see_through;
}

/// Calls `each(node, depth, lens)` in the order of painting.
template <class SomeView, class Each>
void walk_painted(const SomeView& view, Each each) {
  std::vector<Lens<typename SomeView::Number>> above;
  walk_placed(
      view, [&](Index node) { return view.traits(node).paints_backward != 0; },
      [&](Index node, int depth) {
        above.resize(static_cast<std::size_t>(depth));
        above.push_back(lens_into(view, above.empty() ? Lens<typename SomeView::Number>{} : above.back(), node));
        each(node, depth, above.back());
      });
}

/// The lenses of all ancestors of a node, the root's first, and its own last.
template <class SomeView>
[[nodiscard]] std::vector<Lens<typename SomeView::Number>> lenses_to(const SomeView& view, Index node) {
  std::vector<Index> way;
  for (Index i = node; i != no_index; i = view.parent(i)) way.push_back(i);
  std::vector<Lens<typename SomeView::Number>> lenses;
  lenses.reserve(way.size());
  for (auto i = way.rbegin(); i != way.rend(); ++i)
    lenses.push_back(lens_into(view, lenses.empty() ? Lens<typename SomeView::Number>{} : lenses.back(), *i));
  return lenses;
}

template <class SomeView>
[[nodiscard]] RectOf<typename SomeView::Number> painted_box(const SomeView& view, Index node) {
  return through(lenses_to(view, node).back(), view, node);
}

}  // namespace fond_ladder::inline v0::detail
