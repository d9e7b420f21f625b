// SPDX-License-Identifier: MIT
#pragma once

#include <string>
#include <vector>

#include "cli/call_words.hpp"

namespace fond_ladder::cli {

/// What a line of words comes to: a command with its options filled, or a text that was asked for instead (help, the
/// version).
struct ParsedCall {
  const Command* command = nullptr;
  std::string text;  // where there is no command
};

/// Reads the words of a call into the options of `commands`. Throws WrongCall, with the nearest word where one is near.
[[nodiscard]] ParsedCall parse(const std::vector<std::string>& args, const std::vector<Command>& commands);

/// The option that every command takes.
[[nodiscard]] Option color_option();
/// A sentence on the whole program.
[[nodiscard]] std::string_view what_it_is();

}  // namespace fond_ladder::cli
