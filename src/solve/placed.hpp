// SPDX-License-Identifier: MIT
#pragma once

// What the answers of an arrangement have in common: the view of a finished solve, and the walk over the nodes that
// have a place.

#include <vector>

#include "fond_ladder/arrangement.hpp"
#include "solve/child.hpp"

namespace fond_ladder::detail {

inline View view_of(const Tree& tree, const Passes& passes) {
  return {tree.store(), passes.state};
}

inline bool shows_children(const Flat& flat, Index node) {
  return is_container(flat.traits[node].node_kind());
}

/// Calls `each(node, depth)` for all placed nodes, parents first; `backwards(node)` turns a node's children round.
template <class Backwards, class Each>
void walk_placed(const Flat& flat, Backwards backwards, Each each) {
  struct Visit {
    Index node;
    int depth;
  };
  std::vector<Visit> open{{0, 0}};
  while (!open.empty()) {
    const Visit visit = open.back();
    open.pop_back();
    each(visit.node, visit.depth);
    if (!shows_children(flat, visit.node)) continue;
    const Index first = flat.first_child[visit.node], count = flat.child_count[visit.node];
    const bool turned = backwards(visit.node);
    for (Index i = 0; i < count; ++i) {
      const Index child = first + (turned ? i : count - 1 - i);
      if (!flat.traits[child].hidden) open.push_back({child, visit.depth + 1});
    }
  }
}

/// What of [at, at + size) lies outside [low, high), before and after.
inline Sides outside(double at, double size, double low, double high) {
  const auto counted = [](double amount) { return amount > limits::cut_tolerance ? amount : 0; };
  return {counted(low - at), counted(at + size - high)};
}

}  // namespace fond_ladder::detail
