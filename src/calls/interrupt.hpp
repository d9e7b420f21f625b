// SPDX-License-Identifier: MIT
#pragma once

// What is removed when the program is stopped (SIGINT, SIGTERM, SIGHUP, or a limit of its time)
// while it writes a file.

#include <string>

namespace fond_ladder::calls {

/// From here on these signals remove the unfinished file, report that the program was interrupted, and end it as they
/// would have; a file that exceeds the file size limit counts as one that cannot be written. For the program alone; the
/// signals of a library belong to its user.
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
  /// Negative if it could not be made; then `errno` is set. The caller closes it.
  [[nodiscard]] int descriptor() const { return descriptor_; }

 private:
  std::string path_;
  int descriptor_;
};

}  // namespace fond_ladder::calls
