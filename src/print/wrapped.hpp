// SPDX-License-Identifier: MIT
#pragma once

#include <cstddef>
#include <string>

namespace fond_ladder::inline v0 {

/// A text in lines of at most `widest` columns, broken at blanks; lines behind the first begin with two blanks where
/// `hangs`.
[[nodiscard]] std::string wrapped(const std::string& text, std::size_t widest, bool hangs = false);

}  // namespace fond_ladder::inline v0
