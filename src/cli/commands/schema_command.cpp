// SPDX-License-Identifier: MIT
#include <fmt/ostream.h>

#include <filesystem>

#include "cli/call_words.hpp"
#include "cli/commands/schema.hpp"
#include "model/json_text.hpp"
#include "model/printable.hpp"

namespace fond_ladder::cli {
namespace {

struct SchemaCall {
  std::string output;  // a file; standard output when empty or -
};

ExitStatus print_schema(const SchemaCall& call, const Streams& streams) {
  if (call.output.empty() || call.output == "-") {
    streams.out << scene_schema();
    return all_well;
  }
  write_target(streams, call.output, std::string(scene_schema()));
  const std::string name = std::filesystem::path(call.output).filename().string();
  fmt::print(streams.out, "{}: written; in a scene beside it write \"$schema\": {}\n", printable(call.output),
             json_text(name));
  return all_well;
}

}  // namespace

Command schema_command() {
  CommandOf<SchemaCall> command("schema", "Print the JSON Schema of scene files, for completion in an editor");
  command.options().text("-o,--output", "FILE", command.call().output, "Write to this file; default: standard output");
  return command.does(print_schema);
}

}  // namespace fond_ladder::cli
