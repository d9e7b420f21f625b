// SPDX-License-Identifier: MIT
//
// Every finding of lint: a scene that has it, and its nearest neighbor that has not.
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
  scene.ladder = {{200, 300}, Interval(100), {}};
  return scene;
}

/// `b.width zero size 200..300`, one a line, remarks in brackets.
std::string findings_in(const Scene& scene) {
  const Lint found = lint({"", scene});
  std::string text;
  const auto add = [&](const Finding& one, const char* before, const char* after) {
    text += (text.empty() ? "" : "; ") + std::string(before) + one.node + (one.key.empty() ? "" : "." + one.key) + " " +
            std::string(word(one.rule));
    for (const Interval& span : one.sizes)
      text += " " + testing::short_number(span.from) + ".." + testing::short_number(span.to);
    text += after;
    EXPECT_FALSE(one.why.empty() || (one.rule != LintRule::dormant && one.fix.empty())) << text;
  };
  for (const Finding& one : found.findings) add(one, "", "");
  for (const Finding& one : found.remarks) add(one, "(", ")");
  return text;
}

struct Case {
  const char *scene, *findings, *neighbor;  // the neighbor has no finding at all
};

/// What is said of a finding fits the case, and so does what would help.
TEST(Lint, ReasonsAndCuresFitTheCase) {
  const struct {
    const char *scene, *key, *why, *fix;
  } cases[] = {
      {"row:r gap=12 [ box:fix width=150 shrink=0 box:eaten weight=1 min_width=0 box:more width=140 shrink=0 ]",
       "width", "fix 150 + more 140 + gaps 24 = 314 take all of the 200 in r",
       "set min_width, or let a sibling shrink"},
      // On a line of its own nothing ate its space.
      {"row:r wrap=true [ box:fix width=190 shrink=0 box:eaten weight=1 min_width=0 max_width=0 ]", "width", "0 wide",
       "set min_width"},
      {"row:r [ box:a ]", "width", "and nothing else gives it a width", "give it a width, a weight, or natural_size"},
      {"row:r place_items={\"x\":\"center\"} [ box:a width=50 height=20 ]", "place_items", "it has no effect on a row",
       "use along or across, which place the children of a row, or remove it"},
      {"grid:r along=center [ box:a width=50 height=20 ]", "along", "it has no effect on a grid",
       "use place_items for children in cells or place_content for tracks, or remove it"},
      {"row:r [ column:list across=center [ box:a width=50 height=20 ] box:b width=9 ]", "across",
       "list is only as large as its content, so there is no space to align in",
       "list.width=fill makes space, or remove it"},
      {"row:r margin=4 [ box:a width=50 ]", "margin", "the root always has the size of the container", "remove it"},
  };
  for (const auto& one : cases) {
    const Lint found = lint({"", scene_of(one.scene)});
    const auto finding = std::ranges::find(found.findings, std::string(one.key), &Finding::key);
    ASSERT_NE(finding, found.findings.end()) << one.scene << "\n" << found;
    EXPECT_NE(finding->why.find(one.why), std::string::npos) << finding->why;
    EXPECT_EQ(finding->fix, one.fix) << one.scene;
  }
}

/// The reason and the cure are those of the size whose figure is told, whatever held at the sizes before.
TEST(Lint, TheCureIsThatOfTheSizeThatIsTold) {
  Scene scene = scene_of("row:r [ box:a width=400 height=20 shrink=0 ]");  // 200 to 300 wide
  scene.ranges = {{"low", {}, 290}};
  testing::add_form(scene, scene.tree.at("a"), "low", [](Keys& keys) { keys.pin = Pin{.left = 0.0}; });
  const Lint found = lint({"", scene});
  const auto never_fits = std::ranges::find(found.findings, LintRule::never_fits, &Finding::rule);
  ASSERT_NE(never_fits, found.findings.end()) << found;
  EXPECT_EQ(never_fits->why, "overhangs r at every size, by 100 or more at the right");
  EXPECT_EQ(never_fits->fix, "give r more space, let it scroll, wrap or shrink what is in it");
}

