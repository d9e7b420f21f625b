// SPDX-License-Identifier: MIT
//
// What differs between two scenes, and what does not.
#include <gtest/gtest.h>

#include "fond_ladder/compare.hpp"
#include "support/golden.hpp"
#include "support/program.hpp"
#include "support/random_scenes.hpp"
#include "support/shorthand.hpp"

namespace fond_ladder {
namespace {

Scene scene_of(const std::string& text) {
  Scene scene = testing::scene_from(text);
  scene.ladder = {{100, 200}, Interval(50), {}};
  return scene;
}

/// `b 100..200 (50,0 50x50)>(40,0 60x50)@200 +2`, one after the other: where it differs, the boxes at the worst width,
/// and how many nodes go along.
std::string differences(const Comparison& answer) {
  const auto box_text = [](const std::optional<Rect>& box) {
    if (!box) return std::string("(gone)");
    return "(" + testing::short_number(box->x) + "," + testing::short_number(box->y) + " " +
           testing::short_number(box->width) + "x" + testing::short_number(box->height) + ")";
  };
  std::string text;
  for (const Difference& one : answer.differences) {
    text += (text.empty() ? "" : "; ") + one.name;
    if (one.kind == Difference::Kind::only_first) text += " only first";
    if (one.kind == Difference::Kind::only_second) text += " only second";
    if (one.kind != Difference::Kind::changed) continue;
    for (const Interval& span : one.sizes)
      text += " " + testing::short_number(span.from) + ".." + testing::short_number(span.to);
    text += " " + box_text(one.first) + ">" + box_text(one.second) + "@" + testing::short_number(one.worst.width);
    if (one.moved_with_parent > 0) text += " +" + std::to_string(one.moved_with_parent);
  }
  return text;
}

TEST(Compare, TellsWhatMovedByHowMuchAndWhere) {
  const struct {
    const char *first, *second, *answer;
    std::size_t unchanged;
  } cases[] = {
      {"row:r [ box:a width=50 box:b weight=1 ]", "row:r [ box:a width=50 box:b grow=1 ]", "", 3},
      {"row:r [ box:a width=50 box:b weight=1 ]", "row:r [ box:a width=60 box:b weight=1 ]",
       "a 100..200 (0,0 50x50)>(0,0 60x50)@100; b 100..200 (50,0 50x50)>(60,0 40x50)@100", 1},
      {"row:r [ box:a max_width=50 weight=1 ]", "row:r [ box:a max_width=150 weight=1 ]",
       "a 100..200 (0,0 50x50)>(0,0 150x50)@150", 1},
      {"row:r [ box:a max_width=150 weight=1 ]", "row:r [ box:a max_width=180 weight=1 ]",
       "a 151..200 (0,0 150x50)>(0,0 180x50)@180", 1},
      {"row:r [ box:a width=10 row:b [ box:c width=5 box:d width=6 ] ]",
       "row:r [ box:a width=12 row:b [ box:c width=5 box:d width=6 ] ]",
       "a 100..200 (0,0 10x50)>(0,0 12x50)@100; b 100..200 (10,0 11x50)>(12,0 11x50)@100 +2", 1},
      {"row:r [ box:a width=10 row:b [ box:c width=5 ] ]",
       "row:r [ box:a width=10 row:b hidden=true [ box:c width=5 ] ]", "b 100..200 (10,0 5x50)>(gone)@100 +1", 2},
      {"row:r [ box:a width=10 ]", "row:r [ box:a width=10 box:b width=5 ]", "b only second", 2},
      {"row:r [ box:a width=10 box:b width=5 ]", "row:r [ box:a width=10 ]", "b only first", 2},
      {"row:r [ box:a width=10 box:b width=5 ]", "row:s [ row:m [ box:a width=10 ] box:b width=5 ]", "m only second",
       3},
  };
  for (const auto& [first, second, answer, same] : cases) {
    const Comparison found = compare({"", scene_of(first)}, {"", scene_of(second)});
    EXPECT_EQ(differences(found), answer) << first << " | " << second;
    EXPECT_EQ(found.unchanged, same) << first << " | " << second;
    EXPECT_EQ(found.sizes, 101U);
  }
}

TEST(Compare, ASceneIsLikeItselfAndDifferencesGoBothWays) {
  testing::RandomScenes random(testing::seed());
  for (int i = 0; i < 20; ++i) {
    Scene first(random.tree(20)), second(first.tree);
    first.ladder = second.ladder = {{200, 240}, Interval(100), {}};
    EXPECT_FALSE(compare({"", first}, {"", second}).any());
    const NodeId node = second.tree.nodes()[1 + static_cast<std::size_t>(i) % (second.tree.size() - 1)];
    Keys keys = second.tree.keys(node);
    keys.width = 33.0;
    second.tree.replace_keys(node, keys);
    const Comparison there = compare({"", first}, {"", second}), back = compare({"", second}, {"", first});
    ASSERT_EQ(there.differences.size(), back.differences.size());
    EXPECT_EQ(there.unchanged, back.unchanged);
    for (std::size_t k = 0; k < there.differences.size(); ++k)
      EXPECT_EQ(there.differences[k].max_difference, back.differences[k].max_difference);
  }
}

TEST(Compare, TheProgramSaysWhatDiffersOrThatNothingDoes) {
  const std::string console = std::string(FOND_LADDER_SOURCE_DIR) + "/examples/console.scene.json";
  const auto shown = [&](std::vector<std::string> args) {
    args.insert(args.begin(), {"compare", console});
    testing::Result result = testing::run(args);
    for (std::size_t at = result.out.find(console); at != std::string::npos; at = result.out.find(console))
      result.out.replace(at, console.size(), "console.scene.json");
    return result;
  };
  const testing::Result same = shown({console});
  EXPECT_EQ(same.status, 0);
  EXPECT_TRUE(same.out.starts_with("nothing differs from 360 to 1440 wide, 1084 sizes: 35 nodes the same\n"))
      << same.out;
  const testing::Result closed = shown({"--mode", "closed"});
  EXPECT_EQ(closed.status, 1);
  testing::expect_golden("compare.txt", closed.out);
  const testing::Result at = shown({"--set", "beds.when.narrow.width=300", "--at", "phone", "--format", "json"});
  EXPECT_EQ(at.status, 1);
  EXPECT_NE(
      at.out.find(
          R"({"node": "console/body/beds", "what": "changed", "widths": [{"from": 390, "to": 390}], "max_difference": 58)"),
      std::string::npos)
      << at.out;
  EXPECT_EQ(shown({"--set", "title.one_line=true"}).status, 0);
  EXPECT_EQ(shown({}).err,
            "fond-ladder: error: compare: nothing to compare with; name a second scene, or change this one with --set, "
            "--move, --group, --remove, --insert, --ungroup, --duplicate, --mode, --locale, --text-metrics or "
            "--text-expansion\n");
  EXPECT_EQ(shown({"nowhere.scene.json"}).status, 2);
  // A scene that comes by a pipe is read once, and compared with itself as changed.
  const std::string piped = R"({"format":2,"root":{"kind":"row","name":"r","children":[{"kind":"box","name":"a"}]}})";
  const testing::Result wider = testing::run({"compare", "-", "--set", "a.width=9"}, piped);
  EXPECT_EQ(wider.status, 1);
  EXPECT_NE(wider.out.find("\nfirst   standard input, as it is: "), std::string::npos) << wider.out;
  EXPECT_EQ(testing::run({"compare", "-", "-"}, piped).status, 2);
}

TEST(Compare, WhatIsAlikeIsOneRow) {
  const auto rows = [](const std::string& children, const std::string& edit) {
    const std::string scene = R"({"format":2,"ladder":{"width":300,"height":100},"root":{"kind":"row","name":"r",
        "children":[)" + children +
                              "]}}";
    const std::string out = testing::run({"compare", "-", "--set", edit}, scene).out;
    return std::count(out.begin(), out.end(), '\n') - 6;  // the lines above the rows
  };
  const char* copies =
      R"({"kind":"column","name":"c","copies":9,"width":20,"children":[{"kind":"box","name":"in","height":5}]})";
  EXPECT_EQ(rows(copies, "c.width=30"), 2) << "the copies, and what is in them";
  EXPECT_EQ(rows(copies, "c[4].width=30"), 2) << "that one and those behind it";
  const char* siblings = R"({"kind":"box","name":"a","height":5},{"kind":"box","name":"b","height":5},
      {"kind":"box","name":"d","height":5},{"kind":"text","name":"t","text":"t","height":9})";
  EXPECT_EQ(rows(siblings, "*.height=7"), 2) << "the siblings that differ alike, and the other";
}

TEST(Compare, OneThatBecameSeveralIsTheFirstOfThem) {
  const std::string scene = R"({"format":2,"ladder":{"width":300,"height":100},"root":{"kind":"column","name":"r",
      "children":[{"kind":"row","name":"foot","height":9,"children":[{"kind":"box","name":"x","width":3}]}]}})";
  const std::string out = testing::run({"compare", "-", "--set", "foot.copies=3"}, scene).out;
  EXPECT_TRUE(out.starts_with("4 nodes differ at 300 wide; 3 others are the same\n")) << out;
  EXPECT_EQ(out.find("foot[0]"), std::string::npos) << out;
}

}  // namespace
}  // namespace fond_ladder
