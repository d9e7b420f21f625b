// SPDX-License-Identifier: MIT
#pragma once

// The corners of all nodes at once, from the root's: to go up from each would cost, for all of them, the square of the
// depth.

#include <array>
#include <optional>
#include <vector>

#include "solve/placed.hpp"

namespace fond_ladder::inline v0::detail {

template <class N>
using Corner = std::optional<std::array<N, 2>>;

/// By index, of the first `count` nodes, which are all: bit for bit those of `box_from_root`; none of one without a
/// place.
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

}  // namespace fond_ladder::inline v0::detail
