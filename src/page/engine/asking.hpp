// SPDX-License-Identifier: MIT
#pragma once

// The program's own commands, asked from the page: the same words, the same answers, byte for byte.

#include <string>
#include <string_view>
#include <vector>

namespace fond_ladder::page {

/// What the program would print, and its exit status.
struct Answered {
  int status = 0;
  std::string out, err;
};

/// `words` as on the command line, the command first: measure, sweep, explanation, check or lint. A scene of the
/// name `file` is `json`; there are no other files.
[[nodiscard]] Answered ask(const std::vector<std::string>& words, std::string_view file, std::string_view json);

}  // namespace fond_ladder::page
