// SPDX-License-Identifier: MIT
#include "model/printable.hpp"

#include <utf8proc.h>

#include <array>
#include <cctype>

namespace fond_ladder::inline v0 {
namespace {

constexpr utf8proc_int32_t no_character = -1;

/// Calls `each(code point, its bytes)`; the code point is `no_character` for a byte that is no UTF-8.
template <class Each>
void for_each_character(std::string_view text, Each each) {
  while (!text.empty()) {
    utf8proc_int32_t code = no_character;
    const auto* bytes = reinterpret_cast<const utf8proc_uint8_t*>(text.data());
    const auto length = utf8proc_iterate(bytes, static_cast<utf8proc_ssize_t>(text.size()), &code);
    const std::size_t taken = length > 0 ? static_cast<std::size_t>(length) : 1;
    each(length > 0 ? code : no_character, text.substr(0, taken));
    text.remove_prefix(taken);
  }
}

/// Whether a character takes part in what can be seen. The two joiners do: they shape letters and signs.
bool is_seen(utf8proc_int32_t code) {
  constexpr utf8proc_int32_t non_joiner = 0x200C, joiner = 0x200D;
  switch (utf8proc_category(code)) {
    case UTF8PROC_CATEGORY_CC:
    case UTF8PROC_CATEGORY_CN:
    case UTF8PROC_CATEGORY_CS:
    case UTF8PROC_CATEGORY_ZL:
    case UTF8PROC_CATEGORY_ZP: return false;
    case UTF8PROC_CATEGORY_CF: return code == non_joiner || code == joiner;
    default: return true;
  }
}

std::string hexadecimal(const char* lead, utf8proc_int32_t value, int digits) {
  constexpr std::string_view figures = "0123456789ABCDEF";
  std::string text = lead;
  for (int shift = 4 * (digits - 1); shift >= 0; shift -= 4) {
    text += figures[static_cast<std::size_t>(value >> shift) & 0xFU];
  }
  return text;
}

std::string escaped(utf8proc_int32_t code) {
  switch (code) {
    case '\n': return "\\n";
    case '\r': return "\\r";
    case '\t': return "\\t";
    default: break;
  }
  constexpr utf8proc_int32_t last_short = 0xFF, last_of_four = 0xFFFF;
  if (code <= last_short) return hexadecimal("\\x", code, 2);
  return code <= last_of_four ? hexadecimal("\\u", code, 4) : hexadecimal("\\U", code, 8);
}

}  // namespace

std::string printable(std::string_view text) {
  std::string seen;
  seen.reserve(text.size());
  for_each_character(text, [&](utf8proc_int32_t code, std::string_view bytes) {
    if (code == no_character) {
      seen += hexadecimal("\\x", static_cast<unsigned char>(bytes.front()), 2);
    } else if (is_seen(code)) {
      seen += bytes;
    } else {
      seen += escaped(code);
    }
  });
  return seen;
}

std::string with_escapes(std::string_view text, std::string (*say)(char32_t code)) {
  constexpr char32_t replacement = 0xFFFD;
  std::string seen;
  seen.reserve(text.size());
  for_each_character(text, [&](utf8proc_int32_t code, std::string_view bytes) {
    if (code != no_character && is_seen(code)) {
      seen += bytes;
    } else {
      seen += say(code == no_character ? replacement : static_cast<char32_t>(code));
    }
  });
  return seen;
}

std::string with_short_names(std::string_view message) {
  constexpr std::size_t longest = 80, shown = 60;
  const auto ends_name = [](utf8proc_int32_t code) {
    return code != no_character && code < 0x80 && code != '_' && code != '-' && std::isalnum(code) == 0;
  };
  std::string text;
  std::size_t characters = 0, cut_at = 0;  // of the name that is looked at; where it is cut if it proves to be long
  const auto end_name = [&] {
    if (characters > longest) text.replace(cut_at, std::string::npos, "...");
    characters = 0;
  };
  for_each_character(message, [&](utf8proc_int32_t code, std::string_view bytes) {
    if (ends_name(code)) {
      end_name();
    } else if (characters++ == shown) {
      cut_at = text.size();
    }
    if (characters <= longest + 1) text += bytes;
  });
  end_name();
  return text;
}

std::string utf8_of(std::string_view text) {
  std::string sound;
  sound.reserve(text.size());
  for_each_character(text, [&](utf8proc_int32_t code, std::string_view bytes) {
    sound += code != no_character ? bytes : std::string_view("\xEF\xBF\xBD");
  });
  return sound;
}

}  // namespace fond_ladder::inline v0
