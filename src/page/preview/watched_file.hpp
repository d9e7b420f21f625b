// SPDX-License-Identifier: MIT
#pragma once

#include <chrono>
#include <condition_variable>
#include <cstdint>
#include <mutex>
#include <string>
#include <thread>
#include <vector>

namespace fond_ladder::page {

/// A scene file that is read anew whenever it or a file that it uses changes, by a thread of its own that looks often.
/// To any number of threads.
class WatchedFile {
 public:
  /// Throws BadScene when it cannot be read now.
  explicit WatchedFile(std::string path);
  ~WatchedFile();
  WatchedFile(const WatchedFile&) = delete;
  WatchedFile& operator=(const WatchedFile&) = delete;

  struct Content {
    std::uint64_t version = 1;  ///< counts the changes
    std::string text;           ///< as it was read last, with what it needs of the files that it uses
    std::string fault;          ///< why it cannot be read now; empty when it can
  };
  [[nodiscard]] Content content() const;
  /// Waits for another version than this, as long as given. Returns the version that there is.
  [[nodiscard]] std::uint64_t wait_for_other(std::uint64_t version, std::chrono::milliseconds longest) const;

  /// Writes a scene over the file, where that is still what it was in a version, and stands alone. Returns why it was
  /// not written; nothing when it was.
  [[nodiscard]] std::string write(const std::string& text, std::uint64_t version);

 private:
  void watch();
  void read();

  std::string path_;
  std::vector<std::string> used_;  // the watcher's
  mutable std::mutex guard_;
  std::mutex writing_;
  mutable std::condition_variable changed_;
  Content content_;
  bool ended_ = false;
  std::thread watcher_;
};

}  // namespace fond_ladder::page
