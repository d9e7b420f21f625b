// SPDX-License-Identifier: MIT
#include "calls/progress.hpp"

#include <fmt/format.h>

#include <ostream>

namespace fond_ladder::calls {

ProgressLine::ProgressLine(const Streams& streams, std::string what, Clock now)
    : out_(streams.terminal), what_(std::move(what)), now_(std::move(now)), began_(now_()) {}

ProgressLine::~ProgressLine() {
  if (printed_ >= 0) *out_ << "\r\x1b[K" << std::flush;
}

void ProgressLine::tell(double share) {
  constexpr std::chrono::milliseconds patience(500);
  const int percent = static_cast<int>(share * 100);
  if (out_ == nullptr || percent == printed_ || now_() - began_ < patience) return;
  *out_ << fmt::format("\r{}: {} %", what_, percent) << std::flush;
  printed_ = percent;
}

}  // namespace fond_ladder::calls
