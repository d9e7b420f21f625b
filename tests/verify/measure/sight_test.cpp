// SPDX-License-Identifier: MIT
//
// Many nodes that are asked about at once are seen as each of them is that is asked about alone, which looks at all
// that it lies in and at all that covers it.
#include "verify/measure/sight.hpp"

#include <gtest/gtest.h>

#include <algorithm>
#include <cmath>
#include <tuple>

#include "fond_ladder/scene_file.hpp"
#include "fond_ladder/sight.hpp"
#include "fond_ladder/solver.hpp"
#include "fond_ladder/sweep.hpp"
#include "support/random_scenes.hpp"
#include "support/shorthand.hpp"

namespace fond_ladder {
namespace {

/// A scene of which much is out of sight.
Scene odd_scene(testing::RandomScenes& random) {
  Scene scene(random.tree(25 + static_cast<std::size_t>(random.below(40))));
  for (const NodeId node : scene.tree.nodes()) {
    if (random.chance(20)) scene.tree.set(node, box().scroll(random.chance(50) ? Scroll::x : Scroll::y));
    if (random.chance(10)) scene.tree.set(node, box().scale(0.5 + random.below(3)));
  }
  return scene;
}

TEST(Sight, OfManyIsThatOfEach) {
  testing::RandomScenes random(testing::seed());
  std::size_t beyond = 0, behind = 0;
  for (int i = 0; i < 150; ++i) {
    const Scene scene = odd_scene(random);
    const Solution solution = solve(scene, random.container_size());
    const detail::View view = detail::view_of(solution.tree(), solution.passes());
    detail::SightOf<double> many(detail::Scrollers::move);
    for (const NodeId node : solution.tree().nodes()) {
      const detail::Index at = solution.tree().store().index_of(node);
      ASSERT_EQ(many.is_seen(view, at), detail::SightOf<double>(detail::Scrollers::move).is_seen(view, at))
          << to_json(scene);
      if (!solution.is_placed(node) || detail::is_of_no_size(many.box(view, at))) continue;
      const detail::HiddenBy one = detail::SightOf<double>(detail::Scrollers::move).hidden_by(view, at),
                             same = many.hidden_by(view, at);
      ASSERT_EQ(one.by, same.by) << to_json(scene);
      ASSERT_EQ(one.beyond, same.beyond);
      if (one.by != detail::no_index) ++(one.beyond ? beyond : behind);
    }
  }
  EXPECT_GT(beyond, 100U);
  EXPECT_GT(behind, 100U);
}

/// What lies over a node at one scroll position, or only where a scroller clips it away, does not hide it for good.
TEST(Sight, CoversThatScrollAwayOrAreClippedHideNothing) {
  const std::string list =
      "column:list scroll=y width=40 height=30 [ box:top width=40 height=30 shrink=0 "
      "box:low width=40 height=30 shrink=0 ]";
  const struct {
    std::string scene;
    bool reachable, in_view;
  } cases[] = {
      {"stack:s [ box:a width=20 height=20 " + list + " ]", true, false},               // it scrolls away
      {"stack:s [ box:a width=20 height=20 nudge=[0,35] " + list + " ]", true, true},   // below its view
      {"stack:s [ box:a width=20 height=20 box:b width=40 height=30 ]", false, false},  // a plain cover
      {"stack:s [ box:a width=20 height=20 nudge=[0,5] row:r [ " + list + " ] ]", true, false},
  };
  for (const auto& [text, reachable, in_view] : cases) {
    const Scene scene = testing::scene_from(text);
    const Solution solution = solve(scene, {100, 100});
    EXPECT_EQ(Sight(solution).is_reachable(scene.tree.at("a")), reachable) << text;
    EXPECT_EQ(Sight(solution).is_in_view(scene.tree.at("a")), in_view) << text;
  }
}

/// Whatever is in view at some position can be reached, and without scrollers the two are one.
TEST(Sight, WhatIsInViewIsReachable) {
  testing::RandomScenes random(testing::seed() + 2);
  std::size_t in_view = 0, scrolled_away = 0;
  for (int i = 0; i < 100; ++i) {
    const Scene scene = odd_scene(random);
    SceneSolver solver(scene, {});
    const ContainerSize size = random.container_size();
    std::vector<Solution::ScrolledTo> positions;
    bool has_scrollers = false;
    {
      const Solution still = solver.solve(size);
      for (const NodeId node : scene.tree.nodes()) {
        if (scene.tree.keys(node).scroll == Scroll::none) continue;
        has_scrollers = true;
        const Kind kind = scene.tree.kind(node);
        const bool holds = kind == Kind::row || kind == Kind::column || kind == Kind::stack || kind == Kind::grid;
        if (holds && still.is_placed(node)) positions.push_back({node, 1.0 * random.below(60), 1.0 * random.below(60)});
      }
    }
    const Solution solution = solver.solve(size, positions);
    Sight sight(solution);
    for (const NodeId node : scene.tree.nodes()) {
      const bool reachable = sight.is_reachable(node), seen = sight.is_in_view(node);
      EXPECT_TRUE(reachable || !seen) << scene.tree.path(node) << to_json(scene);
      EXPECT_TRUE(has_scrollers || reachable == seen) << scene.tree.path(node) << to_json(scene);
      in_view += seen ? 1 : 0;
      scrolled_away += reachable && !seen ? 1 : 0;
      EXPECT_EQ(value_of({node, Measure::reachable, {}}, solution), reachable ? 1 : 0) << scene.tree.path(node);
      EXPECT_EQ(value_of({node, Measure::in_view, {}}, solution), seen ? 1 : 0) << scene.tree.path(node);
    }
  }
  EXPECT_GT(in_view, 500U);
  EXPECT_GT(scrolled_away, 20U);
}

TEST(Sight, OfManyTurnsWhereThatOfEachDoes) {
  testing::RandomScenes random(testing::seed() + 1);
  std::size_t breakpoints = 0;
  for (int i = 0; i < 20; ++i) {
    const Scene scene = odd_scene(random);
    struct Found {
      NodeId node;
      double at, after;
    };
    std::vector<Found> of_many, of_each;
    const auto text = [](const Scene& of, const std::vector<Found>& answer) {
      std::string all;
      for (const Found& one : answer)
        all += of.tree.path(one.node) + " " + std::to_string(one.at) + " " + std::to_string(one.after) + "; ";
      return all;
    };
    const auto sweep = [&](const std::vector<Quantity>& quantities, std::vector<Found>& answer) {
      for (const Breakpoint& breakpoint :
           sweep_quantities(scene, {.width = {100, 200}}, quantities, {.threads = 1}).breakpoints())
        answer.push_back({quantities[breakpoint.quantity].node, breakpoint.at, breakpoint.after.value_or(-1)});
    };
    std::vector<Quantity> all;
    for (const NodeId node : scene.tree.nodes()) all.push_back({node, Measure::reachable, {}});
    sweep(all, of_many);
    for (const Quantity& one : all) sweep({one}, of_each);
    for (std::vector<Found>* answer : {&of_many, &of_each})
      std::ranges::sort(*answer, {}, [](const Found& one) { return std::tuple(one.node, one.at); });
    ASSERT_TRUE(std::ranges::equal(of_many, of_each,
                                   [](const Found& one, const Found& other) {
                                     constexpr double sampled = 1.0 / 64;  // as near as is known where something bends
                                     return one.node == other.node && one.after == other.after &&
                                            std::abs(one.at - other.at) <= sampled;
                                   }))
        << to_json(scene) << text(scene, of_many) << "\n"
        << text(scene, of_each);
    breakpoints += of_each.size();
  }
  EXPECT_GT(breakpoints, 20U);
}

}  // namespace
}  // namespace fond_ladder
