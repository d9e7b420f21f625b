// SPDX-License-Identifier: MIT
//
// Every finding of lint: a scene that has it, and its nearest neighbour that has not.
#include <gtest/gtest.h>

#include <filesystem>

#include "fond_ladder/check.hpp"
#include "fond_ladder/compare.hpp"
#include "fond_ladder/lint.hpp"
#include "fond_ladder/scene_file.hpp"
#include "fond_ladder/suggest.hpp"
#include "model/key_table.hpp"
#include "support/golden.hpp"
#include "support/program.hpp"
#include "support/random_scenes.hpp"
#include "support/shorthand.hpp"

namespace fond_ladder {
namespace {

/// The ladder of all cases: 200 to 300 wide and 100 high. `small` holds below 250, `never` below 100; `dim` is a mode.
Scene scene_of(const std::string& text) {
  Scene scene = testing::scene_from(text);
  scene.ladder = {{200, 300}, Span(100), {}};
  return scene;
}

/// `b.width zero size 200..300`, one a line, remarks in brackets.
std::string findings_in(const Scene& scene) {
  const Lint found = lint({"", scene});
  std::string text;
  const auto add = [&](const Finding& one, const char* before, const char* after) {
    text += (text.empty() ? "" : "; ") + std::string(before) + one.node + (one.key.empty() ? "" : "." + one.key) + " " +
            std::string(word(one.oddity));
    for (const Span& span : one.sizes)
      text += " " + testing::short_number(span.from) + ".." + testing::short_number(span.to);
    text += after;
    EXPECT_FALSE(one.why.empty() || (one.oddity != Oddity::asleep && one.cure.empty())) << text;
  };
  for (const Finding& one : found.findings) add(one, "", "");
  for (const Finding& one : found.remarks) add(one, "(", ")");
  return text;
}

struct Case {
  const char *scene, *findings, *neighbour;  // the neighbour has no finding at all
};

TEST(Lint, EveryFindingHasASceneThatHasItAndANeighbourThatHasNot) {
  const Case cases[] = {
      // Settings without effect.
      {"row:r gap={\"x\":4,\"y\":9} [ box:a width=50 box:b width=50 ]", "r.gap.y no effect 200..300",
       "row:r wrap=true gap={\"x\":4,\"y\":9} [ box:a width=50 height=10 box:b width=50 height=10 ]"},
      {"column:r gap={\"x\":9,\"y\":4} [ box:a height=9 ]", "r.gap.x no effect 200..300",
       "column:r gap=9 [ box:a height=9 ]"},
      {"row:r [ box:a width=150 shrink=3 min_width=150 box:b basis=190 min_width=9 ]", "a.shrink no effect 200..300",
       "row:r [ box:a width=200 shrink=3 min_width=100 box:b basis=90 ]"},
      {"row:r [ box:a width=200 shrink=3 min_width=100 box:b width=90 shrink=0 ]", "a.shrink no effect 200..300",
       nullptr},
      {"row:r [ box:a width=50 shrink=2 ]", "a.shrink no effect 200..300", "row:r [ box:a width=50 shrink=0 ]"},
      {"row:r along=center [ box:a weight=1 box:b width=50 shrink=0 ]", "r.along no effect 200..300",
       "row:r along=center [ box:a width=70 box:b width=50 ]"},
      {"row:r across=center [ box:a width=50 height=100 box:b width=50 height=100 ]", "r.across no effect 200..300",
       "row:r across=center [ box:a width=50 height=100 box:b width=50 height=90 ]"},
      {"row:r [ box:a width=50 height=100 self=center ]", "a.self no effect 200..300",
       "row:r [ box:a width=50 height=90 self=center ]"},
      {"stack:r align={\"x\":\"center\"} [ box:a width=\"100%\" height=20 ]", "r.align no effect 200..300",
       "stack:r align={\"x\":\"center\"} [ box:a width=\"90%\" height=20 ]"},
      {"row:r [ box:a width=150 grow=1 shrink=0 box:b width=150 shrink=0 ]", "a.grow no effect 200..300",
       "row:r [ box:a width=140 grow=1 shrink=0 box:b width=150 shrink=0 ]"},
      {"row:r [ box:a width=50 max_width=50 grow=1 ]", "a.grow no effect 200..300",
       "row:r [ box:a width=50 max_width=60 grow=1 ]"},
      {"row:r out_of=2 [ box:a weight=1 box:b weight=1 ]", "r.out_of no effect 200..300",
       "row:r out_of=3 [ box:a weight=1 box:b weight=1 ]"},
      {"row:r rest=center [ box:a width=50 ]", "r.rest no effect 200..300",
       "row:r wrap=true rest=center [ box:a width=50 height=20 ]"},
      {"row:r [ box:a weight=1 width=50 ]", "a.width no effect 200..300", "row:r [ box:a weight=1 height=50 ]"},
      {"row:r [ box:a weight=1 basis=50 ]", "a.basis no effect 200..300", "row:r [ box:a grow=1 basis=50 ]"},
      {"row:r [ box:a weight=1 grow=2 ]", "a.grow no effect 200..300", "row:r [ box:a grow=2 ]"},
      {"row:r [ box:a width=50 height=20 aspect=2 ]", "a.aspect no effect 200..300",
       "row:r [ box:a width=50 aspect=2 ]"},
      {"grid:r columns=2 [ box:a natural=[9,9] area=\"top\" ]", "a.area no effect 200..300",
       "grid:r columns=2 areas=[\"top top\"] [ box:a natural=[9,9] area=\"top\" ]"},
      {"stack:r [ box:a width=9 height=9 grow=1 ]", "a.grow no effect 200..300",
       "row:r [ box:a width=9 height=9 grow=1 ]"},
      {"column:r across=start [ text:a text=\"Sage\" words_at=end ]", "a.words_at no effect 200..300",
       "column:r [ text:a text=\"Sage\" words_at=end ]"},
      // Zero size.
      {"row:r [ box:a ]", "a.width zero size 200..300", "row:r [ box:a width=1 ]"},
      {"row:r across=center [ box:a weight=1 box:b width=20 height=20 shrink=0 ]", "a.height zero size 200..300",
       "row:r across=center [ box weight=1 box:b width=20 height=20 shrink=0 ]"},
      {"row:r [ column:a box:b width=20 ]", "a.width zero size 200..300",
       "row:r [ column:a [ box:c width=1 height=1 ] box:b width=20 ]"},
      {"row:r [ box:a natural=[50,5] basis=0 min_width=0 ]", "a.width zero size 200..300",
       "row:r [ box:a natural=[50,5] basis=0 ]"},
      {"column:r [ text:a text=\"\" ]", "a.height zero size 200..300", "column:r [ text:a text=\"Sage\" ]"},
      // Outside, behind, over one another.
      {"stack:r [ box:a width=20 height=20 pin={\"left\":260} ]", "a outside 200..260",
       "stack:r [ box:a width=20 height=20 pin={\"left\":199} ]"},
      {"row:r [ stack:s width=100 height=50 scroll=x [ box:a width=20 height=20 pin={\"left\":150,\"top\":0} ] ]", "",
       nullptr},
      {"stack:r [ box:a width=20 height=20 box:b width=30 height=20 ]", "a behind 200..300",
       "stack:r [ box:a width=20 height=20 box:b width=30 height=19 ]"},
      {"stack:r paint_order=backward [ box:a width=30 height=30 row:m [ box:b width=30 height=20 ] ]",
       "m behind 200..300", "stack:r [ box:a width=31 height=30 row:m [ box:b width=30 height=20 ] ]"},
      {"grid:r columns=2 [ box:a height=9 cell=[0,0] box:b height=8 cell=[0,0] ]", "b siblings overlap 200..300",
       "grid:r columns=2 [ box:a height=9 cell=[0,0] box:b height=8 cell=[1,0] ]"},
      {"row:r [ box:a width=50 height=9 box:b width=50 height=8 ]", "",
       "row:r gap=-10 [ box:a width=50 height=9 box:b width=50 height=8 ]"},
      {"stack:r [ text:a text=\"Sage\" box:b width=20 height=5 pin={\"left\":30,\"top\":0} ]",
       "b.pin pinned over text 200..300",
       "stack:r [ text:a text=\"Sage\" box:b width=20 height=5 pin={\"left\":39,\"top\":0} ]"},
      // Fill, sizes that are not kept, what never fits.
      {"row:r across=start [ column:m width=50 [ box:a natural=[9,9] height=fill ] ]", "a.height fill stops 200..300",
       "row:r [ column:m width=50 [ box:a natural=[9,9] height=fill ] ]"},
      {"row:r [ column:m width=50 height=fill [ box:a natural=[9,9] height=fill ] ]", "", nullptr},
      {"row:r across=start [ box:b width=9 natural=[0,9] column:m width=50 height=40 [ box:a natural=[9,9] height=fill "
       "] ]",
       "", nullptr},
      {"row:r [ box:a width=150 box:b width=100 shrink=0 ]", "a.width size not kept 200..249",
       "row:r [ box:a width=150 min_width=50 box:b width=100 shrink=0 ]"},
      {"row:r [ box:a width=400 height=9 shrink=0 ]", "a never fits 200..300",
       "row:r [ box:a width=299 height=9 shrink=0 ]"},
      {"row:r [ text:a text=\"Propagation\" width=60 min_width=0 ]", "a never fits 200..300",
       "row:r [ text:a text=\"Propagation\" min_width=0 ]"},
      // Fingers, lone children, children of leaves.
      {"row:r [ box:a width=40 height=20 touch=true ]", "a.touch too small 200..300",
       "row:r [ box:a width=40 height=24 touch=true ]"},
      {"row:r wrap=true [ box:a width=90 grow=1 height=9 box:b width=90 grow=1 height=9 box:c width=90 grow=1 height=9 "
       "]",
       "c.width lone last 200..269",
       "row:r wrap=true [ box:a width=90 grow=1 height=9 box:b width=90 grow=1 height=9 box:c width=90 height=9 ]"},
      {"row:r [ box:a width=9 height=9 [ box:b width=5 ] ]", "a.children in a leaf 200..300",
       "row:r [ row:a width=9 height=9 [ box:b width=5 ] ]"},
  };
  for (const auto& [scene, findings, neighbour] : cases) {
    EXPECT_EQ(findings_in(scene_of(scene)), findings) << scene;
    if (neighbour == nullptr) continue;
    EXPECT_EQ(findings_in(scene_of(neighbour)), "") << neighbour;
  }
}

TEST(Lint, RangesThatNoSizeReachesAndSettingsThatSleepInSome) {
  Scene scene = scene_of("row:r wrap=true [ box:a width=50 height=20 shrink=0 ]");
  scene.ranges = {{"small", {}, 250}, {"never", {}, 100}};
  EXPECT_EQ(findings_in(scene), "never.ranges not reached 200..300");
  scene.ranges.pop_back();
  testing::add_form(scene, scene.tree.root(), "small", [](Keys& keys) { keys.kind = Kind::stack; });
  EXPECT_EQ(findings_in(scene), "(r.wrap asleep 200..249); (a.shrink asleep 200..249)");
}

/// What is said to have no effect has none: without it every box is where it was.
TEST(Lint, SettingsWithoutEffectCanBeLeftOut) {
  testing::RandomScenes random(testing::seed());
  int left_out = 0;
  for (int i = 0; i < 16; ++i) {
    Scene scene(random.tree(15));
    scene.ladder = {{150, 250}, Span(100), {}};
    for (const Finding& finding : lint({"", scene}).findings) {
      ASSERT_FALSE(finding.sizes.empty());
      EXPECT_GE(finding.sizes.front().from, 150);
      EXPECT_LE(finding.sizes.back().to, 250);
      const KeyEntry* entry = find_key(finding.key);
      const bool bounds = finding.key == "width" || finding.key == "height";  // beside a weight: still a bound
      if (finding.oddity != Oddity::no_effect || entry == nullptr || bounds || finding.key == "words_at") continue;
      Scene without = scene;
      const NodeId node = without.tree.at(finding.node);
      Keys keys = without.tree.keys(node);
      unsay(*entry, keys);
      without.tree.restyle(node, keys);
      EXPECT_FALSE(compare({"", scene}, {"", without}).any())
          << finding.node << "." << finding.key << ": " << finding.why;
      ++left_out;
    }
    if (i > 0) continue;  // one is enough: it checks hundreds of claims
    const std::vector<std::string> claims = suggest({{"", scene}});
    for (const CheckedClaim& one : check(scene, claims)) EXPECT_TRUE(one.holds) << one.claim;
  }
  EXPECT_GT(left_out, 3);
}

/// A setting that does nothing in one form and something in another is none without effect; what is odd in some
/// variants says in which.
TEST(Lint, SeveralVariantsAreToldTogether) {
  Scene scene = testing::scene_from(
      "row:r rest=center [ row:bar along=center weight=1 [ box:a weight=1 height=5 ] "
      "box:b width=30 height=30 shrink=0 touch=true ]");
  scene.ladder = {{90, 120}, Span(40), {}};
  scene.modes = {"shut", "calm"};
  testing::add_form(scene, scene.tree.at("a"), "shut", [](Keys& keys) {
    keys.weight.reset();
    keys.width = 10;
  });
  testing::add_form(scene, scene.tree.at("b"), "shut", [](Keys& keys) { keys.width = 10; });
  const auto told = [&](const std::vector<std::vector<std::string>>& choices) {
    std::vector<Variant> variants;
    for (const auto& modes : choices) variants.push_back(variant_of(scene, "", modes));
    std::string text;
    for (const Finding& one : lint(variants).findings) {
      text += (text.empty() ? "" : ", ") + one.node + "." + one.key;
      for (const std::string& variant : one.variants) text += " in " + variant;
    }
    return text;
  };
  EXPECT_EQ(told({{}}), "r.rest, bar.along");
  EXPECT_EQ(told({{"shut"}}), "r.rest, b.touch");
  EXPECT_EQ(told({{}, {"shut"}}), "r.rest, b.touch in mode shut");
  EXPECT_EQ(told({{}, {"calm"}}), "r.rest, bar.along");
  EXPECT_EQ(told({{}, {"shut"}, {"calm"}, {"shut", "calm"}}), "r.rest, b.touch in mode shut in mode shut, mode calm");
}

TEST(Lint, TheSceneSaysHowLargeAFingerIs) {
  const auto with = [](const std::string& touch_size) {
    return read_scene(
        R"({"format":1,)" + touch_size + R"("ladder":{"width":[200,300],"height":100},"root":{"kind":"row",
      "name":"r","children":[{"kind":"box","name":"a","width":30,"height":40,"touch":true}]}})",
        "scene");
  };
  EXPECT_EQ(findings_in(with("")), "");
  EXPECT_EQ(findings_in(with(R"("touch_size":44,)")), "a.touch too small 200..300");
  EXPECT_EQ(read_scene(to_json(with(R"("touch_size":44,)")), "again").touch_size, 44);
  EXPECT_THROW(with(R"("touch_size":0,)"), BadScene);
}

