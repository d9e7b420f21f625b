// SPDX-License-Identifier: MIT
//
// A traced solve knows how it goes on: its numbers are those of a plain solve, and on as far as its decisions hold they
// lie on its lines, whatever is looked at between.
#include "solve/passes/traced_solve.hpp"

#include <gtest/gtest.h>

#include <cmath>
#include <limits>
#include <random>
#include <sstream>

#include "fond_ladder/fond_ladder.hpp"
#include "support/random_scenes.hpp"
#include "support/shorthand.hpp"

namespace fond_ladder {
namespace {

using detail::DecisionTrace;
using detail::TracedNumber;
using detail::TracedSolve;
using testing::scene_from;

struct Boxes {
  std::vector<NodeId> nodes;
  std::vector<std::array<double, 4>> at, slope;  // place in the parent and size
  std::vector<std::array<bool, 4>> bends;
};

Boxes traced_boxes(const Tree& tree, const TracedSolve& traced, const Solution& plain) {
  Boxes boxes;
  const auto view = traced.view(tree.store());
  for (const Solution::NodeBox& one : plain.boxes()) {
    const detail::Index node = tree.store().index_of(one.node);
    const TracedNumber parts[] = {view.place(node, x_axis), view.place(node, y_axis), view.size(node, x_axis),
                                  view.size(node, y_axis)};
    boxes.nodes.push_back(one.node);
    boxes.at.push_back({parts[0].value(), parts[1].value(), parts[2].value(), parts[3].value()});
    boxes.slope.push_back({parts[0].slope(), parts[1].slope(), parts[2].slope(), parts[3].slope()});
    boxes.bends.push_back({parts[0].bends(), parts[1].bends(), parts[2].bends(), parts[3].bends()});
  }
  return boxes;
}

/// The same of a plain solve.
std::array<double, 4> plain_box(const Solution& plain, NodeId node) {
  const Rect own = plain.box(node);
  const NodeId parent = plain.tree().parent(node);
  const Rect above = parent ? plain.box(parent) : Rect{};
  return {own.x - above.x, own.y - above.y, own.width, own.height};
}

/// A line through the plane of a container's sizes.
struct Line {
  double width, height;        // where it begins
  double by_width, by_height;  // along it
  bool content;                // the height is by content

