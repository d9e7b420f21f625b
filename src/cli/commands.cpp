// SPDX-License-Identifier: MIT
//
// A command that writes files or serves is one file in commands/ and one word below; those that answer are in
// src/calls.
#include "cli/commands.hpp"

#include "calls/scene_calls.hpp"

#define FOND_LADDER_COMMANDS(each)                                                                             \
  each(compare) each(draw) each(report) each(preview) each(tidy) each(new) each(schema) each(fonts) each(demo) \
      each(completion)

namespace fond_ladder::cli {

#define FOND_LADDER_DECLARE(name) Command name##_command();
FOND_LADDER_COMMANDS(FOND_LADDER_DECLARE)

std::vector<Command> all_commands() {
  std::vector<Command> all = calls::scene_calls();
#define FOND_LADDER_ADD(name) all.push_back(name##_command());
  FOND_LADDER_COMMANDS(FOND_LADDER_ADD)
  return all;
}

}  // namespace fond_ladder::cli
