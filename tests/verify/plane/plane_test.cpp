// SPDX-License-Identifier: MIT
//
// Whole rectangles of sizes: regions are exact, nothing is left out, and brute force finds what is told.
#include <gtest/gtest.h>

#include <random>

#include "fond_ladder/fond_ladder.hpp"
#include "fond_ladder/map.hpp"
#include "fond_ladder/plot.hpp"
#include "support/random_scenes.hpp"
#include "support/shorthand.hpp"
#include "verify/plane/claims_in_plane.hpp"
#include "verify/plane/cover.hpp"

namespace fond_ladder {
namespace {

using detail::Point;
using detail::Region;

Region square(double from, double to) {
  return Region({{from, from}, {to, from}, {to, to}, {from, to}});
}

TEST(Regions, AreCutAndMeasured) {
  Region region = square(0, 10);
  region.keep(5, -1, -1);  // x + y <= 5
  EXPECT_NEAR(region.area(), 12.5, 1e-9);
  EXPECT_NEAR(region.middle().x, 5.0 / 3, 1e-9);
  EXPECT_TRUE(region.holds({1, 1}));
  EXPECT_FALSE(region.holds({4, 4}));
  EXPECT_TRUE(region.touches(square(-3, 0)));
  EXPECT_FALSE(region.touches(square(3, 9))) << "its box does, and it does not";
  region.keep(-6, 1, 1);
  EXPECT_EQ(region.area(), 0);
}

TEST(Regions, OfACellLeaveTheRest) {
  std::vector<Region> rest;
  detail::subtract(square(0, 10), square(4, 6), rest);
  double area = 0;
  for (const Region& one : rest) area += one.area();
  EXPECT_NEAR(area, 96, 1e-9);
}

/// The claim is about a diagonal, which no grid of sizes finds: its edges are where they are.
TEST(Plane, ADiagonalIsExact) {
  Scene scene = testing::scene_from("stack:s [ box:a pin={\"left\":0,\"top\":0} width=50% height=10 ]");
  scene.ladder = {{100, 300}, Interval(100, 300), {}};
  const CheckedClaim checked = check(std::vector{variant_of(scene, "", {})}, {"s.width <= s.height within 0"},
                                     {.heights = Interval{100, 300}})[0];
  ASSERT_EQ(checked.failing.size(), 1U);
  double area = 0;
  for (const auto& piece : checked.failing[0].polygons) {
    std::vector<Point> corners;
    for (const Extent& corner : piece) {
      corners.push_back({corner.width, corner.height});
      EXPECT_GE(corner.width, corner.height - 1e-6);
    }
    area += Region(corners).area();
  }
  EXPECT_NEAR(area, 200 * 200 / 2.0, 1e-3);
  EXPECT_EQ(checked.failing[0].from, 100);
  EXPECT_EQ(checked.failing[0].heights->to, 300);
  EXPECT_TRUE(checked.sampled.empty());
  EXPECT_NE(report(checked).find("within 100 to 300 wide and 100 to 300 high; worst at"), std::string::npos)
      << report(checked);
}

TEST(Plane, RangesOfWidthsAndHeightsAreRegions) {
  Scene scene = testing::scene_from("row:r [ box:a width=10 ]");
  scene.ranges = {{"small", {}, 200, {}, 150}};
  testing::add_form(scene, scene.tree.at("a"), "small", [](Keys& keys) { keys.width = 30; });
  scene.ladder = {{100, 300}, Interval(100, 300), {}};
  const CheckedClaim checked =
      check(std::vector{variant_of(scene, "", {})}, {"a.width = 10"}, {.heights = Interval{100, 300}})[0];
  ASSERT_EQ(checked.failing.size(), 1U);
  EXPECT_NEAR(checked.failing[0].to, 200, 1e-9);
  EXPECT_NEAR(checked.failing[0].heights->to, 150, 1e-9);
  EXPECT_TRUE(
      check(std::vector{variant_of(scene, "", {})}, {"a.width = 10 when not small"}, {.heights = Interval{100, 300}})[0]
          .holds);
}

TEST(Plane, WhatBendsIsSampledAndSaysSo) {
  Scene scene = testing::scene_from("row:r [ box:a basis=60% min_width=0 box:b width=200 ]");
  scene.ladder = {{300, 600}, Interval(100, 200), {}};
  const CheckedClaim checked =
      check(std::vector{variant_of(scene, "", {})}, {"a.width >= 200"}, {.heights = Interval{100, 200}})[0];
  EXPECT_FALSE(checked.sampled.empty());
  EXPECT_FALSE(checked.holds);
}

/// Twenty boxes down a diagonal behind the quarter of the container that is a curtain: of so many it is summed up what
/// they lie in and behind, and each fails where it is behind the curtain, or beyond an edge.
TEST(Plane, WhatOneOfManyLiesBehindIsARegion) {
  std::string scene_text = "stack:s [", all;
  for (int i = 1; i <= 20; ++i) {
    const std::string at = std::to_string(10 * i), name = "b" + std::to_string(i);
    scene_text += " box:" + name + " width=10 height=10 pin={\"left\":" + at + ",\"top\":" + at + "}";
    all += (all.empty() ? "" : ", ") + name;
  }
  Scene scene = testing::scene_from(scene_text + R"( box:c width=50% height=50% pin={"right":0,"bottom":0} ])");
  scene.ladder = {{100, 400}, Interval(100, 400), {}};
  std::vector<Claim> claims;
  for (int i = 1; i <= 20; ++i)
    claims.emplace_back(scene, "reachable(b" + std::to_string(i) + ") or reachable(" + all + ")");
  const InPlane found = look_in_plane(scene, {}, claims, {{100, 400}, {100, 400}}, false, 1, {});
  for (int i = 1; i <= 20; ++i) {
    // The curtain lies around it from where it is wholly inside of the container to where half of that begins behind
    // it.
    const int behind = std::max(0, 20 * i - std::max(100, 10 * i + 10)), inside = 400 - std::max(100, 10 * i);
    double area = 0;
    for (const Region& one : found.claims[static_cast<std::size_t>(i - 1)].failing) area += one.area();
    EXPECT_NEAR(area, behind * behind + 300 * 300 - inside * inside, 0.05) << "b" << i;
  }
}

/// Brute force: at sizes taken at random a claim about a scene at random fails where it is told to, and nowhere else;
/// and all sizes are in one region or another.
TEST(Plane, ClaimsFailWhereTheyAreToldToAndNowhereElse) {
  std::mt19937 dice(7);
  std::uniform_real_distribution<double> any(100, 400);
  int looks = 0, failing_looks = 0, proved = 0;
  for (std::uint32_t seed = 0; seed < 120 && !HasFailure(); ++seed) {
    testing::RandomScenes random(testing::seed() + seed);
    Scene scene(random.tree(9));
    scene.ladder = {{100, 400}, Interval(100, 400), {}};
    const std::vector<NodeId> nodes = scene.tree.nodes();
    const auto name = [&] {
      return scene.tree.path(nodes[static_cast<std::size_t>(random.below(static_cast<int>(nodes.size())))]);
    };
    std::vector<Claim> claims;
    for (int i = 0; i < 3; ++i) {
      claims.emplace_back(scene, name() + ".width <= " + name() + ".height + " + std::to_string(random.below(100)));
      claims.emplace_back(scene, "fits(" + name() + ") or " + name() + ".bottom < 200");
      claims.emplace_back(scene, "apart(" + name() + ", " + name() + ")");
    }
    const InPlane found = look_in_plane(scene, {}, claims, {{100, 400}, {100, 400}}, false, 1, {});
    // A piece that was sampled may lie over a cell that is found later.
    EXPECT_GE(found.area, 300.0 * 300 - 1) << "seed " << testing::seed() + seed;
    if (found.sampled == 0) {
      EXPECT_NEAR(found.area, 300.0 * 300, 1) << "seed " << testing::seed() + seed;
    }
    SceneSolver solver(scene);
    for (std::size_t c = 0; c < claims.size(); ++c) {
      if (!found.claims[c].sampled.empty()) continue;
      ++proved;
      for (int i = 0; i < 12; ++i) {
        const Point at{any(dice), any(dice)};
        const auto around = [&](double x, double y) {
          return std::ranges::any_of(found.claims[c].failing, [&](const Region& one) { return one.holds({x, y}); });
        };
        constexpr double near = 0.02;
        const bool answer = around(at.x, at.y);
        if (answer != around(at.x + near, at.y) || answer != around(at.x - near, at.y) ||
            answer != around(at.x, at.y + near) || answer != around(at.x, at.y - near)) {
          continue;
        }
        const Solution solution = solver.solve({at.x, at.y});
        std::vector<std::optional<double>> values;
        for (const Quantity& quantity : claims[c].quantities()) values.push_back(value_of(quantity, solution));
        const Claim::Outcome outcome = claims[c].test({solution.container(), values, {}});
        ++looks;
        failing_looks += answer ? 1 : 0;
        ASSERT_EQ(outcome.tested && !outcome.holds, answer) << claims[c].text() << " at " << at.x << " x " << at.y
                                                            << " in the scene of seed " << testing::seed() + seed;
      }
    }
  }
  EXPECT_GT(failing_looks, looks / 20);
  EXPECT_GT(proved, 120 * 9 / 2) << "most claims are proved";
}

TEST(Map, KnowsTurnsRangesAndRungs) {
  Scene scene = testing::scene_from("row:r [ box:a width=100 box:b weight=1 min_width=80 ]");
  scene.ladder = {{100, 300}, Interval(100, 200), {{"hand", 150, 120}, {"far", 900, 120}, {"wide", 200}}};
  const SizeMap map = map_sizes(variant_of(scene, "", {}), {"a.width = 100"}, {100, 200});
  ASSERT_EQ(map.boundaries.size(), 1U) << "b reaches its minimum at 180, at every height";
  EXPECT_NEAR(map.boundaries[0].from.width, 180, 1e-6);
  EXPECT_NEAR(map.boundaries[0].to.width, 180, 1e-6);
  EXPECT_EQ(map.named_sizes.size(), 1U);
  ASSERT_EQ(map.claims[0].failing.size(), 1U);
  EXPECT_NEAR(map.claims[0].failing[0].to, 180, 1e-6);
  EXPECT_TRUE(draw(map, PictureForm::svg).bytes.find("fails within 100 to 180 wide") != std::string::npos);
}

}  // namespace
}  // namespace fond_ladder
