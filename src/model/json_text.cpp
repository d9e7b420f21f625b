// SPDX-License-Identifier: MIT
#include "model/json_text.hpp"

#include <utf8proc.h>

#include "model/printable.hpp"

namespace fond_ladder::inline v0 {

namespace {

/// `\u202e`; beyond U+FFFF as the two halves of UTF-16.
void escape(std::string& quoted, char32_t code) {
  constexpr std::string_view digits = "0123456789abcdef";
  constexpr char32_t beyond = 0x10000, first_half = 0xD800, second_half = 0xDC00, ten_bits = 0x3FF;
  if (code >= beyond) {
    escape(quoted, first_half + ((code - beyond) >> 10U));
    return escape(quoted, second_half + ((code - beyond) & ten_bits));
  }
  quoted += "\\u";
  for (int shift = 12; shift >= 0; shift -= 4) quoted += digits[(code >> shift) & 15U];
}

}  // namespace

std::string json_text(std::string_view text) {
  constexpr std::string_view short_ones = "\"\\\b\f\n\r\t", letters = "\"\\bfnrt";
  std::string quoted = "\"";
  const std::string sound = utf8_of(text);
  for (std::string_view rest = sound; !rest.empty();) {
    utf8proc_int32_t code = 0;
    const auto taken = static_cast<std::size_t>(utf8proc_iterate(reinterpret_cast<const utf8proc_uint8_t*>(rest.data()),
                                                                 static_cast<utf8proc_ssize_t>(rest.size()), &code));
    const std::size_t place = short_ones.find(rest.front());
    if (place != std::string_view::npos) {
      quoted.append({'\\', letters[place]});
    } else if (is_printable(static_cast<char32_t>(code))) {
      quoted += rest.substr(0, taken);
    } else {
      escape(quoted, static_cast<char32_t>(code));
    }
    rest.remove_prefix(taken);
  }
  return quoted + '"';
}

}  // namespace fond_ladder::inline v0
