// SPDX-License-Identifier: MIT
#pragma once

// What the engine asks of the page.

#include <cstddef>

/// How wide a text is in letters of size 1: face 0 proportional, 1 the same in bold, 2 every character equally wide.
extern "C" [[clang::import_module("page"), clang::import_name("letter_width")]] double fond_ladder_letter_width(
    const char* text, std::size_t bytes, int face);
