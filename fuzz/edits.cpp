// SPDX-License-Identifier: MIT
//
// Scripts of edits: the bytes choose a small tree and what is done to it. After each step a solver that saw every step,
// a fresh one, and a fresh one of a tree that was built anew tell the same, bit for bit; and a solve that knows how it
// goes on begins with these numbers.
#include <cmath>
#include <map>
#include <optional>

#include "fond_ladder/solver.hpp"
#include "solve/traced_solve.hpp"
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
    if (const Keys keys = tree.keys(node); !keys.ranges.empty()) anew.restyle(of.at(node), keys);
  }
  anew.remove(witness);
  return anew;
}

/// Where a traced solve begins elsewhere than a plain one.
std::string off_the_start(const Solution& plain, Rung rung) {
  detail::TracedSolve traced;
  const Tree& tree = plain.tree();
  const std::optional<detail::Moving> height = rung.height ? std::optional(detail::Moving(*rung.height)) : std::nullopt;
  traced.run(tree.store(), detail::Moving(*rung.width, 1), height, {});
  const auto view = traced.view(tree.store());
  for (const Solution::NodeBox& one : plain.boxes()) {
    const detail::Index node = tree.store().index_of(one.node);
    const Rect box = plain.relative_box(one.node);
    const auto differ = [&](const detail::Moving& traced_part, double part) {
      return std::abs(traced_part.value() - part) > 1e-6 * std::max(1.0, std::abs(part) / 1000);  // sums from the root
    };
    if (differ(view.size(node, x_axis), box.width) || differ(view.size(node, y_axis), box.height) ||
        differ(view.place(node, x_axis), box.x) || differ(view.place(node, y_axis), box.y)) {
      return tree.path(one.node);
    }
  }
  return "";
}

void run(std::span<const std::uint8_t> bytes) {
  testing::Draws draws(bytes);
  const auto size = 2 + static_cast<std::size_t>(draws.below(5));
  testing::TreeEditor editor(testing::RandomScenes(draws), size);
  Solver kept, open;
  open.set_mode("open", true);
  for (int step = 0; step < 4; ++step) {
    const Rung rung = step % 2 == 1 ? Rung{300, 200} : editor.random().rung();
    const bool looks_anew = editor.random().chance(25), traces = editor.random().chance(25);
    Solver* const solver = editor.random().chance(70) ? &kept : &open;
    Solver fresh;
    fresh.set_mode("open", solver == &open);
    const Solution seen = solver->solve(editor.tree(), rung);
    expect_none(testing::difference(seen, fresh.solve(editor.tree(), rung)), "a kept solver tells otherwise");
    if (looks_anew) {
      const Tree anew = built_anew(editor.tree());
      Solver first;
      first.set_mode("open", solver == &open);
      expect_none(testing::difference(seen, first.solve(anew, rung)), "a tree that was built anew tells otherwise");
    }
    if (traces && solver == &kept && rung.width) expect_none(off_the_start(seen, rung), "a course begins elsewhere");
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