  [[nodiscard]] TracedNumber width_at(double t) const { return {width + t * by_width, by_width}; }
  [[nodiscard]] TracedNumber height_at(double t) const { return {height + t * by_height, by_height}; }
};

/// What a plain solve `t` behind a traced one has elsewhere than its lines tell; nothing where it has all there.
std::string off_the_lines(const Tree& tree, const TracedSolve& traced, const Line& line, double at, double t) {
  Solver solver;
  const double x = line.width_at(at + t).value(), y = line.height_at(at + t).value();
  const Solution plain = solver.solve(tree, {x, line.content ? std::nullopt : std::optional(y)});
  const Boxes boxes = traced_boxes(tree, traced, plain);
  for (std::size_t k = 0; k < boxes.nodes.size(); ++k) {
    const std::array<double, 4> found = plain_box(plain, boxes.nodes[k]);
    for (std::size_t side = 0; side < 4; ++side) {
      if (boxes.bends[k][side]) continue;
      const double expected = boxes.at[k][side] + t * boxes.slope[k][side];
      if (std::abs(found[side] - expected) <= 1e-6 * std::max(1.0, std::abs(expected) / 1000)) continue;
      std::ostringstream text;
      text << tree.path(boxes.nodes[k]) << " side " << side << " at " << x << " x " << y << ": " << found[side]
           << ", not " << expected;
      return text.str();
    }
  }
  return "";
}

/// Follows a container along a line from event to event, and looks at many sizes between.
void follow(const Tree& tree, const Line& line, double length, int looks, std::mt19937& dice, const std::string& where,
            int& pieces_of_all, int& curved) {
  TracedSolve traced;
  double at = 0;
  int pieces = 0;
  std::uniform_real_distribution<double> share(0, 1);
  while (at < length && pieces < 3000 && !::testing::Test::HasFailure()) {
    const TracedNumber width = line.width_at(at), height = line.height_at(at);
    traced.run(tree.store(), width, line.content ? std::nullopt : std::optional(height), {});
    const double ahead = std::min(traced.decision_trace().ahead, length - at);
    ++pieces;
    curved += traced.decision_trace().curved ? 1 : 0;
    if (ahead > 1e-6 && !traced.decision_trace().curved) {
      for (int i = 0; i < looks && !::testing::Test::HasFailure(); ++i) {
        // Where a line may break by rounding, a plain solve may already, or still, do otherwise.
        const double edge = std::min(1e-3 + 2e-6 * std::max(width.value(), height.value()), ahead / 3);
        const double t = edge + share(dice) * (ahead - 2 * edge);
        EXPECT_EQ(off_the_lines(tree, traced, line, at, t), "")
            << where << ", piece of " << ahead << " from " << width.value() << " x " << height.value();
      }
    }
    at += std::max(ahead, 1e-7);
  }
  EXPECT_LT(pieces, 3000) << where;
  pieces_of_all += pieces;
}

/// If a trace missed a decision, it would reach too far; so beyond its end boxes must differ.
TEST(TracedSolve, ADecisionThatIsLeftOutWouldBeSeen) {
  const Tree wrapping = scene_from("row:r wrap=true [ box:a width=150 height=9 box:b width=150 height=9 ]").tree;
  const Line narrower{320, 100, -1, 0, false};
  TracedSolve traced;
  traced.run(wrapping.store(), narrower.width_at(0), narrower.height_at(0), {});
  EXPECT_NEAR(traced.decision_trace().ahead, 20, 1e-3);
  EXPECT_EQ(off_the_lines(wrapping, traced, narrower, 0, 19), "");
  EXPECT_NE(off_the_lines(wrapping, traced, narrower, 0, 21), "");
  int ends = 0, seen = 0;
  for (std::uint32_t seed = 0; seed < 300; ++seed) {
    const Tree tree = testing::RandomScenes(testing::seed() + 500 + seed).tree(20);
    const Line wider{200, 200, 1, 0, seed % 2 == 0};
    traced.run(tree.store(), wider.width_at(0), wider.content ? std::nullopt : std::optional(wider.height_at(0)), {});
    const double ahead = traced.decision_trace().ahead;
    if (traced.decision_trace().curved || ahead > 300) continue;
    ++ends;
    seen += off_the_lines(tree, traced, wider, 0, ahead + 5).empty() ? 0 : 1;
  }
  EXPECT_GT(ends, 150);
  EXPECT_GT(seen, ends / 2);  // the others decide what no box shows
}

TEST(TracedSolve, NumbersMoveAsTheyDo) {
  DecisionTrace decision_trace;
  const detail::Tracing tracing(decision_trace);
  const TracedNumber a{10, 1}, b{14, -1};
  EXPECT_TRUE(a < b);
  EXPECT_DOUBLE_EQ(decision_trace.ahead, 2);
  EXPECT_TRUE(TracedNumber(5, 1) > TracedNumber(5, 0));  // a little further on
  EXPECT_TRUE(TracedNumber(5, 1) == TracedNumber(5, 1));
  EXPECT_DOUBLE_EQ(max_of(a, b).slope(), -1);
  EXPECT_FALSE(decision_trace.curved);
  EXPECT_DOUBLE_EQ((a / TracedNumber(2)).slope(), 0.5);
  EXPECT_FALSE(decision_trace.curved);
  const TracedNumber ratio = a / b;
  EXPECT_TRUE(ratio.bends());
  EXPECT_FALSE((a / TracedNumber(20, 2)).bends());  // in step
  EXPECT_TRUE((TracedNumber(1) + ratio).bends());
  EXPECT_FALSE(decision_trace.curved);
  static_cast<void>(ratio < a);
  EXPECT_TRUE(decision_trace.curved);
}

/// What is shared in the ratio of sizes that are nothing yet.
TEST(TracedSolve, WhatBeginsAtNothingIsSeenALittleFurtherOn) {
  EXPECT_EQ((TracedNumber(0, 3) / TracedNumber(0, 2)).value(), 1.5);
  EXPECT_FALSE((TracedNumber(0, 3) / TracedNumber(0, 2)).bends());
  EXPECT_GT((TracedNumber(1) / TracedNumber(0, 2)).value(), 1e8);
  EXPECT_EQ((TracedNumber(std::numeric_limits<double>::infinity()) * TracedNumber(0, -2)).value(),
            -std::numeric_limits<double>::infinity());
  for (const char* shorthand : {"row:r [ image:plan width=41% aspect_ratio=2.5 margin=11 ]",
                                "row:r gap=57% [ box:a width=41% aspect_ratio=2.5 margin=11 box:b width=77 ]",
                                "row:r padding=4 [ box:a width=20% box:b width=30% grow=2 ]",
                                "column:c [ row:r wrap=true [ box:a width=50% box:b width=60% ] ]"}) {
    const Scene scene = scene_from(shorthand);
    Solver solver;
    for (const double width : {0.0, 1e-9, 0.5}) {
      TracedSolve traced;
      traced.run(scene.tree.store(), {width, 1}, std::nullopt, {});
      const Solution plain = solver.solve(scene.tree, {width, std::nullopt});
      const Boxes boxes = traced_boxes(scene.tree, traced, plain);
      for (std::size_t k = 0; k < boxes.nodes.size(); ++k) {
        const std::array<double, 4> expected = plain_box(plain, boxes.nodes[k]);
        for (std::size_t side = 0; side < 4; ++side)
          EXPECT_NEAR(boxes.at[k][side], expected[side], 1e-6) << shorthand << " at " << width << ", " << side;
      }
    }
  }
}

TEST(TracedSolve, TellsHowFarItHolds) {
  const struct {
    const char* scene;
    double width, ahead;
  } cases[] = {
      {"row:r [ box:a width=240 box:b weight=1 min_width=320 ]", 400, 160},
      {"row:r [ box:a width=240 box:b weight=1 max_width=320 ]", 300, 260},
      {"column:c [ text:t text=\"mist fern kelp\" font_size=10 ]", 60, 24},
  };
  for (const auto& one : cases) {
    const Scene scene = scene_from(one.scene);
    TracedSolve traced;
    traced.run(scene.tree.store(), {one.width, 1}, TracedNumber(200), {});
    EXPECT_NEAR(traced.decision_trace().ahead, one.ahead, 1e-6) << one.scene;
    EXPECT_FALSE(traced.decision_trace().curved);
  }
}

TEST(TracedSolve, BetweenTwoDecisionsNothingHappens) {
  int pieces = 0, curved = 0, scenes = 0;
  for (std::uint32_t seed = 0; seed < 3000 && !HasFailure(); ++seed, ++scenes) {
    testing::RandomScenes random(testing::seed() + seed);
    Tree tree = random.tree(14);
    if (seed % 4 == 1) random.add_node_ranges(tree);
    if (seed % 4 == 2) random.add_ties(tree);
    if (seed % 4 == 3) random.add_lists(tree);
    std::mt19937 dice(seed);
    const bool content = seed % 3 == 0;
    const Line lines[] = {{150, 300, 1, 0, content}, {420, 120, 0, 1, false}, {600, 500, -1, -0.5, false}};
    follow(tree, lines[seed % 3], 250, 3, dice, "seed " + std::to_string(testing::seed() + seed), pieces, curved);
  }
  std::cout << pieces << " pieces (" << curved << " curved) of " << scenes << " lines\n";
}

/// Both sides of the container being dragged: within the region of a trace all boxes are on planes.
TEST(TracedSolve, WithinARegionAllIsFlat) {
  int regions = 0, looks = 0;
  std::mt19937 dice(11);
  std::uniform_real_distribution<double> any(100, 500), share(0, 1);
  for (std::uint32_t seed = 0; seed < 400 && !HasFailure(); ++seed) {
    testing::RandomScenes random(testing::seed() + seed);
    Tree tree = random.tree(12);
    if (seed % 4 == 1) random.add_node_ranges(tree);
    if (seed % 4 == 2) random.add_ties(tree);
    if (seed % 4 == 3) random.add_lists(tree);
    TracedSolve traced;
    Solver solver;
    for (int i = 0; i < 4 && !HasFailure(); ++i) {
      const double width = any(dice), height = any(dice);
      detail::Region region({{100 - width, 100 - height},
                             {500 - width, 100 - height},
                             {500 - width, 500 - height},
                             {100 - width, 500 - height}});
      traced.run(tree.store(), TracedNumber(width, 1, 0), TracedNumber(height, 0, 1), {}, &region);
      if (traced.decision_trace().curved || region.thickness() < 0.1) continue;
      ++regions;
      const detail::Point middle = region.middle();
      for (const detail::Point& corner : region.corners()) {
        // Not at the edge itself, where lines hold by their tolerance.
        const double inward = 0.05 + 0.9 * share(dice);
        const double by = corner.x + inward * (middle.x - corner.x), up = corner.y + inward * (middle.y - corner.y);
        const Solution plain = solver.solve(tree, {width + by, height + up});
        const auto view = traced.view(tree.store());
        for (const Solution::NodeBox& one : plain.boxes()) {
          const detail::Index node = tree.store().index_of(one.node);
          const std::array<double, 4> found = plain_box(plain, one.node);
          const TracedNumber parts[] = {view.place(node, x_axis), view.place(node, y_axis), view.size(node, x_axis),
                                        view.size(node, y_axis)};
          for (std::size_t side = 0; side < 4; ++side) {
            if (parts[side].bends()) continue;
            ++looks;
            ASSERT_NEAR(found[side], parts[side].further(by, up).value(), 1e-6 * std::max(1.0, found[side] / 1000))
                << "seed " << testing::seed() + seed << " " << tree.path(one.node) << " side " << side << " at "
                << width + by << " x " << height + up << ", seen from " << width << " x " << height;
          }
        }
      }
    }
  }
  EXPECT_GT(regions, 800);
  EXPECT_GT(looks, 20'000);
}

}  // namespace
}  // namespace fond_ladder
