// SPDX-License-Identifier: MIT
//
// Lists of which only what is in view is arranged: against the same list arranged whole, by their counts, and by hand.
#include <gtest/gtest.h>

#include <cmath>

#include "support/random_scenes.hpp"
#include "support/shorthand.hpp"

namespace fond_ladder {
namespace {

using testing::RandomScenes;
using testing::scene_from;

/// Entries of a list as they are arranged: each with its number, and where it begins and ends along, seen scrolled.
struct SeenEntry {
  int number;
  double from, to;
};
std::vector<SeenEntry> seen_entries(const Solution& solution, NodeId list) {
  const Tree& tree = solution.tree();
  const bool across = solution.kind(list) == Kind::row;
  std::vector<SeenEntry> seen;
  for (const NodeId entry : tree.children(list)) {
    if (!solution.is_placed(entry)) continue;
    const Rect box = solution.box(entry);
    const std::string name = tree.segment(entry);
    const int number = std::stoi(name.substr(name.find('[') + 1));
    seen.push_back({number, across ? box.x : box.y, across ? box.right() : box.bottom()});
  }
  return seen;
}

/// A list of notes of several lengths, its entries all written, or copies of one.
Scene random_list(RandomScenes& random, bool copied) {
  Node list = random.chance(70) ? column("list") : row("list");
  const bool down = list.keys().kind == Kind::column;
  list.scroll(down ? Scroll::y : Scroll::x).gap(random.below(3) * 3).padding(random.below(3) * 5).weight(1);
  if (random.chance(30)) list.border(2);
  const auto entry = [&](int number) {
    std::string words = "Tray";
    for (int i = random.below(6); i > 0; --i) words += " watered";
    Node one = text("entry[" + std::to_string(number) + "]", words).margin_y(random.below(2) * 3);
    if (!down) one.width(20 + random.below(70));
    return one;
  };
  if (copied) {
    list.virtualized(static_cast<std::uint32_t>(2 + random.below(random.chance(50) ? 20 : 100000))).children(entry(0));
  } else {
    list.virtualized();
    for (int i = 0, count = 1 + random.below(60); i < count; ++i) list.children(entry(i));
  }
  Scene scene(column("screen").children(std::move(list), box("foot").height(20)), 16,
              random.chance(30) ? Direction::rtl : Direction::ltr);
  return scene;
}

/// What is in view lies without gap or overlap, and nothing else is arranged but the first entry.
void expect_view_filled(const Solution& solution, NodeId list, double gap, int entries, const std::string& where) {
  const Rect view = solution.box(list);
  const bool down = solution.kind(list) == Kind::column;
  const FourSides border = solution.border(list);
  const double begin = down ? view.y + border.top : view.x + border.left;
  const double end = down ? view.bottom() - border.bottom : view.right() - border.right;
  std::vector<SeenEntry> seen = seen_entries(solution, list);
  ASSERT_FALSE(seen.empty()) << where;
  EXPECT_EQ(seen.front().number, 0) << where;
  const bool mirrored = !down && solution.tree().direction() == Direction::rtl;
  if (mirrored) {
    for (SeenEntry& one : seen) one = {one.number, end - (one.to - begin), end - (one.from - begin)};
  }
  constexpr double fit_tolerance = 1e-5;
  for (std::size_t i = 1; i < seen.size(); ++i) {
    const double apart = down ? gap : gap;
    const double margins = down ? 6 : 0;  // at most
    if (i > 1) {
      EXPECT_EQ(seen[i].number, seen[i - 1].number + 1) << where;
      EXPECT_GE(seen[i].from, seen[i - 1].to + apart - fit_tolerance) << where;
      EXPECT_LE(seen[i].from, seen[i - 1].to + apart + margins + fit_tolerance) << where;
    }
    EXPECT_LT(seen[i].from, end + margins + fit_tolerance)
        << where << ": entry " << seen[i].number << " lies below the view";
  }
  if (seen.back().number + 1 < entries) {
    EXPECT_GE(seen.back().to + gap + 6, end - fit_tolerance) << where << ": the view is not full";
  }
  if (seen.size() > 1 && seen[1].number > 1) {
    EXPECT_LE(seen[1].from, begin + gap + 12 + fit_tolerance) << where << ": the view begins with a hole";
  }
}

TEST(ListsInView, FillTheViewAndHoldNothingElse) {
  for (std::uint32_t seed = 0; seed < 600 && !HasFailure(); ++seed) {
    RandomScenes random(testing::seed() + seed);
    const Scene scene = random_list(random, seed % 2 == 0);
    const NodeId list = scene.tree.at("list");
    const Keys keys = scene.tree.keys(list);
    const int entries = keys.virtualized.entries > 0 ? static_cast<int>(keys.virtualized.entries)
                                                     : static_cast<int>(scene.tree.child_count(list));
    SceneSolver kept(scene);
    for (int look = 0; look < 8; ++look) {
      const ContainerSize container_size{30.0 + random.below(300), 30.0 + random.below(200)};
      const double at = random.chance(20) ? Solution::scroll_end : random.below(random.chance(50) ? 300 : 3000000);
      const std::string where = "seed " + std::to_string(testing::seed() + seed) + " at " + std::to_string(at);
      const Solution solution = kept.solve(container_size, {{list, at, at}});
      if (!solution.is_placed(list)) continue;
      expect_view_filled(solution, list, solution.gap(list).on(keys.kind == Kind::row ? x_axis : y_axis), entries,
                         where);
      // However it was come to.
      const Solution fresh = SceneSolver(scene).solve(container_size, {{list, at, at}}).snapshot();
      const auto one = seen_entries(solution, list), other = seen_entries(fresh, list);
      ASSERT_EQ(one.size(), other.size()) << where;
      for (std::size_t i = 0; i < one.size(); ++i) {
        EXPECT_EQ(one[i].number, other[i].number) << where;
        EXPECT_NEAR(one[i].from, other[i].from, 1e-6) << where;
      }
      EXPECT_EQ(solution.content_size(list), fresh.content_size(list)) << where;
    }
  }
}

/// Entries that are all alike are where they are in the list that is arranged whole.
TEST(ListsInView, AreWhereTheWholeListHasThem) {
  for (std::uint32_t seed = 0; seed < 200 && !HasFailure(); ++seed) {
    RandomScenes random(testing::seed() + seed);
    const int count = 2 + random.below(300);
    const std::string entry = "row:entry[0] padding=" + std::to_string(random.below(5)) +
                              " [ text:words weight=1 text=\"Watered, and moved to the north bench\" box:b width=9 ]";
    std::string all;
    for (int i = 0; i < count; ++i) all += "row:entry[" + std::to_string(i) + "]" + entry.substr(12) + " ";
    const std::string before = "column:screen [ column:list weight=1 scroll=y gap=3 padding=4 ";
    const Scene whole = scene_from(before + "[ " + all + "] box height=10 ]");
    Scene part = scene_from(before + "[ " + entry + " ] box height=10 ]");
    part.tree.set(part.tree.at("list"), column().virtualized(static_cast<std::uint32_t>(count)));
    SceneSolver solver(part), plain(whole);
    for (int look = 0; look < 5; ++look) {
      const ContainerSize container_size{60.0 + random.below(400), 40.0 + random.below(300)};
      const double at = random.chance(20) ? Solution::scroll_end : random.below(9000);
      const Solution seen = solver.solve(container_size, {{part.tree.at("list"), 0, at}});
      const Solution expected = plain.solve(container_size, {{whole.tree.at("list"), 0, at}});
      EXPECT_NEAR(seen.content_size(part.tree.at("list")).height, expected.content_size(whole.tree.at("list")).height,
                  1e-6);
      for (const auto& placed : seen.boxes()) {
        const Rect other = expected[seen.tree().path(placed.node)], box = seen.box(placed.node);
        EXPECT_NEAR(box.y, other.y, 1e-6) << seen.tree().path(placed.node) << " of " << count;
        EXPECT_NEAR(box.height, other.height, 1e-6);
        EXPECT_NEAR(box.width, other.width, 1e-6);
      }
    }
  }
}

Scene log_of(std::uint32_t entries, double height) {
  return column("screen").children(column("log").weight(1).scroll(Scroll::y).virtualized(entries).children(
      row("entry[0]").height(height).children(box("mark").width(12))));
}

TEST(ListsInView, CostWhatIsInView) {
  const Scene scene = log_of(1'000'000'000, 20);
  SceneSolver solver(scene);
  const NodeId list = scene.tree.at("log");
  for (const double at : {0.0, 1e6, 7.5e9, Solution::scroll_end, 30.0}) {
    const Solution solution = solver.solve({300, 400}, {{list, 0, at}});
    EXPECT_LE(solver.tree().size(), 2 + 2 * 23U) << at;
    const auto lists = solution.estimated_lists();
    ASSERT_EQ(lists.size(), 1U);
    EXPECT_EQ(lists[0].length, 2e10);
    EXPECT_LE(lists[0].arranged, 23U);
    EXPECT_EQ(lists[0].entries, 1'000'000'000U);
  }
  EXPECT_EQ(solver.solve({300, 400}, {{list, 0, Solution::scroll_end}}).tree().matches("entry[999999999]").size(), 1U);
  EXPECT_EQ(solver.solve({300, 0}).estimated_lists().at(0).arranged, 1U);
}

TEST(ListsInView, AreBoundedWhereEntriesTakeNothing) {
  const Scene scene = log_of(1'000'000, 0);
  SceneSolver solver(scene);
  EXPECT_LE(solver.solve({300, 400}).tree().size(), 2 * 4001U + 2);
  EXPECT_EQ(solver.solve({300, 400}).content_size(scene.tree.at("log")).height, 400);
}

/// A list as long as all its entries would fill its view with them.
TEST(ListsInView, AreBoundedWhereTheViewIsEndless) {
  const Scene scene = log_of(1'000'000, 20);
  SceneSolver solver(scene);
  for (const double at : {0.0, 1e6, Solution::scroll_end, 0.0}) {
    const Solution solution = solver.solve({300, std::nullopt}, {{scene.tree.at("log"), 0, at}});
    EXPECT_EQ(solution.box(scene.tree.at("log")).height, 2e7) << at;
    EXPECT_LE(solver.tree().size(), 2 * 4001U + 2) << at;
  }
}

TEST(ListsInView, AllInViewSayNothingOfEstimates) {
  const Scene few = log_of(3, 20);
  SceneSolver solver(few);
  const Solution solution = solver.solve({300, 400});
  EXPECT_TRUE(solution.estimated_lists().empty());
  EXPECT_EQ(testing::boxes_text(solution),
            "log(0,0 300x400) entry[0](0,0 300x20) mark(0,0 12x20) "
            "entry[1](0,20 300x20) mark(0,20 12x20) "
            "entry[2](0,40 300x20) mark(0,40 12x20)");
}

/// Lists in entries of a list have views of their own, also those that came by copying.
TEST(ListsInView, LieInOneAnother) {
  const Scene scene = column("screen").children(column("shelf").weight(1).scroll(Scroll::y).virtualized(1000).children(
      row("tray[0]").height(50).scroll(Scroll::x).virtualized(1000).children(box("pot[0]").width(40))));
  SceneSolver solver(scene);
  const NodeId shelf = scene.tree.at("shelf");
  for (const double at : {0.0, 20000.0, 25.0}) {
    const Solution solution = solver.solve({100, 100}, {{shelf, 0, at}, {scene.tree.at("tray[0]"), 4000, 0}});
    for (const NodeId tray : solution.tree().children(shelf)) {
      const auto pots = seen_entries(solution, tray);
      const bool first = solution.tree().segment(tray) == "tray[0]";
      ASSERT_EQ(pots.size(), first ? 4U : 3U) << solution.tree().path(tray) << " at " << at;
      EXPECT_EQ(pots[1].number, first ? 100 : 1);
    }
  }
}

/// A range may make something else of it than a list: then all its entries are there.
TEST(ListsInView, EndWhereARangeMakesAGridOfThem) {
  std::vector<Node> pots;
  for (int i = 0; i < 30; ++i) pots.push_back(box("pot[" + std::to_string(i) + "]").natural_size(20, 20));
  Scene scene = column("screen").children(column("pots")
                                              .weight(1)
                                              .scroll(Scroll::y)
                                              .virtualized()
                                              .when("wide", grid().columns(5))
                                              .children(std::move(pots)));
  scene.ranges = {Range{.name = "wide", .from_width = 200}};
  SceneSolver solver(scene);
  EXPECT_EQ(seen_entries(solver.solve({100, 60}), scene.tree.at("pots")).size(), 3U);
  EXPECT_EQ(seen_entries(solver.solve({200, 60}), scene.tree.at("pots")).size(), 30U);
  EXPECT_EQ(seen_entries(solver.solve({100, 60}), scene.tree.at("pots")).size(), 3U);
}

TEST(ListsInView, RefuseCopiesOfNothingAndOfSeveral) {
  const auto list = [] { return column("list").scroll(Scroll::y).virtualized(9); };
  EXPECT_THROW(SceneSolver{Scene(column().children(list()))}, BadValue);
  EXPECT_THROW(SceneSolver{Scene(column().children(list().children(box("a"), box("b"))))}, BadValue);
  EXPECT_NO_THROW(SceneSolver{Scene(column().children(list().children(box("a"))))});
  EXPECT_THROW(Scene(column().children(column().virtualized(1'000'000'001))), BadValue);
}

}  // namespace
}  // namespace fond_ladder
