// SPDX-License-Identifier: MIT
#pragma once

// Who has a place and where, for questions about nodes that lie deep: to go up from each would cost, for all of them,
// the square of the depth. The first such question after a solve works it out for the whole tree, from the root down;
// any number of threads may ask.

#include <array>
#include <atomic>
#include <cstdint>
#include <optional>
#include <vector>

#include "model/life.hpp"
#include "model/threads.hpp"
#include "solve/state/solve_context.hpp"

namespace fond_ladder::inline v0::detail {

class DeepPlaces {
 public:
  /// Levels above a node that are gone up each time.
  static constexpr int near = 32;

  using Corner = std::optional<std::array<double, 2>>;
  /// The corner of a node from the root's, bit for bit that of `box_from_root`; none of one without a place. `solve` is
  /// the number of the solve that the state is of.
  [[nodiscard]] const Corner& corner(const TreeStore& store, const State& state, Index node, std::uint64_t solve) {
    know(store, state, solve);
    return corners_[node];
  }
  [[nodiscard]] std::size_t memory() const { return corners_.capacity() * sizeof(corners_[0]); }

 private:
  void know(const TreeStore& store, const State& state, std::uint64_t solve);

  threads::Guard working_;
  std::atomic<std::uint64_t> solve_{Life::ended};  ///< of which it is known
  std::vector<Corner> corners_;
};

}  // namespace fond_ladder::inline v0::detail