/// A finding tells the height at which it is so, where the ladder has two and it is so at one.
TEST(Lint, FindingsTellHeights) {
  Scene scene = testing::scene_from("stack:c [ box:a width=20 height=20 box:cover width=10 height=10 ]");
  scene.ladder = {{100, 120}, Interval(200, 400), {}};
  scene.ranges = {{"low", {}, {}, {}, 300}};
  testing::add_form(scene, scene.tree.at("cover"), "low", [](Keys& keys) { keys.width = keys.height = Length(90); });
  const Lint found = lint({"", scene});
  const auto behind = std::ranges::find(found.findings, LintRule::behind, &Finding::rule);
  ASSERT_NE(behind, found.findings.end()) << found;
  EXPECT_EQ(behind->heights, std::vector<double>{200});
  std::ostringstream text;
  text << found;
  EXPECT_NE(text.str().find("at every width, 200 high"), std::string::npos) << text.str();
}

TEST(Lint, EveryFindingHasASceneThatHasItAndANeighborThatHasNot) {
  const Case cases[] = {
      // Settings without effect.
      {"row:r gap={\"x\":4,\"y\":9} [ box:a width=50 box:b width=50 ]", "r.gap.y no effect 200..300",
       "row:r wrap=true gap={\"x\":4,\"y\":9} [ box:a width=50 height=10 box:b width=50 height=10 ]"},
      {"column:r gap={\"x\":9,\"y\":4} [ box:a height=9 box:b height=9 ]", "r.gap.x no effect 200..300",
       "column:r gap=9 [ box:a height=9 box:b height=9 ]"},
      {"column:r gap={\"x\":9,\"y\":4} [ box:a height=9 ]", "r.gap no effect 200..300", "column:r [ box:a height=9 ]"},
      {"row:r [ box:a width=150 shrink=3 min_width=150 box:b basis=190 min_width=9 ]", "a.shrink no effect 200..300",
       "row:r [ box:a width=200 shrink=3 min_width=100 box:b basis=90 ]"},
      {"row:r [ box:a width=200 shrink=3 min_width=100 box:b width=90 shrink=0 ]", "a.shrink no effect 200..300",
       nullptr},
      {"row:r [ box:a width=50 shrink=2 ]", "a.shrink no effect 200..300", "row:r [ box:a width=50 shrink=0 ]"},
      {"row:r along=center [ box:a weight=1 box:b width=50 shrink=0 ]", "r.along no effect 200..300",
       "row:r along=center [ box:a width=70 box:b width=50 ]"},
      {"row:r across=center [ box:a width=50 height=100 box:b width=50 height=100 ]", "r.across no effect 200..300",
       "row:r across=center [ box:a width=50 height=100 box:b width=50 height=90 ]"},
      {"row:r [ box:a width=50 height=100 place_self=center ]", "a.place_self no effect 200..300",
       "row:r [ box:a width=50 height=90 place_self=center ]"},
      {"stack:r place_items={\"x\":\"center\"} [ box:a width=\"100%\" height=20 ]", "r.place_items no effect 200..300",
       "stack:r place_items={\"x\":\"center\"} [ box:a width=\"90%\" height=20 ]"},
      {"row:r [ box:a width=150 grow=1 shrink=0 box:b width=150 shrink=0 ]", "a.grow no effect 200..300",
       "row:r [ box:a width=140 grow=1 shrink=0 box:b width=150 shrink=0 ]"},
      {"row:r [ box:a width=50 max_width=50 grow=1 ]", "a.grow no effect 200..300",
       "row:r [ box:a width=50 max_width=60 grow=1 ]"},
      {"row:r out_of=1 [ box:a weight=1 box:b weight=1 ]", "r.out_of no effect 200..300",
       "row:r out_of=2 [ box:a weight=1 box:b weight=1 ]"},
      {"row:r place_content=center [ box:a width=50 ]", "r.place_content no effect 200..300",
       "row:r wrap=true place_content=center [ box:a width=50 height=20 ]"},
      {"row:r [ box:a weight=1 width=50 ]", "a.width no effect 200..300", "row:r [ box:a weight=1 height=50 ]"},
      {"row:r [ box:a weight=1 basis=50 ]", "a.basis no effect 200..300", "row:r [ box:a grow=1 basis=50 ]"},
      {"row:r [ box:a weight=1 grow=2 ]", "a.grow no effect 200..300", "row:r [ box:a grow=2 ]"},
      {"row:r [ box:a width=50 height=20 aspect_ratio=2 ]", "a.aspect_ratio no effect 200..300",
       "row:r [ box:a width=50 aspect_ratio=2 ]"},
      {"grid:r columns=2 [ box:a natural_size=[9,9] area=\"top\" ]", "a.area no effect 200..300",
       "grid:r columns=2 areas=[\"top top\"] [ box:a natural_size=[9,9] area=\"top\" ]"},
      {"stack:r [ box:a width=9 height=9 grow=1 ]", "a.grow no effect 200..300",
       "row:r [ box:a width=9 height=9 grow=1 ]"},
      {"column:r across=start [ text:a text=\"Sage\" text_align=end ]", "a.text_align no effect 200..300",
       "column:r [ text:a text=\"Sage\" text_align=end ]"},
      {"row:r across=start [ text:a text=\"Sage\" text_align={\"y\":\"end\"} ]", "a.text_align no effect 200..300",
       "row:r [ text:a text=\"Sage\" text_align={\"y\":\"end\"} ]"},
      // Zero size.
      {"row:r [ box:a ]", "a.width zero size 200..300", "row:r [ box:a width=1 ]"},
      {"row:r across=center [ box:a weight=1 box:b width=20 height=20 shrink=0 ]", "a.height zero size 200..300",
       "row:r across=center [ box weight=1 box:b width=20 height=20 shrink=0 ]"},
      {"row:r [ column:a box:b width=20 ]", "a.width zero size 200..300",
       "row:r [ column:a [ box:c width=1 height=1 ] box:b width=20 ]"},
      {"row:r [ box:a natural_size=[50,5] basis=0 min_width=0 ]", "a.width zero size 200..300",
       "row:r [ box:a natural_size=[50,5] basis=0 ]"},
      {"column:r [ text:a text=\"\" ]", "a.height zero size 200..300", "column:r [ text:a text=\"Sage\" ]"},
      // Outside, behind, over one another.
      {"stack:r [ box:a width=20 height=20 pin={\"left\":260} ]", "a outside 200..260",
       "stack:r [ box:a width=20 height=20 pin={\"left\":199} ]"},
      {"row:r [ stack:s width=100 height=50 scroll=x [ box:a width=20 height=20 pin={\"left\":150,\"top\":0} ] ]",
       "a outside 200..300",
       "row:r [ stack:s width=100 height=50 scroll=x [ box:a width=20 height=20 margin={\"left\":150} ] ]"},
      {"stack:r [ box:a width=20 height=20 box:b width=30 height=20 ]", "a behind 200..300",
       "stack:r [ box:a width=20 height=20 box:b width=30 height=19 ]"},
      {"stack:r on_top=first [ box:a width=30 height=30 row:m [ box:b width=30 height=20 ] ]", "m behind 200..300",
       "stack:r [ box:a width=31 height=30 row:m [ box:b width=30 height=20 ] ]"},
      {"grid:r columns=2 [ box:a height=9 cell=[0,0] box:b height=8 cell=[0,0] ]", "b siblings overlap 200..300",
       "grid:r columns=2 [ box:a height=9 cell=[0,0] box:b height=8 cell=[1,0] ]"},
      {"row:r [ box:a width=50 height=9 box:b width=50 height=8 ]", "",
       "row:r gap=-10 [ box:a width=50 height=9 box:b width=50 height=8 ]"},
      {"stack:r [ text:a text=\"Sage\" box:b width=20 height=5 pin={\"left\":30,\"top\":0} ]",
       "b.pin pinned over text 200..300",
       "stack:r [ text:a text=\"Sage\" box:b width=20 height=5 pin={\"left\":39,\"top\":0} ]"},
      // Fill, sizes that are not kept, what never fits.
      {"row:r across=start [ column:m width=50 [ box:a natural_size=[9,9] height=fill ] ]",
       "a.height nothing to fill 200..300", "row:r [ column:m width=50 [ box:a natural_size=[9,9] height=fill ] ]"},
      {"row:r [ column:m width=50 height=fill [ box:a natural_size=[9,9] height=fill ] ]", "", nullptr},
      {"row:r across=start [ box:b width=9 natural_size=[0,9] column:m width=50 height=40 [ box:a natural_size=[9,9] "
       "height=fill "
       "] ]",
       "", nullptr},
      {"row:r [ box:a width=150 box:b width=100 shrink=0 ]", "a.width squeezed 200..249",
       "row:r [ box:a width=150 min_width=50 box:b width=100 shrink=0 ]"},
      {"row:r [ box:a width=400 height=9 shrink=0 ]", "a never fits 200..300",
       "row:r [ box:a width=299 height=9 shrink=0 ]"},
      {"row:r [ text:a text=\"Propagation\" width=60 min_width=0 ]", "a never fits 200..300",
       "row:r [ text:a text=\"Propagation\" min_width=0 ]"},
      // Fingers, lone children, children of leaves.
      {"row:r [ box:a width=40 height=20 touch_target=true ]", "a.touch_target target too small 200..300",
       "row:r [ box:a width=40 height=24 touch_target=true ]"},
      {"row:r wrap=true [ box:a width=90 grow=1 height=9 box:b width=90 grow=1 height=9 box:c width=90 grow=1 height=9 "
       "]",
       "c.width stretched last item 200..269",
       "row:r wrap=true [ box:a width=90 grow=1 height=9 box:b width=90 grow=1 height=9 box:c width=90 height=9 ]"},
      {"row:r [ box:a width=9 height=9 [ box:b width=5 ] ]", "a.children in a leaf 200..300",
       "row:r [ row:a width=9 height=9 [ box:b width=5 ] ]"},
      // Padding.
      {"row:r padding=10 [ box:a width=185 height=9 shrink=0 ]", "a overlaps padding 200..204",
       "row:r padding=10 [ box:a width=180 height=9 shrink=0 ]"},
      {"row:r padding=10 [ box:a width=205 height=9 shrink=0 ]", "",
       nullptr},  // it overhangs at some: for claims to say
      {"row:r across=start [ text:a text=Oak padding=8 width=40 one_line=true ]", "a overlaps padding 200..300",
       "row:r across=start [ text:a text=Oak padding=8 width=45 one_line=true ]"},
      // Scale.
      {"row:r [ box:a width=40 height=20 scale=1.5 ]", "a.scale painted outside 200..300",
       "row:r padding={\"top\":5,\"left\":10} [ box:a width=40 height=20 scale=1.5 ]"},
      {"row:r along=center across=center [ box:a width=200 height=20 scale=1.2 ]", "a.scale painted outside 200..239",
       "row:r along=center across=center [ box:a width=200 height=20 scale=0.5 ]"},
      {"row:r [ box:a width=40 height=20 scale=2 scale_affects_layout=true ]", "", nullptr},
      {"row:r scroll=both [ box:a width=40 height=20 scale=2 ]", "", nullptr},
      {"row:r [ box:a width=40 height=20 scale=2 allow=[\"painted outside\"] ]", "", nullptr},
      // Plans that do not come out.
      {"grid:r columns=2 areas=[\"top side\"] [ box:a natural_size=[9,9] area=top ]",
       "r.areas.side empty area 200..300", "grid:r columns=2 areas=[\"top .\"] [ box:a natural_size=[9,9] area=top ]"},
      {"grid:r columns=2 areas=[\"top .\"] [ box:a natural_size=[9,9] area=top box:b natural_size=[9,9] ]",
       "b.area no area 200..300",
       "grid:r columns=2 areas=[\"top .\"] [ box:a natural_size=[9,9] area=top box:b natural_size=[9,9] cell=[1,0] ]"},
      {"column:r [ box:a height=10 box:b height=40 box:c height=10 ]", "r nothing grows 200..300",
       "column:r [ box:a height=10 box:b weight=1 box:c height=10 ]"},
      {"column:r [ box:a height=10 box:b height=10 box:c height=10 ]", "", nullptr},
      {"row:r [ column:s weight=1 [ box:a height=10 row:b height=40 [ box:d width=9 ] box:c height=10 ] ]",
       "s nothing grows 200..300",
       "row:r [ column:s weight=1 [ box:a height=10 row:b height=40 [ box:d width=9 ] box:c height=50 ] ]"},
      {"grid:r gap=8 columns=[40,\"content\",40] [ box:a height=9 cell=[0,0] box:b height=9 cell=[2,0] ]",
       "r.columns empty track gap 200..300", "grid:r gap=8 columns=[40,40] [ box:a height=9 box:b height=9 ]"},
      {"row:r wrap=true gap=8 [ box:a width=\"50%\" height=9 box:b width=\"50%\" height=9 ]",
       "r.gap gap forces wrap 200..300",
       "row:r wrap=true [ box:a width=\"50%\" height=9 box:b width=\"50%\" height=9 ]"},
      {"row:r [ box:a width=50 height=20 border=2 border_at=over ]", "a.border_at no effect 200..300",
       "row:r [ box:a natural_size=[50,20] border=2 border_at=over ]"},
      {"row:r [ box:a width=50 height=20 border_at=outline ]", "a.border_at no effect 200..300",
       "row:r [ box:a width=50 height=20 border=2 border_at=outline ]"},
      {"row:r [ box:a width=9 height=9 scroll_ratio=0.5 ]", "a.scroll_ratio no effect 200..300",
       "row:r scroll=x [ box:a width=9 height=9 scroll_ratio=0.5 ]"},
      {"column:r [ column:l width=50 wrap=true virtualized=true scroll=y [ box:a width=9 height=9 ] ]",
       "l.virtualized no effect 200..300",
       "column:r [ column:l width=50 virtualized=true scroll=y [ box:a width=9 height=9 ] ]"},
      // A control over a list that can be scrolled from under it.
      {"stack:r [ column:l width=200 height=100 scroll=y [ text:t text=Sage ] "
       "box:go width=200 height=60 pin={\"left\":0,\"top\":0} ]",
       "t behind 200..300",
       "stack:r [ column:l width=200 height=100 scroll=y padding={\"top\":60} [ text:t text=Sage ] "
       "box:go width=200 height=60 pin={\"left\":0,\"top\":0} ]"},
      // What is meant.
      {"row:r [ box:a width=400 height=9 shrink=0 allow=[\"overhang\"] ]", "", nullptr},
      {"row:r [ box:a width=400 height=9 shrink=0 allow=[\"never fits\"] ]", "", nullptr},
      {"row:r [ box:a width=50 height=9 allow=[\"overhang\"] ]", "a.allow.overhang unused allow 200..300",
       "row:r [ box:a width=250 height=9 shrink=0 allow=[\"overhang\"] ]"},
      {"stack:r [ box:a width=20 height=20 allow=[\"behind\"] box:b width=30 height=20 ]", "", nullptr},
      {"stack:r [ box:a width=20 height=20 allow=[\"overhang\",\"behind\"] pin={\"left\":-8} ]",
       "a.allow.behind unused allow 200..300", nullptr},
      // One cause, one finding.
      {"row:r [ image:a width=90 height=9 shrink=0 image:b width=90 height=9 shrink=0 image:c width=90 height=9 "
       "shrink=0 "
       "image:d width=90 height=9 shrink=0 image:e width=90 height=9 shrink=0 ]",
       "e, d never fits 200..300", nullptr},
      {"stack:r [ row:a width=20 height=20 pin={\"left\":400} [ box:b width=9 height=9 touch_target=true ] ]",
       "a outside 200..300", nullptr},
      {"column:r across=start [ row:a [ box:x width=9 height=9 touch_target=true ] row:b [ box:x width=9 height=9 "
       "touch_target=true "
       "] ]",
       "a/x.touch_target target too small 200..300; b/x.touch_target target too small 200..300", nullptr},
  };
  for (const auto& [scene, findings, neighbor] : cases) {
    EXPECT_EQ(findings_in(scene_of(scene)), findings) << scene;
    if (neighbor == nullptr) continue;
    EXPECT_EQ(findings_in(scene_of(neighbor)), "") << neighbor;
  }
}

