// SPDX-License-Identifier: MIT
#include "page/preview/server.hpp"

#include <fmt/format.h>
#include <httplib.h>

#include <cstdlib>

#include "calls/command.hpp"
#include "model/limits.hpp"

namespace fond_ladder::page {
namespace {

constexpr const char* loopback = "127.0.0.1";

/// The header with the version of the file that a scene is made from; a page from elsewhere cannot send it unasked.
constexpr const char* made_from = "X-Made-From";

/// Whether a request names this machine; a page from elsewhere that found its way here names itself.
bool is_for_us(const std::string& host, int port) {
  return host == fmt::format("127.0.0.1:{}", port) || host == fmt::format("localhost:{}", port);
}

/// Sends the version of the file at first and whenever it is another one, and in between a sign that somebody is there.
bool send_changes(const WatchedFile& file, std::uint64_t& sent, httplib::DataSink& sink) {
  constexpr std::chrono::seconds patience{5};
  const std::uint64_t version = file.wait_for_other(sent, patience);
  const std::string event = version == sent ? ": here\n\n" : fmt::format("event: version\ndata: {}\n\n", version);
  sent = version;
  return sink.write(event.data(), event.size());
}

}  // namespace

struct Server::Listener {
  httplib::Server server;
};

Server::Server(WatchedFile& file, Makes makes, std::optional<int> port, bool writes)
    : listener_(std::make_unique<Listener>()) {
  httplib::Server& server = listener_->server;
  // A browser that watches keeps a thread.
  constexpr std::size_t most_browsers = 64, most_bytes = 4096;
  server.new_task_queue = [] { return new httplib::ThreadPool(most_browsers); };  // NOLINT: the library deletes it
  server.set_payload_max_length(writes ? limits::largest_scene_file : most_bytes);
  server.set_tcp_nodelay(true);
  // The library's own choice lets two programs share a port.
  server.set_socket_options([](socket_t socket) {
    int yes = 1;
    ::setsockopt(socket, SOL_SOCKET, SO_REUSEADDR, &yes, sizeof yes);
  });
  server.set_pre_routing_handler([this, writes](const httplib::Request& request, httplib::Response& answer) {
    answer.set_header("Cache-Control", "no-store");
    answer.set_header("X-Content-Type-Options", "nosniff");
    answer.set_header("Cross-Origin-Resource-Policy", "same-origin");
    answer.set_header("Content-Security-Policy", "frame-ancestors 'none'");
    const auto refuse = [&](int status, const char* why) {
      answer.status = status;
      answer.set_content(why, "text/plain; charset=utf-8");
      return httplib::Server::HandlerResponse::Handled;
    };
    if (!is_for_us(request.get_header_value("Host"), port_)) return refuse(403, "Ask by 127.0.0.1 or localhost.\n");
    if (writes && request.method == "POST" && request.path == "/scene") {
      const std::string origin = request.get_header_value("Origin");
      const bool own =
          origin == "http://" + request.get_header_value("Host") && !request.get_header_value(made_from).empty();
      return own ? httplib::Server::HandlerResponse::Unhandled : refuse(403, "Only the page itself may write.\n");
    }
    if (request.method != "GET" && request.method != "HEAD") return refuse(405, "Nothing is written here.\n");
    return httplib::Server::HandlerResponse::Unhandled;
  });
  server.Get("/pieces", [pieces = std::move(makes.pieces)](const httplib::Request&, httplib::Response& answer) {
    const std::optional<std::string> now = pieces();
    if (now) return answer.set_content(*now, "application/json");
    answer.status = 404;
  });
  server.Get("/", [page = std::move(makes.page)](const httplib::Request&, httplib::Response& answer) {
    answer.set_content(page(), "text/html; charset=utf-8");
  });
  server.Get("/scene", [&file](const httplib::Request&, httplib::Response& answer) {
    const WatchedFile::Content content = file.content();
    if (content.fault.empty()) return answer.set_content(content.text, "application/json");
    answer.status = 404;
    answer.set_content(content.fault, "text/plain; charset=utf-8");
  });
  if (writes) {
    server.Get("/writes", [](const httplib::Request&, httplib::Response& answer) { answer.status = 204; });
    server.Post("/scene", [&file](const httplib::Request& request, httplib::Response& answer) {
      const std::string version = request.get_header_value(made_from);
      const std::string why = file.write(request.body, std::strtoull(version.c_str(), nullptr, 10));
      answer.status = why.empty() ? 204 : 409;
      if (!why.empty()) answer.set_content(why, "text/plain; charset=utf-8");
    });
  }
  server.Get("/changes", [&file](const httplib::Request&, httplib::Response& answer) {
    answer.set_chunked_content_provider("text/event-stream",
                                        [&file, sent = std::uint64_t{0}](std::size_t, httplib::DataSink& sink) mutable {
                                          return send_changes(file, sent, sink);
                                        });
  });
  if (port) {
    port_ = *port;
    if (server.bind_to_port(loopback, port_)) return;
    throw calls::WrongCall(fmt::format(
        "--port {0}: another program listens on {0}; write another, or leave it out for one that is free", port_));
  }
  constexpr int most_tried = 50;
  for (port_ = usual_port; port_ < usual_port + most_tried; ++port_) {
    if (server.bind_to_port(loopback, port_)) return;
  }
  throw calls::WrongCall(fmt::format("no port from {} to {} is free; choose one by --port", usual_port, port_ - 1));
}

Server::~Server() = default;

void Server::serve() {
  listener_->server.listen_after_bind();
}

}  // namespace fond_ladder::page
