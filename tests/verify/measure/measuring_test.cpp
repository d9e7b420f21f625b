// SPDX-License-Identifier: MIT
//
// Short ways to values are held against the plain ones, on random scenes at random sizes: many quantities at once
// against one at a time, the most that is cut in a part against every node of it, and words that surely fit against
// their lines.
#include "verify/measure/measuring.hpp"

#include <gtest/gtest.h>

#include "fond_ladder/fond_ladder.hpp"
#include "support/random_scenes.hpp"
#include "support/shorthand.hpp"

namespace fond_ladder {
namespace {

std::vector<Quantity> every_quantity(const Tree& tree) {
  std::vector<Quantity> all;
  for (std::size_t measure = 0; measure <= static_cast<std::size_t>(Measure::max_overhang); ++measure) {
    for (const NodeId node : tree.nodes()) all.push_back({node, static_cast<Measure>(measure), ""});
  }
  return all;
}

/// What overhangs a text, told from its lines alone.
double words_out(const Solution& solution, NodeId text) {
  const Rect box = solution.relative_box(text);
  const FourSides border = solution.border(text);
  double out = 0, bottom = 0;
  for (const Solution::TextLine& line : solution.text_lines(text)) {
    out = std::max({out, border.left - line.box.x, line.box.right() - (box.width - border.right)});
    bottom = line.box.bottom();
  }
  return bottom > 0 ? std::max(out, bottom - (box.height - border.bottom)) : 0;
}

TEST(Measuring, ManyAtOnceAreTheSameAsOneAtATime) {
  testing::RandomScenes random(testing::seed());
  for (int i = 0; i < 50; ++i) {
    const Scene scene(random.tree(25));
    const std::vector<Quantity> all = every_quantity(scene.tree);
    const Solution solution = solve(scene, {40.0 + 13 * i, 200.0});
    const Values values = Measuring(all)(solution);
    ASSERT_EQ(values.size(), all.size());
    for (std::size_t q = 0; q < all.size(); ++q)
      EXPECT_EQ(values[q], value_of(all[q], solution))
          << scene.tree.path(all[q].node) << " " << static_cast<int>(all[q].measure);
  }
}

TEST(Measuring, TheMostCutOfAPartIsTheLargestCutInIt) {
  testing::RandomScenes random(testing::seed());
  int overhangs_somewhere = 0;
  for (int i = 0; i < 50; ++i) {
    const Scene scene(random.tree(25));
    const Solution solution = solve(scene, {40.0 + 13 * i, 150.0});
    for (const NodeId part : scene.tree.nodes()) {
      double most = 0;
      std::vector<NodeId> open{part};
      while (!open.empty()) {
        const NodeId node = open.back();
        open.pop_back();
        most = std::max(most, value_of({node, Measure::overhang, ""}, solution).value_or(0));
        for (const NodeId child : scene.tree.children(node)) open.push_back(child);
      }
      EXPECT_EQ(solution.max_overhang(part), solution.is_placed(part) ? most : 0) << scene.tree.path(part);
      overhangs_somewhere += most > 0 ? 1 : 0;
    }
  }
  EXPECT_GT(overhangs_somewhere, 50);
}

TEST(Measuring, OverhangIsItsLargestSideAndOverflowTheLargestOfTheChildren) {
  testing::RandomScenes random(testing::seed() + 1);
  int overflowing = 0;
  for (int i = 0; i < 60; ++i) {
    const Scene scene(random.tree(25));
    const Solution solution = solve(scene, {30.0 + 9 * i, 120.0});
    for (const NodeId node : scene.tree.nodes()) {
      if (!solution.is_placed(node)) continue;
      const auto measured = [&](Measure measure) { return value_of({node, measure, ""}, solution).value_or(-1); };
      const double left = measured(Measure::overhang_left), right = measured(Measure::overhang_right),
                   top = measured(Measure::overhang_top), bottom = measured(Measure::overhang_bottom);
      EXPECT_EQ(measured(Measure::overhang), std::max({left, right, top, bottom})) << scene.tree.path(node);
      double x = 0, y = 0;
      for (const NodeId child : scene.tree.children(node)) {
        if (!solution.is_placed(child)) continue;
        const FourSides of_box = solution.overhang(child);
        x = std::max({x, of_box.left, of_box.right});
        y = std::max({y, of_box.top, of_box.bottom});
      }
      EXPECT_EQ(measured(Measure::overflow_x), x) << scene.tree.path(node);
      EXPECT_EQ(measured(Measure::overflow_y), y) << scene.tree.path(node);
      overflowing += x > 0 || y > 0 ? 1 : 0;
    }
  }
  EXPECT_GT(overflowing, 30);
}

TEST(Measuring, WordsThatSurelyFitDoFit) {
  const char* const texts[] = {"", "text=\"Oak, sown in March. Keep moist.\"",
                               "text=\"Propagation house\" one_line=true"};
  int overhang = 0, whole = 0;
  for (const char* text : texts) {
    for (const char* size :
         {"", "width=40", "width=130", "height=20", "height=70 width=60", "padding=9 width=90", "border=3 height=30"}) {
      const Scene scene = testing::scene_from("stack:s [ text:t " + std::string(text) + " " + size + " ]");
      for (const double width : {30.0, 80.0, 400.0}) {
        const Solution solution = solve(scene, {width, 100.0});
        const NodeId node = scene.tree.at("t");
        const double out = words_out(solution, node), answer = solution.text_overhang(node).most();
        EXPECT_NEAR(answer, out > 1e-3 ? out : 0, 1e-9) << text << " " << size << " " << width;
        ++(answer > 0 ? overhang : whole);
      }
    }
  }
  EXPECT_GT(overhang, 10);
  EXPECT_GT(whole, 10);
}

}  // namespace
}  // namespace fond_ladder
