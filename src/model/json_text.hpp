// SPDX-License-Identifier: MIT
#pragma once

#include <string>
#include <string_view>

namespace fond_ladder {

/// A text in quotes, escaped as RFC 8259 wants it. Bytes that are no UTF-8 become U+FFFD.
[[nodiscard]] std::string json_text(std::string_view text);

}  // namespace fond_ladder
