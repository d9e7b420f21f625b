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
                << ": warning: its comments are not in the tidy scene; keep the file if you need them\n";
  }
  const auto folder_of = [](const std::string& file) { return file.substr(0, file.rfind('/') + 1); };
  const bool elsewhere = to_file && folder_of(call.output) != folder_of(call.file);
  if (elsewhere && !call.flat && !files_used_by(tidied.json, call.file).empty()) {
    streams.err << printable(call.output) << ": warning: it names the files that it uses by their way from "
                << printable(call.file) << "; with --flat it needs none\n";
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
                              "The scene file printed anew, as it is or changed: keys in order, defaults left out");
  TidyCall& call = command.call();
  command.options().argument("SCENE", call.file, "A scene file; - reads standard input");
  add_edits(command.options(), call.edits);
  command.options().flag("--flat", call.flat, "Write what it needs of the files that it uses into it");
  command.options().text("-o,--output", "FILE", call.output, "Where to; standard output when left out");
  return command.does(tidy);
}

}  // namespace fond_ladder::cli
