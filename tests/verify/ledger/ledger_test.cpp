// SPDX-License-Identifier: MIT
//
// Accounts that can be worked out by hand, and every account of random trees: it must come to what the solve came to.
#include <gtest/gtest.h>

#include <sstream>

#include <nlohmann/json.hpp>

#include "fond_ladder/ledger.hpp"
#include "support/golden.hpp"
#include "support/program.hpp"
#include "support/random_scenes.hpp"
#include "support/shorthand.hpp"

namespace fond_ladder {
namespace {

Ledger account_of(const std::string& shorthand, const std::string& at, const std::string& node) {
  const Scene scene = testing::scene_from(shorthand);
  const Solution solution = solve(scene, testing::rung_from(at));
  return ledger(solution, scene.tree.at(node));
}

/// `name base>size why` of each child, a line each.
std::string entries_text(const Ledger& account) {
  std::string text;
  for (const LedgerLine& line : account.lines) {
    for (const LedgerEntry& entry : line.entries) {
      text += entry.name + " " + testing::short_number(entry.before) + " " + testing::short_number(entry.base) + ">" +
              testing::short_number(entry.size) + " " + entry.why + "\n";
    }
  }
  return text;
}

TEST(Ledger, SaysWhyEveryChildOfALineHasItsSize) {
  const struct {
    const char *what, *scene, *at, *entries;
  } cases[] = {
      {"weights", "row:r gap=10 padding=5 [ box:a weight=1 box:b weight=2 ]", "100x20",
       "a 0 0>26.6667 weight 1, 33.33 % of 80\nb 10 0>53.3333 weight 2, 66.67 % of 80\n"},
      {"a minimum among weights", "row:r [ box:a weight=1 min_width=60 box:b weight=1 ]", "100x20",
       "a 0 0>60 held at its least, 60 by min_width\nb 0 0>40 weight 1, 100 % of 40\n"},
      {"a maximum among weights", "row:r [ box:a weight=1 max_width=30 box:b weight=1 ]", "100x20",
       "a 0 0>30 held at its most, max_width 30\nb 0 0>70 weight 1, 100 % of 70\n"},
      {"growing", "row:r [ box:a basis=20 grow=1 box:b basis=20 grow=3 ]", "100x20",
       "a 0 20>35 grows by 15, factor 1, 25 % of the factors\nb 0 20>65 grows by 45, factor 3, 75 % of the factors\n"},
      {"shrinking", "row:r [ box:a width=100 min_width=0 box:b width=50 min_width=0 ]", "120x20",
       "a 0 100>80 gives up 20, factor 1, 66.67 % of the factors\nb 0 50>40 gives up 10, factor 1, 33.33 % of the "
       "factors\n"},
      {"shrinking stopped", "row:r [ box:a width=100 min_width=90 box:b width=50 min_width=0 ]", "120x20",
       "a 0 100>90 held at its least, 90 by min_width\nb 0 50>30 gives up 20, factor 1, 33.33 % of the factors\n"},
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
    const Ledger account = account_of(scene, at, "r");
    EXPECT_EQ(entries_text(account), entries) << what;
    EXPECT_TRUE(account.adds_up()) << what;
    EXPECT_EQ(account.lines[0].sum, account.lines[0].inner) << what;
  }
}

TEST(Ledger, PlaysTheRoundsThrough) {
  const Ledger account =
      account_of("row:r [ box:a weight=1 min_width=60 box:b weight=1 max_width=25 box:c weight=2 ]", "100x20", "r");
  const LedgerLine& line = account.lines[0];
  ASSERT_EQ(line.rounds.size(), 2U);
  EXPECT_EQ(line.rounds[0].free, 100);
  EXPECT_EQ(line.rounds[0].level, 25);
  EXPECT_EQ(line.rounds[0].settled, std::vector<std::size_t>{0});
  EXPECT_EQ(line.rounds[1].free, 40);
  EXPECT_EQ(line.rounds[1].settled, (std::vector<std::size_t>{1, 2}));
}

TEST(Ledger, TellsWhatSticksOut) {
  const Ledger account = account_of("row:r [ box:a width=80 shrink=0 box:b width=50 shrink=0 ]", "100x20", "r");
  EXPECT_EQ(account.lines[0].spare, -30);
  EXPECT_EQ(account.lines[0].sum, 130);
  std::ostringstream out;
  out << account;
  EXPECT_NE(out.str().find("a 80 + b 50 + 0 = 130, 30 more than the inner size 100: it sticks out"), std::string::npos)
      << out.str();
}

TEST(Ledger, TellsTracksAndTheSizeOfAShare) {
  const Ledger account = account_of(
      "grid:g gap=10 columns=[\"content\",\"1fr\",\"2fr\"] [ box:a natural=[30,5] box:b box:c ]", "200x20", "g");
  const LedgerTracks& columns = account.columns[0];
  EXPECT_EQ(columns.one_share, 50);
  EXPECT_EQ(columns.tracks[0].why, "as large as a");
  EXPECT_EQ(columns.tracks[2].why, "2 of the shares");
  EXPECT_EQ(columns.sum, 200);
  EXPECT_TRUE(account.adds_up());
}

TEST(Ledger, ChainsTheLevelsFromTheContainerDown) {
  const Scene scene = testing::scene_from("column:c padding=10 [ row:r weight=1 [ box:a width=50% box:b height=7 ] ]");
  std::string text;
  for (const LedgerStep& step : chain_to_root(solve(scene, {200, 100}), scene.tree.at("b"))) {
    text += step.name + ": " + step.why_width + "; " + step.why_height + "\n";
  }
  EXPECT_EQ(text,
            "c: the container's width; the container's height\n"
            "r: stretched to the room; weight 1, 100 % of 80\n"
            "b: its content; its height\n");
}

TEST(Ledger, OfEveryContainerOfRandomTreesAddsUp) {
  testing::RandomScenes random(testing::seed());
  std::size_t lines = 0;
  for (int i = 0; i < 400; ++i) {
    const Tree tree = random.tree(2 + static_cast<std::size_t>(random.below(60)));
    Solver solver;
    const Solution solution = solver.solve(tree, random.rung());
    for (const auto& placed : solution.boxes()) {
      const Ledger account = ledger(solution, placed.node);
      lines += account.lines.size();
      const double scale = 1 + std::abs(placed.box.width) + std::abs(placed.box.height);
      ASSERT_LE(account.off, 1e-9 * scale) << i << " " << account.path << "\n" << account;
      for (const LedgerLine& line : account.lines) {
        for (const LedgerEntry& entry : line.entries) ASSERT_FALSE(entry.why.empty()) << account.path;
      }
    }
  }
  EXPECT_GT(lines, 1000U);
}

TEST(Ledger, TheProgramReadsLikeAnAccount) {
  const std::string console = std::string(FOND_LADDER_SOURCE_DIR) + "/examples/console.scene.json";
  const testing::Result result = testing::run_process("ledger " + console + " body --at 1280x800 --to-root");
  EXPECT_EQ(result.status, 0);
  testing::expect_golden("ledger.txt", result.out);
  testing::expect_golden("ledger_wrapping.txt", testing::run({"ledger", console, "sensors", "--at", "phone"}).out);
  const std::string timetable = std::string(FOND_LADDER_SOURCE_DIR) + "/examples/timetable.scene.json";
  testing::expect_golden("ledger_grid.txt", testing::run({"ledger", timetable, "timetable", "--at", "wide"}).out);
  const std::vector<std::string> two{"ledger", console, "body", "--at", "phone", "--at", "desk", "--format", "json"};
  EXPECT_EQ(nlohmann::json::parse(testing::run(two).out)["answers"].size(), 2U);
  EXPECT_EQ(testing::run({"ledger", console, "notes", "--at", "phone"}).err,
            "fond-ladder: error: \"console/body/notes\" is hidden at this size, or lies in what is\n");
  const auto json = nlohmann::json::parse(
      testing::run({"ledger", console, "body", "--at", "1280x800", "--format", "json"}).out)["answers"][0];
  EXPECT_EQ(json["lines"][0]["sum"], 1248);
  EXPECT_EQ(json["lines"][0]["children"][1]["why"], "weight 1, 100 % of 716");
  EXPECT_EQ(json["adds_up"], true);
  EXPECT_EQ(json["settings"][0]["source"], "own");
}

TEST(Ledger, TheRoomOfAChildOfAWrappedRowIsItsLine) {
  const Ledger account =
      account_of("row:r wrap=true [ box:a width=80 natural=[0,10] box:b width=80 natural=[0,20] ]", "100x50", "r");
  ASSERT_EQ(account.up_and_down.size(), 2U);
  EXPECT_EQ(account.up_and_down[0].room, 20);
  EXPECT_EQ(account.up_and_down[1].room, 30);
  EXPECT_EQ(account.up_and_down[1].why, "stretched to its line");
  const Ledger whole = account_of("row:r [ box:a width=80 natural=[0,10] ]", "100x50", "r");
  EXPECT_EQ(whole.up_and_down[0].room, 50);
  EXPECT_EQ(whole.up_and_down[0].why, "stretched to the room");
}

TEST(Ledger, AddsUpNearTheLargestLength) {
  for (const char* scene :
       {"grid:r columns=[\"1fr\",\"2fr\",\"content\"] gap=0.1 [ box:a natural=[333333333.3,1] box:b box:c "
        "natural=[0.7,1] ]",
        "row:r gap=0.1 [ box:a weight=0.3 box:b weight=0.7 min_width=999999999.9 box:c width=0.7 ]"}) {
    EXPECT_TRUE(account_of(scene, "100x50", "r").adds_up()) << scene;
    EXPECT_TRUE(account_of(scene, "999999999.3x50", "r").adds_up()) << scene;
  }
}

}  // namespace
}  // namespace fond_ladder