TEST(Lint, ABorderThatOnlyARangeGivesIsABorder) {
  Scene scene = testing::scene_from("row:r [ box:a width=50 height=20 border_at=outline ]");
  scene.ladder = {{200, 300}, Interval(100), {}};
  const auto why = [&] {
    for (const Finding& finding : lint({"", scene}).findings) {
      if (finding.key == "border_at") return finding.why;
    }
    return std::string();
  };
  EXPECT_EQ(why(), "it has no border");
  scene.ranges = {{"low", {}, 250}};
  testing::add_form(scene, scene.tree.at("a"), "low", [](Keys& keys) { keys.border = 2.0; });
  EXPECT_EQ(why(), "");
}

TEST(Lint, RangesThatNoSizeReachesAndSettingsThatSleepInSome) {
  Scene scene = scene_of("row:r wrap=true [ box:a width=50 height=20 shrink=0 ]");
  scene.ranges = {{"small", {}, 250}, {"never", {}, 100}};
  testing::add_form(scene, scene.tree.root(), "small", [](Keys& keys) { keys.kind = Kind::stack; });
  testing::add_form(scene, scene.tree.root(), "never", [](Keys& keys) { keys.wrap = false; });
  EXPECT_EQ(findings_in(scene),
            "never.ranges never holds 200..300; (r.wrap dormant 200..249); (a.shrink dormant 200..249)");
  scene.ranges.pop_back();
  scene.whens.pop_back();
  EXPECT_EQ(findings_in(scene), "(r.wrap dormant 200..249); (a.shrink dormant 200..249)");
}

