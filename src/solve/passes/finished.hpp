// SPDX-License-Identifier: MIT
#pragma once

// A finished solve that is asked: its view, and all keys of its nodes as they are in force. What follows from a solve
// (placed.hpp, inside.hpp, overhang.hpp, painted.hpp) is written once for the numbers it may be counted in.

#include "fond_ladder/tree.hpp"
#include "model/node_forms.hpp"
#include "solve/passes/passes.hpp"
#include "solve/state/solve_context.hpp"

namespace fond_ladder::inline v0::detail {

inline View view_of(const Tree& tree, const Passes& passes) {
  return {tree.store(), passes.state};
}

/// The part of a view that answers which nodes have a place, for loops over nodes.
struct TraitsSeen {
  const Traits* all;
  const Index* parents;

  TraitsSeen(const Tree& tree, const Passes& passes)
      : all((passes.state.forms.exist() ? passes.state.forms.records : tree.store().flat()).traits.data()),
        parents(tree.store().flat().parent.data()) {}
  [[nodiscard]] Traits traits(Index node) const { return all[node]; }
  [[nodiscard]] Index parent(Index node) const { return parents[node]; }
};

/// All keys of a node in the forms that hold.
[[nodiscard]] inline Keys keys_in_force(const TreeStore& store, const FormRecords& forms, Index node) {
  Keys keys = store.keys(node);
  if (forms.exist()) forms.put_into(store, node, keys);
  return keys;
}

template <class SomeView>
struct Finished {
  const TreeStore& store;
  const FormRecords& forms;
  const SomeView& view;

  [[nodiscard]] Keys keys(Index node) const { return keys_in_force(store, forms, node); }
};

}  // namespace fond_ladder::inline v0::detail
