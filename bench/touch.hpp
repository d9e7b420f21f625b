// SPDX-License-Identifier: MIT
#pragma once

#include "model/tree_store.hpp"
#include "solve/state/state.hpp"

namespace fond_ladder::bench {

/// The touch limit: one plain loop a pass over the arrays of the tree and of the results, reading the fields that the
/// pass reads and writing what it writes, with one multiply-add a field. What the memory alone costs.
void touch_all(const detail::TreeStore& store, detail::State& state);

/// Results as large as the tree wants them.
void fit(const detail::TreeStore& store, detail::State& state);

}  // namespace fond_ladder::bench
