// SPDX-License-Identifier: MIT
#pragma once

#include <optional>

#include "model/tree_store.hpp"
#include "solve/state.hpp"

namespace fond_ladder::inline v0::detail {

/// Arranges the tree in a container of `width` x `height` pixels, each 0 or more; an absent one is by content. What the
/// state holds from the solve before is kept wherever nothing has changed.
void run_passes(Passes& passes, const TreeStore& store, std::optional<double> width, std::optional<double> height);

/// What a solver found of a tree, for a copy of that tree. To be read, not to be solved on with.
void copy_results(const Passes& from, const TreeStore& tree, const TreeStore& copy, Passes& into);

}  // namespace fond_ladder::inline v0::detail
