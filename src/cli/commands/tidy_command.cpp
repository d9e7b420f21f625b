// SPDX-License-Identifier: MIT
#include <istream>
#include <iterator>
#include <ostream>

#include "cli/command.hpp"
#include "cli/target_file.hpp"
#include "fond_ladder/scene_file.hpp"
#include "model/printable.hpp"
#include "scene/read/scene_text.hpp"

namespace fond_ladder::cli {
namespace {

struct TidyCall {
  std::string file;
  std::string output;  // a file; standard output when empty or -
};

ExitStatus tidy(const TidyCall& call, const Streams& streams) {
  const TidyScene tidied = call.file == "-"
                               ? tidy_scene(scene::text_of_stream(streams.in, "standard input"), "standard input")
                               : tidy_scene_file(call.file);
  if (tidied.lost_comments) {
    streams.err << (call.file == "-" ? "standard input" : printable(call.file))
                << ": warning: its comments are not in the tidy scene; keep the file if you need them\n";
  }
  if (call.output.empty() || call.output == "-") {
    streams.out << tidied.json;
  } else {
    write_target(call.output, tidied.json);
    streams.out << printable(call.output) << ": written\n";
  }
  return all_well;
}

}  // namespace

Command tidy_command() {
  CommandOf<TidyCall> command("tidy", "The scene file printed anew: keys in order, defaults left out");
  TidyCall& call = command.call();
  command.options().argument("SCENE", call.file, "A scene file; - reads standard input");
  command.options().text("-o,--output", "FILE", call.output, "Where to; standard output when left out");
  return command.does(tidy);
}

}  // namespace fond_ladder::cli