TEST(Lint, FindsNothingInTheExamplesButWhatTheySay) {
  const std::string folder = std::string(FOND_LADDER_SOURCE_DIR) + "/examples/";
  for (const auto& entry : std::filesystem::recursive_directory_iterator(folder)) {
    if (!entry.path().string().ends_with(".scene.json")) continue;
    const Scene scene = read_scene_file(entry.path().string());
    const bool says_so = entry.path().filename() == "shape_by_wrapping.scene.json";
    EXPECT_EQ(findings_in(scene), says_so ? "sage.width lone last 410..619" : "") << entry.path();
  }
}

TEST(Lint, TheProgramTellsTheAnswerFirstAndFailsWhenItIsStrict) {
  const std::string console = std::string(FOND_LADDER_SOURCE_DIR) + "/examples/console.scene.json";
  EXPECT_EQ(testing::run({"lint", console, "--strict"}).status, 0);
  const std::vector<std::string> broken{
      "lint",  console,          "--try", "alarm.height=20",           "--try", "cards.rest=center",
      "--try", "work.width=300", "--try", R"(body.gap={"x":16,"y":9})"};
  const testing::Result told = testing::run(broken);
  EXPECT_EQ(told.status, 0);
  EXPECT_EQ(told.err, "");
  testing::expect_golden("lint.txt", told.out);
  std::vector<std::string> strict = broken;
  strict.emplace_back("--strict");
  EXPECT_EQ(testing::run(strict).status, 1);
  const std::string json = testing::run({"lint", console, "--try", "alarm.height=20", "--format", "json"}).out;
  EXPECT_NE(
      json.find(
          R"({"node": "console/bar/alarm", "key": "touch", "finding": "too small", "why": "only 96 x 20 at worst)"),
      std::string::npos)
      << json;
}

}  // namespace
}  // namespace fond_ladder
