// SPDX-License-Identifier: MIT
#include "solve/deep_places.hpp"

#include "solve/placed.hpp"

namespace fond_ladder::inline v0::detail {

void DeepPlaces::know(const TreeStore& store, const State& state, std::uint64_t solve) {
  if (solve_.load(std::memory_order_acquire) == solve) return;
  const threads::Lock alone(working_);
  if (solve_.load(std::memory_order_relaxed) == solve) return;
  const View view(store, state);
  corners_.assign(store.flat().size(), std::nullopt);
  walk_placed(
      view, [](Index) { return false; },
      [&](Index node, int) {
        const Index above = view.parent(node);
        const std::array<double, 2> from = above == no_index ? std::array{0.0, 0.0} : *corners_[above];
        corners_[node] = std::array{view.place(node, x_axis) + from[0], view.place(node, y_axis) + from[1]};
      });
  solve_.store(solve, std::memory_order_release);
}

}  // namespace fond_ladder::inline v0::detail
