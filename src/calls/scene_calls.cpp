// SPDX-License-Identifier: MIT
//
// A command that answers is one file here and one word below.
#include "calls/scene_calls.hpp"

#define FOND_LADDER_SCENE_CALLS(each) each(measure) each(sweep) each(explain) each(check) each(lint) each(map)

namespace fond_ladder::calls {

#define FOND_LADDER_DECLARE_CALL(name) Command name##_command();
FOND_LADDER_SCENE_CALLS(FOND_LADDER_DECLARE_CALL)

std::vector<Command> scene_calls() {
  std::vector<Command> all;
#define FOND_LADDER_ADD_CALL(name) all.push_back(name##_command());
  FOND_LADDER_SCENE_CALLS(FOND_LADDER_ADD_CALL)
  return all;
}

}  // namespace fond_ladder::calls
