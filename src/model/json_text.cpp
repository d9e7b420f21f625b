// SPDX-License-Identifier: MIT
#include "model/json_text.hpp"

#include "model/printable.hpp"

namespace fond_ladder::inline v0 {

std::string json_text(std::string_view text) {
  constexpr std::string_view short_ones = "\"\\\b\f\n\r\t", letters = "\"\\bfnrt", digits = "0123456789abcdef";
  std::string quoted = "\"";
  for (const char c : utf8_of(text)) {
    const std::size_t place = short_ones.find(c);
    const auto byte = static_cast<unsigned char>(c);
    if (place != std::string_view::npos) {
      quoted.append({'\\', letters[place]});
    } else if (byte < 0x20) {
      quoted.append("\\u00").append({digits[byte >> 4U], digits[byte & 15U]});
    } else {
      quoted += c;
    }
  }
  return quoted + '"';
}

}  // namespace fond_ladder::inline v0
