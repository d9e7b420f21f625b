// SPDX-License-Identifier: MIT
//
// Claims: what may be said, what is refused and where, and for every function a claim that holds, one that fails at one
// pixel, and one that fails only between two whole pixels.
#include <gmock/gmock.h>
#include <gtest/gtest.h>

#include <memory>
#include <sstream>

#include "fond_ladder/check.hpp"
#include "fond_ladder/claim.hpp"
#include "support/golden.hpp"
#include "support/program.hpp"
#include "support/random_scenes.hpp"
#include "support/shorthand.hpp"

namespace fond_ladder {
namespace {

/// `a` and `b` share the row; `low` holds below 100; `c` is hidden below 60.5; `tip` is a child of `b`.
Scene the_scene() {
  Scene scene = testing::scene_from(
      "row:r [ box:a weight=1 max_width=40.25 row:b weight=1 min_width=0 [ box:tip width=30 shrink=0 height=8 ] "
      "box:tag[0] width=5 height=5 shrink=0 box:tag[1] width=5 height=6 shrink=0 box:c pin={\"left\":1,\"top\":1} "
      "width=2 height=2 ]");
  scene.ranges = {{"low", {}, 100}, {"never", 5000}};
  scene.modes = {"dim"};
  testing::add_form(scene, scene.tree.at("c"), "low", [](Keys& keys) { keys.hidden = true; });
  scene.ladder = {{50, 120}, Interval(20), {}};
  return scene;
}

/// `90..120`; an end at which it holds stands behind a bracket.
std::string stretch_of(const CheckedClaim::Failing& failing) {
  return (failing.includes_from ? "" : "(") + testing::short_number(failing.from) + ".." +
         testing::short_number(failing.to) + (failing.includes_to ? "" : ")");
}

/// `kept`, or the stretches of sizes at which a claim fails.
std::string outcome_of(const std::string& claim) {
  const Scene scene = the_scene();
  const CheckedClaim checked = check(scene, {claim})[0];
  if (checked.tests == 0) return "untested";
  std::string text;
  for (const auto& failing : checked.failing) text += (text.empty() ? "" : ", ") + stretch_of(failing);
  return checked.holds ? "kept" : text;
}

TEST(Check, ABrokenClaimIsExplainedByWhatBrokeIt) {
  const struct {
    const char *claim, *says;
  } cases[] = {
      {"b.left = 1",
       "from 90 to 100 wide, 40 or 60 high; worst at 90 x 40: b.left 34\n          also at 95 x 50\n"
       "          b: x 34: the right of a 30 + gap 4\n"},
      {"b.top = 1", "b: y 15: the top of r 0 + across center 15\n"},
      {"b.width = 1", "b is 20 wide: its width\n"},
      {"b.right = 1", "b: x 34: the right of a 30 + gap 4; 20 wide: its width\n"},
      {"r.width = 1", "r is 100 wide: the container's width\n"},
      {"count(r/*) = 3", "count(r/*) 2\n"},
      {"sum(r/*.width) = 3", "sum(r/*.width) 50, a.width 30, b.width 20\n"},
      {"max(a.width, 7) < 3 + min(b.width, 9)", "max(a.width, 7) 30, min(b.width, 9) 9, a.width 30, b.width 20\n"},
  };
  Scene scene = testing::scene_from("row:r gap=4 across=center [ box:a width=30 height=9 box:b width=20 height=30 ]");
  scene.ladder = {{90, 100}, Interval(40, 60), {{"small", 95, 50}}};
  for (const auto& [claim, says] : cases) {
    const std::string text = report(check(scene, {claim})[0]);
    EXPECT_NE(text.find(says), std::string::npos) << text;
    EXPECT_NE(text.find("also at 95 x 50"), std::string::npos) << "the named size is told with the stretch\n" << text;
  }
}

TEST(Claims, HoldOrTellWhereTheyFail) {
  // a = (w - 10) / 2 up to 40.25, reached at 90.5; b has the rest. tip overhangs b below 70.
  const struct {
    const char *claim, *outcome;
  } cases[] = {
      {"a.width <= 40.25", "kept"},
      {"a.width < 40", "90..120"},
      {"a.width = b.width when container.width <= 90", "kept"},
      {"a.width = b.width", "(90.5..120"},
      {"a.width = b.width within 1", "(91.5..120"},
      {"b.width - a.width < 28.5", "119..120"},
      {"b.width - a.width < 29", "119.5..120"},
      {"a.width < 40.24", "90.48..120"},
      {"a.width : b.width = 1 : 1 when container.width < 90.6 within 0.001", "(90.502..90.6)"},
      {"20 <= a.width <= 40.25", "kept"},
      {"20 < a.width < 40.25", "50..50, 90.5..120"},
      {"a.width + b.width = container.width - 10", "kept"},
      {"sum(a.width, b.width, tag[*].width) = container.width", "kept"},
      {"sum(tag[*].width) = 10", "kept"},
      {"min(tag[*].height, 9) = 5 and max(tag[*].height) = 6", "kept"},
      {"count(tag[*]) = 2", "kept"},
      {"tag[1].line = r.lines and r.lines = 1", "kept"},
      {"count(r/*) = 4 when low", "kept"},
      {"count(r/*) = 5 when not low", "kept"},
      {"same(tag[*].width, 5)", "kept"},
      {"same(tag[*].height)", "50..120"},
      {"inside(tip, b)", "50..70)"},
      {"inside(tag[*], r)", "kept"},
      {"apart(a, b, tag[*])", "kept"},
      {"apart(tip, tag[*])", "50..70)"},
      {"apart(tag[*], a, tag[1])", "kept"},  // a node is not apart from itself, and need not be
      {"fits(b)", "50..70)"},
      {"fits(a)", "kept"},
      {"reachable(a, tip)", "kept"},
      {"reachable(c)", "50..100)"},
      {"tag[*].width = 5", "kept"},
      {"tag[*].height = 5", "50..120"},
      {"tag[*].right >= tag[*].left + 5", "kept"},
      {"c.width = 2", "50..100)"},
      {"c.width = 2 when not low", "kept"},
      {"low or container.width >= 100", "kept"},
      {"low", "100..120"},
      {"not (a.width > 30 and b.width > 30)", "(70..120"},
      {"(a.width + b.width) * 2 = (container.width - 10) / 0.5", "kept"},
      {"-a.width <= -20", "kept"},
      {"a.width = 3 when never", "untested"},
      {"a.width = 3 when dim", "untested"},
      {"container.width < 120", "120..120"},
      {"container.width <= 119.99", "(119.99..120"},
  };
  for (const auto& [claim, outcome] : cases) EXPECT_EQ(outcome_of(claim), outcome) << claim;
}

/// Every function and relation, and what is done to the scene to break it.
struct Breakable {
  const char* claim;
  void (*breaks)(Keys& a);
};
void enlarge(Keys& a) {
  a.width = 300;
  a.height = 300;
}
void hide(Keys& a) {
  a.hidden = true;
}
constexpr Breakable breakables[] = {
    {"same(a.width, b.width)", enlarge},
    {"same(r/*.height)", enlarge},
    {"inside(a, r)", enlarge},
    {"inside(r/*, r)", enlarge},
    {"apart(a, c)", enlarge},
    {"apart(r/*)", enlarge},
    {"fits(r)", enlarge},
    {"fits(r/*)", enlarge},
    {"reachable(a)", hide},
    {"reachable(b)", enlarge},
    {"reachable(r/*)", enlarge},
    {"count(r/*) = 3", hide},
    {"sum(r/*.width) = 30", enlarge},
    {"sum(r/*.width) = 30", hide},
    {"min(r/*.height, 9) = 5", [](Keys& a) { a.height = 4; }},
    {"max(r/*.width) <= 10", enlarge},
    {"a.width = 10", enlarge},
    {"a.width = 10", hide},
    {"a.width < 11", enlarge},
    {"9 < a.width < 11", hide},
    {"b.left >= 10 and b.left <= 10", enlarge},
    {"a.width : b.width = 1 : 1", enlarge},
    {"r/*.width * 2 = 20", enlarge},
    {"r/*.right - r/*.left = 10", enlarge},
    {"not a.width > 10", enlarge},
    {"(a.width = 10 or low) and not never", enlarge},
    {"low or a.width = 10", enlarge},
    {"low or not low and a.width = 10", enlarge},
    {"a.width + b.width - c.width = -(-10)", enlarge},
    {"r/*.width = r/*.width / 1 when a.width < 20 or a.width >= 20", [](Keys&) {}},
};

/// Where a claim fails when the scene is broken in a range.
std::string failing_in(const Breakable& one, const Range& range) {
  Scene scene = testing::scene_from(
      "row:r across=start [ box:a width=10 height=5 shrink=0 box:b width=10 height=5 shrink=0 box:c pin={\"left\":30} "
      "width=10 height=5 ]");
  scene.ranges = {range, {"low", {}, 60}, {"never", 5000}};
  scene.ranges[0].name = "broken";
  testing::add_form(scene, scene.tree.at("a"), "broken", one.breaks);
  scene.ladder = {{50, 90}, Interval(20), {}};
  std::string text;
  const CheckedClaim checked = check(scene, {one.claim})[0];
  for (const auto& failing : checked.failing) text += stretch_of(failing) + " ";
  return text;
}

TEST(Claims, EachIsKeptOrFailsAtOnePixelOrOnlyBetweenTwo) {
  for (const Breakable& one : breakables) {
    const bool breaks = std::string_view(one.claim).find("when") == std::string_view::npos;
    EXPECT_EQ(failing_in(one, {"", 900}), "") << one.claim;
    EXPECT_EQ(failing_in(one, {"", 70, 70.001}), breaks ? "70..70.001) " : "") << one.claim;
    EXPECT_EQ(failing_in(one, {"", 80.25, 80.5}), breaks ? "80.25..80.5) " : "") << one.claim;
  }
}

/// A bend that no whole width shows: `a` gives way to `b` between two of them, and only a breakpoint leads there.
TEST(Claims, FailAtABreakpointBetweenTwoWholePixels) {
  Scene scene = testing::scene_from("row:r [ box:a weight=1 box:b weight=1 max_width=35.25 ]");
  scene.ladder = {{60, 80}, Interval(20), {}};
  EXPECT_NEAR(check(scene, {"b.width < 35.24"})[0].failing.at(0).from, 70.48, 1e-9);
  EXPECT_NEAR(check(scene, {"a.width <= 35.25 or a.width > 35.26"})[0].failing.at(0).from, 70.5, 1e-9);
}

/// What is between two whole widths is looked at: by a jump there and back, and by bounds that a claim itself names.
TEST(Claims, FailWhereOnlyAWidthBetweenTwoWholeOnesShowsIt) {
  Scene scene = testing::scene_from(
      "column:c padding={\"left\":6.5,\"right\":6.5} [ text:t text=\"mist fern kelp moss tray\" box:b height=10 ]");
  scene.ranges = {{"narrow", {}, 243}};
  testing::add_form(scene, scene.tree.at("t"), "narrow", [](Keys& keys) { keys.margin.set(Side::top, Length(5)); });
  scene.ladder = {{235, 250}, Interval(200), {}};
  const auto answer = [&](const char* claim) { return stretch_of(check(scene, {claim})[0].failing.at(0)); };
  EXPECT_EQ(answer("b.top > 35 when container.width >= 243 and container.width < 243.9"), "243.4..243.9)");
  scene = testing::scene_from("row:r [ box:a weight=1 ]");
  scene.ladder = {{200, 400}, Interval(20), {}};
  EXPECT_EQ(answer("a.width >= 301 when container.width > 300"), "(300..301)");
  EXPECT_EQ(answer("a.width >= 301 when container.width >= 300.5"), "300.5..301)");
  EXPECT_EQ(answer("a.width < 299.99 when container.width <= 300"), "299.99..300");
  EXPECT_EQ(answer("a.width < 400.01"), "400..400");
}

/// A pinned child that slides over another: nothing is decided, and yet they are no longer apart.
TEST(Claims, FailWhereTheSolveDecidesNothing) {
  Scene scene = testing::scene_from(
      "stack:s [ box:a pin={\"left\":\"50%\",\"top\":0} width=20 height=20 box:b pin={\"left\":90,\"top\":0} width=20 "
      "height=20 ]");
  scene.ladder = {{100, 300}, Interval(20), {}};
  EXPECT_EQ(stretch_of(check(scene, {"apart(a, b)"})[0].failing.at(0)), "(140..220)");
  EXPECT_EQ(stretch_of(check(scene, {"reachable(a)"})[0].failing.at(0)), "180..180");
}

TEST(Claims, SayWhatIsProvedAndWhatIsSampled) {
  Scene scene =
      testing::scene_from("row:r [ box:a basis=60% min_width=0 box:b width=200 box:c pin={\"left\":1} width=4 ]");
  scene.ladder = {{300, 600}, Interval(20), {}};
  const std::vector<CheckedClaim> checked =
      check(scene, {"a.width < 400", "a.width < 400 when container.width >= 510"});
  ASSERT_EQ(checked[0].sampled.size(), 1U);
  EXPECT_EQ(checked[0].sampled[0].from, 300);
  EXPECT_NEAR(checked[0].sampled[0].to, 500, 1e-3);
  EXPECT_TRUE(checked[1].sampled.empty()) << "nothing bends where it is about something";
  EXPECT_NE(report(checked[0]).find("sampled at whole widths 300 to 500, where the layout is not linear"),
            std::string::npos);
}

/// Each reason for which a claim is looked at instead of proved: the answer says so, at every height too.
TEST(Claims, SayForEachReasonThatNothingIsProved) {
  const struct {
    const char *why, *scene, *claim;
  } cases[] = {
      {"percent that shrink", "row:r [ box:a basis=60% min_width=0 box:b width=200 ]", "a.width < 400"},
      {"a product", "row:r [ box:a weight=1 box:b weight=1 ]", "a.width * b.width <= 90000"},
      {"a quotient", "row:r [ box:a weight=1 box:b weight=2 ]", "a.width / (b.width + 10) <= b.width / 200"},
      {"entries of a list", "column:l scroll=y virtualized=true [ box:e height=10 copies=100 ]", "l/e[1].width >= 0"},
  };
  for (const auto& [why, text, claim] : cases) {
    Scene scene = testing::scene_from(text);
    scene.ladder = {{100, 300}, Interval(50), {}};
    const CheckedClaim checked = check(scene, {claim})[0];
    EXPECT_FALSE(checked.sampled.empty()) << why;
    EXPECT_THAT(report(checked), ::testing::HasSubstr("sampled at whole widths")) << why;
    const CheckedClaim in_plane = check(std::vector{variant_of(scene, "")}, {claim}, {.heights = Interval{50, 60}})[0];
    EXPECT_FALSE(in_plane.sampled.empty()) << why << ", at every height";
  }
  struct Round final : CustomContent {
    [[nodiscard]] Widths widths() const override { return {10, 100}; }
    [[nodiscard]] Heights height_for(double width) const override { return {1000 / (1 + width), 0}; }
  };
  Scene scene = testing::scene_from("row:r across=start [ box:a weight=1 ]");
  scene.ladder = {{100, 300}, Interval(50), {}};
  scene.tree.set_content(scene.tree.at("a"), std::make_shared<Round>());
  EXPECT_FALSE(check(scene, {"a.height < 20"})[0].sampled.empty()) << "content that does not tell how far it holds";
}

/// Brute force: at widths taken at random a claim about a scene at random fails where it is told to, and nowhere else.
TEST(Claims, FailWhereTheyAreToldToAndNowhereElse) {
  int claims_added = 0, looks = 0, failing_looks = 0, scrolled = 0;
  for (std::uint32_t seed = 0; seed < 300 && !HasFailure(); ++seed) {
    testing::RandomScenes random(testing::seed() + seed);
    Scene scene(random.tree(10));
    scene.ladder = {{100, 500}, Interval(200 + random.below(200)), {}};
    const std::vector<NodeId> nodes = scene.tree.nodes();
    const auto name = [&] {
      return scene.tree.path(nodes[static_cast<std::size_t>(random.below(static_cast<int>(nodes.size())))]);
    };
    std::vector<NodeId> scrollers = nodes;
    std::erase_if(scrollers, [&](NodeId node) {
      return scene.tree.keys(node).scroll == Scroll::none || !is_container(scene.tree.kind(node));
    });
    std::vector<std::string> claims;
    for (int i = 0; i < 4; ++i) {
      const std::string a = name(), b = name();
      if (!scrollers.empty()) {
        const NodeId one = scrollers[static_cast<std::size_t>(random.below(static_cast<int>(scrollers.size())))];
        const std::string with = " with " + scene.tree.path(one) + ".scrolled = ";
        claims.push_back(a + ".bottom + " + b + ".left < " + std::to_string(random.below(300)) + with + "end");
        claims.push_back("in_view(" + a + ") or " + b + ".baseline > 40" + with + std::to_string(random.below(60)));
        scrolled += 2;
      }
      claims.push_back(a + ".width <= " + b + ".width + " + std::to_string(random.below(100)));
      claims.push_back(a + ".bottom < " + b + ".top + 40 or " + a + ".overhang = 0");
      claims.push_back("apart(" + a + ", " + b + ")");
      claims.push_back("fits(" + a + ") and reachable(" + b + ")");
      claims.push_back(a + ".lines * 20 <= " + b + ".content_height when container.width > 200.5");
    }
    const std::vector<CheckedClaim> checked = check(scene, claims);
    SceneSolver solver(scene);
    for (std::size_t c = 0; c < claims.size(); ++c, ++claims_added) {
      const Claim claim(scene, claims[c]);
      if (!checked[c].sampled.empty()) continue;
      for (int i = 0; i < 12; ++i) {
        const double width = 100 + random.below(400'000) / 1000.0 + 0.0003;
        const auto near = [&](double bound) { return std::abs(width - bound) < 5e-3; };
        const auto& failing = checked[c].failing;
        if (std::ranges::any_of(failing, [&](const auto& one) { return near(one.from) || near(one.to); })) continue;
        const bool answer =
            std::ranges::any_of(failing, [&](const auto& one) { return width > one.from && width < one.to; });
        const ContainerSize container_size{width, scene.ladder.height->from};
        const Solution solution = solver.solve(container_size);
        std::vector<std::optional<double>> values;
        for (const Quantity& quantity : claim.quantities()) values.push_back(value_of(quantity, solution));
        const Claim::Outcome found = claim.test({solution.container(), values, {}});
        ++looks;
        failing_looks += answer ? 1 : 0;
        ASSERT_EQ(found.tested && !found.holds, answer)
            << claims[c] << " at " << width << " in the scene of seed " << testing::seed() + seed;
      }
    }
  }
  EXPECT_GT(scrolled, 300);
  EXPECT_GT(failing_looks, looks / 10);
  EXPECT_LT(failing_looks, looks * 9 / 10);
  EXPECT_GT(looks, claims_added * 3) << "most claims are proved";
}

/// Patterns that begin alike go with their own kin: held against three loops in one another.
TEST(Claims, ChooseEveryNodeOfOneKinAndNoOther) {
  testing::RandomScenes random(testing::seed());
  std::size_t kins = 0;
  for (int run = 0; run < 100; ++run) {
    Node root = stack("bay");
    double worst = -1;
    for (int group = 1 + random.below(6); group > 0; --group) {
      Node kin = stack("bed[" + std::to_string(group) + "]").height(10 + random.below(90)).hidden(random.chance(15));
      const double high = kin.keys().height.length().amount();
      double most[] = {-1, -1};
      for (const int which : {0, 1}) {
        for (int i = random.below(4); i >= 0; --i) {
          const int wide = 1 + random.below(40);
          const bool hidden = random.chance(25);
          const std::string name = std::string(which == 0 ? "fern" : "kelp") + "[" + std::to_string(i) + "]";
          kin = std::move(kin).children(box(name).width(wide).hidden(hidden));
          if (!hidden) most[which] = std::max<double>(most[which], wide);
        }
      }
      const bool counts = !kin.keys().hidden && most[0] > 0 && most[1] > 0;
      if (counts) worst = std::max(worst, most[0] * most[1] + high);
      kins += counts ? 1 : 0;
      root = std::move(root).children(std::move(kin));
    }
    const Scene scene(root);
    const Solution solution = solve(scene, {200.0, 200.0});
    for (const char* text : {"bay/*/fern[*].width * bay/*/kelp[*].width + bay/*.height <= 0",
                             "bay/*.height + bay/*/kelp[*].width * bay/*/fern[*].width <= 0"}) {
      const Claim claim(scene, text);
      std::vector<std::optional<double>> values;
      for (const Quantity& quantity : claim.quantities()) values.push_back(value_of(quantity, solution));
      const Claim::Outcome found = claim.test({solution.container(), values, {}});
      EXPECT_EQ(found.holds, worst < 0) << run;
      EXPECT_EQ(found.off, std::max(worst, 0.0)) << run;
    }
  }
  EXPECT_GT(kins, 100U);
}

TEST(Claims, AboutHiddenNodesEmptySetsAndSetsAgainstSets) {
  Scene scene = testing::scene_from(
      "column:r [ row:top [ box:a width=10 height=5 box:b width=20 height=5 ] "
      "row:low [ box:a width=10 height=5 box:b width=20 height=5 ] row:gone hidden=true [ box:a width=7 ] ]");
  scene.ladder = {{60, 64}, Interval(20), {}};
  const struct {
    const char *claim, *outcome;
  } cases[] = {
      {"top/*.width = low/*.width", "fails"},  // every one of the first against every one of the second
      {"*/a.width = 10", "kept"},              // the hidden one is passed over
      {"*/a.left = */b.left - 10", "kept"},    // the same row
      {"*/a.top = */b.top", "kept"},
      {"*/a.top = r/*/b.top", "fails"},  // other words: any row
      {"*/a.bottom = */*.bottom and */*.bottom <= */b.bottom", "kept"},
      {"r/*/a.top = r/*.top", "kept"},
      {"sum(r/*/a.top - r/*.top) = 0", "kept"},
      {"top/a.left = low/a.left", "kept"},
      {"same(*/a.width)", "kept"},
      {"same(*/b.left, low/a.right)", "kept"},
      {"sum(top/*.width) = sum(low/*.width)", "kept"},
      {"gone/a.width = 7", "fails"},  // by name, and hidden
      {"not gone/a.width = 7", "kept"},
      {"reachable(gone/a)", "fails"},
      {"not reachable(gone/a)", "kept"},
      {"fits(gone)", "fails"},
      {"count(gone/*) = 0", "kept"},
      {"sum(gone/*.width) = 0", "kept"},
      {"max(gone/*.width) = 0", "fails"},  // the largest of nothing is no number
      {"same(gone/*.width)", "never"},     // says nothing at any size
      {"gone/*.width = 3", "never"},
      {"apart(gone/*) and fits(gone/*)", "never"},
      {"same(gone/*.width) and a.width = 10 or top/a.width = 10", "names"},
  };
  for (const auto& [claim, outcome] : cases) {
    if (std::string_view(outcome) == "names") {
      EXPECT_THROW((void)check(scene, {claim}), BadClaim) << claim;
      continue;
    }
    const CheckedClaim checked = check(scene, {claim})[0];
    EXPECT_EQ(checked.holds ? "kept" : checked.tests == 0 ? "never" : "fails", std::string(outcome)) << claim;
  }
}

/// Two named sizes of one height once became one stretch, with all the sizes between them that nobody had tested.
TEST(Claims, NamedRungsAreNoStretch) {
  Scene scene = testing::scene_from("row:r [ box:a width=10 height=5 ]");
  scene.ladder = {Interval(50), Interval(20), {{"one", 60, 30}, {"two", 90, 30}}};
  const CheckedClaim checked = check(scene, {"r.height < 30"})[0];
  ASSERT_EQ(checked.failing.size(), 2U);
  EXPECT_EQ(checked.failing[0].to, 60);
  EXPECT_EQ(checked.failing[1].from, 90);
}

/// What is so only at a height inside the ladder's, far from both of its ends.
TEST(Claims, AreTestedAtTheBoundsOfRangesOnHeights) {
  Scene scene = testing::scene_from("row:r [ box:a width=10 height=5 ]");
  scene.ladder = {{50, 60}, Interval(20, 40), {}};
  scene.ranges = {{"slot", 55, {}, 30.5, 30.502}, {"low", {}, {}, {}, 35}, {"at_end", {}, {}, 40}};
  const CheckedClaim checked = check(scene, {"not slot"})[0];
  ASSERT_EQ(checked.failing.size(), 1U);
  EXPECT_EQ(checked.failing[0].height, 30.5);
  EXPECT_EQ(checked.failing[0].from, 55);
  // Heights: two ends, three a bound, one below the bound at the end. Widths: both ends, 55, and the two stretches.
  EXPECT_EQ(checked.tests, (2U + 3 * 3 + 1) * 5);
}

/// A node far down a scroller once counted as cut off by what the scroller lies in.
TEST(Claims, WhatCanBeScrolledIntoViewIsReachable) {
  Scene scene = testing::scene_from(
      "row:r [ column:list scroll=y width=30 [ box:near height=10 width=9 box:far height=300 width=9 shrink=0 "
      "box:last height=5 width=9 shrink=0 ] box:b pin={\"left\":10,\"top\":400} width=5 height=5 ]");
  scene.ladder = {{60, 64}, Interval(50), {}};
  EXPECT_TRUE(check(scene, {"reachable(near, far, last)"})[0].holds);
  EXPECT_FALSE(check(scene, {"reachable(b)"})[0].holds);
  scene.tree.replace_keys(scene.tree.at("list"), [&] {
    Keys keys = scene.tree.keys(scene.tree.at("list"));
    keys.scroll = Scroll::x;
    return keys;
  }());
  EXPECT_FALSE(check(scene, {"reachable(last)"})[0].holds);
}

TEST(Claims, WhatIsNoneIsRefusedWithItsColumn) {
  const struct {
    const char *claim, *fault;
  } cases[] = {
      {"a.widht = 3", "1: \"widht\" is not a measure; did you mean \"width\"?"},
      {"a.center_y = 3", "1: \"center_y\" is not a measure; did you mean \"middle_y\"?"},
      {"aa.width = 3", "1: \"aa\" is not a node; did you mean \"a\"?"},
      {"B.Width = 3", "1: \"Width\" is not a measure; did you mean \"width\"?"},
      {"LOW or a.width = 3", "1: \"LOW\" is not a quantity (as in beds.width), range or mode; did you mean \"low\"?"},
      {"b.width = nobody/*.width", "11: \"nobody/*\" matches no node"},
      {"a.width", "8: expected a comparison here: =, <, <=, >, >= or :"},
      {"a.width = ", "11: expected a number, a quantity as in beds.width, or a function here"},
      {"1 < a.width > 3", "15: one chain cannot mix < and >"},
      {"smae(a.width, b.width)", "1: \"smae\" is not a function; did you mean \"same\"?"},
      {"a.width = reachable(b)", "11: \"reachable\" returns no number; expected a number or a quantity here"},
      {"reachable and a.width = 3", "1: \"reachable\" is a function; add its arguments in parentheses"},
      {"tag[*] = 3", "1: \"tag[*]\" names nodes, not numbers; add a measure, as in tag[*].width"},
      {"fits(tag[*].width)", "6: expected a node without a measure here: tag[*]"},
      {"a.width == 3", "9: \"==\" has no meaning in a claim; write \"=\""},
      {"a.width != 3", "9: \"!=\" has no meaning in a claim; write not, as in not a.width = 3"},
      {"a.width = 3px", "11: \"3px\" is not a number; sizes are pixels without a unit: 3"},
      {"a.width = 50-2", "11: \"50-2\": add a space on both sides of \"-\""},
      {"a.width*2 = 3", "1: \"a.width*2\": add a space on both sides of \"*\""},
      {"a.width = 50%", "11: \"50%\" is not a number; for a share of the container write container.width / 2"},
      {"a.width = 30%", "11: \"30%\" is not a number; for a share of the container write container.width * 30 / 100"},
      {"a.width in 100..300", "12: \"100..300\" is not a number; write 100 <= a.width <= 300"},
      {"b.width = 100..300", "11: \"100..300\" is not a number; write 100 <= b.width <= 300"},
      {"a.width + b.width = 100..", "21: \"100..\" is not a number; write 100 <= a.width + b.width"},
      {"a.left = 3 or (b.width in 7..9)", "27: \"7..9\" is not a number; write 7 <= b.width <= 9"},
      {"not (a.width + 2) * 3 = 7..9", "25: \"7..9\" is not a number; write 7 <= (a.width + 2) * 3 <= 9"},
      {"a.width in 100..", "12: \"100..\" is not a number; write 100 <= a.width"},
      {"a.width = 1e-300%",
       "11: \"1e-300%\" is not a number; for a share of the container write container.width * 1e-300 / 100"},
      {"equal(a.width, b.width)", "1: \"equal\" is not a function; here that is same(...)"},
      {"a.overflow = 3",
       "1: \"overflow\" is not a measure; here that is \"overflow_x\" and \"overflow_y\", of a container"},
      {"a. = 3", "1: a measure is missing after \"a.\""},
      {"lwo", "1: \"lwo\" is not a quantity (as in beds.width), range or mode; did you mean \"low\"?"},
      {"same(a.width", "13: \")\" is expected here"},
      {"inside(a)", "9: inside takes two nodes: the inner one, then the outer one"},
      {"a.width = 3 wehn low", "13: expected the end of the claim here; did you mean \"when\"?"},
      {"a.width = 3 within", "19: expected a number of pixels after within, as in within 0.5"},
      {"a.width : b.width = 1", "22: a ratio needs one number per term"},
      {"a.width ! 3", "9: \"!\" has no meaning in a claim"},
      {"a.width ≤ 3", "9: \"≤\" has no meaning in a claim"},
      {"a.width < 1e400", "11: \"1e400\" is too large"},
      {"(a.width + 1) = 3)", "18: expected the end of the claim here"},
      {"", "1: expected a number, a quantity as in beds.width, or a function here"},
  };
  const Scene scene = the_scene();
  for (const auto& [claim, fault] : cases) {
    try {
      static_cast<void>(Claim(scene, claim));
      ADD_FAILURE() << claim;
    } catch (const BadClaim& bad) {
      EXPECT_EQ(std::to_string(bad.column()) + ": " + bad.what(), fault) << claim;
    }
  }
  EXPECT_THROW(Claim(scene, std::string(100000, '(')), BadClaim);
}

TEST(Claims, OfAFileAreReadWithItAndRefusedWithTheirPlace) {
  const std::string head = R"({"format":2,"root":{"kind":"row","name":"r"},"claims":[)";
  EXPECT_EQ(testing::run({"check", "-"}, head + "\"r.width = container.width\"]}").status, 0);
  EXPECT_EQ(testing::run({"check", "-"}, head + "\"r.widht = 3\", 4]}").err,
            "standard input:1:56: error: in this claim, column 1: \"widht\" is not a measure; did you mean \"width\"? "
            "(at /claims/0)\nstandard input:1:71: error: a claim must be a text in quotes (at /claims/1)\n");
  EXPECT_EQ(testing::run({"check", "-"}, head + "]}").err,
            "fond-ladder: error: check: the scene has no claims; add \"claims\" to the file, pass one with --claim, or "
            "use --suggest to get some\n");
}

TEST(Claims, TheProgramChecksTheDemoAndSaysWhatBroke) {
  const std::string console = std::string(FOND_LADDER_SOURCE_DIR) + "/examples/console.scene.json";
  const testing::Result kept = testing::run({"check", console});
  EXPECT_EQ(kept.status, 0) << kept.out;
  EXPECT_TRUE(
      kept.out.starts_with("North house console from 360 to 1440 wide: all 26 claims hold, proved for every width\n"))
      << kept.out;
  const testing::Result closed = testing::run({"check", console, "--mode", "closed"});
  EXPECT_EQ(closed.status, 1);  // three claims are about the beds, which are gone
  EXPECT_NE(closed.out.find(
                "untested  beds.bottom <= work.top when container.width < 640 and not closed\n          untested: "),
            std::string::npos)
      << closed.out;
  const testing::Result broken =
      testing::run({"check", console, "--set", "beds.width=260", "--claim", "map.height <= 600"});
  EXPECT_EQ(broken.status, 1);
  std::string text = broken.out;
  for (std::size_t at = text.find(console); at != std::string::npos; at = text.find(console)) {
    text.replace(at, console.size(), "console.scene.json");
  }
  testing::expect_golden("check.txt", text);
  const std::string json = testing::run({"check", console, "--claim", "bar.height = 3", "--format", "json"}).out;
  EXPECT_NE(json.find(R"({"claim": "bar.height = 3", "number": 27, "holds": false, "tests": )"), std::string::npos)
      << json;
}

TEST(Claims, ComeOutTheSameOnAnyNumberOfThreads) {
  testing::RandomScenes random(testing::seed());
  const Scene scene(random.tree(40));
  const std::vector<std::string> claims{"same(*.width)", "*.width <= container.width", "fits(*)", "apart(*, *)"};
  const auto text = [&](unsigned threads) {
    std::ostringstream out;
    for (const CheckedClaim& one : check(scene, claims, {.threads = threads})) {
      out << one.claim << one.holds << one.tests;
      for (const auto& failing : one.failing)
        out << ' ' << failing.from << ".." << failing.to << '@' << failing.worst.width;
    }
    return out.str();
  };
  EXPECT_EQ(text(1), text(3));
}

}  // namespace
}  // namespace fond_ladder
