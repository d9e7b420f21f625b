// SPDX-License-Identifier: MIT
#include <fmt/format.h>
#include <fmt/ostream.h>

#include <algorithm>
#include <filesystem>
#include <ostream>

#include "cli/call_words.hpp"
#include "cli/commands/templates.hpp"
#include "model/nearest_word.hpp"
#include "model/printable.hpp"
#include "model/shell_word.hpp"

namespace fond_ladder::cli {
namespace {

struct NewCall {
  std::string kind;
  std::string output;  // a file; standard output when empty or -
};

/// `bar_and_body, form, cards, page or list`
std::string template_names() {
  std::string text;
  for (const Template& one : templates()) {
    text += (text.empty() ? "" : &one == &templates().back() ? " or " : ", ") + std::string(one.kind);
  }
  return text;
}

std::string list_of_templates() {
  std::string text = "templates of scenes to begin from\n\n";
  for (const Template& one : templates()) text += fmt::format("  {:<14}{}\n", one.kind, one.about);
  return text + "\nfond-ladder new TEMPLATE -o FILE writes one\n";
}

const Template& template_of(const std::string& typed) {
  const auto found = std::ranges::find(templates(), typed, &Template::kind);
  if (found != templates().end()) return *found;
  std::vector<std::string_view> words;
  for (const Template& one : templates()) words.push_back(one.kind);
  throw WrongCall(fmt::format("new {}: there is no such template{}", typed, word_hint(typed, words)));
}

ExitStatus write_new(const NewCall& call, const Streams& streams) {
  if (call.kind.empty()) {
    if (!call.output.empty()) throw WrongCall("new: name a template to write; " + template_names());
    streams.out << list_of_templates();
    return all_well;
  }
  const Template& one = template_of(call.kind);
  if (call.output.empty() || call.output == "-") {
    streams.out << one.json;
    return all_well;
  }
  std::error_code none;
  if (std::filesystem::exists(std::filesystem::symlink_status(call.output, none)))
    throw WrongCall("new -o " + call.output + ": that is there already; name a new file");
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

Command new_command() {
  CommandOf<NewCall> command("new", "A scene to begin from, commented or empty");
  NewCall& call = command.call();
  command.options().optional_argument("TEMPLATE", call.kind,
                                      "One of " + template_names() + "; without one they are listed");
  command.options().text("-o,--output", "FILE", call.output, "Where to, a new file; standard output when left out");
  return command.does(write_new);
}

}  // namespace fond_ladder::cli
