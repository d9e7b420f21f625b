// SPDX-License-Identifier: MIT
#include <fmt/format.h>
#include <fmt/ostream.h>

#include <algorithm>
#include <optional>

#include "calls/progress.hpp"
#include "calls/refusal.hpp"
#include "calls/sarif.hpp"
#include "calls/scene_call.hpp"
#include "calls/target_file.hpp"
#include "fond_ladder/lint.hpp"
#include "model/printable.hpp"
#include "print/answers_json.hpp"
#include "print/json_frame.hpp"

namespace fond_ladder::calls {
namespace {

struct LintCall {
  SceneCall scene;
  bool strict = false;
  std::string sarif;  // a file
  Format format = Format::table;
};

/// What was found in one of several scenes; without an answer it could not be read.
struct Linted {
  std::string file;
  std::optional<Lint> lint;
};

/// `3 scenes: 4 findings, in 1 of them`, and a line for each scene.
void print_sum(const std::vector<Linted>& all, std::ostream& out) {
  std::size_t count = 0, in = 0, unread = 0;
  for (const Linted& one : all) {
    const std::size_t own = one.lint ? one.lint->findings.size() : 0;
    count += own;
    in += own > 0 ? 1 : 0;
    unread += one.lint ? 0 : 1;
  }
  const auto findings = [](std::size_t n) { return n == 1 ? std::string("1 finding") : fmt::format("{} findings", n); };
  fmt::print(out, "{} scenes: {}{}\n\n", all.size(),
             unread == all.size() ? "nothing was read"
             : count == 0         ? "nothing suspicious"
                                  : fmt::format("{}, in {} of them", findings(count), in),
             unread == 0 ? "" : fmt::format("; {} could not be read", unread));
  for (const Linted& one : all) {
    const std::string summary = !one.lint                    ? "could not be read"
                                : one.lint->findings.empty() ? "nothing suspicious"
                                                             : findings(one.lint->findings.size());
    fmt::print(out, "{}: {}\n", printable(one.file), summary);
  }
}

ExitStatus lint(const LintCall& call, const Streams& streams) {
  if (call.sarif == "-") throw WrongCall("--sarif -: standard output has the results; name a file");
  if (!call.sarif.empty()) add_target(streams, "--sarif", call.sarif);
  const std::vector<std::string>& files = call.scene.files;
  for (const std::string& file : files) add_source(streams, "the scene", file);
  const bool several = files.size() > 1, as_json = call.format == Format::json;
  std::optional<JsonAnswers> answers;
  std::vector<SarifResult> results;
  std::vector<Linted> all;
  const auto look = [&](const std::string& file) {
    const std::vector<Variant> variants = load_variants(call_for(call.scene, file), streams, Hints::none);
    Linted& one = all.back();
    one.lint = fond_ladder::lint(variants, {.progress = ProgressLine(streams, "looking").teller()});
    if (as_json) {
      if (!answers) answers.emplace(streams.out, "lint");  // not before there is one
      write_lint(answers->next(variants[0].scene, file, variants[0].scene.ladder), *one.lint);
    }
    if (!call.sarif.empty() && !one.lint->findings.empty()) add_findings(results, *one.lint, file, scene::Places(file));
  };
  bool all_read = true;
  for (const std::string& file : files) {
    all.push_back({file, {}});
    if (!several) {
      look(file);
      continue;
    }
    const auto note = [&](const SceneError& fault) { add_fault(results, fault, file); };
    all_read &= reports_error(
        streams.err, file + ": ", [&] { look(file); }, note);
  }
  if (!call.sarif.empty()) write_target(streams, call.sarif, sarif_text(results));
  if (as_json) {
    if (answers) answers->end();
  } else {
    if (several) print_sum(all, streams.out);
    for (const Linted& one : all) {
      if (several && (!one.lint || (one.lint->findings.empty() && one.lint->remarks.empty()))) continue;
      if (several) fmt::print(streams.out, "\n{}\n", printable(one.file));
      streams.out << *one.lint;
    }
  }
  if (!all_read) return wrong_call;
  const bool any = std::ranges::any_of(all, [](const Linted& one) { return !one.lint->findings.empty(); });
  return call.strict && any ? findings : all_well;
}

}  // namespace

Command lint_command() {
  CommandOf<LintCall> command("lint", "List likely mistakes, with their reason, sizes and fix");
  LintCall& call = command.call();
  add_scenes(command.options(), call.scene, Forms::all_in_turn);
  command.options().text("--sarif", "FILE", call.sarif, "Also write a SARIF 2.1.0 file: one result per finding");
  command.options().flag("--strict", call.strict, "Exit with status 1 if anything is found");
  command.options().format(call.format, {Format::table, Format::json});
  return command.does(lint);
}

}  // namespace fond_ladder::calls
