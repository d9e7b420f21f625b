// SPDX-License-Identifier: MIT
#pragma once

#include <iosfwd>
#include <string>
#include <vector>

#include "cli/call_words.hpp"

namespace fond_ladder::cli {

/// Which streams somebody looks at.
struct Terminal {
  bool out = false, err = false;
};

/// The whole program: `args` without the program's name. Returns the exit status.
int run(const std::vector<std::string>& args, std::istream& in, std::ostream& out, std::ostream& err,
        Terminal terminal = {});

/// One command, without colors and without answers to what is wrong: throws as the commands do, and a WrongCall for
/// words that no command takes.
ExitStatus call(const std::vector<std::string>& args, const Streams& streams);

}  // namespace fond_ladder::cli
