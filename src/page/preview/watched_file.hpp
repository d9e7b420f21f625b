// SPDX-License-Identifier: MIT
#pragma once

#include <condition_variable>
#include <cstdint>
#include <functional>
#include <mutex>
#include <string>
#include <string_view>
#include <thread>
#include <vector>

#include "scene/read/scene_text.hpp"

namespace fond_ladder::page {

/// A scene file that is read anew whenever it or a file that it uses changes, by a thread of its own that looks often.
/// Only a plain file is read and written: while a link, a pipe or anything else has its name, that is a fault, and it
/// is followed again when a plain file has the name once more. To any number of threads.
class WatchedFile {
 public:
  /// Follows links once, now: what is watched is the file behind them. Throws BadScene when it cannot be read now.
  explicit WatchedFile(const std::string& path);
  ~WatchedFile();
  WatchedFile(const WatchedFile&) = delete;
  WatchedFile& operator=(const WatchedFile&) = delete;

  struct Content {
    std::uint64_t version = 1;  ///< counts the changes
    std::string text;           ///< as it was read last, with what it needs of the files that it uses
    std::string fault;          ///< why it cannot be read now; empty when it can
  };
  [[nodiscard]] Content content() const;
  [[nodiscard]] std::uint64_t version() const;
  /// Has something called after each change of the version, by the thread that watches; an empty function ends that.
  void on_change(std::function<void()> call);

  /// Writes a scene over the file if that is still the same file that was read for a version and has no other links.
  /// `version` is the number exactly as it was sent. Returns why it was not written; nothing if it was.
  [[nodiscard]] std::string write(const std::string& text, std::string_view version);

 private:
  void watch();
  void read();

  std::string path_;
  std::vector<std::string> used_;  // the watcher's
  mutable std::mutex guard_;
  std::mutex writing_, calling_;
  std::condition_variable changed_;
  Content content_;
  scene::FileIdentity identity_;  // of the file that content_ is from
  std::function<void()> call_;
  bool ended_ = false;
  std::thread watcher_;
};

}  // namespace fond_ladder::page
