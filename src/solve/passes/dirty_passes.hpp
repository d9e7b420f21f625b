// SPDX-License-Identifier: MIT
#pragma once

#include <array>
#include <optional>

#include "solve/state/dirty_nodes.hpp"
#include "solve/state/solve_context.hpp"

namespace fond_ladder::inline v0::detail {

/// The four passes where all but what is in `dirty_nodes` was solved before. Returns how many nodes each visited.
[[nodiscard]] std::array<std::size_t, 4> run_dirty_passes(SolveContext& context, DirtyNodes& dirty_nodes,
                                                          std::optional<double> width, std::optional<double> height);

}  // namespace fond_ladder::inline v0::detail
