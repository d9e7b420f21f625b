// SPDX-License-Identifier: MIT
#pragma once

#include <string>

#include "fond_ladder/solution.hpp"

namespace fond_ladder::testing {

/// The first node of which two arrangements of trees that look the same tell something else, bit for bit: keys, boxes,
/// baselines, lines, sizes of contents, tracks. Empty where they tell the same.
[[nodiscard]] std::string difference(const Solution& one, const Solution& other);

}  // namespace fond_ladder::testing
