// SPDX-License-Identifier: MIT
#include "utf8proc.h"

#include <algorithm>
#include <iterator>

namespace {

/// Characters from `first` up to the next run that are alike.
struct Run {
  utf8proc_int32_t first;
  std::uint8_t category, width;
};
constexpr Run runs[] = {
#include "character_runs.inc"
};

const Run& run_of(utf8proc_int32_t code) {
  const auto next = std::ranges::upper_bound(runs, code, {}, &Run::first);
  return *std::prev(next);
}

constexpr utf8proc_int32_t last_character = 0x10FFFF;
constexpr utf8proc_ssize_t bad_utf8 = -3;

bool follows(utf8proc_uint8_t byte) {
  return (byte & 0xC0) == 0x80;
}

}  // namespace

utf8proc_ssize_t utf8proc_iterate(const utf8proc_uint8_t* text, utf8proc_ssize_t bytes, utf8proc_int32_t* code) {
  *code = -1;
  if (bytes == 0) return 0;
  const utf8proc_uint8_t lead = text[0];
  if (lead < 0x80) {
    *code = lead;
    return 1;
  }
  const int length = lead >= 0xF0 ? 4 : lead >= 0xE0 ? 3 : 2;
  if (lead < 0xC2 || lead > 0xF4 || bytes < length) return bad_utf8;
  utf8proc_int32_t value = lead & (0xFF >> (length + 1));
  for (int i = 1; i < length; ++i) {
    if (!follows(text[i])) return bad_utf8;
    value = value << 6 | (text[i] & 0x3F);
  }
  constexpr utf8proc_int32_t least[] = {0, 0, 0x80, 0x800, 0x10000};
  if (value < least[length] || value > last_character || (value >= 0xD800 && value < 0xE000)) return bad_utf8;
  *code = value;
  return length;
}

utf8proc_category_t utf8proc_category(utf8proc_int32_t code) {
  return code < 0 || code > last_character ? UTF8PROC_CATEGORY_CN
                                           : static_cast<utf8proc_category_t>(run_of(code).category);
}

int utf8proc_charwidth(utf8proc_int32_t code) {
  return code < 0 || code > last_character ? 0 : run_of(code).width;
}
