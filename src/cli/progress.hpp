// SPDX-License-Identifier: MIT
#pragma once

#include <chrono>
#include <iosfwd>

namespace fond_ladder::cli {

/// How far a long command is, on a terminal, when it takes longer than half a second. Gone when it ends.
class Progress {
 public:
  explicit Progress(std::ostream& err);
  ~Progress();
  Progress(const Progress&) = delete;
  Progress& operator=(const Progress&) = delete;

  /// `what` is done by a share of 1.
  void tell(const char* what, double share);

 private:
  std::ostream& out_;
  bool shows_, told_ = false;
  std::chrono::steady_clock::time_point began_ = std::chrono::steady_clock::now();
};

}  // namespace fond_ladder::cli