TEST(Lint, DefinitionsThatNobodyUses) {
  const struct {
    const char *head, *node, *findings;
  } cases[] = {
      {R"("ranges":[{"name":"n","below_width":90}])", "", "n.ranges unused 80..100"},
      {R"("ranges":[{"name":"n","below_width":90}])", R"("when":{"n":{"width":4}})", ""},
      {R"("ranges":[{"name":"n","below_width":90}],"claims":["a.width = 9 when not n"])", "", ""},
      {R"("ranges":[{"name":"n"}])", R"("when":{"n":{"width":4}})", "n.ranges always holds 80..100"},
      {R"("modes":["m"])", "", "m.modes unused 80..100"},
      {R"("modes":["m"])", R"("when":{"m":{"width":4}})", ""},
      {R"("locales":{"w":{"texts":{}}})", "", "w.locales unused 80..100"},
      {R"("locales":{"w":{"direction":"ltr"}})", "", "w.locales unused 80..100"},
      {R"("locales":{"w":{"direction":"rtl"}})", "", ""},
      {R"("shared":{"s":{"height":9}})", "", "s.shared unused 80..100"},
      {R"("shared":{"s":{"height":9}})", R"("like":"s")", ""},
      {R"("parts":{"p":{"kind":"box","width":9}})", "", "p.parts unused 80..100"},
      {R"("parts":{"p":{"kind":"box","width":9}})", R"("part":"p")", ""},
  };
  for (const auto& [head, node, findings] : cases) {
    const std::string text = std::string(R"({"format":2,"ladder":{"width":[80,100],"height":20},)") + head +
                             R"(,"root":{"kind":"row","name":"r","children":[{"kind":"box","name":"a","width":9)" +
                             (*node == 0 ? "" : ",") + node + "}]}}";
    EXPECT_EQ(findings_in(read_scene(text, "s")), findings) << text;
  }
}

