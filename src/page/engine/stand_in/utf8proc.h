// SPDX-License-Identifier: MIT
#pragma once

// Stands in for the library of this name, which Debian does not build for WebAssembly: the three functions that
// src/model calls, as the library has them. What they tell of characters is a table that the library itself wrote when
// this was built (character_runs.cpp), so that the page's numbers and the program's are the same.

#include <stddef.h>
#include <stdint.h>

typedef int32_t utf8proc_int32_t;
typedef uint8_t utf8proc_uint8_t;
typedef ptrdiff_t utf8proc_ssize_t;

typedef enum {
  UTF8PROC_CATEGORY_CN = 0,
  UTF8PROC_CATEGORY_MN = 6,
  UTF8PROC_CATEGORY_ME = 8,
  UTF8PROC_CATEGORY_ZL = 24,
  UTF8PROC_CATEGORY_ZP = 25,
  UTF8PROC_CATEGORY_CC = 26,
  UTF8PROC_CATEGORY_CF = 27,
  UTF8PROC_CATEGORY_CS = 28,
} utf8proc_category_t;

#ifdef __cplusplus
extern "C" {
#endif

utf8proc_ssize_t utf8proc_iterate(const utf8proc_uint8_t* text, utf8proc_ssize_t bytes, utf8proc_int32_t* code);
utf8proc_category_t utf8proc_category(utf8proc_int32_t code);
int utf8proc_charwidth(utf8proc_int32_t code);

#ifdef __cplusplus
}
#endif
