// SPDX-License-Identifier: MIT
#pragma once

// What is to be cleared away when the program is told to stop (SIGINT, SIGTERM, SIGHUP, or by a limit of its time)
// while it writes a file.

#include <string>

namespace fond_ladder::calls {

/// From here on these signals clear the unfinished file away, say that the program was interrupted, and end it as they
/// would have; a file that grows larger than it may is one that cannot be written. For the program alone; a library's
/// signals are its user's.
void end_cleanly_on_signals();

/// A new file that is not finished; cleared away by a signal that comes before this is destroyed. One at a time.
class PendingFile {
 public:
  /// Makes a file of a new name out of a pattern as mkostemp takes it, open for writing.
  explicit PendingFile(std::string pattern);
  ~PendingFile();
  PendingFile(const PendingFile&) = delete;
  PendingFile& operator=(const PendingFile&) = delete;

  [[nodiscard]] const std::string& path() const { return path_; }
  /// Negative where it could not be made; `errno` says why. The caller closes it.
  [[nodiscard]] int descriptor() const { return descriptor_; }

 private:
  std::string path_;
  int descriptor_;
};

}  // namespace fond_ladder::calls
