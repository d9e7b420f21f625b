// SPDX-License-Identifier: MIT
#include <unistd.h>

#include <iostream>

#include "calls/interrupt.hpp"
#include "cli/run.hpp"

int main(int count, char** words) {
  std::ios::sync_with_stdio(false);
  fond_ladder::calls::end_cleanly_on_signals();
  return fond_ladder::cli::run({words + 1, words + count}, std::cin, std::cout, std::cerr,
                               {isatty(STDOUT_FILENO) == 1, isatty(STDERR_FILENO) == 1});
}
