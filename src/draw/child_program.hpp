// SPDX-License-Identifier: MIT
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {
namespace picture {

/// How a program ended, and what it wrote.
struct Ended {
  bool found = false;      ///< whether there was such a program to start
  bool by_signal = false;  ///< whether it was ended from outside
  int status = 0;          ///< its exit status otherwise
  std::string output;      ///< of its standard output
};

/// Starts a program found in PATH, directly with its arguments: no shell reads them, and no file is made. `input`
/// is its standard input; its standard error is dropped. Returns when it has ended.
[[nodiscard]] Ended run_program(const std::vector<std::string>& words, std::string_view input);

}  // namespace picture
}  // namespace v0
}  // namespace fond_ladder
