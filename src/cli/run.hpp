// SPDX-License-Identifier: MIT
#pragma once

#include <iosfwd>
#include <string>
#include <vector>

namespace fond_ladder::cli {

/// Which streams somebody looks at.
struct Terminal {
  bool out = false, err = false;
};

/// The whole program: `args` without the program's name. Returns the exit status.
int run(const std::vector<std::string>& args, std::istream& in, std::ostream& out, std::ostream& err,
        Terminal terminal = {});

}  // namespace fond_ladder::cli
