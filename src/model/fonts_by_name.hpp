// SPDX-License-Identifier: MIT
#pragma once

#include <vector>

#include "fond_ladder/text_shaper.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// Some fonts, and behind them those that stand in for the ones of their names.
[[nodiscard]] std::vector<NamedFont> with_fonts(std::vector<NamedFont> fonts, const std::vector<NamedFont>& beats);

}  // namespace v0
}  // namespace fond_ladder
