// SPDX-License-Identifier: MIT
//
// A traced solve knows how it goes on: its numbers are those of a plain solve, and on as far as its decisions hold they
// lie on its lines, whatever is looked at between.
#include "solve/traced_solve.hpp"

#include <gtest/gtest.h>

#include <random>

#include "fond_ladder/fond_ladder.hpp"
#include "support/random_scenes.hpp"
#include "support/shorthand.hpp"

namespace fond_ladder {
namespace {

using detail::Course;
using detail::Moving;
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
    const Moving parts[] = {view.place(node, x_axis), view.place(node, y_axis), view.size(node, x_axis),
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

/// Follows a container along a line through the plane of its sizes, from event to event, and looks at many sizes
/// between. Returns how many pieces there were.
struct Line {
  double width, height;        // where it begins
  double by_width, by_height;  // along it
  bool content;                // the height is by content
};

void follow(const Tree& tree, const Line& line, double length, int looks, std::mt19937& dice, const std::string& where,
            int& pieces_of_all, int& curved) {
  TracedSolve traced;
  Solver solver;
  double at = 0;
  int pieces = 0;
  std::uniform_real_distribution<double> share(0, 1);
  while (at < length && pieces < 3000 && !::testing::Test::HasFailure()) {
    const Moving width{line.width + at * line.by_width, line.by_width};
    const Moving height{line.height + at * line.by_height, line.by_height};
    traced.run(tree.store(), width, line.content ? std::nullopt : std::optional(height), {});
    const double ahead = std::min(traced.course().ahead, length - at);
    ++pieces;
    curved += traced.course().curved ? 1 : 0;
    if (ahead > 1e-6 && !traced.course().curved) {
      for (int i = 0; i < looks && !::testing::Test::HasFailure(); ++i) {
        // Where a line may break by rounding, a plain solve may already, or still, do otherwise.
        const double edge = std::min(1e-3 + 2e-6 * std::max(width.value(), height.value()), ahead / 3);
        const double t = edge + share(dice) * (ahead - 2 * edge);
        const double x = width.value() + t * line.by_width, y = height.value() + t * line.by_height;
        const Solution plain = solver.solve(tree, {x, line.content ? std::nullopt : std::optional(y)});
        const Boxes boxes = traced_boxes(tree, traced, plain);
        for (std::size_t k = 0; k < boxes.nodes.size(); ++k) {
          const std::array<double, 4> found = plain_box(plain, boxes.nodes[k]);
          for (std::size_t side = 0; side < 4; ++side) {
            if (boxes.bends[k][side]) continue;
            const double expected = boxes.at[k][side] + t * boxes.slope[k][side];
            ASSERT_NEAR(found[side], expected, 1e-6 * std::max(1.0, std::abs(expected) / 1000))
                << where << " " << tree.path(boxes.nodes[k]) << " side " << side << " at " << x << " x " << y
                << ", piece of " << ahead << " from " << width.value() << " x " << height.value();
          }
        }
      }
    }
    at += std::max(ahead, 1e-7);
  }
  EXPECT_LT(pieces, 3000) << where;
  pieces_of_all += pieces;
}

TEST(TracedSolve, NumbersMoveAsTheyDo) {
  Course course;
  const detail::Tracing tracing(course);
  const Moving a{10, 1}, b{14, -1};
  EXPECT_TRUE(a < b);
  EXPECT_DOUBLE_EQ(course.ahead, 2);
  EXPECT_TRUE(Moving(5, 1) > Moving(5, 0));  // a little further on
  EXPECT_TRUE(Moving(5, 1) == Moving(5, 1));
  EXPECT_DOUBLE_EQ(most_of(a, b).slope(), -1);
  EXPECT_FALSE(course.curved);
  EXPECT_DOUBLE_EQ((a / Moving(2)).slope(), 0.5);
  EXPECT_FALSE(course.curved);
  const Moving ratio = a / b;
  EXPECT_TRUE(ratio.bends());
  EXPECT_FALSE((a / Moving(20, 2)).bends());  // in step
  EXPECT_TRUE((Moving(1) + ratio).bends());
  EXPECT_FALSE(course.curved);
  static_cast<void>(ratio < a);
  EXPECT_TRUE(course.curved);
}

TEST(TracedSolve, TellsHowFarItHolds) {
  const struct {
    const char* scene;
    double width, ahead;
  } cases[] = {
      {"row:r [ box:a width=240 box:b weight=1 min_width=320 ]", 400, 160},
      {"row:r [ box:a width=240 box:b weight=1 max_width=320 ]", 300, 260},
      {"column:c [ text:t text=\"mist fern kelp\" size=10 ]", 60, 84 / (1 + 1e-6) - 60},
  };
  for (const auto& one : cases) {
    const Scene scene = scene_from(one.scene);
    TracedSolve traced;
    traced.run(scene.tree.store(), {one.width, 1}, Moving(200), {});
    EXPECT_NEAR(traced.course().ahead, one.ahead, 1e-6) << one.scene;
    EXPECT_FALSE(traced.course().curved);
  }
}

TEST(TracedSolve, BetweenTwoDecisionsNothingHappens) {
  int pieces = 0, curved = 0, scenes = 0;
  for (std::uint32_t seed = 0; seed < 3000 && !HasFailure(); ++seed, ++scenes) {
    testing::RandomScenes random(testing::seed() + seed);
    const Tree tree = random.tree(14);
    std::mt19937 dice(seed);
    const bool content = seed % 3 == 0;
    const Line lines[] = {{150, 300, 1, 0, content}, {420, 120, 0, 1, false}, {600, 500, -1, -0.5, false}};
    follow(tree, lines[seed % 3], 250, 3, dice, "seed " + std::to_string(testing::seed() + seed), pieces, curved);
  }
  std::cout << pieces << " pieces (" << curved << " curved) of " << scenes << " lines\n";
}

/// Both sides of the container being dragged: within the region of a course all boxes lie on planes.
TEST(TracedSolve, WithinARegionAllIsFlat) {
  int regions = 0, looks = 0;
  std::mt19937 dice(11);
  std::uniform_real_distribution<double> any(100, 500), share(0, 1);
  for (std::uint32_t seed = 0; seed < 400 && !HasFailure(); ++seed) {
    testing::RandomScenes random(testing::seed() + seed);
    const Tree tree = random.tree(12);
    TracedSolve traced;
    Solver solver;
    for (int i = 0; i < 4 && !HasFailure(); ++i) {
      const double width = any(dice), height = any(dice);
      detail::Region region({{100 - width, 100 - height},
                             {500 - width, 100 - height},
                             {500 - width, 500 - height},
                             {100 - width, 500 - height}});
      traced.run(tree.store(), Moving(width, 1, 0), Moving(height, 0, 1), {}, &region);
      if (traced.course().curved || region.thickness() < 0.1) continue;
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
          const Moving parts[] = {view.place(node, x_axis), view.place(node, y_axis), view.size(node, x_axis),
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
