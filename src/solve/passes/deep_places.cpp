// SPDX-License-Identifier: MIT
#include "solve/passes/deep_places.hpp"

#include "solve/passes/placed.hpp"

namespace fond_ladder::inline v0::detail {

void DeepPlaces::know(const TreeStore& store, const State& state, std::uint64_t solve) {
  if (solve_.load(std::memory_order_acquire) == solve) return;
  const threads::Lock alone(working_);
  if (solve_.load(std::memory_order_relaxed) == solve) return;
  find_corners(View(store, state), store.flat().size(), corners_);
  solve_.store(solve, std::memory_order_release);
}

}  // namespace fond_ladder::inline v0::detail