TEST(Lint, CopiesOfOneNodeAreOneFinding) {
  const auto answer = [](const std::string& children) {
    return findings_in(
        read_scene(R"({"format":2,"ladder":{"width":[80,100],"height":60},"parts":{"card":{"kind":"column",
        "padding":4,"children":[{"kind":"box","name":"go","height":9,"touch_target":true},{"kind":"text","name":"t","text":""}]}},
        "root":{"kind":"row","name":"shelf","children":[)" +
                       children + "]}}",
                   "s"));
  };
  EXPECT_EQ(answer(R"({"kind":"image","name":"p","natural_size":[60,9],"copies":12,"shrink":0})"),
            "11 images (shelf/p[*]) never fits 80..100; card.parts unused 80..100");
  EXPECT_EQ(
      answer(R"({"part":"card","name":"c","copies":7,"weight":1})"),
      "7 texts (shelf/c[*]/t).height zero size 80..100; 7 boxes (shelf/c[*]/go).touch_target target too small 80..100");
}

TEST(Lint, ClaimsLeaveOutWhatIsMeantToBeCut) {
  const auto fits = [](const char* badge) {
    const Scene scene =
        scene_of(std::string("stack:r [ row:card width=90 height=40 [ box:a width=95 height=9 shrink=0 ") + badge +
                 " text:t text=\"one two\" width=30 height=20 max_lines=1 allow=[\"overhang\"] ] ]");
    return check(scene, {"fits(card)"})[0].holds;
  };
  EXPECT_TRUE(fits("allow=[\"overhang\"] pin={\"left\":0,\"top\":0}"));
  EXPECT_FALSE(fits("pin={\"left\":0,\"top\":0}"));
}

