// SPDX-License-Identifier: MIT
#pragma once

#include <chrono>
#include <functional>
#include <string>

#include "calls/command.hpp"

namespace fond_ladder::calls {

/// How far a long command is, on a terminal, when it takes longer than half a second. Gone when it ends.
class ProgressLine {
 public:
  using Clock = std::function<std::chrono::steady_clock::time_point()>;
  /// `what` is being done. The clock is another one in tests.
  ProgressLine(const Streams& streams, std::string what, Clock now = std::chrono::steady_clock::now);
  ~ProgressLine();
  ProgressLine(const ProgressLine&) = delete;
  ProgressLine& operator=(const ProgressLine&) = delete;

  /// A share of 1 is done. One thread at a time.
  void tell(double share);
  /// The same as a function, which must not outlive this.
  [[nodiscard]] std::function<void(double)> teller() {
    return [this](double share) { tell(share); };
  }

 private:
  std::ostream* out_;  // none: not on a terminal
  std::string what_;
  Clock now_;
  std::chrono::steady_clock::time_point began_;
  int printed_ = -1;  // percent
};

}  // namespace fond_ladder::calls
