// SPDX-License-Identifier: MIT
#pragma once

// Serves the page of one scene file on this machine alone.

#include <functional>
#include <memory>
#include <optional>
#include <string>

#include "page/preview/watched_file.hpp"

namespace fond_ladder::page {

/// Listens on the loopback address only, and answers only requests that name this machine as their host, so that a
/// page of another origin can ask nothing through a browser. A connection carries one request and is closed after the
/// answer: anything after it is not read. No client can block others: a header and a body each have a deadline
/// as a whole, an event stream holds no thread, and beyond 256 connections the one that has waited longest is closed.
///
/// Each server has a token that cannot be guessed. Its page carries the token; event streams and writes must show it.
///   GET  /         the page, with the scene as it is now
///   GET  /scene    the scene file
///   GET  /pieces   the pieces of its words, empty where it has no fonts; 404 where the file is wrong
///   GET  /writes   whether it may be written: 204, or 404
///   GET  /changes?token=…  server-sent events: the version of the file, at first and after each change
///   POST /scene    where writing is allowed: writes the scene, for a page of this very server (`Origin`) that shows
///                  the token (`X-Page-Token`) and the version of the file that it is made from (`X-Made-From`)
class Server {
 public:
  /// What is made when it is asked for; called by any thread, by several at once.
  struct Makes {
    std::function<std::string(const std::string& token)> page;
    std::function<std::optional<std::string>()> pieces;  ///< none where the file is wrong
  };
  /// Begins to listen on `port`, or when absent on the first free one from the usual one up. `file` has to live longer.
  /// Throws WrongCall.
  Server(WatchedFile& file, Makes makes, std::optional<int> port, bool writes = false);
  ~Server();
  Server(const Server&) = delete;
  Server& operator=(const Server&) = delete;

  [[nodiscard]] int port() const;
  /// Whether it listens elsewhere because the usual port is taken.
  [[nodiscard]] bool is_elsewhere() const { return port() != usual_port; }
  static constexpr int usual_port = 8017;

  /// Answers until the program ends.
  void serve();

 private:
  class Listener;
  std::unique_ptr<Listener> listener_;
};

}  // namespace fond_ladder::page
