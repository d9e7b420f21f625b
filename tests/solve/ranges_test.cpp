// SPDX-License-Identifier: MIT
//
// Nodes that are different under ranges and modes: which one wins, exactly where, and at what cost.
#include "fond_ladder/ranges.hpp"

#include <gtest/gtest.h>

#include "fond_ladder/fond_ladder.hpp"
#include "fond_ladder/scene_file.hpp"
#include "support/allocations.hpp"
#include "support/shorthand.hpp"

namespace fond_ladder {
namespace {

Scene scene_of(const std::string& node) {
  return read_scene(
      R"({"format":2,"ranges":[{"name":"narrow","below_width":640},{"name":"wide","from_width":1200},)"
      R"({"name":"middle","from_width":600,"below_width":1300,"below_height":500}],"modes":["closed","dim"],)"
      R"("shared":{"s":{"when":{"narrow":{"height":5}}}},"root":{"kind":"row","name":"r","children":[)" +
          node + "]}}",
      "s");
}

std::string boxes(const Scene& scene, const char* at, const std::vector<std::string>& modes = {}) {
  return testing::boxes_text(solve(scene, testing::size_from(at), modes));
}

TEST(Forms, HoldFromTheirFirstPixelToBelowTheirLast) {
  const Scene scene =
      scene_of(R"({"kind":"box","name":"a","width":1,"height":9,"when":{"narrow":{"width":2},"wide":{"width":3}}})");
  const struct {
    const char *at, *boxes;
  } cases[] = {
      {"639x600", "a(0,0 2x9)"},      {"639.999x600", "a(0,0 2x9)"}, {"640x600", "a(0,0 1x9)"},
      {"1199.999x600", "a(0,0 1x9)"}, {"1200x600", "a(0,0 3x9)"},    {"content", "a(0,0 1x9)"},
  };
  for (const auto& [at, expected] : cases) {
    EXPECT_EQ(boxes(scene, at), expected) << at;
  }
}

TEST(Forms, LaterRangesBeatEarlierOnesAndModesBeatBoth) {
  const Scene scene = scene_of(
      R"({"kind":"box","name":"a","like":"s","width":1,"height":1,"when":{"dim":{"width":6},"middle":{"width":4,"height":null},)"
      R"("closed":{"width":5},"narrow":{"width":2,"height":7}}})");
  const struct {
    const char* at;
    std::vector<std::string> modes;
    const char* boxes;
  } cases[] = {
      {"500x600", {}, "a(0,0 2x7)"},
      {"620x600", {}, "a(0,0 2x7)"},
      {"620x400", {}, "a(0,0 4x400)"},  // null: stretched again
      {"620", {}, "a(0,0 2x7)"},        // a height that follows the content is in no range of heights
      {"620x400", {"closed"}, "a(0,0 5x400)"},
      {"620x400", {"dim", "closed"}, "a(0,0 6x400)"},  // in the order of the scene, not of the call
      {"900x600", {"dim"}, "a(0,0 6x1)"},
  };
  for (const auto& [at, modes, expected] : cases) EXPECT_EQ(boxes(scene, at, modes), expected) << at << modes.size();
  EXPECT_THROW((void)solve(scene, {10, 10}, {"open"}), BadValue);
  EXPECT_THROW((void)solve(scene, {10, 10}, {"narrow"}), BadValue) << "a range is no mode";
}

TEST(Forms, ChangeTheKindTheMapAndTheNumberOfCopies) {
  const Scene kinds = scene_of(
      R"({"kind":"row","name":"g","weight":1,"gap":2,"when":{"narrow":{"kind":"column"},"closed":{"hidden":true}},"children":[)"
      R"({"kind":"box","name":"a","width":5,"height":4},{"kind":"box","name":"b","width":5,"height":4}]})");
  EXPECT_EQ(boxes(kinds, "700x20"), "g(0,0 700x20) a(0,0 5x4) b(7,0 5x4)");
  EXPECT_EQ(boxes(kinds, "600x20"), "g(0,0 600x20) a(0,0 5x4) b(0,6 5x4)");
  EXPECT_EQ(boxes(kinds, "600x20", {"closed"}), "");
  const Scene maps = scene_of(
      R"({"kind":"grid","name":"g","weight":1,"areas":["a b"],"columns":2,"when":{"narrow":{"areas":["b","a"],"columns":null}},)"
      R"("children":[{"kind":"box","name":"a","area":"a"},{"kind":"box","name":"b","area":"b"}]})");
  EXPECT_EQ(boxes(maps, "700x20"), "g(0,0 700x20) a(0,0 350x20) b(350,0 350x20)");
  EXPECT_EQ(boxes(maps, "600x20"), "g(0,0 600x20) a(0,10 600x10) b(0,0 600x10)");
  const Scene copies = scene_of(
      R"({"kind":"box","name":"a","width":3,"height":1,"copies":2,"when":{"wide":{"copies":4},"closed":{"copies":1}}})");
  EXPECT_EQ(boxes(copies, "700x9"), "a[0](0,0 3x1) a[1](3,0 3x1)");
  EXPECT_EQ(boxes(copies, "1300x9"), "a[0](0,0 3x1) a[1](3,0 3x1) a[2](6,0 3x1) a[3](9,0 3x1)");
  EXPECT_EQ(boxes(copies, "1300x9", {"closed"}), "a[0](0,0 3x1)");
  EXPECT_EQ(boxes(copies, "1300x9", {"dim"}), boxes(copies, "1300x9"));
}

TEST(Forms, AQuantityOfAHiddenNodeIsAbsent) {
  const Scene scene = scene_of(R"({"kind":"box","name":"a","width":3,"when":{"narrow":{"hidden":true}}})");
  const Sweep swept = sweep(scene, {{639, 9}, {640, 9}}, {"a.width"});
  EXPECT_FALSE(swept.steps[0].values[0].has_value());
  EXPECT_EQ(swept.steps[1].values[0], 3);
}

TEST(Forms, AreTheSameFromCpp) {
  Scene scene = row("r").children(box("a").width(10).when("small", box().width(4)),
                                  box("b").weight(1).when("shut", box().hidden()));
  EXPECT_THROW((void)solve(scene, {90, 10}), BadValue) << "neither a range nor a mode";
  scene.ranges = {Range{.name = "small", .below_width = 50}};
  scene.modes = {"shut"};
  SceneSolver solver(scene);
  EXPECT_EQ(testing::boxes_text(solver.solve({50, 5})), "a(0,0 10x5) b(10,0 40x5)");
  EXPECT_EQ(testing::boxes_text(solver.solve({49, 5})), "a(0,0 4x5) b(4,0 45x5)");
  EXPECT_EQ(testing::boxes_text(solver.solve({50, 5})), "a(0,0 10x5) b(10,0 40x5)");
  EXPECT_EQ(solver.active({49, 5}), std::vector<std::string>{"small"});
  EXPECT_EQ(boxes(scene, "49x5", {"shut"}), "a(0,0 4x5)");
  EXPECT_EQ(testing::boxes_text(solve(scene, {50, 5})), "a(0,0 10x5) b(10,0 40x5)") << "the scene is as it was";
}

TEST(Forms, ASwitchCostsOnlyWhatChanges) {
  std::string children = R"({"kind":"box","name":"turns","width":5,"when":{"narrow":{"width":9}}})";
  for (int i = 0; i < 500; ++i)
    children += R"(,{"kind":"column","width":7,"shrink":0,"children":[{"kind":"box","height":3}]})";
  const Scene scene = scene_of(children);
  SceneSolver solver(scene);
  solver.solve({640, 600});
  const auto visited = solver.solve({639.5, 600}).visited();
  EXPECT_LE(visited[0], 2U) << "the node that turns, and the root";
  EXPECT_LE(visited[1] + visited[3], 4U) << "nothing in the others";
}

TEST(Forms, AsManyAsThereMayBeOnOneNodeCostWhatTheyAre) {
  const auto count_of = [](int ranges) {
    Tree tree = Scene(row("r").children(box("a"))).tree;
    std::vector<Range> all;
    for (int i = 0; i < ranges; ++i) all.push_back({.name = "w" + std::to_string(i), .below_width = 100.0 + i});
    tree.set_conditions(all, {});
    const std::size_t before = testing::allocations();
    for (const Range& range : all) tree.when(tree.at("a"), range.name, box().width(percent(20)).explicit_keys());
    return testing::allocations() - before;
  };
  EXPECT_LE(count_of(800), 12 * count_of(100)) << "the others are not compiled again";
}

TEST(Forms, WhatIsWrongInThemIsTold) {
  const auto faults = [](const std::string& head, const std::string& root) {
    try {
      (void)read_scene(R"({"format":2,)" + head + R"("root":)" + root + "}", "s");
    } catch (const BadScene& scene) {
      std::string text;
      for (const SceneError& fault : scene.faults()) text += fault.message + " (at " + fault.pointer + ")\n";
      return text;
    }
    return std::string("none\n");
  };
  const struct {
    const char *head, *root, *says;
  } cases[] = {
      {R"("ranges":[{"name":"narrow","below_width":640}],)", R"({"kind":"row","when":{"narow":{"gap":3}}})",
       "no range or mode is called \"narow\"; did you mean \"narrow\"? (at /root/when/narow)\n"},
      {R"("modes":["m"],)", R"({"kind":"row","when":{"m":{"gpa":3}}})",
       "unknown key \"gpa\"; did you mean \"gap\"? (at /root/when/m/gpa)\n"},
      {R"("modes":["m"],)", R"({"kind":"row","when":{"m":{"children":[],"name":"x"}}})",
       "\"when\" cannot give a \"children\" (at /root/when/m/children)\n\"when\" cannot give a \"name\" (at "
       "/root/when/m/name)\n"},
      {R"("modes":["m"],)", R"({"kind":"row","when":{"m":{"copies":3}}})",
       "\"copies\" in \"when\" needs \"copies\" on the node itself (at /root/when/m/copies)\n"},
      {R"("modes":["m"],)", R"({"kind":"row","when":{"m":{"width":-3}}})",
       "\"width\" must be 0 or more, and at most 1e9 (at /root/when/m/width)\n"},
      {R"("modes":["m","m"],)", R"({"kind":"row"})", "two ranges or modes are called \"m\" (at /modes/1)\n"},
      {R"("ranges":[{"name":"n","form_width":3}],)", R"({"kind":"row"})",
       "unknown key \"form_width\"; did you mean \"from_width\"? (at /ranges/0/form_width)\n"},
      {R"("ranges":[{"name":"n","from_width":9,"below_width":9}],)", R"({"kind":"row"})",
       "the range \"n\" includes no size; its from_ bound must be smaller than its below_ bound (at /ranges/0)\n"},
      {R"("ranges":[{"below_width":9}],)", R"({"kind":"row"})",
       "a range must be an object with a \"name\" and bounds, as in \"below_width\": 640 (at /ranges/0)\n"},
  };
  for (const auto& [head, root, says] : cases) EXPECT_EQ(faults(head, root), says) << head << root;
}

}  // namespace
}  // namespace fond_ladder
