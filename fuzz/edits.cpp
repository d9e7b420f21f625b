// SPDX-License-Identifier: MIT
//
// Scripts of edits: the bytes choose a small tree and what is done to it. After each step a solver that saw every step,
// a fresh one, and a fresh one of a tree that was built anew tell the same, bit for bit; and a solve that knows how it
// goes on begins with these numbers and tells those of a wider container.
#include <cmath>
#include <map>
#include <optional>

#include "fond_ladder/solver.hpp"
#include "solve/passes/traced_solve.hpp"
#include "support/same_solution.hpp"
#include "support/tree_editor.hpp"
#include "trouble.hpp"

namespace fond_ladder::fuzz {
namespace {

/// The same tree, put together node by node. What nodes are under ranges is said before these are: a tree may hold what
/// could not be said any more since the node itself got the range.
Tree built_anew(const Tree& tree) {
  const auto without_ranges = [&](NodeId node) {
    Keys keys = tree.keys(node);
    keys.ranges.clear();
    return keys;
  };
  Tree anew(without_ranges(tree.root()), tree.em(), tree.direction());
  anew.set_conditions(tree.ranges(), tree.modes());
  std::map<NodeId, NodeId> of{{tree.root(), anew.root()}};
  for (const NodeId node : tree.nodes()) {
    if (node != tree.root()) of[node] = anew.append(of.at(tree.parent(node)), without_ranges(node));
  }
  const NodeId witness =
      anew.append(anew.root(), box().ranges({{.name = "tight"}, {.name = "ample"}, {.name = "tidy"}}));
  for (const When& when : tree.whens()) anew.when(of.at(when.node), when.name, when.change);
  for (const NodeId node : tree.nodes()) {
    if (const Keys keys = tree.keys(node); !keys.ranges.empty()) anew.replace_keys(of.at(node), keys);
  }
  anew.remove(witness);
  return anew;
}

/// Where a plain solve differs from a traced one that was started `further` back.
std::string off_the_trace(const Solution& plain, const detail::TracedSolve& traced, double further) {
  const Tree& tree = plain.tree();
  const auto view = traced.view(tree.store());
  for (const Solution::NodeBox& one : plain.boxes()) {
    const detail::Index node = tree.store().index_of(one.node);
    const Rect box = plain.relative_box(one.node);
    const auto differ = [&](const detail::TracedNumber& number, double part) {
      const double there = number.further(further, 0).value();
      return std::abs(there - part) > 1e-6 * std::max(1.0, std::abs(part) / 1000);  // sums from the root
    };
    if (differ(view.size(node, x_axis), box.width) || differ(view.size(node, y_axis), box.height) ||
        differ(view.place(node, x_axis), box.x) || differ(view.place(node, y_axis), box.y)) {
      return tree.path(one.node);
    }
  }
  return "";
}

/// A traced solve begins with the numbers of a plain one, and tells those of a wider one.
void follow(const Solution& plain, ContainerSize container_size) {
  detail::TracedSolve traced;
  const std::optional<detail::TracedNumber> height =
      container_size.height ? std::optional(detail::TracedNumber(*container_size.height)) : std::nullopt;
  traced.run(plain.tree().store(), detail::TracedNumber(*container_size.width, 1), height, {});
  expect_none(off_the_trace(plain, traced, 0), "a course begins elsewhere");
  const detail::DecisionTrace& decision_trace = traced.decision_trace();
  const double further = std::min(40.0, decision_trace.ahead / 2);
  if (decision_trace.bent || decision_trace.curved || decision_trace.opaque || further < 1e-3) return;
  Solver fresh;
  const Solution wider = fresh.solve(plain.tree(), {*container_size.width + further, container_size.height});
  expect_none(off_the_trace(wider, traced, further), "a course goes elsewhere");
}

void run(std::span<const std::uint8_t> bytes) {
  testing::Draws draws(bytes);
  const auto size = 2 + static_cast<std::size_t>(draws.below(5));
  testing::TreeEditor editor(testing::RandomScenes(draws), size);
  Solver kept, open;
  open.set_mode("open", true);
  for (int step = 0, last = editor.random().below(4); step <= last; ++step) {
    const ContainerSize container_size = step % 2 == 1 ? ContainerSize{300, 200} : editor.random().container_size();
    const bool looks_anew = editor.random().chance(25), traces = editor.random().chance(25);
    Solver* const solver = editor.random().chance(70) ? &kept : &open;
    Solver fresh;
    fresh.set_mode("open", solver == &open);
    const Solution seen = solver->solve(editor.tree(), container_size);
    expect_none(testing::difference(seen, fresh.solve(editor.tree(), container_size)), "a kept solver tells otherwise");
    if (looks_anew) {
      const Tree anew = built_anew(editor.tree());
      Solver first;
      first.set_mode("open", solver == &open);
      expect_none(testing::difference(seen, first.solve(anew, container_size)),
                  "a tree that was built anew tells otherwise");
    }
    if (traces && solver == &kept && container_size.width) follow(seen, container_size);
    if (editor.random().spent()) return;
    for (int edits = 1 + editor.random().below(4); edits > 0; --edits) editor.edit();
  }
}

}  // namespace
}  // namespace fond_ladder::fuzz

int LLVMFuzzerTestOneInput(const std::uint8_t* bytes, std::size_t count) {
  fond_ladder::fuzz::run({bytes, count});
  return 0;
}
