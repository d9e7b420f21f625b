// SPDX-License-Identifier: MIT
//
// Scrolled arrangements, and where a node that is let go would land.
#include <gtest/gtest.h>

#include <algorithm>

#include "fond_ladder/fond_ladder.hpp"
#include "support/random_scenes.hpp"
#include "support/shorthand.hpp"

namespace fond_ladder {
namespace {

using testing::scene_from;

std::string box_text(const Rect& box) {
  const auto number = [](double value) { return testing::short_number(value); };
  return number(box.x) + "," + number(box.y) + " " + number(box.width) + "x" + number(box.height);
}

TEST(Scrolled, MovesWhatAScrollerHoldsAndNoSizes) {
  const Scene scene = scene_from(
      "column:window [ column:list scroll=y height=50 padding=5 [ box:a height=40 box:b height=40 scroll_ratio=0.5 "
      "box:c "
      "height=40"
      " box:sticky height=10 pin={\"top\":0,\"right\":0} ] box:after height=10 ]");
  const Solution still = solve(scene, {100, 100});
  const NodeId list = scene.tree.at("list");
  EXPECT_EQ(still.scroll_range(list).height, 80);
  const Solution moved = still.scrolled({{list, 0, 30}});
  EXPECT_EQ(testing::boxes_text(moved),
            "list(0,0 100x50) a(5,-25 90x40) b(5,30 90x40) c(5,55 90x40) sticky(100,0 0x10) after(0,50 100x10)")
      << "b by half as much, the pinned one not";
  EXPECT_EQ(still["a"].y, 5) << "the one before is as it was";
  EXPECT_EQ(moved.relative_box(scene.tree.at("a")).y, 5) << "sizes and places in the parent stay";
  EXPECT_EQ(moved.painted_box(scene.tree.at("c")).y, 55);
  EXPECT_EQ(moved.baseline(scene.tree.at("a")), 15);
  EXPECT_EQ(moved.hit_test(20, 40).front(), scene.tree.at("b"));
  EXPECT_EQ(still.hit_test(20, 40).front(), scene.tree.at("a"));
  EXPECT_EQ(still.scrolled({{list, 0, Solution::scroll_end}}).scroll_position(list).height, 80);
  EXPECT_EQ(still.scrolled({{list, 7, -3}})["a"], still["a"]) << "within the range";
  EXPECT_EQ(moved.snapshot()["a"].y, -25);
}

TEST(Scrolled, CountsFromWhereTheContentBegins) {
  const char* const cases[][3] = {
      {"row:r scroll=x [ box:a width=40 shrink=0 box:b width=40 shrink=0 ]", "10", "a(-10,0 40x9) b(30,0 40x9)"},
      {"row:r scroll=x reverse=true [ box:a width=40 shrink=0 box:b width=40 shrink=0 ]", "10",
       "a(20,0 40x9) b(-20,0 40x9)"},
      {"direction=rtl row:r scroll=x [ box:a width=40 shrink=0 box:b width=40 shrink=0 ]", "10",
       "a(20,0 40x9) b(-20,0 40x9)"},
  };
  for (const auto& [scene_text, by, boxes] : cases) {
    const Scene scene = scene_from(scene_text);
    const Solution moved = solve(scene, {50, 9}).scrolled({{scene.tree.root(), std::stod(by), 0}});
    EXPECT_EQ(testing::boxes_text(moved), boxes) << scene_text;
  }
}

TEST(DropTarget, IsBetweenTheNeighborsAtThePoint) {
  const char* const row = "row:r gap=10 [ box:a width=20 height=20 box:b width=20 height=20 box:c width=20 height=20 ]";
  const char* const wrapped =
      "row:r gap=10 wrap=true place_content=start [ box:a width=40 height=20 box:b width=40 height=20 box:c width=40 "
      "height=20 "
      "]";
  const struct {
    const char *what, *scene;
    double x, y;
    const char* carried;  // or none
    const char* lands;
  } cases[] = {
      {"before the first", row, 5, 5, "", "r 0 | 0,0 0x20"},
      {"behind the middle of the first", row, 12, 5, "", "r 1 | 25,0 0x20"},
      {"in the gap", row, 27, 5, "", "r 1 | 25,0 0x20"},
      {"behind the last", row, 95, 5, "", "r 3 | 80,0 0x20"},
      {"itself does not count", row, 95, 5, "a", "r 2 | 80,0 0x20"},
      {"where it is", row, 35, 5, "b", "r 1 | 40,0 0x20"},
      {"never into a leaf", row, 42, 5, "", "r 2 | 55,0 0x20"},
      {"outside", row, 105, 5, "", "nowhere"},
      {"the nearest line", wrapped, 5, 45, "", "r 2 | 0,30 0x20"},
      {"the end of the first line", wrapped, 95, 8, "", "r 2 | 90,0 0x20"},
      {"from the far end", "row:r reverse=true [ box:a width=20 height=9 box:b width=20 height=9 ]", 95, 5, "",
       "r 0 | 100,0 0x9"},
      {"right to left", "direction=rtl row:r [ box:a width=20 height=9 box:b width=20 height=9 ]", 65, 5, "",
       "r 2 | 60,0 0x9"},
      {"an empty column", "column:c padding=4 [ column:d weight=1 ]", 50, 20, "", "d 0 | 4,4 92x0"},
      {"not into itself", "column:c [ column:d weight=1 [ box:e height=5 ] ]", 50, 20, "d", "c 0 | 0,0 100x0"},
      {"a stack", "stack:s padding=5 [ box:a width=9 height=9 ]", 50, 20, "", "s 1 | 5,5 90x40"},
      {"a free cell", "grid:g columns=2 rows=2 [ box:a box:b box:c ]", 10, 10, "", "g 3 | 50,25 50x25"},
      {"the cell that is free once it was taken out", "grid:g columns=2 rows=2 [ box:a box:b box:c box:d ]", 10, 10,
       "a", "g 3 | 50,25 50x25"},
      {"a row that is not there yet", "grid:g columns=2 rows=1 [ box:a box:b ]", 10, 10, "", "g 2 | 0,50 50x0"},
      {"column by column", "grid:g columns=2 rows=2 flow=columns [ box:a ]", 10, 10, "", "g 1 | 0,25 50x25"},
      {"dense", "grid:g columns=3 rows=1 dense=true [ box:a cell=[1,0] ]", 10, 10, "", "g 1 | 0,0 33.3333x50"},
      {"beside the one laid there", "row:r [ box:a width=20 height=9 order=2 box:b width=20 height=9 order=1 ]", 5, 5,
       "", "r 1 | 0,0 0x9"},
  };
  for (const auto& one : cases) {
    const Scene scene = scene_from(one.scene);
    const Solution solution = solve(scene, {100, 50});
    const NodeId carried = *one.carried == 0 ? NodeId{} : scene.tree.at(one.carried);
    const auto drop_target = solution.drop_target(one.x, one.y, carried);
    const std::string lands = !drop_target
                                  ? "nowhere"
                                  : scene.tree.segment(drop_target->parent) + " " + std::to_string(drop_target->place) +
                                        " | " + box_text(drop_target->indicator);
    EXPECT_EQ(lands, one.lands) << one.what;
  }
}

TEST(DropTarget, OfAScrolledListIsWhereItIsSeen) {
  const Scene scene = scene_from("column:list scroll=y [ box:a height=40 box:b height=40 box:c height=40 ]");
  const Solution moved = solve(scene, {100, 50}).scrolled({{scene.tree.root(), 0, 60}});
  const auto drop_target = moved.drop_target(50, 25, {});
  ASSERT_TRUE(drop_target);
  EXPECT_EQ(drop_target->place, 2U);
  EXPECT_EQ(drop_target->indicator.y, 20);
}

TEST(DropTarget, IsWhereTheNodeStandsOnceItWasMovedThere) {
  for (std::uint32_t run = 0; run < 400; ++run) {
    testing::RandomScenes scenes(testing::seed() + run);
    Tree tree = scenes.tree(14);
    for (const NodeId node : tree.nodes()) {
      Keys keys = tree.keys(node);
      keys.order = {};
      keys.pin.reset();
      keys.hidden = false;
      keys.cell.reset();
      keys.area.clear();
      keys.scale = 1;
      tree.replace_keys(node, keys);
    }
    const auto nodes = tree.nodes();
    const NodeId carried = nodes[1 + static_cast<std::size_t>(scenes.below(static_cast<int>(nodes.size()) - 1))];
    Solver solver;
    const Solution solution = solver.solve(tree, {300, 200});
    const double x = scenes.below(300), y = scenes.below(200);
    const auto drop_target = solution.drop_target(x, y, carried);
    ASSERT_TRUE(drop_target) << run;
    ASSERT_TRUE(is_container(tree.kind(drop_target->parent))) << run;
    const auto order_of = [&](const Solution& seen) {
      std::vector<NodeId> order = seen.laid_order(drop_target->parent);
      std::erase(order, carried);
      return order;
    };
    const std::vector<NodeId> others = order_of(solution);
    ASSERT_LE(drop_target->place, others.size()) << run;
    tree.move(carried, drop_target->parent, drop_target->place);  // throws were it into itself, or no place
    EXPECT_EQ(order_of(solver.solve(tree, {300, 200})), others) << run << ": the others keep their order";
    EXPECT_EQ(tree.index_of(carried), drop_target->place);
  }
}

}  // namespace
}  // namespace fond_ladder
