// SPDX-License-Identifier: MIT
#pragma once

#include <string>
#include <string_view>

#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// A text as a shell (POSIX) reads it back as one word: in quotes where it has anything but letters, digits and what
/// names of files are made of.
inline std::string shell_word(std::string_view text) {
  constexpr std::string_view plain = "abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ0123456789_-./:%+,=";
  if (!text.empty() && text.find_first_not_of(plain) == std::string_view::npos) return std::string(text);
  std::string quoted = "'";
  for (const char c : text) {
    if (c == '\'') {
      quoted += "'\\''";
    } else {
      quoted += c;
    }
  }
  return quoted + "'";
}

}  // namespace v0
}  // namespace fond_ladder
