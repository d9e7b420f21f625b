// SPDX-License-Identifier: MIT
//
// A command is one file in commands/ and one line here.
#include "cli/commands.hpp"

#define FOND_LADDER_COMMANDS(each)                                                                             \
  each(measure) each(climb) each(ledger) each(check) each(compare) each(lint) each(draw) each(tidy) each(demo) \
      each(completion)

namespace fond_ladder::cli {

#define FOND_LADDER_DECLARE(name) Command name##_command();
FOND_LADDER_COMMANDS(FOND_LADDER_DECLARE)

std::vector<Command> all_commands() {
  std::vector<Command> all;
#define FOND_LADDER_ADD(name) all.push_back(name##_command());
  FOND_LADDER_COMMANDS(FOND_LADDER_ADD)
  return all;
}

}  // namespace fond_ladder::cli
