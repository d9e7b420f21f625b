// SPDX-License-Identifier: MIT
#pragma once

#include <optional>

#include "model/tree_store.hpp"
#include "solve/state.hpp"

namespace fond_ladder::inline v0::detail {

/// Arranges the tree in a container of `width` x `height` pixels, each 0 or more; an absent one is by content. What the
/// state holds from the solve before is kept wherever nothing has changed.
void run_passes(Passes& passes, const TreeStore& store, std::optional<double> width, std::optional<double> height);

}  // namespace fond_ladder::inline v0::detail
