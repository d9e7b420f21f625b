// SPDX-License-Identifier: MIT
#pragma once

#include <string_view>

#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// Whether a text reads from the right: whether its first letter is of a script that does (Unicode UAX #9, rules P2 and
/// P3, by blocks of characters).
[[nodiscard]] bool reads_from_right(std::string_view text);

}  // namespace v0
}  // namespace fond_ladder
