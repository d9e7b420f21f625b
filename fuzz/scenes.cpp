// SPDX-License-Identifier: MIT
//
// Texts of scenes: each is read, or refused with places that lie in it. What was read is arranged, at one size or at
// several, and one thing more is asked of it, both chosen by the text: most is cheap, so that much is tried.
#include <algorithm>
#include <cmath>
#include <sstream>

#include "fond_ladder/check.hpp"
#include "fond_ladder/compare.hpp"
#include "fond_ladder/edit.hpp"
#include "fond_ladder/explanation.hpp"
#include "fond_ladder/issue.hpp"
#include "fond_ladder/lint.hpp"
#include "fond_ladder/scene_file.hpp"
#include "fond_ladder/suggest.hpp"
#include "fond_ladder/sweep.hpp"
#include "scene_changes.hpp"
#include "support/same_solution.hpp"
#include "trouble.hpp"

namespace fond_ladder::fuzz {
namespace {

constexpr std::size_t many_nodes = 200;  // beyond which a scene is asked little
constexpr const char* file = "stranger.scene.json";

/// Sizes with many breakpoints, and one that depends on the text; for most texts this one alone, which is soon
/// arranged.
std::vector<ContainerSize> sizes_of(const Scene& scene, std::uint64_t choice) {
  const ContainerSize some{static_cast<double>(choice % 4000) / 4, static_cast<double>(choice / 4096 % 900)};
  std::vector<ContainerSize> all{{0, 0}, {1e9, 1e9}, {}, {scene.ladder.width.from, std::nullopt}, some};
  const std::size_t which = (choice >> 40U) % 16;
  if (which == all.size()) return all;
  return {which < all.size() ? all[which] : some};
}

void arrange(const Scene& scene, std::uint64_t choice) {
  SceneSolver kept(scene);
  for (const ContainerSize& container_size : sizes_of(scene, choice)) {
    const Solution seen = kept.solve(container_size);
    for (const Solution::NodeBox& one : seen.boxes()) {
      const double parts[] = {one.box.x, one.box.y, one.box.width, one.box.height};
      expect(std::ranges::all_of(parts, [](double part) { return std::isfinite(part); }), "a box is not finite");
      expect(one.box.width >= 0 && one.box.height >= 0, "a box is less than nothing");
    }
    if (choice % 4 == 0)
      expect_none(testing::difference(seen, SceneSolver(scene).solve(container_size)),
                  "a fresh solver tells otherwise");
  }
}

/// The same scene as another one, as far as what is arranged.
void expect_same(const Scene& one, const Scene& other, std::uint64_t choice, std::string_view what) {
  expect(one.tree.size() == other.tree.size(), what);
  for (const ContainerSize& container_size : sizes_of(one, choice))
    expect_none(testing::difference(SceneSolver(one).solve(container_size), SceneSolver(other).solve(container_size)),
                what);
}

void tidy(std::string_view text, const Scene& scene, std::uint64_t choice) {
  const TidyScene tidied = tidy_scene(text, file);
  expect_same(scene, read_scene(tidied.json, file), choice, "a tidied scene is another one");
  expect(tidy_scene(tidied.json, file).json == tidied.json, "tidying twice is not tidying once");
  expect_same(scene, read_scene(to_json(scene), file), choice, "a scene that was written is another one");
}

void account(const Scene& scene, std::uint64_t choice) {
  SceneSolver solver(scene);
  const Solution solution = solver.solve(sizes_of(scene, choice).back());
  const auto nodes = solution.tree().nodes();  // with entries in view of a list, which may be many
  const std::size_t stride = nodes.size() <= many_nodes ? 1 : nodes.size() / 4;
  for (std::size_t i = 0; i < nodes.size(); i += stride) {
    const NodeId node = nodes[i];
    if (!solution.is_placed(node)) continue;
    const Explanation account = explain(solution, node);
    expect(account.adds_up(), "an account does not add up");
    std::ostringstream text;
    text << account;
    for (const ExplanationStep& step : chain_to_root(solution, node))
      text << step.name << step.why_width << step.why_height << '\n';
    text << why_there(solution, node, x_axis) << '\n' << why_there(solution, node, y_axis);
    expect_readable(text.str(), "an account");
  }
  for (const Issue& issue : issues(scene, solution))
    expect(solution.is_placed(issue.node), "trouble of a node without a place");
}

void try_changes(std::string_view text, std::uint64_t choice) {
  Draft draft(std::string(text), file);
  const auto nodes = draft.scene().tree.nodes();
  const auto name = [&](std::uint64_t at) { return draft.scene().tree.path(nodes[at % nodes.size()]); };
  const std::string before = draft.json(), node = name(choice), other = name(choice / 64);
  const Edit edits[] = {Edit::set(node + ".width", "30"),
                        Edit::set(node + ".kind", "grid"),
                        Edit::move(node, other, 0),
                        Edit::group({node}, Kind::row, "held"),
                        Edit::remove(node),
                        Edit::ungroup(node),
                        Edit::insert(node, 0, R"({"kind": "box", "name": "new"})"),
                        Edit::duplicate(node, "twin"),
                        Edit::set(other + ".hidden", "true")};
  const Edit& edit = edits[choice / 4096 % std::size(edits)];
  try {
    draft.apply(edit);
  } catch (const BadEdit& bad) {
    expect(draft.json() == before, "a change that was refused left something");
    return expect_readable(bad.what(), "the fault of a change");
  }
  for (const std::string& hint : draft.hints()) expect_readable(hint, "a hint");
  expect_same(draft.scene(), read_scene(draft.json(), file), choice, "a changed scene is not what its text says");
  expect(draft.undo() && draft.json() == before, "a change that is taken back leaves something");
}

template <class Answer>
void print(const Answer& answer, std::string_view what) {
  std::ostringstream text;
  text << answer;
  expect_readable(text.str(), what);
}

void ask(std::string_view text, Scene& scene, std::uint64_t choice) {
  if (scene.tree.size() > many_nodes) return;
  const std::uint64_t which = choice / 16 % 64;
  if (which < 20) return tidy(text, scene, choice);
  if (which < 36) return account(scene, choice);
  if (which < 52) return try_changes(text, choice);
  // Ladders of a stranger may be as long as they like; here they are short.
  for (Interval* span : {&scene.ladder.width, scene.ladder.height ? &*scene.ladder.height : nullptr}) {
    if (span != nullptr) span->to = std::min(span->to, span->from + 20);
  }
  std::erase_if(scene.ladder.named_sizes, [](const NamedSize& container_size) { return container_size.width > 1e6; });
  const Variant variant{.name = {}, .scene = scene};
  if (which < 56) {
    if (scene.claims.size() > 8) scene.claims.resize(8);
    for (const CheckedClaim& checked : check(scene, scene.claims, {.threads = 1}))
      expect_readable(report(checked, file), "the report of a check");
  } else if (which < 58) {
    const auto nodes = scene.tree.nodes();
    const std::string node = scene.tree.path(nodes[choice / 4096 % nodes.size()]);
    for (const Breakpoint& breakpoint :
         sweep(scene, scene.ladder, {node + ".width", node + ".y"}, {.threads = 1}).breakpoints())
      expect_readable(breakpoint.why, "a cause");
  } else if (which < 60) {
    print(lint(variant), "lint");
  } else if (which < 62) {
    for (const std::string& claim : suggest({variant})) expect_readable(claim, "a suggested claim");
  } else {
    const Comparison same = compare(variant, variant);
    expect(!same.any(), "a scene differs from itself");
  }
}

void run(std::string_view text) {
  const std::uint64_t choice = choice_of(text);
  try {
    Scene scene = read_scene(text, file);
    arrange(scene, choice);
    ask(text, scene, choice);
  } catch (const BadScene& bad) {
    expect(!bad.faults().empty(), "a scene is refused for nothing");
    const auto lines = static_cast<std::size_t>(std::ranges::count(text, '\n')) + 1;
    for (const SceneError& fault : bad.faults()) {
      expect(fault.file != file || fault.line <= lines, "a fault lies behind the end of the file");
      expect_readable(fault.text(), "a fault");
    }
  } catch (const BadValue& bad) {
    expect_readable(bad.what(), "a refusal");
  } catch (const BadClaim& bad) {
    expect_readable(bad.what(), "a claim's fault");
  }
}

}  // namespace
}  // namespace fond_ladder::fuzz

int LLVMFuzzerTestOneInput(const std::uint8_t* bytes, std::size_t count) {
  fond_ladder::fuzz::run(fond_ladder::fuzz::text_of(bytes, count));
  return 0;
}

std::size_t LLVMFuzzerCustomMutator(std::uint8_t* bytes, std::size_t count, std::size_t most, unsigned seed) {
  const std::string changed = fond_ladder::fuzz::changed_scene(fond_ladder::fuzz::text_of(bytes, count), seed);
  return fond_ladder::fuzz::put_back(changed, bytes, count, most);
}
