// SPDX-License-Identifier: MIT
#include <fmt/format.h>
#include <fmt/ostream.h>

#include <optional>

#include "calls/scene_call.hpp"
#include "calls/scrolled.hpp"
#include "calls/sizes.hpp"
#include "calls/target_file.hpp"
#include "fond_ladder/explanation.hpp"
#include "fond_ladder/settings.hpp"
#include "model/number_text.hpp"
#include "print/answers_json.hpp"
#include "print/json_frame.hpp"
#include "print/settings.hpp"
#include "verify/measure/lists.hpp"

namespace fond_ladder::calls {
namespace {

struct ExplanationCall {
  SceneCall scene;
  std::string node;
  std::vector<std::string> at;
  std::vector<std::string> scrolled;
  bool to_root = false;
  Format format = Format::table;
};

void print_account(const Explanation& account, const std::vector<ExplanationStep>& chain, const std::string& title,
                   bool to_root, std::ostream& out) {
  fmt::print(out, "{} in {}\n{} {}, {} x {}\n  width: {}\n  height: {}\n", account.path, title,
             account.kind == Kind::image ? "an" : "a", word(account.kind), rounded(account.box.width),
             rounded(account.box.height), chain.back().why_width, chain.back().why_height);
  out << account;
  if (to_root) out << "\nfrom the container down\n" << chain;
  out << '\n';
}

/// Refuses `explain NODE SCENE`: the first word names no file, and the second one does.
void require_order(const ExplanationCall& call) {
  if (call.scene.file != "-" && !is_plain_file(call.scene.file) && is_plain_file(call.node))
    throw WrongCall(fmt::format("the scene comes first; write explain {} {}", call.node, call.scene.file));
}

ExitStatus explanation(const ExplanationCall& call, const Streams& streams) {
  require_order(call);
  const Scene scene = load_scene(call.scene, streams);
  const NodeId written = node_as_written(scene.tree, call.node);
  SceneSolver solver(scene, call.scene.modes);
  std::optional<JsonAnswers> answers;
  bool is_first = true;
  for (AskedSize& asked : asked_sizes(call.at, scene.ladder)) {
    asked.active = solver.active(asked.container_size);
    const auto [solution, description] = solve_scrolled(solver, asked.container_size, call.scrolled);
    if (!description.empty()) asked.with = description;
    const std::vector<NodeId> there = solution.tree().matches(call.node);
    if (there.empty())
      throw WrongCall(
          fmt::format("{} is not in view at {}, and its list arranges only what is in view; scroll to it with "
                      "--scrolled, or ask for {}",
                      call.node, size_text(solution.container()), scene.tree.short_path(written)));
    const NodeId node = solution.tree().at(call.node);
    const Explanation account = fond_ladder::explain(solution, node);
    const std::vector<ExplanationStep> chain = chain_to_root(solution, node);
    const std::vector<Setting> in_force = settings(scene, written, asked.container_size, call.scene.modes);
    if (call.format == Format::json) {
      if (!answers) answers.emplace(streams.out, "explain");
      JsonWriter& json = answers->next(scene, call.scene.file, solution, asked);
      write_explanation(json, solution.tree(), account, chain);
      write_settings(json, in_force);
      continue;
    }
    if (!is_first) streams.out << '\n';
    is_first = false;
    print_account(account, chain, title_of(scene, solution, asked), call.to_root, streams.out);
    print_explicit_settings(in_force, streams.out);
  }
  if (answers) answers->end();
  return all_well;
}

}  // namespace

Command explain_command() {
  CommandOf<ExplanationCall> command("explain",
                                     "Explain the size and position of a node, and where each setting comes from");
  ExplanationCall& call = command.call();
  Options& options = command.options();
  add_scene(options, call.scene);
  options.argument("NODE", call.node, "The node, by its path or the end of its path");
  add_sizes(options, call.at);
  add_scrolled(options, call.scrolled);
  options.flag("--to-root", call.to_root, "Also explain the size of every ancestor, from the container down");
  options.format(call.format, {Format::table, Format::json});
  return command.does(explanation);
}

}  // namespace fond_ladder::calls
