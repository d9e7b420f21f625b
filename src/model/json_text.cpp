// SPDX-License-Identifier: MIT
#include "model/json_text.hpp"

#include "model/printable.hpp"

namespace fond_ladder::inline v0 {
namespace {

/// `\n`, `\u202e`; beyond U+FFFF the two halves of UTF-16; U+FFFD as it is.
std::string escaped(char32_t code) {
  constexpr std::string_view short_ones = "\b\f\n\r\t", letters = "bfnrt", digits = "0123456789abcdef";
  constexpr char32_t replacement = 0xFFFD, beyond = 0x10000, first_half = 0xD800, second_half = 0xDC00,
                     ten_bits = 0x3FF;
  if (code == replacement) return "\xEF\xBF\xBD";
  if (code >= beyond)
    return escaped(first_half + ((code - beyond) >> 10U)) + escaped(second_half + ((code - beyond) & ten_bits));
  const std::size_t place = code < ' ' ? short_ones.find(static_cast<char>(code)) : std::string_view::npos;
  if (place != std::string_view::npos) return {'\\', letters[place]};
  std::string text = "\\u";
  for (int shift = 12; shift >= 0; shift -= 4) text += digits[(code >> static_cast<unsigned>(shift)) & 15U];
  return text;
}

}  // namespace

std::string json_text(std::string_view text) {
  std::string quoted = "\"";
  for (const char c : text) {
    if (c == '"' || c == '\\') quoted += '\\';
    quoted += c;
  }
  return with_escapes(quoted, escaped) + '"';
}

}  // namespace fond_ladder::inline v0
