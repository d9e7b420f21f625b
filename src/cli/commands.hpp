// SPDX-License-Identifier: MIT
#pragma once

#include <vector>

#include "cli/call_words.hpp"

namespace fond_ladder::cli {

/// All commands, in the order of help. Each has its own state: make new ones for every call.
[[nodiscard]] std::vector<Command> all_commands();

}  // namespace fond_ladder::cli
