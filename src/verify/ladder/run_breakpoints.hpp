// SPDX-License-Identifier: MIT
#pragma once

#include <vector>

#include "fond_ladder/breakpoint.hpp"
#include "verify/ladder/stretches.hpp"

namespace fond_ladder::inline v0 {

/// The breakpoints of a quantity between its runs, from the smallest size up, without its index and a cause.
[[nodiscard]] std::vector<Breakpoint> breakpoints_of(const Runs& runs);

}  // namespace fond_ladder::inline v0