/// What is said to have no effect has none: without it every box is where it was.
TEST(Lint, SettingsWithoutEffectCanBeLeftOut) {
  testing::RandomScenes random(testing::seed());
  int left_out = 0;
  for (int i = 0; i < 16; ++i) {
    Scene scene(random.tree(15));
    scene.ladder = {{150, 250}, Interval(100), {}};
    for (const Finding& finding : lint({"", scene}).findings) {
      ASSERT_FALSE(finding.sizes.empty());
      EXPECT_GE(finding.sizes.front().from, 150);
      EXPECT_LE(finding.sizes.back().to, 250);
      const KeyEntry* entry = find_key(finding.key);
      const bool bounds = finding.key == "width" || finding.key == "height";  // beside a weight: still a bound
      if (finding.rule != LintRule::no_effect || entry == nullptr || bounds || finding.key == "text_align") continue;
      Scene without = scene;
      const NodeId node = without.tree.at(finding.path);
      Keys keys = without.tree.keys(node);
      reset_key(*entry, keys);
      without.tree.replace_keys(node, keys);
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
      "row:r place_content=center [ row:bar along=center weight=1 [ box:a weight=1 height=5 ] "
      "box:b width=30 height=30 shrink=0 touch_target=true ]");
  scene.ladder = {{90, 120}, Interval(40), {}};
  scene.modes = {"shut", "calm"};
  testing::add_form(scene, scene.tree.at("a"), "shut", [](Keys& keys) {
    keys.weight.reset();
    keys.width = 10;
  });
  testing::add_form(scene, scene.tree.at("b"), "shut", [](Keys& keys) { keys.width = 10; });
  const auto answer = [&](const std::vector<std::vector<std::string>>& choices) {
    std::vector<Variant> variants;
    for (const auto& modes : choices) variants.push_back(variant_of(scene, "", modes));
    std::string text;
    for (const Finding& one : lint(variants).findings) {
      text += (text.empty() ? "" : ", ") + one.node + "." + one.key;
      for (const std::string& variant : one.variants) text += " in " + variant;
    }
    return text;
  };
  EXPECT_EQ(answer({{}}), "r.place_content, bar.along, calm.modes");
  EXPECT_EQ(answer({{"shut"}}), "r.place_content, calm.modes, b.touch_target");
  EXPECT_EQ(answer({{}, {"shut"}}), "r.place_content, calm.modes, b.touch_target in mode shut");
  EXPECT_EQ(answer({{}, {"calm"}}), "r.place_content, bar.along, calm.modes");
  EXPECT_EQ(answer({{}, {"shut"}, {"calm"}, {"shut", "calm"}}),
            "r.place_content, calm.modes, b.touch_target in mode shut in mode shut, mode calm");
}

TEST(Lint, TheSceneSaysHowLargeAFingerIs) {
  const auto with = [](const std::string& touch_target_size) {
    return read_scene(
        R"({"format":2,)" + touch_target_size + R"("ladder":{"width":[200,300],"height":100},"root":{"kind":"row",
      "name":"r","children":[{"kind":"box","name":"a","width":30,"height":40,"touch_target":true}]}})",
        "scene");
  };
  EXPECT_EQ(findings_in(with("")), "");
  EXPECT_EQ(findings_in(with(R"("touch_target_size":44,)")), "a.touch_target target too small 200..300");
  EXPECT_EQ(read_scene(to_json(with(R"("touch_target_size":44,)")), "again").touch_target_size, 44);
  EXPECT_THROW(with(R"("touch_target_size":0,)"), BadScene);
}

