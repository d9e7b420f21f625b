// SPDX-License-Identifier: MIT
//
// One thread waits for all connections; what takes time (making the page, writing the file) is done by two others. So a
// client that is slow, idle or watching costs some kilobytes and no thread.
//
// A connection goes one way: header, judgement, the body of a write, answer, end. It is judged by its header alone: the
// body of a refused request is never parsed, and as no connection has a second request, none can hide in that body.
#include "page/preview/server.hpp"

#include <fmt/format.h>
#include <sys/random.h>

#include <algorithm>
#include <array>
#include <boost/asio/ip/tcp.hpp>
#include <boost/asio/post.hpp>
#include <boost/asio/steady_timer.hpp>
#include <boost/asio/thread_pool.hpp>
#include <boost/beast/core.hpp>
#include <boost/beast/http.hpp>
#include <list>
#include <sstream>
#include <system_error>

#include "calls/command.hpp"
#include "model/limits.hpp"

namespace fond_ladder::page {
namespace {

namespace net = boost::asio;
namespace beast = boost::beast;
namespace http = beast::http;
using boost::system::error_code;
using net::ip::tcp;
using std::chrono::seconds;

constexpr seconds header_deadline{10}, body_deadline{60}, answer_deadline{60}, farewell{2}, between_signs{15};
constexpr std::chrono::milliseconds before_next_try{50};
constexpr std::size_t most_connections = 256, longest_header = 16 * 1024, most_discarded = 1 << 20;

constexpr const char *made_from = "X-Made-From", *page_token = "X-Page-Token";

using Request = http::request<http::string_body>;

struct Answer {
  http::status status = http::status::ok;
  std::string body{};
  std::string type = "text/plain; charset=utf-8";
};

/// 128 bits from the system, as hexadecimal digits.
std::string new_token() {
  std::array<unsigned char, 16> bytes{};
  if (::getentropy(bytes.data(), bytes.size()) != 0) throw std::system_error(errno, std::generic_category());
  std::string token;
  for (const unsigned char byte : bytes) token += fmt::format("{:02x}", byte);
  return token;
}

/// Takes the same time however much of a token is right.
bool is_same(std::string_view shown, std::string_view token) {
  if (shown.size() != token.size()) return false;
  unsigned different = 0;
  for (std::size_t i = 0; i < token.size(); ++i) different |= static_cast<unsigned char>(shown[i] ^ token[i]);
  return different == 0;
}

std::string_view as_view(beast::string_view text) {
  return {text.data(), text.size()};
}

/// The value of a header that is there exactly once; empty otherwise.
template <class Name>
std::string_view only(const Request& request, Name name) {
  return request.count(name) == 1 ? as_view(request[name]) : std::string_view();
}

template <class Head>
void set_headers(Head& head, const std::string& type) {
  head.set(http::field::content_type, type);
  head.set(http::field::connection, "close");
  head.set(http::field::cache_control, "no-store");
  head.set("X-Content-Type-Options", "nosniff");
  head.set("Cross-Origin-Resource-Policy", "same-origin");
  head.set("Content-Security-Policy", "frame-ancestors 'none'");
}

}  // namespace

/// What all connections share. But for what `work` does, everything happens on the thread that serves.
class Server::Listener {
 public:
  Listener(WatchedFile& file, Makes makes, bool writes) : file_(file), makes_(std::move(makes)), writes_(writes) {
    file_.on_change([this] { net::post(waiting_, [this] { send_to_all(false); }); });
  }
  ~Listener() {
    file_.on_change({});
    work_.join();
  }
  Listener(const Listener&) = delete;
  Listener& operator=(const Listener&) = delete;

  [[nodiscard]] int port() const { return port_; }
  [[nodiscard]] bool listens_on(int port) {
    error_code error;
    acceptor_.open(tcp::v4());
    acceptor_.set_option(net::socket_base::reuse_address(true));
    acceptor_.bind(tcp::endpoint(net::ip::address_v4::loopback(), static_cast<std::uint16_t>(port)), error);
    if (!error) acceptor_.listen(net::socket_base::max_listen_connections, error);
    if (error) acceptor_.close();
    port_ = port;
    return !error;
  }
  void serve() {
    accept();
    send_signs();
    waiting_.run();
  }

 private:
  class Connection;

  void accept();
  void make_space();
  void send_to_all(bool sign);
  /// Sent to watchers now and then, so that proxies do not close an idle stream.
  void send_signs() {
    next_sign_.expires_after(between_signs);
    next_sign_.async_wait([this](error_code) {
      send_to_all(true);
      send_signs();
    });
  }

  WatchedFile& file_;
  Makes makes_;
  bool writes_;
  std::string token_ = new_token();
  int port_ = 0;
  net::io_context waiting_{1};
  net::thread_pool work_{2};
  tcp::acceptor acceptor_{waiting_};
  net::steady_timer next_sign_{waiting_}, next_try_{waiting_};
  std::list<Connection*> connections_{};  // the first came first
};

class Server::Listener::Connection : public std::enable_shared_from_this<Connection> {
 public:
  Connection(Listener& listener, tcp::socket socket)
      : listener_(listener),
        stream_(std::move(socket)),
        place_(listener.connections_.insert(listener.connections_.end(), this)) {
    error_code ignored;
    stream_.socket().set_option(tcp::no_delay(true), ignored);
    parser_.header_limit(longest_header);
    parser_.body_limit(limits::largest_scene_file);
  }
  ~Connection() { listener_.connections_.erase(place_); }
  Connection(const Connection&) = delete;
  Connection& operator=(const Connection&) = delete;

