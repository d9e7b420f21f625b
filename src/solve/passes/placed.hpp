// SPDX-License-Identifier: MIT
#pragma once

// The nodes that have a place: their boxes from the root, the walk over them, and the corners of all at once. Templates
// over a view, of pixels or of numbers in motion.

#include <array>
#include <limits>
#include <optional>
#include <type_traits>
#include <vector>

#include "fond_ladder/solution.hpp"
#include "solve/kinds/child.hpp"

namespace fond_ladder::inline v0::detail {

/// A box in pixels that move.
template <class N>
struct AnyRect {
  N x = 0, y = 0, width = 0, height = 0;
  [[nodiscard]] N right() const { return x + width; }
  [[nodiscard]] N bottom() const { return y + height; }
};
template <class N>
using RectOf = std::conditional_t<std::is_same_v<N, double>, Rect, AnyRect<N>>;

/// The box of a node from the root's corner. Places are added from the root down, as whoever walks the whole tree does,
/// so that both come to the same number to the last digit.
template <class SomeView>
RectOf<typename SomeView::Number> box_from_root(const SomeView& view, Index node) {
  constexpr std::size_t usual_depth = 64;
  std::array<Index, usual_depth> near{};  // levels, the deepest first
  std::vector<Index> far;
  std::size_t depth = 0;
  for (Index at = node; at != no_index; at = view.parent(at), ++depth) {
    if (depth < usual_depth) {
      near[depth] = at;
    } else {
      far.push_back(at);
    }
  }
  RectOf<typename SomeView::Number> box{0, 0, view.size(node, x_axis), view.size(node, y_axis)};
  while (depth-- > 0) {
    const Index at = depth < usual_depth ? near[depth] : far[depth - usual_depth];
    box.x = view.place(at, x_axis) + box.x;
    box.y = view.place(at, y_axis) + box.y;
  }
  return box;
}

template <class SomeView>
bool shows_children(const SomeView& view, Index node) {
  return is_container(view.traits(node).node_kind());
}

/// Whether a node has a place: neither it nor anything above it is hidden, or inside a leaf. None where that is not
/// seen from so many levels above it.
template <class SomeView>
std::optional<bool> has_place_within(const SomeView& view, Index node, int levels) {
  if (view.traits(node).hidden && node != 0) return false;
  for (Index above = view.parent(node); above != no_index; above = view.parent(above)) {
    if (levels-- == 0) return {};
    if (!shows_children(view, above) || (view.traits(above).hidden && above != 0)) return false;
  }
  return true;
}
template <class SomeView>
bool has_place(const SomeView& view, Index node) {
  return *has_place_within(view, node, std::numeric_limits<int>::max());
}

/// Calls `each(node, depth)` for all placed nodes, parents first; `backwards(node)` turns a node's children round.
template <class SomeView, class Backwards, class Each>
void walk_placed(const SomeView& view, Backwards backwards, Each each) {
  struct Visit {
    Index node;
    int depth;
  };
  std::vector<Visit> open{{0, 0}};
  while (!open.empty()) {
    const Visit visit = open.back();
    open.pop_back();
    each(visit.node, visit.depth);
    if (!shows_children(view, visit.node)) continue;
    const Index first = view.first_child(visit.node), count = view.child_count(visit.node);
    const bool turned = backwards(visit.node);
    for (Index i = 0; i < count; ++i) {
      const Index child = first + (turned ? i : count - 1 - i);
      if (!view.traits(child).hidden) open.push_back({child, visit.depth + 1});
    }
  }
}

/// The corner of a node from the root's; none of one without a place.
template <class N>
using Corner = std::optional<std::array<N, 2>>;

/// The corners of the first `count` nodes, which are all, by index: bit for bit those of `box_from_root`. To go up from
/// each would cost, for all of them, the square of the depth.
template <class SomeView>
void find_corners(const SomeView& view, std::size_t count, std::vector<Corner<typename SomeView::Number>>& corners) {
  using N = typename SomeView::Number;
  corners.assign(count, std::nullopt);
  walk_placed(
      view, [](Index) { return false; },
      [&](Index node, int) {
        const Index above = view.parent(node);
        const std::array<N, 2> from = above == no_index ? std::array<N, 2>{0.0, 0.0} : *corners[above];
        corners[node] = std::array<N, 2>{view.place(node, x_axis) + from[0], view.place(node, y_axis) + from[1]};
      });
}

/// Whether scrolling on an axis begins at the right or bottom end of a container's content.
template <class N>
[[nodiscard]] bool scrolls_backwards(const ViewOf<N>& view, Index node, Axis axis) {
  const Traits own = view.traits(node);
  const bool mirrored = axis == x_axis && view.mirrored;
  const bool along = own.node_kind() == (axis == x_axis ? Kind::row : Kind::column);
  return along ? mirrored != (own.reverse != 0) : mirrored;
}

}  // namespace fond_ladder::inline v0::detail
