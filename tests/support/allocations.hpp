// SPDX-License-Identifier: MIT
#pragma once

#include <cstddef>

namespace fond_ladder::testing {

/// How often anything in this program asked for memory.
[[nodiscard]] std::size_t allocations();

}  // namespace fond_ladder::testing
