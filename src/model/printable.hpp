// SPDX-License-Identifier: MIT
#pragma once

// What comes from outside (titles, names, file names, claims, faulty input) before it is printed or drawn. Whoever
// wrote it may be a stranger: it must neither steer a terminal nor look like a line that the program printed itself.

#include <string>
#include <string_view>

#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// A text as one line of what can be seen: control and formatting characters, those that turn the direction of writing,
/// line ends, and bytes that are no UTF-8 stand there as they are escaped in programs (`\n`, `\x1B`, `\u202E`).
[[nodiscard]] std::string printable(std::string_view text);

/// The same, but `say` returns the escaped form of a character by its code point; for a byte that is not UTF-8 that is
/// U+FFFD.
[[nodiscard]] std::string with_escapes(std::string_view text, std::string (*say)(char32_t code));

/// A message as it is, but for names and words of more than 80 characters in it, of which the beginning is shown.
[[nodiscard]] std::string with_short_names(std::string_view message);

/// A text as UTF-8: bytes that are none become U+FFFD.
[[nodiscard]] std::string utf8_of(std::string_view text);

}  // namespace v0
}  // namespace fond_ladder