TEST(Lint, FindsNothingInTheExamplesButWhatTheySay) {
  const std::string folder = std::string(FOND_LADDER_SOURCE_DIR) + "/examples/";
  for (const auto& entry : std::filesystem::recursive_directory_iterator(folder)) {
    if (!entry.path().string().ends_with(".scene.json")) continue;
    const Scene scene = read_scene_file(entry.path().string());
    const bool says_so = entry.path().filename() == "shape_by_wrapping.scene.json";
    EXPECT_EQ(findings_in(scene), says_so ? "sage.width stretched last item 410..619" : "") << entry.path();
  }
}

TEST(Lint, TheProgramTellsTheAnswerFirstAndFailsWhenItIsStrict) {
  const std::string console = std::string(FOND_LADDER_SOURCE_DIR) + "/examples/console.scene.json";
  EXPECT_EQ(testing::run({"lint", console, "--strict"}).status, 0);
  const std::vector<std::string> broken{
      "lint",  console,          "--set", "alarm.height=20",           "--set", "cards.place_content=center",
      "--set", "work.width=300", "--set", R"(body.gap={"x":16,"y":9})"};
  const testing::Result answer = testing::run(broken);
  EXPECT_EQ(answer.status, 0);
  EXPECT_EQ(answer.err, "");
  testing::expect_golden("lint.txt", answer.out);
  std::vector<std::string> strict = broken;
  strict.emplace_back("--strict");
  EXPECT_EQ(testing::run(strict).status, 1);
  const std::string json = testing::run({"lint", console, "--set", "alarm.height=20", "--format", "json"}).out;
  EXPECT_NE(
      json.find(
          R"({"node": "console/bar/alarm", "key": "touch_target", "rule": "target too small", "why": "only 96 x 20 at worst)"),
      std::string::npos)
      << json;
}

}  // namespace
}  // namespace fond_ladder
