// SPDX-License-Identifier: MIT
#pragma once

#include <string>
#include <string_view>

namespace fond_ladder::cli {

/// When output has colors.
enum class Color { automatic, always, never };

/// Whether text gets colors. `automatic`: on a terminal, unless the environment variable NO_COLOR is
/// not empty.
[[nodiscard]] bool has_colors(Color color, bool to_terminal);

/// A table of a command in colors: its first line, which is the answer, headings, and the words that lines begin
/// with. Letters stay as they are.
[[nodiscard]] std::string painted_table(std::string_view text);
/// Messages in colors.
[[nodiscard]] std::string painted_messages(std::string_view text);

}  // namespace fond_ladder::cli
