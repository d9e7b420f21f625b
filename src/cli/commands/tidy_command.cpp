// SPDX-License-Identifier: MIT
#include <istream>
#include <iterator>
#include <ostream>

#include "cli/call_words.hpp"
#include "fond_ladder/scene_file.hpp"
#include "model/printable.hpp"

namespace fond_ladder::cli {
namespace {

struct TidyCall {
  std::string file;
  std::vector<OptionUse> edits;
  std::string output;  // a file; standard output when empty or -
  bool flat = false;
};

ExitStatus tidy(const TidyCall& call, const Streams& streams) {
  const bool to_file = !call.output.empty() && call.output != "-";
  if (to_file) add_target(streams, "-o", call.output);
  Draft draft = read_draft(call.file, streams, Own::may_be_written);
  make(call.edits, draft, streams);
  const TidyScene tidied = tidy_scene(draft.json(), call.file, call.flat ? Uses::flat : Uses::kept);
  if (tidied.lost_comments) {
    streams.err << (call.file == "-" ? "standard input" : printable(call.file))
                << ": warning: comments are dropped; keep the file if you need them\n";
  }
  const auto folder_of = [](const std::string& file) { return file.substr(0, file.rfind('/') + 1); };
  const bool elsewhere = to_file && folder_of(call.output) != folder_of(call.file);
  if (elsewhere && !call.flat && !files_used_by(tidied.json, call.file).empty()) {
    streams.err << printable(call.output) << ": warning: the paths of files in \"uses\" are relative to "
                << printable(call.file) << "; --flat writes everything into one file\n";
  }
  if (to_file) {
    write_target(streams, call.output, tidied.json);
    streams.out << printable(call.output) << ": written\n";
  } else {
    streams.out << tidied.json;
  }
  return all_well;
}

}  // namespace

Command tidy_command() {
  CommandOf<TidyCall> command("tidy",
                              "Print the scene file with keys in order and without defaults, with edits applied");
  TidyCall& call = command.call();
  command.options().argument("SCENE", call.file, "A scene file; - reads standard input");
  add_edits(command.options(), call.edits);
  command.options().flag("--flat", call.flat, "Include what the scene needs from other files");
  command.options().text("-o,--output", "FILE", call.output, "Write to this file; default: standard output");
  return command.does(tidy);
}

}  // namespace fond_ladder::cli
