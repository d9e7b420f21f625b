// SPDX-License-Identifier: MIT
#include "fond_ladder/solution.hpp"

#include <gtest/gtest.h>

#include <algorithm>
#include <cmath>
#include <map>

#include "fond_ladder/fond_ladder.hpp"
#include "support/random_scenes.hpp"
#include "support/shorthand.hpp"

namespace fond_ladder {
namespace {

using testing::scene_from;
using testing::short_number;

Solution at(const char* scene, const char* size) {
  return solve(scene_from(scene), testing::size_from(size));
}

/// `top right bottom left`.
std::string text_of(const FourSides& overhang) {
  return short_number(overhang.top) + " " + short_number(overhang.right) + " " + short_number(overhang.bottom) + " " +
         short_number(overhang.left);
}

std::string text_of(const Extent& size) {
  return short_number(size.width) + "x" + short_number(size.height);
}

std::string names(const Solution& solution, const std::vector<NodeId>& nodes) {
  std::string text;
  for (const NodeId node : nodes) text += (text.empty() ? "" : " ") + solution.tree().segment(node);
  return text;
}

TEST(Solution, ToldByTheSketchOfTheLibrary) {
  const Scene console = column("console").gap(12).padding(16).children(
      row("bar")
          .height(48)
          .gap(8)
          .across(Across::center)
          .children(text("title", "North house"), box("alarm").width(96).height(32).margin_left(automatic)),
      row("body").gap(16).weight(1).children(box("beds").width(240).shrink(0), box("map").min_width(320).weight(1)));
  const Solution at_desk = solve(console, {1280, 800});
  EXPECT_EQ(at_desk["body/map"].width, 992);
  EXPECT_THROW(static_cast<void>(at_desk["mpa"]), BadPath);
  EXPECT_THROW(static_cast<void>(solve(console, {std::nan(""), 5})), BadValue);
  EXPECT_THROW(Scene(row().children(box("a"), box("a"))), BadValue);
  EXPECT_THROW(Scene(box().grow(-1)), BadValue);
}

/// Nodes that lie deep are asked all at once: see solve/passes/deep_places.hpp.
TEST(Solution, DeepNodesTellWhatAWalkFromTheRootTells) {
  Keys level;
  level.kind = Kind::column;
  level.padding = Edges(0.3);
  level.margin = Edges(0.1);
  Tree tree(level);
  std::vector<NodeId> all{tree.root()};
  for (int i = 0; i < 200; ++i) all.push_back(tree.append(all.back(), level));
  Solver solver;
  const auto agrees = [&](const Solution& solution) {
    std::map<NodeId, Rect> walked;
    for (const auto& one : solution.boxes()) walked[one.node] = one.box;
    return std::ranges::all_of(all, [&](NodeId node) {
      return solution.is_placed(node) == walked.contains(node) && solution.box(node) == walked[node];
    });
  };
  EXPECT_TRUE(agrees(solver.solve(tree, {300, 200})));
  tree.set(all[100], box().hidden(true));
  EXPECT_TRUE(agrees(solver.solve(tree, {300, 200}))) << "after an edit";
  EXPECT_TRUE(agrees(solver.solve(tree, {290, 200}).snapshot()));
  EXPECT_FALSE(solver.solve(tree, {300, 200}).is_placed(all[180]));
  tree.set(all[100], box().hidden(false));
  tree.set_conditions({Range{.name = "narrow", .below_width = 250}}, {});
  tree.when(all[60], "narrow", row().hidden(true).explicit_keys());
  EXPECT_TRUE(agrees(solver.solve(tree, {300, 200})));
  EXPECT_TRUE(agrees(solver.solve(tree, {200, 200}))) << "in another form";
  EXPECT_FALSE(solver.solve(tree, {200, 200}).is_placed(all[80]));
}

TEST(Solution, OutlivesItsScene) {
  const Solution kept = [] { return solve(scene_from("row:r [ box:a weight=1 ]"), {50, 5}); }();
  EXPECT_EQ(kept["a"].width, 50);
}

struct CutCase {
  const char* scene;
  const char* size;
  const char* overhang;  // of node a
};

TEST(Solution, TellsWhatSticksOutOfThePaddingBox) {
  const CutCase cases[] = {
      {"row:r [ box:a width=120 height=60 shrink=0 ]", "100x50", "0 20 10 0"},
      {"row:r padding=10 [ box:a width=85 height=5 shrink=0 ]", "100x50", "0 0 0 0"},  // into the padding is not cut
      {"row:r border=10 [ box:a width=85 height=5 shrink=0 ]", "100x50", "0 5 0 0"},
      {"row:r along=center [ box:a width=120 height=5 shrink=0 ]", "100x50", "0 10 0 10"},
      {"row:r scroll=x [ box:a width=120 height=60 ]", "100x50", "0 0 10 0"},  // it scrolls sideways only
      {"stack:r [ box:a width=10 height=5 nudge=[-4,-7] ]", "100x50", "7 0 0 4"},
      {"direction=rtl row:r [ box:a width=120 height=5 shrink=0 ]", "100x50", "0 0 0 20"},
      {"row:r [ box:a width=100.0000001 height=5 shrink=0 ]", "100x50", "0 0 0 0"},  // rounding is no cut
  };
  for (const CutCase& one : cases) {
    const Solution solution = at(one.scene, one.size);
    EXPECT_EQ(text_of(solution.overhang(solution.tree().at("a"))), one.overhang) << one.scene;
  }
}

TEST(Solution, TellsWhichWordsAndLinesATextLoses) {
  const CutCase cases[] = {
      {"row:r [ text:a text=\"Fern\" width=20 ]", "100x50", "0 18.4 0 0"},
      {"row:r [ text:a text=\"Fern\" width=20 text_align=center ]", "100x50", "0 9.2 0 9.2"},
      {"row:r [ text:a text=\"Fern\" width=20 text_align=end ]", "100x50", "0 0 0 18.4"},
      {"row:r [ text:a text=\"Fern\nMoss\" height=30 ]", "100x50", "0 0 10 0"},
      {"row:r [ text:a text=\"a b c\" width=10 max_lines=1 height=20 ]", "100x50", "0 0 40 0"},
      {"row:r [ text:a text=\"Fern\" width=45 padding=4 ]", "100x50", "0 0 0 0"},
  };
  for (const CutCase& one : cases) {
    std::string scene = one.scene;
    for (std::size_t i = scene.find('\n'); i != std::string::npos; i = scene.find('\n')) scene.replace(i, 1, "\\n");
    const Solution solution = at(scene.c_str(), one.size);
    EXPECT_EQ(text_of(solution.text_overhang(solution.tree().at("a"))), one.overhang) << one.scene;
  }
}

TEST(Solution, TellsContentSizesAndScrollRanges) {
  struct Case {
    const char* scene;
    const char* content;
    const char* range;
  };
  const Case cases[] = {
      {"row:r scroll=both padding=10 [ box:a width=120 height=60 margin=5 ]", "150x90", "50x40"},
      {"row:r scroll=x padding=10 [ box:a width=20 height=60 ]", "100x80", "0x0"},  // the view at least
      {"row:r scroll=x reverse=true padding={\"left\":7} [ box:a width=120 height=5 ]", "127x5", "27x0"},
      {"column:r scroll=y gap=5 [ box:a height=40 width=3 box:b height=40 ]", "100x85", "0x35"},
      {"row:r scroll=x [ box:a width=30 height=5 box:b width=300 height=5 pin={} ]", "100x5", "0x0"},
      {"row:r border=5 padding=2 scroll=both [ ]", "90x40", "0x0"},
  };
  for (const Case& one : cases) {
    const Solution solution = at(one.scene, "100x50");
    const NodeId root = solution.tree().root();
    EXPECT_EQ(text_of(solution.content_size(root)), one.content) << one.scene;
    EXPECT_EQ(text_of(solution.scroll_range(root)), one.range) << one.scene;
  }
}

TEST(Solution, TellsLinesBaselinesAndWishes) {
  const Solution lines =
      at("row:r wrap=true [ box:a width=60 box:b width=60 text:t text=\"one two\" width=30 ]", "100x90");
  const Tree& tree = lines.tree();
  EXPECT_EQ(lines.lines(tree.root()), 2);
  EXPECT_EQ(lines.line(tree.at("a")), 1);
  EXPECT_EQ(lines.line(tree.at("t")), 2);
  EXPECT_EQ(lines.lines(tree.at("t")), 2);
  EXPECT_DOUBLE_EQ(lines.baseline(tree.at("t")), lines["t"].y + 15.2);

  const Solution preferences =
      at("row:r [ text:a text=\"one two\" weight=1 box:b width=50% min_width=70 box:c width=80 ]", "100x90");
  EXPECT_EQ(text_of(preferences.preferred_size(preferences.tree().at("a"))), "67.2x40");
  EXPECT_EQ(text_of(preferences.preferred_size(preferences.tree().at("b"))), "70x0");
  EXPECT_EQ(text_of(preferences.preferred_size(preferences.tree().at("c"))), "80x0");
}

TEST(Solution, HiddenNodesAndChildrenOfLeavesHaveNoPlace) {
  const Solution solution = at("row:r [ row:h hidden=true [ box:i width=5 ] box:b [ box:j width=5 ] ]", "100x50");
  const Tree& tree = solution.tree();
  for (const char* name : {"h", "i", "j"}) {
    EXPECT_FALSE(solution.is_placed(tree.at(name))) << name;
    EXPECT_EQ(solution[name], Rect{}) << name;
  }
  EXPECT_EQ(solution.boxes().size(), 2U);
}

TEST(Solution, PaintsInTheOrderOfTheFileWhateverTheOrderOfLaying) {
  const Solution later = at("row:r gap=-5 [ box:a width=10 height=9 order=last box:b width=10 height=9 ]", "100x50");
  EXPECT_EQ(names(later, later.laid_order(later.tree().root())), "b a");
  std::vector<NodeId> painted;
  for (const auto& one : later.painted()) painted.push_back(one.node);
  EXPECT_EQ(names(later, painted), "r a b");
  EXPECT_EQ(names(later, later.hit_test(7, 5)), "b a r");
  const Solution earlier =
      at("row:r on_top=first gap=-5 [ box:a width=10 height=9 box:b width=10 height=9 ]", "100x50");
  EXPECT_EQ(names(earlier, earlier.hit_test(7, 5)), "a b r");
  EXPECT_EQ(names(earlier, earlier.hit_test(100, 5)), "");  // right and bottom edges are outside
}

TEST(Solution, ScaleIsPaintedAboutTheCentre) {
  const Solution solution =
      at("row:r padding=20 [ row:a width=20 height=20 scale=2 [ box:i width=10 height=10 ] ]", "100x60");
  const Tree& tree = solution.tree();
  EXPECT_EQ(solution["a"], (Rect{20, 20, 20, 20}));
  EXPECT_EQ(solution.painted_box(tree.at("a")), (Rect{10, 10, 40, 40}));
  EXPECT_EQ(solution.painted_box(tree.at("i")), (Rect{10, 10, 20, 20}));
  for (const auto& one : solution.painted()) {
    EXPECT_EQ(one.box, solution.painted_box(one.node)) << tree.path(one.node);
    EXPECT_EQ(one.scale, one.depth == 0 ? 1 : 2);
  }
  EXPECT_EQ(names(solution, solution.hit_test(12, 12)), "i a r");
}

TEST(Solution, WhatIsScrolledAwayIsNotUnderAPoint) {
  const Solution solution = at("row:r [ row:s scroll=x width=40 [ box:a width=90 height=9 ] ]", "100x50");
  EXPECT_EQ(names(solution, solution.hit_test(30, 5)), "a s r");
  EXPECT_EQ(names(solution, solution.hit_test(60, 5)), "r");
}

TEST(Solution, SnappingLosesNoPixel) {
  const Scene scene =
      scene_from("row:r [ box:a weight=1 box:b weight=1 box:c weight=1 box:d weight=1 box:e weight=1 ]");
  for (const double density : {1.0, 1.5, 2.0, 3.0}) {
    for (double width = 0; width < 60; width += 0.37) {
      const Solution solution = solve(scene, {width, 10.0});
      const auto boxes = solution.snapped(density);
      double sum = 0, edge = 0;
      for (std::size_t i = 1; i < boxes.size(); ++i) {
        ASSERT_NEAR(boxes[i].box.x, edge, 1e-9);
        edge = boxes[i].box.right();
        sum += boxes[i].box.width;
        ASSERT_NEAR(std::abs(boxes[i].box.width - width / 5), 0, 1 / density);
      }
      ASSERT_NEAR(sum, std::round(width * density) / density, 1e-9);
    }
  }
  EXPECT_THROW(static_cast<void>(solve(scene, {5, 5}).snapped(0)), BadValue);
}

TEST(Solution, NotesWhatWasOdd) {
  struct Odd : CustomContent {
    Widths widths() const override { return {std::nan(""), -1}; }
    Heights height_for(double) const override { return {INFINITY, 3}; }
  };
  Tree tree{Keys{}};
  Keys keys;
  keys.kind = Kind::row;
  tree.replace_keys(tree.root(), keys);
  keys.kind = Kind::box;
  const NodeId node = tree.append(tree.root(), keys);
  tree.set_content(node, std::make_shared<Odd>());
  Solver solver;
  const Solution solution = solver.solve(tree, {std::nan(""), 5e9});
  EXPECT_EQ(solution.warnings().size(), 3U);
  EXPECT_EQ(solution.box(node).width, 0);
  EXPECT_EQ(solution.container().height, 1e9);
  EXPECT_EQ(text_of(solution.content_size(node)), "0x0");
  tree.set_content(node, nullptr);
  EXPECT_EQ(solver.solve(tree, {5, 5}).warnings().size(), 0U);
}

TEST(Solution, OddContentIsNoRoomToScroll) {
  struct Odd : CustomContent {
    double height = 0;
    Widths widths() const override { return {0, INFINITY}; }
    Heights height_for(double) const override { return {height, 0}; }
  };
  for (const double height : std::vector<double>{std::nan(""), -INFINITY, INFINITY, -7}) {
    Tree tree = scene_from("row:r [ box:a width=30 height=40 scroll=both ]").tree;
    const auto odd = std::make_shared<Odd>();
    odd->height = height;
    tree.set_content(tree.at("a"), odd);
    Solver solver;
    const Solution solution = solver.solve(tree, {100, 100});
    EXPECT_EQ(text_of(solution.content_size(tree.at("a"))), "0x0") << height;
    EXPECT_EQ(text_of(solution.scroll_range(tree.at("a"))), "0x0") << height;
    EXPECT_EQ(solution.warnings().size(), 2U) << height;
  }
}

TEST(Solution, ThrowsWhenItNoLongerHolds) {
  Tree tree = testing::scene_from("row:r [ box:a width=10 box:b weight=1 ]").tree;
  const NodeId a = tree.at("a");
  Keys wider = tree.keys(a);
  wider.width = 30.0;
  const auto expect_stale = [](const Solution& solution, NodeId node, const char* what) {
    EXPECT_FALSE(solution.is_valid()) << what;
    EXPECT_THROW((void)solution.box(node), StaleSolution) << what;
    EXPECT_THROW((void)solution.boxes(), StaleSolution) << what;
    EXPECT_THROW((void)solution.container(), StaleSolution) << what;
    EXPECT_THROW((void)solution.warnings(), StaleSolution) << what;
    EXPECT_THROW((void)solution.hit_test(1, 1), StaleSolution) << what;
    EXPECT_THROW((void)solution.visited(), StaleSolution) << what;
    EXPECT_THROW((void)solution.tree(), StaleSolution) << what;
    EXPECT_THROW((void)solution.snapshot(), StaleSolution) << what;
  };
  auto solver = std::make_unique<Solver>();
  const Solution first = solver->solve(tree, {50, 5});
  const Solution kept = first.snapshot();
  EXPECT_TRUE(first.is_valid());
  const Solution second = solver->solve(tree, {80, 5});
  expect_stale(first, a, "solved again");
  tree.replace_keys(a, wider);
  expect_stale(second, a, "edited");
  const Solution third = solver->solve(tree, {80, 5});
  Tree moved = std::move(tree);
  EXPECT_EQ(third.box(a).width, 30) << "it knows where its tree is now";
  solver.reset();
  expect_stale(third, a, "its solver is gone");
  Solver other;
  std::optional<Tree> passing(std::in_place, moved);
  const Solution fourth = other.solve(*passing, {50, 5});
  passing.reset();
  expect_stale(fourth, a, "its tree is gone");
  EXPECT_EQ(testing::boxes_text(kept), "a(0,0 10x5) b(10,0 40x5)") << "kept for ever";
  const Solution of_scene = solve(testing::scene_from("row:r [ box:a width=10 ]"), {50, 5});
  EXPECT_EQ(testing::boxes_text(of_scene), "a(0,0 10x5)");
}

}  // namespace
}  // namespace fond_ladder
