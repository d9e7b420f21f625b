// SPDX-License-Identifier: MIT
#pragma once

// Serves the page of one scene file on this machine alone.

#include <functional>
#include <memory>
#include <optional>
#include <string>

#include "page/preview/watched_file.hpp"

namespace fond_ladder::page {

/// Listens on the loopback address only; answers GET and HEAD, and nothing that is asked under another name than that
/// of this machine, so that no page from elsewhere can ask through a browser. Nothing is written, but where that was
/// allowed: then a page of this very server may post the scene with the version of the file that it is made from.
///   /         the page, with the scene as it is now
///   /scene    the scene file
///   /pieces   the pieces of its words, or nothing where it has no fonts; not found where the file is wrong
///   /writes   whether it may be written: an empty answer, or not found
///   /changes  server-sent events: the version of the file, once at first and then whenever it is another one
class Server {
 public:
  /// What is made when it is asked for.
  struct Makes {
    std::function<std::string()> page;
    std::function<std::optional<std::string>()> pieces;  ///< none where the file is wrong
  };
  /// Begins to listen on `port`, or when absent on the first that is free from the usual one on.
  /// Throws WrongCall.
  Server(WatchedFile& file, Makes makes, std::optional<int> port, bool writes = false);
  ~Server();
  Server(const Server&) = delete;
  Server& operator=(const Server&) = delete;

  [[nodiscard]] int port() const { return port_; }
  /// Whether it listens elsewhere because the usual port is taken.
  [[nodiscard]] bool is_elsewhere() const { return port_ != usual_port; }
  static constexpr int usual_port = 8017;

  /// Answers until the program ends.
  void serve();

 private:
  struct Listener;
  std::unique_ptr<Listener> listener_;
  int port_ = 0;
};

}  // namespace fond_ladder::page
