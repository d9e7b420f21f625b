// SPDX-License-Identifier: MIT
#pragma once

// A finished solve that is asked: its view, and all keys of its nodes as they are in force. What follows from a solve
// (placed.hpp, inside.hpp, overhangs.hpp, painted.hpp) is written once for the numbers it may be counted in.

#include "model/node_forms.hpp"
#include "solve/solve_context.hpp"

namespace fond_ladder::inline v0::detail {

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
