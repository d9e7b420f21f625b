// SPDX-License-Identifier: MIT
#include <fmt/format.h>
#include <fmt/ostream.h>

#include <charconv>
#include <sstream>

#include "cli/call_words.hpp"
#include "cli/commands/page_call.hpp"
#include "cli/open_in_browser.hpp"
#include "model/printable.hpp"
#include "page/preview/server.hpp"
#include "page/preview/watched_file.hpp"
#include "page/report/page_file.hpp"

namespace fond_ladder::cli {
namespace {

struct PreviewCall {
  PageCall page;
  std::string port;
  bool open = false, write = false;
};

std::optional<int> parse_port(const std::string& text) {
  if (text.empty()) return {};
  int port = 0;
  const char* end = text.data() + text.size();
  const auto read = std::from_chars(text.data(), end, port);
  constexpr int last = 65535;
  if (read.ec != std::errc() || read.ptr != end || port < 1 || port > last)
    throw WrongCall(fmt::format("--port {}: expected a whole number from 1 to 65535", text));
  return port;
}

/// What the file contains now, as `of(scene)` returns it, or `of_faulty()` if it is wrong.
template <class Of, class OfFaulty>
auto now(const PageCall& call, const page::WatchedFile::Content& content, Of of, OfFaulty of_faulty)
    -> decltype(of_faulty()) {
  std::istringstream nothing;
  std::ostringstream unheard;
  const Streams streams{nothing, unheard, unheard, ShippedScene{call.scene.file, content.text}};
  try {
    return of(read_page_scene(call, streams));
  } catch (const std::exception&) {  // the page reports the same
    return of_faulty();
  }
}

std::string page_now(const std::string& page_without_scene, const PageCall& call, const page::WatchedFile& file,
                     const std::string& token) {
  const page::WatchedFile::Content content = file.content();
  const page::Served served{content.version, token};
  return now(
      call, content, [&](const PageScene& scene) { return page_of(page_without_scene, call, scene, served); },
      [&] { return page_of_faulty(page_without_scene, call, content.text, served); });
}

/// None where the file is wrong.
std::optional<std::string> pieces_now(const PageCall& call, const page::WatchedFile& file) {
  return now(
      call, file.content(), [](const PageScene& scene) { return scene.pieces; },
      [] { return std::optional<std::string>(); });
}

/// Says what is wrong with the scene at the beginning; the page shows it too, until it is mended.
std::string title_of_first(const PageCall& call, const page::WatchedFile& file, const Streams& streams) {
  const std::string text = file.content().text;
  Streams shipped = streams;
  shipped.shipped = ShippedScene{call.scene.file, text};
  try {
    return read_page_scene(call, shipped).shown.scene.name();
  } catch (const BadScene& error) {
    for (const SceneError& fault : error.faults()) streams.err << fault.text() << '\n';
    return call.scene.file;
  }
}

ExitStatus preview(const PreviewCall& call, const Streams& streams) {
  const std::optional<int> port = parse_port(call.port);
  if (call.page.scene.file == "-") throw WrongCall("preview -: expected a file; standard input cannot be followed");
  const std::string page = page::page_without_scene();
  page::WatchedFile file(call.page.scene.file);
  const std::string title = title_of_first(call.page, file, streams);
  page::Server server(file,
                      {[&](const std::string& token) { return page_now(page, call.page, file, token); },
                       [&] { return pieces_now(call.page, file); }},
                      port, call.write);
  const std::string address = fmt::format("http://127.0.0.1:{}/", server.port());
  fmt::print(streams.out, "{} at {}{}; press Ctrl-C to stop\n", printable(title), address,
             server.is_elsewhere() && !port ? fmt::format(" ({} is taken)", page::Server::usual_port) : "");
  streams.out.flush();
  if (call.open) open_in_browser(address, streams.err);
  server.serve();
  return all_well;
}

}  // namespace

Command preview_command() {
  CommandOf<PreviewCall> command("preview", "Serve the page on this machine, and reload it when the file changes");
  PreviewCall& call = command.call();
  Options& options = command.options();
  add_page(options, call.page);
  options.describe("SCENE", "A scene file");
  options.text("--port", "NUMBER", call.port, "Listen on this port; default: 8017 or the next free port");
  options.flag("--open", call.open, "Also open it in the browser");
  options.flag("--write", call.write, "Let the page save changes to the file");
  return command.does(preview);
}

}  // namespace fond_ladder::cli
