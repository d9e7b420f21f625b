// SPDX-License-Identifier: MIT
//
// Calculations done by hand, and every calculation of random trees: its sum must equal the size in the solve.
#include <gtest/gtest.h>

#include <sstream>

#include <nlohmann/json.hpp>

#include "fond_ladder/explanation.hpp"
#include "support/golden.hpp"
#include "support/program.hpp"
#include "support/random_scenes.hpp"
#include "support/shorthand.hpp"

namespace fond_ladder {
namespace {

Explanation account_of(const std::string& shorthand, const std::string& at, const std::string& node) {
  const Scene scene = testing::scene_from(shorthand);
  const Solution solution = solve(scene, testing::size_from(at));
  return explain(solution, scene.tree.at(node));
}

/// `name base>size why` of each child, a line each.
std::string entries_text(const Explanation& account) {
  std::string text;
  for (const ExplanationLine& line : account.lines) {
    for (const ExplanationEntry& entry : line.entries) {
      text += entry.name + " " + testing::short_number(entry.space_before) + " " + testing::short_number(entry.base) +
              ">" + testing::short_number(entry.size) + " " + entry.why + "\n";
    }
  }
  return text;
}

TEST(Explanation, SaysWhyEveryChildOfALineHasItsSize) {
  const struct {
    const char *what, *scene, *at, *entries;
  } cases[] = {
      {"weights", "row:r gap=10 padding=5 [ box:a weight=1 box:b weight=2 ]", "100x20",
       "a 0 0>26.6667 weight 1, 33.33 % of 80\nb 10 0>53.3333 weight 2, 66.67 % of 80\n"},
      {"a minimum among weights", "row:r [ box:a weight=1 min_width=60 box:b weight=1 ]", "100x20",
       "a 0 0>60 at its minimum, 60 (min_width)\nb 0 0>40 weight 1, 100 % of 40\n"},
      {"a maximum among weights", "row:r [ box:a weight=1 max_width=30 box:b weight=1 ]", "100x20",
       "a 0 0>30 at its maximum, 30 (max_width)\nb 0 0>70 weight 1, 100 % of 70\n"},
      {"growing", "row:r [ box:a basis=20 grow=1 box:b basis=20 grow=3 ]", "100x20",
       "a 0 20>35 grows by 15 (grow 1: 25 % of the free space)\nb 0 20>65 grows by 45 (grow 3: 75 % of the free "
       "space)\n"},
      {"shrinking", "row:r [ box:a width=100 min_width=0 box:b width=50 min_width=0 ]", "120x20",
       "a 0 100>80 shrinks by 20 (shrink 1: 66.67 % of the shortfall)\nb 0 50>40 shrinks by 10 (shrink 1: 33.33 % of "
       "the shortfall)\n"},
      {"shrinking stopped", "row:r [ box:a width=100 min_width=90 box:b width=50 min_width=0 ]", "120x20",
       "a 0 100>90 at its minimum, 90 (min_width)\nb 0 50>30 shrinks by 20 (shrink 1: 33.33 % of the shortfall)\n"},
      {"rigid", "row:r along=center [ box:a width=30 shrink=0 ]", "100x20", "a 35 30>30 its width\n"},
      {"distances", "row:r along=evenly gap=5 [ box:a width=20 margin=2 box:b width=20 ]", "100x20",
       "a 19 20>20 its width\nb 24 20>20 its width\n"},
      {"an automatic margin", "row:r [ box:a width=20 box:b width=20 margin={\"left\":\"auto\"} ]", "100x20",
       "a 0 20>20 its width\nb 60 20>20 its width\n"},
      {"right to left", "direction=rtl row:r gap=5 [ box:a width=20 box:b weight=1 ]", "100x20",
       "a 0 20>20 its width\nb 5 0>75 weight 1, 100 % of 75\n"},
      {"a column by content", "column:r [ text:t text=\"two words\" ]", "60", "t 0 40>40 its content\n"},
  };
  for (const auto& [what, scene, at, entries] : cases) {
    const Explanation account = account_of(scene, at, "r");
    EXPECT_EQ(entries_text(account), entries) << what;
    EXPECT_TRUE(account.adds_up()) << what;
    EXPECT_EQ(account.lines[0].sum, account.lines[0].inner_size) << what;
  }
}

TEST(Explanation, PlaysTheRoundsThrough) {
  const Explanation account =
      account_of("row:r [ box:a weight=1 min_width=60 box:b weight=1 max_width=25 box:c weight=2 ]", "100x20", "r");
  const ExplanationLine& line = account.lines[0];
  ASSERT_EQ(line.rounds.size(), 2U);
  EXPECT_EQ(line.rounds[0].free_space, 100);
  EXPECT_EQ(line.rounds[0].per_factor, 25);
  EXPECT_EQ(line.rounds[0].settled, std::vector<std::size_t>{0});
  EXPECT_EQ(line.rounds[1].free_space, 40);
  EXPECT_EQ(line.rounds[1].settled, (std::vector<std::size_t>{1, 2}));
}

TEST(Explanation, TellsWhatSticksOut) {
  const Explanation account = account_of("row:r [ box:a width=80 shrink=0 box:b width=50 shrink=0 ]", "100x20", "r");
  EXPECT_EQ(account.lines[0].unused_space, -30);
  EXPECT_EQ(account.lines[0].sum, 130);
  std::ostringstream out;
  out << account;
  EXPECT_NE(out.str().find("a 80 + b 50 + 0 = 130, 30 more than the inner size, 100: the children overhang"),
            std::string::npos)
      << out.str();
}

TEST(Explanation, SaysWhyANodeLiesWhereItDoes) {
  const struct {
    const char *scene, *x, *y;
  } cases[] = {
      {"row:r padding=10 gap=4 [ box:h width=30 margin={\"right\":3} box:a width=20 margin={\"left\":16} ]",
       "x 63: the right of h 40 + its margin 3 + gap 4 + margin 16", "y 10: the top of r 0 + padding 10"},
      {"row:r along=center [ box:a width=20 height=10 place_self=end ]", "x 90: the left of r 0 + along center 90",
       "y 90: the top of r 0 + across end 90"},
      {"row:r reverse=true padding=5 [ box:a width=20 ]", "x 175: the right of r 200 - padding 5 - its width 20",
       "y 5: the top of r 0 + padding 5"},
      {"direction=rtl row:r gap=4 [ box:h width=30 box:a width=20 ]", "x 146: the left of h 170 - gap 4 - its width 20",
       "y 0: the top of r 0"},
      {"row:r border=2 [ box:a width=20 height=9 pin={\"right\":8,\"top\":3} ]",
       "x 170: the right of r 200 - border 2 - pin 8 - its width 20", "y 5: the top of r 0 + border 2 + pin 3"},
      {"row:r [ box:h width=30 border=3 border_at=around margin=2 box:a width=20 border=1 border_at=around ]",
       "x 41: the right of h 35 + its margin 2 + its border 3 + border 1", "y 1: the top of r 0 + border 1"},
      {"row:r reverse=true [ box:h width=30 border=3 border_at=outline box:a width=20 border=1 border_at=around ]",
       "x 149: the left of h 170 - border 1 - its width 20", "y 1: the top of r 0 + border 1"},
      {"row:r [ box:h width=30 box:a width=20 margin={\"left\":\"auto\"} ]",
       "x 180: the right of h 30 + automatic margin 150", "y 0: the top of r 0"},
      {"stack:r place_items={\"x\":\"end\",\"y\":\"center\"} [ box:a width=20 height=10 nudge=[4,-2] ]",
       "x 184: the left of r 0 + nudge 4 + place_items end 180",
       "y 43: the top of r 0 - nudge 2 + place_items center 45"},
      {"grid:r gap=10 columns=[40,60] [ box:h box:a width=20 place_self={\"x\":\"end\"} ]",
       "x 90: the left of column 1 50 + place_items end 40", "y 0: the top of row 0 0"},
      {"row:r wrap=true place_content=start gap=5 [ box:h width=150 height=30 box:a width=100 height=10 ]",
       "x 0: the left of r 0", "y 35: the top of r 0 + the lines before it 35"},
  };
  for (const auto& [scene, x, y] : cases)
    EXPECT_EQ(account_of(scene, "200x100", "a").position, (std::vector<std::string>{x, y})) << scene;
}

TEST(Explanation, SaysWhatIsSo) {
  const auto answer = [](const char* scene, const char* node) {
    std::ostringstream out;
    const Explanation account = account_of(scene, "100x100", node);
    EXPECT_TRUE(account.adds_up());
    out << account;
    return out.str();
  };
  const struct {
    const char *scene, *node, *says, *says_not;
  } cases[] = {
      {"column:r scroll=y [ box:a height=150 box:b height=80 ]", "r", "130 more than the view, 100: it scrolls",
       "overhangs"},
      {"column:r [ box:a height=150 shrink=0 ]", "r", "50 more than the inner size, 100: the children overhang",
       "scrolls"},
      {"row:r out_of=100 [ box:a weight=40 box:b weight=50 ]", "r", "weight 40 of 100, 40 % of 100", "0.4"},
      {"row:r out_of=100 [ box:a weight=40 box:b weight=50 ]", "r", "10 of it is unused, 10 of 100 unassigned",
       "44.44"},
      {"row:r out_of=80 [ box:a weight=40 box:b weight=50 ]", "r", "weight 40, 44.44 % of 100", "unassigned"},
      {"row:r [ text:t text=\"one two three\" max_lines=2 width=50 ]", "t",
       "3 lines of 20, of which max_lines keeps 2: 40 high", "3 lines of 20: 40"},
      {"row:r [ text:t text=\"one two three\" max_lines=3 width=50 ]", "t", "3 lines of 20: 60 high", "keeps"},
      {"row:r [ text:t text=\"one two\" one_line=true ]", "t", "one line, 67.2 wide", "longest word"},
      {"row:r [ text:t text=\"one two\" ]", "t", "longest word: 28.8 wide", "one line, which"},
      {"column:r [ image:i natural_size=[40,20] ]", "r", "its content: an image keeps its size; only fill stretches it",
       "stretched to"},
      {"column:r across=start [ image:i natural_size=[40,20] ]", "r", "its content", "only fill"},
      {"row:r [ image:i natural_size=[40,20] ]", "r",
       "follows from its width by its aspect ratio: an image keeps its aspect ratio", "stretched"},
  };
  for (const auto& [scene, node, says, says_not] : cases) {
    const std::string text = answer(scene, node);
    EXPECT_NE(text.find(says), std::string::npos) << text;
    EXPECT_EQ(text.find(says_not), std::string::npos) << text;
  }
}

TEST(Explanation, TellsTracksAndTheSizeOfAShare) {
  const Explanation account = account_of(
      "grid:g gap=10 columns=[\"content\",\"1fr\",\"2fr\"] [ box:a natural_size=[30,5] box:b box:c ]", "200x20", "g");
  const ExplanationTracks& columns = account.columns[0];
  EXPECT_EQ(columns.one_share, 50);
  EXPECT_EQ(columns.tracks[0].why, "as large as a");
  EXPECT_EQ(columns.tracks[2].why, "2 of the shares");
  EXPECT_EQ(columns.sum, 200);
  EXPECT_TRUE(account.adds_up());
}

TEST(Explanation, ChainsTheLevelsFromTheContainerDown) {
  const Scene scene = testing::scene_from("column:c padding=10 [ row:r weight=1 [ box:a width=50% box:b height=7 ] ]");
  std::string text;
  for (const ExplanationStep& step : chain_to_root(solve(scene, {200, 100}), scene.tree.at("b"))) {
    text += step.name + ": " + step.why_width + "; " + step.why_height + "\n";
  }
  EXPECT_EQ(text,
            "c: the container's width; the container's height\nr: stretched to the space available; weight 1, 100 % of "
            "80\nb: its content; its height\n");
}

TEST(Explanation, OfEveryContainerOfRandomTreesAddsUp) {
  testing::RandomScenes random(testing::seed());
  std::size_t lines = 0;
  for (int i = 0; i < 400; ++i) {
    const Tree tree = random.tree(2 + static_cast<std::size_t>(random.below(60)));
    Solver solver;
    const Solution solution = solver.solve(tree, random.container_size());
    for (const auto& placed : solution.boxes()) {
      const Explanation account = explain(solution, placed.node);
      lines += account.lines.size();
      const double scale = 1 + std::abs(placed.box.width) + std::abs(placed.box.height);
      for (const std::string& place : account.position) {
        ASSERT_EQ(place.find("along start"), std::string::npos) << account.path << ": " << place;
      }
      ASSERT_LE(account.off, 1e-9 * scale) << i << " " << account.path << "\n" << account;
      for (const ExplanationLine& line : account.lines) {
        for (const ExplanationEntry& entry : line.entries) ASSERT_FALSE(entry.why.empty()) << account.path;
      }
    }
  }
  EXPECT_GT(lines, 1000U);
}

TEST(Explanation, TheProgramReadsLikeAnAccount) {
  const std::string console = std::string(FOND_LADDER_SOURCE_DIR) + "/examples/console.scene.json";
  const testing::Result result = testing::run_process("explain " + console + " body --at 1280x800 --to-root");
  EXPECT_EQ(result.status, 0);
  testing::expect_golden("explain.txt", result.out);
  testing::expect_golden("explain_wrapping.txt", testing::run({"explain", console, "sensors", "--at", "phone"}).out);
  const std::string timetable = std::string(FOND_LADDER_SOURCE_DIR) + "/examples/timetable.scene.json";
  testing::expect_golden("explain_grid.txt", testing::run({"explain", timetable, "timetable", "--at", "wide"}).out);
  const std::vector<std::string> two{"explain", console, "body", "--at", "phone", "--at", "desk", "--format", "json"};
  EXPECT_EQ(nlohmann::json::parse(testing::run(two).out)["answers"].size(), 2U);
  EXPECT_EQ(testing::run({"explain", console, "notes", "--at", "phone"}).err,
            "fond-ladder: error: \"console/body/notes\" is hidden at this size, or inside a hidden node\n");
  const auto json = nlohmann::json::parse(
      testing::run({"explain", console, "body", "--at", "1280x800", "--format", "json"}).out)["answers"][0];
  EXPECT_EQ(json["lines"][0]["sum"], 1248);
  EXPECT_EQ(json["lines"][0]["children"][1]["why"], "weight 1, 100 % of 716");
  EXPECT_EQ(json["adds_up"], true);
  EXPECT_EQ(json["settings"][0]["source"], "own");
}

TEST(Explanation, TheRoomOfAChildOfAWrappedRowIsItsLine) {
  const Explanation account = account_of(
      "row:r wrap=true [ box:a width=80 natural_size=[0,10] box:b width=80 natural_size=[0,20] ]", "100x50", "r");
  ASSERT_EQ(account.vertical.size(), 2U);
  EXPECT_EQ(account.vertical[0].space, 20);
  EXPECT_EQ(account.vertical[1].space, 30);
  EXPECT_EQ(account.vertical[1].why, "stretched to its line");
  const Explanation whole = account_of("row:r [ box:a width=80 natural_size=[0,10] ]", "100x50", "r");
  EXPECT_EQ(whole.vertical[0].space, 50);
  EXPECT_EQ(whole.vertical[0].why, "stretched to the space available");
}

TEST(Explanation, AddsUpNearTheLargestLength) {
  for (const char* scene :
       {"grid:r columns=[\"1fr\",\"2fr\",\"content\"] gap=0.1 [ box:a natural_size=[333333333.3,1] box:b box:c "
        "natural_size=[0.7,1] ]",
        "row:r gap=0.1 [ box:a weight=0.3 box:b weight=0.7 min_width=999999999.9 box:c width=0.7 ]"}) {
    EXPECT_TRUE(account_of(scene, "100x50", "r").adds_up()) << scene;
    EXPECT_TRUE(account_of(scene, "999999999.3x50", "r").adds_up()) << scene;
  }
}

}  // namespace
}  // namespace fond_ladder
