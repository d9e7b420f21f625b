// SPDX-License-Identifier: MIT
#pragma once

#include <vector>

#include "calls/command.hpp"

namespace fond_ladder::calls {

/// The commands that answer questions about one scene: measure, sweep, explanation, check, lint, map. Each has its own
/// state: ask for new ones for every call.
[[nodiscard]] std::vector<Command> scene_calls();

}  // namespace fond_ladder::calls
