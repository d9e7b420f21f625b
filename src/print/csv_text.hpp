// SPDX-License-Identifier: MIT
#pragma once

#include <string>
#include <string_view>

namespace fond_ladder::inline v0 {

/// In quotes where RFC 4180 wants them.
[[nodiscard]] inline std::string csv_text(std::string_view text) {
  if (text.find_first_of(",\"\r\n") == std::string_view::npos) return std::string(text);
  std::string quoted = "\"";
  for (const char c : text) quoted += c == '"' ? std::string("\"\"") : std::string(1, c);
  return quoted + "\"";
}

}  // namespace fond_ladder::inline v0
