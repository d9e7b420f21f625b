// SPDX-License-Identifier: MIT
#include <gtest/gtest.h>

#include <map>

#include "fond_ladder/fond_ladder.hpp"
#include "support/shorthand.hpp"

namespace fond_ladder {
namespace {

using testing::boxes_at;
using testing::scene_from;
using testing::short_number;

/// Which child stands in each cell of a grid whose tracks are 10 pixels each: a line of letters a row.
std::string drawn_map(const std::string& grid, const std::string& children) {
  const Scene scene =
      scene_from("grid:g auto_columns=10 auto_rows=10 place_content=start " + grid + " [ " + children + " ]");
  const Solution solution = solve(scene, {400, 400});
  const auto tracks = solution.tracks(scene.tree.root());
  std::vector<std::string> rows(tracks.rows.size(), std::string(tracks.columns.size(), '.'));
  for (const auto& [node, box, depth] : solution.boxes()) {
    if (depth == 0) continue;
    for (double y = box.y + 5; y < box.bottom(); y += 10) {
      for (double x = box.x + 5; x < box.right(); x += 10) {
        rows.at(static_cast<std::size_t>(y / 10)).at(static_cast<std::size_t>(x / 10)) =
            scene.tree.segment(node).front();
      }
    }
  }
  std::string text;
  for (const std::string& row : rows) text += (text.empty() ? "" : "/") + row;
  return text;
}

TEST(Grid, PlacesChildrenInCells) {
  const std::string three = "columns=[10,10,10]";
  const struct {
    const char* name;
    std::string grid, children;
    const char* map;
  } cases[] = {
      {"one after another", three, "box:a box:b box:c box:d", "abc/d.."},
      {"without tracks: one column", "", "box:a box:b", "a/b"},
      {"by columns", "rows=[10,10] flow=columns", "box:a box:b box:c", "ac/b."},
      {"a span that does not fit goes on", three, "box:a box:b span=[3,1] box:c", "a../bbb/c.."},
      {"dense: holes are filled", three + " dense=true", "box:a box:b span=[3,1] box:c", "ac./bbb"},
      {"dense: the first hole is taken even far back", three + " dense=true",
       "box:a span=[2,1] box:b span=[2,1] box:c box:d box:e", "aac/bbd/e.."},
      {"a span over rows is in the way", three, "box:a span=[1,2] box:b box:c box:d", "abc/ad."},
      {"cells are where they say, others around them", three, "box:a cell=[1,0] box:b box:c", "bac"},
      {"two may say one cell", three, "box:a cell=[0,0] box:b cell=[0,0] box:c", "bc."},
      {"a cell beyond the tracks adds some", "columns=[10]", "box:a cell=[2,1] box:b", "b../..a"},
      {"all columns", three, "box:a box:b span=[\"all\",1] box:c", "a../bbb/c.."},
      {"all from a cell on", three, "box:a cell=[1,0] span=[\"all\",1]", ".aa"},
      {"all rows that are written", "columns=[10,10] rows=[10,10,10]", "box:a span=[1,\"all\"] box:b box:c",
       "ab/ac/a."},
      {"a span wider than the grid widens it", "columns=[10]", "box:a box:b span=[2,1]", "a./bb"},
      {"areas", "areas=[\"a a b\",\"a a .\"]", "box:p area=a box:q area=b box:r", "ppq/ppr"},
      {"an area beats a cell", "areas=[\"a b\"]", "box:p area=b cell=[0,0]", ".p"},
      {"order decides, not the file", three, "box:a order=last box:b", "ba."},
      {"hidden and pinned children take no cell", three, "box:a hidden=true box:b pin={\"left\":300,\"top\":300} box:c",
       "c.."},
  };
  for (const auto& [name, grid, children, map] : cases) {
    if (std::string(children).find("pin") != std::string::npos) continue;
    EXPECT_EQ(drawn_map(grid, children), map) << name;
  }
  EXPECT_EQ(boxes_at("grid:g columns=[10,10] [ box:b pin={\"left\":30,\"top\":3} box:c height=4 ]", "50x20"),
            "b(30,3 0x0) c(0,0 10x4)");
}

const testing::BoxCase cases[] = {
    {"children fill their cells", "grid:g columns=[30,50] gap=10 [ box:a box:b ]", "100x40",
     "a(0,0 30x40) b(40,0 50x40)"},
    {"align and self",
     "grid:g columns=[30,50] place_items={\"x\":\"center\",\"y\":\"end\"} [ box:a natural_size=[10,8] "
     "box:b natural_size=[10,8] place_self={\"x\":\"stretch\",\"y\":\"start\"} ]",
     "100x40", "a(10,32 10x8) b(30,0 50x8)"},
    {"baseline in a cell is start", "grid:g place_items={\"y\":\"baseline\"} [ box:a natural_size=[10,8] ]", "50x40",
     "a(0,0 50x8)"},
    {"fill follows the alignment where a limit holds it",
     "grid:g place_items={\"x\":\"end\"} [ box:a width=fill max_width=20 ]", "50x10", "a(30,0 20x10)"},
    {"margins are inside the cell", "grid:g columns=[40] [ box:a margin=5 ]", "40x30", "a(5,5 30x20)"},
    {"automatic margins take what is spare", "grid:g columns=[40] [ box:a width=10 margin={\"left\":\"auto\"} ]",
     "40x30", "a(30,0 10x30)"},
    {"right to left", "direction=rtl grid:g columns=[30,50] place_content={\"x\":\"start\"} [ box:a box:b ]", "100x20",
     "a(70,0 30x20) b(20,0 50x20)"},
    {"rest of tracks",
     "grid:g columns=[20,20] rows=[10] place_content={\"x\":\"between\",\"y\":\"center\"} [ box:a box:b ]", "100x50",
     "a(0,20 20x10) b(80,20 20x10)"},
    {"a span takes the gap and what is spread",
     "grid:g columns=[20,20] place_content={\"x\":\"between\"} [ box:a span=[2,1] ]", "100x10", "a(0,0 100x10)"},
    {"percentages are of the cell", "grid:g columns=[40,60] [ box:a width=50% height=50% ]", "100x20", "a(0,0 20x10)"},
    {"tracks in percent are of the grid", "grid:g columns=[\"25%\",\"75%\"] padding=10 [ box:a box:b ]", "120x40",
     "a(10,10 25x20) b(35,10 75x20)"},
    {"as many as fit",
     "grid:g columns=[{\"repeat\":\"fitting\",\"tracks\":[30]}] gap=5 place_content={\"x\":\"start\"} [ box:a box:b "
     "box:c ]",
     "99x40", "a(0,0 30x17.5) b(35,0 30x17.5) c(0,22.5 30x17.5)"},
    {"one more at exactly its width",
     "grid:g columns=[{\"repeat\":\"fitting\",\"tracks\":[30]}] gap=5 place_content={\"x\":\"start\"} [ box:a box:b "
     "box:c ]",
     "100x40", "a(0,0 30x40) b(35,0 30x40) c(70,0 30x40)"},
    {"kept empty tracks take space",
     "grid:g columns=[{\"repeat\":\"fitting\",\"tracks\":[{\"min\":30,\"max\":\"1fr\"}]}] [ box:a ]", "90x10",
     "a(0,0 30x10)"},
    {"dropped ones do not",
     "grid:g columns=[{\"repeat\":\"fitting\",\"tracks\":[{\"min\":30,\"max\":\"1fr\"}],\"empty\":\"drop\"}] [ box:a ]",
     "90x10", "a(0,0 90x10)"},
    {"rows fit a height in pixels",
     "column:c [ grid:g height=50 rows=[{\"repeat\":\"fitting\",\"tracks\":[20]}] flow=columns "
     "columns=[10,10] place_content=start across=start [ box:a box:b box:c ] ]",
     "40x100", "g(0,0 40x50) a(0,0 10x20) b(0,20 10x20) c(10,0 10x20)"},
    {"an aspect in a cell", "grid:g columns=[40] place_items={\"y\":\"start\"} [ box:a aspect_ratio=2 ]", "40x60",
     "a(0,0 40x20)"},
    {"a grid in a row, a row in a grid",
     "row:r [ grid:g columns=[20,\"1fr\"] weight=1 [ box:a row:b [ box:c weight=1 ] ] ]", "100x10",
     "g(0,0 100x10) a(0,0 20x10) b(20,0 80x10) c(20,0 80x10)"},
    {"grids in grids", "grid:g columns=2 [ grid:h columns=2 [ box:a box:b ] box:c ]", "80x10",
     "h(0,0 40x10) a(0,0 20x10) b(20,0 20x10) c(40,0 40x10)"},
    {"by its content",
     "row:r along=start across=start [ grid:g columns=[\"content\",\"content\"] gap=3 [ box:a natural_size=[9,4] "
     "box:b natural_size=[5,7] box:c natural_size=[12,2] ] ]",
     "100x40", "g(0,0 20x12) a(0,0 12x7) b(15,0 5x7) c(0,10 12x2)"},
    {"a text as high as its column is wide", "grid:g columns=[48,\"1fr\"] [ text:t text=\"oak and fern\" box:b ]",
     "100", "t(0,0 48x60) b(48,0 52x60)"},
    {"a scroller's tracks overflow, start stays reachable",
     "grid:g scroll=x columns=[80,80] place_content={\"x\":\"center\"} [ box:a box:b ]", "100x10",
     "a(0,0 80x10) b(80,0 80x10)"},
    {"others overhang on both sides", "grid:g columns=[80,80] place_content={\"x\":\"center\"} [ box:a box:b ]",
     "100x10", "a(-30,0 80x10) b(50,0 80x10)"},
    {"a negative gap counts 0", "grid:g columns=[10,10] gap=-5 [ box:a box:b ]", "30x10", "a(0,0 10x10) b(10,0 10x10)"},
};

TEST(Grid, ArrangesWhatWasWorkedOutByHand) {
  testing::expect_boxes(cases);
}

/// The boxes of the children alone, whatever the kind of the container.
void expect_same_at_all_widths(const std::string& one, const std::string& other) {
  const Scene a = scene_from(one), b = scene_from(other);
  Solver solve_a, solve_b;
  for (double width = 60; width < 500; width += 3.25) {
    const ContainerSize container_size{width, width < 250 ? std::optional(120.0) : std::nullopt};
    EXPECT_EQ(testing::boxes_text(solve_a.solve(a.tree, container_size)),
              testing::boxes_text(solve_b.solve(b.tree, container_size)))
        << width;
  }
}

TEST(Grid, OfOneColumnEqualsAColumn) {
  const std::string inside =
      " gap=7 padding=5 [ text:a text=\"oak and fern in the house\" box:b natural_size=[40,20] margin=3 "
      "box:c width=50% height=15 box:d height=30 aspect_ratio=2 row:e [ box:f natural_size=[9,9] ] ]";
  expect_same_at_all_widths("column:r [ grid:g columns=1 place_content={\"y\":\"start\"}" + inside + " ]",
                            "column:r [ column:g" + inside + " ]");
}

TEST(Grid, OfThreeEqualTracksEqualsThreeWeights) {
  const std::string children =
      " gap=8 padding=6 [ text:a text=\"oak and fern\" box:b natural_size=[90,20] "
      "column:c padding=4 [ box:d natural_size=[30,10] ] ]";
  expect_same_at_all_widths("column:r [ grid:g columns=3" + children + " ]",
                            "column:r [ row:g equal_sizes=true" + children + " ]");
}

std::string text_of(const Solution& solution, const std::vector<Solution::TrackBox>& tracks) {
  std::string text;
  for (const auto& track : tracks) {
    text += (text.empty() ? "" : " ") + short_number(track.at) + "+" + short_number(track.size) +
            (track.set_by ? ":" + solution.tree().segment(track.set_by) : "");
  }
  return text;
}

TEST(Grid, TellsItsTracksAndWhoSetThem) {
  const Solution solution = solve(
      scene_from(
          "column:r padding=5 [ grid:g columns=[\"content\",\"1fr\",30,\"content\"] gap=2 [ box:a natural_size=[9,4] "
          "box:b natural_size=[5,7] box:c box:d span=[1,2] natural_size=[20,30] box:e natural_size=[12,3] ] ]"),
      {110, 60});
  const Tree& tree = solution.tree();
  const auto tracks = solution.tracks(tree.at("g"));
  EXPECT_EQ(text_of(solution, tracks.columns), "5+12:e 19+32 53+30 85+20:d");
  EXPECT_EQ(text_of(solution, tracks.rows), "5+16:d 23+12:d");
  EXPECT_TRUE(solution.tracks(tree.at("r")).columns.empty());
  const Solution mirrored =
      solve(scene_from("direction=rtl grid:g columns=[10,20] place_content=start [ box:a ]"), {50, 9});
  EXPECT_EQ(text_of(mirrored, mirrored.tracks(mirrored.tree().root()).columns), "40+10 20+20");
}

TEST(Grid, BaselineIsThatOfItsFirstChild) {
  const Scene scene = scene_from(
      "row:r across=baseline [ grid:g columns=2 place_items={\"y\":\"end\"} [ text:a text=A font_size=10 box:b "
      "natural_size=[5,30] ] "
      "text:t text=T font_size=20 ]");
  const Solution solution = solve(scene, {200, 100});
  const Tree& tree = solution.tree();
  EXPECT_EQ(solution.baseline(tree.at("g")), 30 - 12.5 + 9.5);
  EXPECT_EQ(solution.baseline(tree.at("t")), solution.baseline(tree.at("g")));
}

TEST(Grid, NeverHasMoreTracksThanPossible) {
  Keys grid, cell;
  grid.kind = Kind::grid;
  Tree tree(grid);
  for (int i = 0; i < 10100; ++i) tree.append(tree.root(), cell);
  Solver solver;
  const Solution solution = solver.solve(tree, {100, {}});
  EXPECT_EQ(solution.tracks(tree.root()).rows.size(), 10000U);
  ASSERT_EQ(solution.warnings().size(), 1U);
  EXPECT_EQ(solution.warnings()[0].what, "it needs more than 10,000 tracks; further cells are placed in the last one");
  cell.cell = Cell{9999, 9999};
  cell.span = {10000, 10000};
  tree.append(tree.root(), cell);
  EXPECT_EQ(solver.solve(tree, {100, {}}).tracks(tree.root()).columns.size(), 10000U);
}

TEST(Grid, IsBuiltInCppAsInAFile) {
  const Scene built =
      grid("g")
          .columns({100, fr(1), Track(min_content, 80)})
          .rows(2)
          .gap(4)
          .children(box("a").span(2, 1), box("b").cell(2, 1), text("t", "oak").place_items(Across::start, Across::end));
  const Scene read = scene_from(
      "grid:g columns=[100,\"1fr\",{\"min\":\"min-content\",\"max\":80}] rows=2 gap=4 "
      "[ box:a span=[2,1] box:b cell=[2,1] text:t text=oak place_items={\"x\":\"start\",\"y\":\"end\"} ]");
  for (const NodeId node : built.tree.nodes()) EXPECT_EQ(built.tree.keys(node), read.tree.keys(node));
  EXPECT_EQ(testing::boxes_text(solve(built, {300, 90})), testing::boxes_text(solve(read, {300, 90})));
  const Scene page = grid("p")
                         .columns(Tracks().repeat(2, {40}).fitting({Track(20, fr(1))}, Empty::drop))
                         .areas({"a b", "a ."})
                         .children(box("q").area("b"));
  EXPECT_EQ(testing::boxes_text(solve(page, {200, 20})), "q(40,0 40x10)");
  EXPECT_THROW(Scene(grid("g").columns(Tracks(0))), BadValue);
  EXPECT_THROW(Scene(grid("g").columns({Track(fr(1), fr(1))})), BadValue);
}

TEST(Grid, AnEmptyOneHasNoTracksButTheWrittenOnes) {
  const testing::BoxCase cases[] = {
      {"none", "column:c [ grid:g flow=columns auto_rows=50 box:b height=5 ]", "100x90", "g(0,0 100x0) b(0,0 100x5)"},
      {"hidden children are none",
       "column:c [ grid:g auto_columns=50 [ box:a cell=[2,2] hidden=true ] box:b height=5 ]", "100x90",
       "g(0,0 100x0) b(0,0 100x5)"},
      {"a written one", "column:c [ grid:g rows=[30] box:b height=5 ]", "100x90", "g(0,0 100x30) b(0,30 100x5)"},
      {"one child needs one", "column:c [ grid:g flow=columns auto_rows=50 [ box:a ] box:b height=5 ]", "100x90",
       "g(0,0 100x50) a(0,0 100x50) b(0,50 100x5)"},
  };
  testing::expect_boxes(cases);
}

TEST(Grid, RowsGoDownToTheLeastHeightOfWhatScrollsInThem) {
  const testing::BoxCase cases[] = {
      {"a list deep inside", "grid:g [ box:a height=40 row:b [ column:l scroll=y weight=1 [ box:e height=1200 ] ] ]",
       "100x300", "a(0,0 100x40) b(0,40 100x260) l(0,40 100x260) e(0,40 100x1200)"},
      {"without scrolling", "grid:g [ box:a height=40 row:b [ column:l weight=1 [ box:e height=1200 ] ] ]", "100x300",
       "a(0,0 100x40) b(0,40 100x1200) l(0,40 100x1200) e(0,40 100x1200)"},
      {"a grid in a column", "column:c [ box:a height=40 grid:g weight=1 [ column:l scroll=y [ box:e height=300 ] ] ]",
       "100x90", "a(0,0 100x40) g(0,40 100x50) l(0,40 100x50) e(0,40 100x300)"},
  };
  testing::expect_boxes(cases);
}

}  // namespace
}  // namespace fond_ladder
