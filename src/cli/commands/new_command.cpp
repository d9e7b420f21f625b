// SPDX-License-Identifier: MIT
#include <fmt/format.h>
#include <fmt/ostream.h>

#include <algorithm>
#include <filesystem>
#include <ostream>

#include "cli/call_words.hpp"
#include "cli/commands/schema.hpp"
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

/// The command that writes the file that a new scene names, where it is not there yet.
constexpr std::string_view for_editors =
    "  fond-ladder schema -o scene.schema.json    (beside it, for completion in editors)\n";

/// `bar_and_body, form, cards, page or list`
std::string template_names() {
  std::string text;
  for (const Template& one : templates()) {
    text += (text.empty() ? "" : &one == &templates().back() ? " or " : ", ") + std::string(one.kind);
  }
  return text;
}

std::string list_of_templates() {
  std::string text = "scene templates\n\n";
  for (const Template& one : templates()) text += fmt::format("  {:<14}{}\n", one.kind, one.about);
  return text + "\nWrite one with: fond-ladder new TEMPLATE -o FILE\n";
}

const Template& template_of(const std::string& typed) {
  const auto found = std::ranges::find(templates(), typed, &Template::kind);
  if (found != templates().end()) return *found;
  std::vector<std::string_view> words;
  for (const Template& one : templates()) words.push_back(one.kind);
  throw WrongCall(fmt::format("new {}: no template has this name{}", typed, word_hint(typed, words)));
}

/// A template as it is written: with the schema that editors complete by.
std::string text_of(const Template& one) {
  return "{\n  \"$schema\": \"" + std::string(schema_file) + "\"," + std::string(one.json.substr(1));
}

ExitStatus write_new(const NewCall& call, const Streams& streams) {
  if (call.kind.empty()) {
    if (!call.output.empty()) throw WrongCall("new: name a template to write; " + template_names());
    streams.out << list_of_templates();
    return all_well;
  }
  const Template& one = template_of(call.kind);
  if (call.output.empty() || call.output == "-") {
    streams.out << text_of(one);
    return all_well;
  }
  std::error_code none;
  if (std::filesystem::exists(std::filesystem::symlink_status(call.output, none)))
    throw WrongCall("new -o " + call.output + ": the file already exists; name a new file");
  write_target(streams, call.output, text_of(one));
  const std::string file = shell_word(call.output);
  if (one.kind == "empty") {
    fmt::print(streams.out, "{}: written, {}\n\n  fond-ladder preview {} --write\n{}", printable(call.output),
               one.about, printable(file), for_editors);
    return all_well;
  }
  fmt::print(streams.out, "{}: written, {}\n\n  fond-ladder check {}\n  fond-ladder draw {} --at {} -o picture.png\n{}",
             printable(call.output), one.about, printable(file), printable(file), one.kind == "list" ? "phone" : "desk",
             for_editors);
  return all_well;
}

}  // namespace

Command new_command() {
  CommandOf<NewCall> command("new", "Write a new scene from a template");
  NewCall& call = command.call();
  command.options().optional_argument("TEMPLATE", call.kind,
                                      "One of " + template_names() + "; default: list the templates");
  command.options().text("-o,--output", "FILE", call.output, "Write to this new file; default: standard output");
  return command.does(write_new);
}

}  // namespace fond_ladder::cli
