// SPDX-License-Identifier: MIT
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "fond_ladder/arrangement.hpp"
#include "fond_ladder/node.hpp"
#include "fond_ladder/solver.hpp"
#include "fond_ladder/tree.hpp"

namespace fond_ladder {

/// Container sizes from `from` to `to`, both included, in pixels; one number is a span of that size alone.
struct Span {
  double from = 0, to = 0;
  Span() = default;
  Span(double size) : from(size), to(size) {}  // NOLINT(google-explicit-constructor)
  Span(double from_size, double to_size) : from(from_size), to(to_size) {}
  friend bool operator==(const Span&, const Span&) = default;
};

struct NamedRung {
  std::string name;
  Extent size;
};

/// The range of container sizes under test.
struct Ladder {
  Span width = {360, 1440};
  std::optional<Span> height;  ///< by content when absent
  std::vector<NamedRung> rungs;
};

/// A tree of nodes with what is known about its container.
struct Scene {
  /// Throws BadValue for a key that is out of its domain and for two siblings of one name.
  Scene(const Node& root, double em = 16, Direction direction = Direction::ltr);  // NOLINT(google-explicit-constructor)
  explicit Scene(Tree nodes) : tree(std::move(nodes)) {}

  std::string title;
  Ladder ladder;
  Tree tree;
};

/// The arrangement of a scene in a container of one size. It keeps a copy of the tree, so it outlives the scene. To
/// solve many sizes, or to solve again after an edit, use a Solver. Throws BadValue for a size that is no number from 0
/// to 1e9.
[[nodiscard]] Arrangement solve(const Scene& scene, Rung rung);

}  // namespace fond_ladder
