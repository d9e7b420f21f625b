// SPDX-License-Identifier: MIT
#pragma once

#include <cstdint>

#include "fond_ladder/fond_ladder.hpp"
#include "support/draws.hpp"

namespace fond_ladder::testing {

/// Nodes at random, of every kind and with every key; the same seed, or the same bytes, give the same with every
/// compiler: two draws never stand in one call, whose arguments each compiler takes in its own order.
class RandomScenes {
 public:
  explicit RandomScenes(std::uint32_t seed) : RandomScenes(Draws(seed)) {}
  explicit RandomScenes(const Draws& draws) : draws_(draws) {}

  /// Random keys without a name. `leaf` keeps to box, text and image.
  [[nodiscard]] Keys keys(bool leaf);
  /// A tree of about `size` nodes. Names are unique in the tree.
  [[nodiscard]] Tree tree(std::size_t size);
  /// Gives some nodes node ranges, and nodes in them forms under these.
  void add_node_ranges(Tree& tree);
  /// Makes lists of some rows and columns, of which only what is in view is arranged by whoever looks.
  void add_lists(Tree& tree);
  /// Pins some nodes and ties them to siblings, some of them in circles.
  void add_ties(Tree& tree);
  [[nodiscard]] ContainerSize container_size();

  /// True in `share` of 100 calls.
  bool chance(int share) { return below(100) < share; }
  int below(int limit) { return draws_.below(limit); }
  /// Whether there is nothing more to make anything of.
  [[nodiscard]] bool spent() const { return draws_.spent(); }

 private:
  double length() { return below(9) == 0 ? below(400) + 0.5 : below(160); }
  Side any_side() { return static_cast<Side>(below(8)); }
  Length any_length();
  Edges edges(int largest, bool can_be_auto);
  void add_sizes(Keys& keys);
  void add_container_keys(Keys& keys);
  void add_grid_keys(Keys& keys);
  TrackSize track_size(bool can_share);
  Tracks tracks();
  void add_child_keys(Keys& keys);
  void lean(Keys& keys, int towards);

  Draws draws_;
};

/// The seed of random tests: FOND_LADDER_SEED, or a fixed one.
[[nodiscard]] std::uint32_t seed();
/// How many rectangles random tests compare: FOND_LADDER_RECTANGLES, or 100,000.
[[nodiscard]] std::size_t rectangles();

}  // namespace fond_ladder::testing
