// SPDX-License-Identifier: MIT
#include "cli/progress.hpp"

#include <fmt/format.h>
#include <unistd.h>

#include <iostream>

namespace fond_ladder::cli {

Progress::Progress(std::ostream& err) : out_(err), shows_(&err == &std::cerr && isatty(STDERR_FILENO) != 0) {}

Progress::~Progress() {
  if (told_) out_ << "\r\x1b[K" << std::flush;
}

void Progress::tell(const char* what, double share) {
  constexpr std::chrono::milliseconds patience(500);
  if (!shows_ || std::chrono::steady_clock::now() - began_ < patience) return;
  out_ << fmt::format("\r{}: {:.0f} %", what, share * 100) << std::flush;
  told_ = true;
}

}  // namespace fond_ladder::cli
