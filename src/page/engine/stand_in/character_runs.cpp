// SPDX-License-Identifier: MIT
//
// Writes what utf8proc knows of all characters, as runs of those that are alike: run when the page's engine is built.
#include <utf8proc.h>

#include <cstdio>

namespace {

/// The category as far as src/model asks for it; any other is that of capitals.
int category_of(utf8proc_int32_t code) {
  switch (utf8proc_category(code)) {
    case UTF8PROC_CATEGORY_CN:
    case UTF8PROC_CATEGORY_MN:
    case UTF8PROC_CATEGORY_ME:
    case UTF8PROC_CATEGORY_ZL:
    case UTF8PROC_CATEGORY_ZP:
    case UTF8PROC_CATEGORY_CC:
    case UTF8PROC_CATEGORY_CF:
    case UTF8PROC_CATEGORY_CS: return utf8proc_category(code);
    default: return UTF8PROC_CATEGORY_LU;
  }
}

}  // namespace

int main() {
  constexpr utf8proc_int32_t last = 0x10FFFF;
  int known_category = -1, known_width = -1;
  for (utf8proc_int32_t code = 0; code <= last; ++code) {
    const int category = category_of(code), width = utf8proc_charwidth(code);
    if (category == known_category && width == known_width) continue;
    std::printf("{0x%X, %d, %d},\n", static_cast<unsigned>(code), category, width);
    known_category = category;
    known_width = width;
  }
}