  enum class Stage { asking, working, watching, closed };
  [[nodiscard]] Stage stage() const { return stage_; }
  void close() {
    stage_ = Stage::closed;
    stream_.close();
  }

  void begin() {
    stream_.expires_after(header_deadline);
    http::async_read_header(stream_, buffer_, parser_, [self = shared_from_this()](error_code error, std::size_t) {
      if (!error) return self->judge();
      if (error == http::error::body_limit) return self->refuse_length();
      const bool is_wrong = error.category() == make_error_code(http::error::bad_method).category() &&
                            error != http::error::end_of_stream && error != http::error::partial_message;
      if (!is_wrong) return self->close();
      self->refuse(error == http::error::header_limit ? http::status::request_header_fields_too_large
                                                      : http::status::bad_request,
                   "The request cannot be read.\n");
    });
  }

  /// Sends the version of the file to watchers that have another one; on request also a sign of life.
  void tell(bool sign) {
    if (stage_ != Stage::watching || is_telling_) return;
    const std::uint64_t version = listener_.file_.version();
    if (version != sent_version_) {
      send_event(fmt::format("event: version\ndata: {}\n\n", version));
    } else if (sign) {
      send_event(": here\n\n");
    }
    sent_version_ = version;
  }

 private:
  [[nodiscard]] const Request& request() const { return parser_.get(); }

  void judge() {
    const std::string_view target = as_view(request().target()), path = target.substr(0, target.find('?'));
    const http::verb method = request().method();
    if (!names_this_machine()) return refuse(http::status::forbidden, "Use 127.0.0.1 or localhost as the host.\n");
    if (listener_.writes_ && method == http::verb::post && target == "/scene") return judge_write();
    if (method != http::verb::get && method != http::verb::head)
      return refuse(http::status::method_not_allowed, "Saving is off; start preview with --write.\n");
    if (!is_asked_from_here()) return refuse(http::status::forbidden, "Only the page itself may send this.\n");
    if (path == "/changes") return watch(target);
    get(path);
  }
  [[nodiscard]] bool names_this_machine() const {
    const std::string_view host = only(request(), http::field::host);
    return host == fmt::format("127.0.0.1:{}", listener_.port_) || host == fmt::format("localhost:{}", listener_.port_);
  }
  /// Browsers say whether a page of another origin asks. Such a page may link here, but not read or load anything.
  [[nodiscard]] bool is_asked_from_here() const {
    const std::string_view site = as_view(request()["Sec-Fetch-Site"]);
    return site.empty() || site == "same-origin" || site == "none" || request()["Sec-Fetch-Mode"] == "navigate";
  }

  void get(std::string_view path) {
    if (path == "/") {
      return work([this] {
        return Answer{http::status::ok, listener_.makes_.page(listener_.token_), "text/html; charset=utf-8"};
      });
    }
    if (path == "/pieces") {
      return work([this] {
        std::optional<std::string> pieces = listener_.makes_.pieces();
        return pieces ? Answer{http::status::ok, std::move(*pieces), "application/json"}
                      : Answer{http::status::not_found};
      });
    }
    if (path == "/scene") {
      WatchedFile::Content content = listener_.file_.content();
      if (!content.fault.empty()) return answer({http::status::not_found, std::move(content.fault)});
      return answer({http::status::ok, std::move(content.text), "application/json"});
    }
    answer({path == "/writes" && listener_.writes_ ? http::status::no_content : http::status::not_found});
  }

  void watch(std::string_view target) {
    constexpr std::string_view key = "/changes?token=";
    if (!target.starts_with(key) || !is_same(target.substr(key.size()), listener_.token_))
      return refuse(http::status::forbidden, "Only a page of this preview may watch; reload it.\n");
    http::response<http::empty_body> head{http::status::ok, 11};
    set_headers(head, "text/event-stream");
    std::ostringstream out;
    out << head.base();
    stage_ = Stage::watching;
    sent_version_ = listener_.file_.version();
    send_event(fmt::format("{}event: version\ndata: {}\n\n", out.str(), sent_version_));
    stream_.async_read_some(net::buffer(discarded_), [self = shared_from_this()](error_code, std::size_t) {
      self->close();  // it disconnected, or sent more than a request
    });
  }
  void send_event(std::string event) {
    event_ = std::move(event);
    is_telling_ = true;
    stream_.expires_after(answer_deadline);
    net::async_write(stream_, net::buffer(event_), [self = shared_from_this()](error_code error, std::size_t) {
      if (error) return self->close();
      self->is_telling_ = false;
      self->stream_.expires_never();
      self->tell(false);  // it may have changed meanwhile
    });
  }

