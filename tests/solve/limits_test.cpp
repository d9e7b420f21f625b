// SPDX-License-Identifier: MIT
//
// The promises about cost and hostile values: finite numbers, one visit a node and pass, no allocation in a steady
// solve, no stack that depth could exhaust.
#include <gtest/gtest.h>
#include <sys/resource.h>

#include <atomic>
#include <cmath>
#include <random>
#include <thread>

#include "fond_ladder/fond_ladder.hpp"
#include "fond_ladder/scene_file.hpp"
#include "support/allocations.hpp"
#include "support/random_scenes.hpp"
#include "support/shorthand.hpp"

namespace fond_ladder {
namespace {

TEST(Limits, ASteadySolveAllocatesNothing) {
  testing::RandomScenes scenes(testing::seed());
  for (int run = 0; run < 30; ++run) {
    Tree tree = scenes.tree(120);
    Solver solver;
    solver.solve(tree, {300, 200});
    std::vector<NodeId> leaves;
    for (const NodeId node : tree.nodes()) {
      if (!is_container(tree.kind(node)) && tree.kind(node) != Kind::text) leaves.push_back(node);
    }
    const auto sweep = [&] {  // the first time, grids may find that they never had so many tracks
      for (int width = 0; width < 400; width += 7) solver.solve(tree, {width, 200});
      for (int height = 0; height < 400; height += 7) solver.solve(tree, {333, height});
      for (const NodeId leaf : leaves) {
        tree.content_changed(leaf);
        solver.solve(tree, {333, 100});
      }
    };
    sweep();
    const std::size_t before = testing::allocations();
    sweep();
    ASSERT_EQ(testing::allocations() - before, 0U) << "run " << run;
  }
}

TEST(Limits, HostileValuesGiveFiniteNumbers) {
  const double values[] = {0, 1e-9, 1e9, 1};
  std::mt19937 random(3);
  const auto any = [&] { return values[random() % 4]; };
  for (int run = 0; run < 3000; ++run) {
    testing::RandomScenes scenes(static_cast<std::uint32_t>(run));
    Tree tree = scenes.tree(12);
    for (const NodeId node : tree.nodes()) {
      Keys keys = tree.keys(node);
      if (random() % 3 == 0) keys.width = any();
      if (random() % 3 == 0) keys.min_width = any();
      if (random() % 3 == 0) keys.max_width = any();
      if (random() % 3 == 0) keys.height = percent(any());
      if (random() % 3 == 0) keys.grow = any();
      if (random() % 3 == 0) keys.shrink = any();
      if (random() % 3 == 0) keys.basis = any();
      if (random() % 3 == 0) keys.margin = Edges(-any());
      if (random() % 3 == 0) keys.padding = Edges(random() % 2 == 0 ? Length(any()) : percent(any()));
      if (random() % 3 == 0) keys.gap = Gap(random() % 2 == 0 ? Length(-any()) : percent(any()));
      if (random() % 3 == 0) keys.aspect_ratio = random() % 2 == 0 ? 1e-6 : 1e6;
      if (random() % 3 == 0) keys.weight = any();
      tree.replace_keys(node, keys);
    }
    Solver solver;
    for (const ContainerSize container_size :
         {ContainerSize{0, 0}, ContainerSize{1e9, 1e9}, ContainerSize{1e-9, {}}, ContainerSize{{}, {}}}) {
      const Solution solution = solver.solve(tree, container_size);
      for (const auto& [node, box, depth] : solution.boxes()) {
        for (const double number : {box.x, box.y, box.width, box.height}) ASSERT_TRUE(std::isfinite(number)) << run;
        ASSERT_GE(box.width, 0) << run;
        ASSERT_GE(box.height, 0) << run;
      }
    }
  }
}

TEST(Limits, AMillionLevelsNeedNoStack) {
  constexpr int levels = 1'000'000;
  rlimit old{};
  getrlimit(RLIMIT_STACK, &old);
  // A thread with a stack of 256 KiB: anything that recurses by depth ends the program here.
  pthread_attr_t attributes;
  pthread_attr_init(&attributes);
  pthread_attr_setstacksize(&attributes, 256 * 1024);
  pthread_t thread{};
  static std::atomic<bool> done{false};
  const auto work = [](void*) -> void* {
    Node chain = box("end").width(10).height(5);
    for (int i = 0; i < levels; ++i) chain = (i % 2 == 0 ? row() : column()).children(std::move(chain));
    const Scene scene(chain);
    const Solution solution = solve(scene, {50, 40});
    EXPECT_EQ(solution["end"], (Rect{0, 0, 10, 5}));
    EXPECT_EQ(solution.visited(), (std::array<std::size_t, 4>{levels + 1, levels + 1, levels + 1, levels + 1}));

    std::string json = "{\"format\":2,\"root\":";
    for (int i = 0; i < levels; ++i) json += R"({"kind":"row","children":[)";
    json += R"({"kind":"box","name":"end","width":10})";
    for (int i = 0; i < levels; ++i) json += "]}";
    const Scene read = read_scene(json + "}", "deep");
    EXPECT_EQ(read.tree.size(), levels + 1U);
    EXPECT_EQ(solve(read, {50, 40})["end"].width, 10);
    done = true;
    return nullptr;
  };
  ASSERT_EQ(pthread_create(&thread, &attributes, work, nullptr), 0);
  pthread_join(thread, nullptr);
  EXPECT_TRUE(done);
}

TEST(Limits, APlainNodeTakesAtMost216Bytes) {
  testing::RandomScenes scenes(1);
  Keys keys;
  keys.kind = Kind::column;
  Tree tree(keys);
  NodeId row;
  for (int i = 0; i < 20000; ++i) {
    keys = {};
    if (i % 7 == 0) {
      keys.kind = Kind::row;
      keys.gap = 4.0;
      keys.padding = i % 2 == 0 ? Edges(3) : Edges();
      row = tree.append(tree.root(), keys);
      continue;
    }
    keys.natural_size = {10, 5};
    keys.grow = i % 3;
    if (i % 5 == 0) keys.min_width = 8.0;
    tree.append(row, keys);
  }
  tree.compact();
  Solver solver;
  solver.solve(tree, {800, 600});
  const std::size_t bytes = tree.memory() + solver.memory() - solver.scratch_memory();
  EXPECT_LE(static_cast<double>(bytes) / static_cast<double>(tree.size()), 216);
}

TEST(Limits, RoomToWorkInGoesByTheLongestRunAndNamesByTheirNumber) {
  const auto scratch_of = [](int rows, int boxes) {
    Keys keys;
    keys.kind = Kind::column;
    Tree tree(keys);
    keys.kind = Kind::row;
    for (int i = 0; i < rows; ++i) {
      const NodeId row = tree.append(tree.root(), keys);
      for (int k = 0; k < boxes; ++k) {
        Keys box;
        box.name = "box" + std::to_string(k);
        tree.append(row, box);
      }
    }
    tree.compact();
    Solver solver;
    solver.solve(tree, {800, 600});
    EXPECT_GT(solver.memory(), solver.scratch_memory());
    return std::array{static_cast<double>(solver.scratch_memory()), static_cast<double>(tree.names_memory())};
  };
  const auto [few, few_names] = scratch_of(10, 1000);
  const auto [many, many_names] = scratch_of(100, 1000);
  const auto [longer, longer_names] = scratch_of(10, 10000);
  EXPECT_EQ(many, few) << "however many runs";
  EXPECT_NEAR(longer / few, 10, 1);
  EXPECT_LE(longer / 10000, 260) << "bytes a sibling";
  EXPECT_LT(many_names, 12 * few_names) << "a name that many nodes have is kept once; each has a link";
  EXPECT_GT(longer_names, 5 * few_names);
}

}  // namespace
}  // namespace fond_ladder
