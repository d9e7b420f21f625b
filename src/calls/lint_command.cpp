// SPDX-License-Identifier: MIT
#include <ostream>

#include "calls/progress.hpp"
#include "calls/scene_call.hpp"
#include "fond_ladder/lint.hpp"
#include "print/answers_json.hpp"
#include "print/json_frame.hpp"

namespace fond_ladder::calls {
namespace {

struct LintCall {
  SceneCall scene;
  bool strict = false;
  Format format = Format::table;
};

ExitStatus lint(const LintCall& call, const Streams& streams) {
  const std::vector<Variant> variants = load_variants(call.scene, streams, Hints::none);
  const Lint told = fond_ladder::lint(variants, 0, Progress(streams, "looking").teller());
  if (call.format == Format::json) {
    JsonAnswers answers(streams.out, "lint");
    write_lint(answers.next(variants[0].scene, call.scene.file, variants[0].scene.ladder), told);
    answers.end();
  } else {
    streams.out << told;
  }
  return call.strict && !told.findings.empty() ? findings : all_well;
}

}  // namespace

Command lint_command() {
  CommandOf<LintCall> command("lint", "What is suspicious, why, at which sizes, and what would cure it");
  LintCall& call = command.call();
  add_scene(command.options(), call.scene, Forms::all_in_turn);
  command.options().flag("--strict", call.strict, "Exit status 1 when anything is found");
  command.options().format(call.format, {Format::table, Format::json});
  return command.does(lint);
}

}  // namespace fond_ladder::calls