  void judge_write() {
    const bool is_own =
        only(request(), http::field::origin) == "http://" + std::string(only(request(), http::field::host)) &&
        is_same(only(request(), page_token), listener_.token_);
    if (!is_own || only(request(), made_from).empty())
      return refuse(http::status::forbidden, "Only a page of this preview may save; reload it.\n");
    if (request().chunked() || request().count(http::field::content_length) != 1)
      return refuse(http::status::length_required, "The length of the content is missing.\n");
    stage_ = Stage::working;
    stream_.expires_after(body_deadline);
    http::async_read(stream_, buffer_, parser_, [self = shared_from_this()](error_code error, std::size_t) {
      if (error == http::error::body_limit) return self->refuse_length();
      if (error) return self->close();
      self->work([self = self.get()] {
        std::string why = self->listener_.file_.write(self->request().body(), only(self->request(), made_from));
        return why.empty() ? Answer{http::status::no_content} : Answer{http::status::conflict, std::move(why)};
      });
    });
  }

  /// Has another thread make the answer.
  template <class Make>
  void work(Make make) {
    stage_ = Stage::working;
    stream_.expires_never();
    net::post(listener_.work_, [self = shared_from_this(), make = std::move(make)]() mutable {
      Answer made;
      try {
        made = make();
      } catch (const std::exception& error) {
        made = {http::status::internal_server_error, std::string(error.what()) + "\n"};
      }
      Listener& listener = self->listener_;
      net::post(listener.waiting_,
                [self = std::move(self), made = std::move(made)]() mutable { self->answer(std::move(made)); });
    });
  }

  void refuse_length() { refuse(http::status::payload_too_large, "The content is larger than a scene may be.\n"); }
  void refuse(http::status status, const char* why) { answer({status, why}); }
  void answer(Answer answer) {
    stage_ = Stage::working;
    response_.result(answer.status);
    set_headers(response_, answer.type);
    response_.body() = std::move(answer.body);
    response_.prepare_payload();
    if (request().method() == http::verb::head) response_.body().clear();  // its length stays
    stream_.expires_after(answer_deadline);
    http::async_write(stream_, response_, [self = shared_from_this()](error_code error, std::size_t) {
      if (error) return self->close();
      error_code ignored;
      self->stream_.socket().shutdown(tcp::socket::shutdown_send, ignored);
      self->stage_ = Stage::asking;  // nothing is lost any more
      self->stream_.expires_after(farewell);
      self->discard(0);
    });
  }
  /// Reads on for a moment, because a client that is still sending may lose an answer if its data stays unread.
  void discard(std::size_t so_far) {
    stream_.async_read_some(net::buffer(discarded_),
                            [self = shared_from_this(), so_far](error_code error, std::size_t more) {
                              if (error || so_far + more > most_discarded) return self->close();
                              self->discard(so_far + more);
                            });
  }

  Listener& listener_;
  beast::tcp_stream stream_;
  std::list<Connection*>::iterator place_;
  Stage stage_ = Stage::asking;
  beast::flat_buffer buffer_;
  http::request_parser<http::string_body> parser_;
  http::response<http::string_body> response_;
  std::string event_;  // while it is sent
  bool is_telling_ = false;
  std::uint64_t sent_version_ = 0;
  std::array<char, 4096> discarded_{};
};

void Server::Listener::accept() {
  acceptor_.async_accept([this](error_code error, tcp::socket socket) {
    if (!error) {
      std::make_shared<Connection>(*this, std::move(socket))->begin();
      if (connections_.size() > most_connections) make_space();
      return accept();
    }
    // No descriptors are left, it may be.
    make_space();
    next_try_.expires_after(before_next_try);
    next_try_.async_wait([this](error_code) { accept(); });
  });
}

/// Closes the oldest connection that has requested nothing yet; if there is none, one that watches,
/// since its browser reconnects.
void Server::Listener::make_space() {
  for (const Connection::Stage stage : {Connection::Stage::asking, Connection::Stage::watching}) {
    const auto first = std::ranges::find(connections_, stage, &Connection::stage);
    if (first != connections_.end()) return (*first)->close();
  }
}

void Server::Listener::send_to_all(bool sign) {
  for (Connection* one : connections_) one->tell(sign);
}

Server::Server(WatchedFile& file, Makes makes, std::optional<int> port, bool writes)
    : listener_(std::make_unique<Listener>(file, std::move(makes), writes)) {
  if (port) {
    if (listener_->listens_on(*port)) return;
    throw calls::WrongCall(
        fmt::format("--port {0}: another program uses port {0}; write another, or drop --port for a free one", *port));
  }
  constexpr int most_edits = 50;
  for (int one = usual_port; one < usual_port + most_edits; ++one) {
    if (listener_->listens_on(one)) return;
  }
  throw calls::WrongCall(
      fmt::format("no port from {} to {} is free; choose one with --port", usual_port, usual_port + most_edits - 1));
}

Server::~Server() = default;

int Server::port() const {
  return listener_->port();
}

void Server::serve() {
  listener_->serve();
}

}  // namespace fond_ladder::page
