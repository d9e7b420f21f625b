// SPDX-License-Identifier: MIT
#pragma once

#include <string>
#include <string_view>

#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// A text in quotes, escaped as RFC 8259 wants it, and what cannot be seen as well: read in a terminal it steers
/// nothing. Bytes that are no UTF-8 become U+FFFD.
[[nodiscard]] std::string json_text(std::string_view text);

}  // namespace v0
}  // namespace fond_ladder
