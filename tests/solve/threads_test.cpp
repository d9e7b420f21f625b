// SPDX-License-Identifier: MIT
//
// One tree, many solvers on many threads. Built by itself, so that the run with the thread sanitizer stays short.
#include <gtest/gtest.h>

#include <algorithm>
#include <array>
#include <sstream>
#include <thread>

#include "fond_ladder/fond_ladder.hpp"
#include "support/random_scenes.hpp"
#include "support/same_solution.hpp"
#include "support/tree_editor.hpp"

namespace fond_ladder {
namespace {

TEST(Threads, ManySolversOnOneTree) {
  testing::RandomScenes scenes(testing::seed());
  const Tree tree = scenes.tree(400);
  Solver alone;
  std::vector<std::vector<Solution::NodeBox>> expected;
  for (int width = 100; width < 140; ++width) expected.push_back(alone.solve(tree, {width, 300}).boxes());
  const Tree fresh = tree;  // not packed yet by any solver
  std::vector<std::thread> threads;
  std::array<int, 4> wrong{};
  for (int t = 0; t < 4; ++t) {
    threads.emplace_back([&, t] {
      Solver solver;
      for (int width = 100; width < 140; ++width) {
        const auto boxes = solver.solve(fresh, {width, 300}).boxes();
        const auto& right = expected[static_cast<std::size_t>(width - 100)];
        wrong[static_cast<std::size_t>(t)] +=
            !std::equal(boxes.begin(), boxes.end(), right.begin(), right.end(),
                        [](const auto& p, const auto& q) { return p.node == q.node && p.box == q.box; });
      }
    });
  }
  for (std::thread& thread : threads) thread.join();
  EXPECT_EQ(wrong, (std::array<int, 4>{}));
}

TEST(Threads, ReadersSeeWhatStandsWhileOthersSolveAfterAnEdit) {
  testing::RandomScenes scenes(testing::seed());
  for (int run = 0; run < 20; ++run) {
    Tree tree = scenes.tree(200);
    Solver().solve(tree, {300, 200});
    Keys box;
    for (int i = 0; i < 20; ++i) tree.insert(tree.root(), 0, box);
    tree.set_conditions({}, {"open"});
    for (const NodeId node : tree.children(tree.root())) {
      tree.when(node, "open", fond_ladder::text({}, {}).font_size(9).explicit_keys());
    }
    const std::size_t size = tree.size();
    std::vector<std::thread> threads;
    std::array<std::size_t, 4> wrong{};
    for (std::size_t t = 0; t < wrong.size(); ++t) {
      threads.emplace_back([&, t] {
        if (t % 2 == 0) {
          Solver solver;
          solver.set_mode("open", t == 0);  // one tree, in two forms at once
          wrong[t] += solver.solve(tree, {300, 200}).visited()[0] != size;
          return;
        }
        for (const NodeId node : tree.nodes()) {
          wrong[t] += tree.children(node).size() != tree.child_count(node);
          wrong[t] += tree.at(tree.path(node)) != node;
        }
        wrong[t] += tree.nodes().size() != size;
      });
    }
    for (std::thread& thread : threads) thread.join();
    EXPECT_EQ(wrong, (std::array<std::size_t, 4>{}));
  }
}

TEST(Threads, ManyAskOneSolutionAboutDeepNodes) {
  Keys level;
  level.kind = Kind::row;
  level.padding = Edges(1);
  Tree tree(level);
  NodeId deepest = tree.root();
  for (int i = 0; i < 100; ++i) deepest = tree.append(deepest, level);
  Solver solver;
  for (int width = 300; width < 320; ++width) {
    const Solution solution = solver.solve(tree, {static_cast<double>(width), 200});
    std::array<double, 8> found{};
    std::vector<std::thread> threads;
    for (double& x : found)
      threads.emplace_back([&] { x = solution.is_placed(deepest) ? solution.box(deepest).x : -1; });
    for (std::thread& thread : threads) thread.join();
    EXPECT_EQ(found, (std::array<double, 8>{100, 100, 100, 100, 100, 100, 100, 100}));
  }
}

TEST(Threads, ShareTheWorkOfASweep) {
  const Scene scene = row("r").children(box("a").weight(1).max_width(80), box("b").weight(1));
  SweepOptions options;
  options.threads = 4;
  std::vector<double> answer;
  options.progress = [&](double share) { answer.push_back(share); };
  const Sweep swept = sweep(scene, Ladder{.width = {100, 300}, .height = 200}, {"r/*.width", "r/*.height"}, options);
  EXPECT_EQ(swept.steps.size(), 201U);
  EXPECT_FALSE(swept.breakpoints().empty());
  EXPECT_EQ(*std::ranges::max_element(answer), 1);
}

/// Eight solvers, each with what it kept of the steps before, and readers beside them; edits between, by one thread.
TEST(Threads, SolversAndReadersOfATreeThatIsEditedBetween) {
  testing::TreeEditor editor(testing::seed());
  constexpr std::size_t solvers = 8;
  std::array<Solver, solvers> kept;
  for (int step = 0; step < 40; ++step) {
    for (int edits = 0; edits < 3; ++edits) editor.edit();
    const Tree& tree = editor.tree();
    const ContainerSize container_size{200.0 + step % 7, 150};
    const Solution expected = Solver().solve(tree, container_size).snapshot();
    std::array<std::string, solvers> wrong;
    std::array<std::size_t, 2> read{};
    std::vector<std::thread> threads;
    for (std::size_t t = 0; t < solvers; ++t)
      threads.emplace_back([&, t] { wrong[t] = testing::difference(kept[t].solve(tree, container_size), expected); });
    for (std::size_t& count : read) {
      threads.emplace_back([&] {
        for (const NodeId node : tree.nodes()) count += tree.matches(tree.path(node)).empty() ? 0 : 1;
      });
    }
    for (std::thread& thread : threads) thread.join();
    EXPECT_EQ(wrong, (std::array<std::string, solvers>{})) << step;
    EXPECT_EQ(read, (std::array{tree.size(), tree.size()}));
  }
}

TEST(Threads, AnswersAreTheSameOnAnyNumberOfThem) {
  Scene scene =
      row("r").children(box("a").weight(1).max_width(80).touch_target(), box("b").weight(1), text("t", "Fern"));
  scene.ladder = {{0, 90}, Interval(20), {}};
  scene.modes = {"dim"};
  const std::vector<Variant> variants{variant_of(scene, ""), variant_of(scene, "", {"dim"}),
                                      variant_of(scene, "", {}, 0.5)};
  const auto answer = [&](unsigned threads) {
    std::ostringstream text;
    text << lint(variants, {.threads = threads});
    for (const CheckedClaim& one :
         check(variants, {"a.width = b.width", "fits(r)", "reachable(r/*)"}, {.threads = threads}))
      text << report(one);
    for (const CheckedClaim& one :
         check(variants, {"a.width = b.width"}, {.heights = Interval(10, 30), .threads = threads}))
      text << report(one);
    SweepOptions options;
    options.threads = threads;
    for (const Breakpoint& breakpoint : sweep(scene, scene.ladder, {"r/*.width", "t.x"}, options).breakpoints())
      text << breakpoint.at << ' ' << breakpoint.why << '\n';
    return text.str();
  };
  const std::string alone = answer(1);
  for (unsigned threads = 2; threads <= 16; threads += threads < 4 ? 1 : 4)
    EXPECT_EQ(answer(threads), alone) << threads;
}

}  // namespace
}  // namespace fond_ladder
