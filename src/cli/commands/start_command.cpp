// SPDX-License-Identifier: MIT
#include <fmt/format.h>
#include <fmt/ostream.h>

#include <algorithm>
#include <filesystem>
#include <ostream>

#include "cli/call_words.hpp"
#include "cli/commands/starts.hpp"
#include "model/nearest_word.hpp"
#include "model/printable.hpp"
#include "model/shell_word.hpp"

namespace fond_ladder::cli {
namespace {

struct StartCall {
  std::string kind;
  std::string output;  // a file; standard output when empty or -
};

/// `bar_and_body, form, cards, page or list`
std::string kinds() {
  std::string text;
  for (const Start& start : starts()) {
    text += (text.empty() ? "" : &start == &starts().back() ? " or " : ", ") + std::string(start.kind);
  }
  return text;
}

std::string list_of_kinds() {
  std::string text = "kinds of scenes to begin from\n\n";
  for (const Start& start : starts()) text += fmt::format("  {:<14}{}\n", start.kind, start.about);
  return text + "\nfond-ladder start KIND -o FILE writes one\n";
}

const Start& start_of(const std::string& typed) {
  const auto found = std::ranges::find(starts(), typed, &Start::kind);
  if (found != starts().end()) return *found;
  std::vector<std::string_view> words;
  for (const Start& start : starts()) words.push_back(start.kind);
  throw WrongCall(fmt::format("start {}: there is no such kind{}", typed, word_hint(typed, words)));
}

ExitStatus start(const StartCall& call, const Streams& streams) {
  if (call.kind.empty()) {
    if (!call.output.empty()) throw WrongCall("start: name a kind to write; " + kinds());
    streams.out << list_of_kinds();
    return all_well;
  }
  const Start& one = start_of(call.kind);
  if (call.output.empty() || call.output == "-") {
    streams.out << one.json;
    return all_well;
  }
  std::error_code none;
  if (std::filesystem::exists(std::filesystem::symlink_status(call.output, none)))
    throw WrongCall("start -o " + call.output + ": that is there already; name a new file");
  write_target(streams, call.output, one.json);
  const std::string file = shell_word(call.output);
  if (one.kind == "empty") {
    fmt::print(streams.out, "{}: written, {}\n\n  fond-ladder preview {} --write\n", printable(call.output), one.about,
               printable(file));
    return all_well;
  }
  fmt::print(streams.out, "{}: written, {}\n\n  fond-ladder check {}\n  fond-ladder draw {} --at {} -o picture.png\n",
             printable(call.output), one.about, printable(file), printable(file),
             one.kind == "list" ? "phone" : "desk");
  return all_well;
}

}  // namespace

Command start_command() {
  CommandOf<StartCall> command("start", "A scene to begin from, commented or empty");
  StartCall& call = command.call();
  command.options().optional_argument("KIND", call.kind, "One of " + kinds() + "; without one they are listed");
  command.options().text("-o,--output", "FILE", call.output, "Where to, a new file; standard output when left out");
  return command.does(start);
}

}  // namespace fond_ladder::cli
