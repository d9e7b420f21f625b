// SPDX-License-Identifier: MIT
//
// Breakpoints worked out by hand: where, of which kind, and why. Then random scenes, in which every quantity must
// be linear between two neighboring breakpoints.
#include <gtest/gtest.h>

#include <cmath>
#include <sstream>

#include "support/program.hpp"
#include "support/random_scenes.hpp"
#include "support/shorthand.hpp"

namespace fond_ladder {
namespace {

std::string breakpoints_text(const Sweep& swept) {
  std::string text;
  for (const Breakpoint& breakpoint : swept.breakpoints()) {
    std::ostringstream line;
    line << breakpoint;
    text += line.str() + "\n";
  }
  return text;
}

Sweep sweep_of(const std::string& shorthand, Interval width, const std::string& quantities,
               std::optional<Interval> height = Interval(100)) {
  std::istringstream in(quantities);
  Ladder ladder;
  ladder.width = width;
  ladder.height = height;
  return sweep(testing::scene_from(shorthand), ladder, {std::istream_iterator<std::string>(in), {}});
}

struct Case {
  const char *what, *scene;
  Interval width;
  const char *quantity, *breakpoints;
};

const Case cases[] = {
    // Limits along a row.
    {"a minimum is left",
     "row:r [ box:a width=100 shrink=0 box:b weight=1 min_width=50 ]",
     {100, 300},
     "b.width",
     "at 150: b.width bends at 50, its slope from 0 to 1: `b` grows past its minimum, 50\n"},
    {"a maximum is reached",
     "row:r [ box:a weight=1 max_width=80 box:b weight=1 ]",
     {100, 300},
     "a.width",
     "at 160: a.width bends at 80, its slope from 0.5 to 0: `a` reaches its maximum, 80\n"},
    {"and the sibling takes over",
     "row:r [ box:a weight=1 max_width=80 box:b weight=1 ]",
     {100, 300},
     "b.width",
     "at 160: b.width bends at 80, its slope from 0.5 to 1: `a` reaches its maximum, 80\n"},
    {"between two pixels",
     "row:r [ box:a weight=1 max_width=80.25 box:b weight=3 ]",
     {100, 400},
     "a.width",
     "at 321: a.width bends at 80.25, its slope from 0.25 to 0: `a` reaches its maximum, 80.25\n"},
    {"between two pixels, off the grid",
     "row:r [ box:a weight=1 max_width=33.3 box:b weight=1 ]",
     {50, 100},
     "a.width",
     "at 66.6: a.width bends at 33.3, its slope from 0.5 to 0: `a` reaches its maximum, 33.3\n"},
    {"with gap and padding",
     "row:r gap=10 padding=5 [ box:a weight=1 min_width=60 box:b weight=1 ]",
     {100, 200},
     "a.width",
     "at 140: a.width bends at 60, its slope from 0 to 0.5: `a` grows past its minimum, 60\n"},
    {"two freezing points",
     "row:r [ box:a weight=1 max_width=40 box:b weight=1 max_width=60 box:c weight=1 ]",
     {90, 250},
     "c.width",
     "at 120: c.width bends at 40, its slope from 0.33 to 0.5: `a` reaches its maximum, 40\nat 160: c.width bends at "
     "60, its slope from 0.5 to 1: `b` reaches its maximum, 60\n"},
    {"a smallest content",
     "row:r [ text:t text=\"aaaaaaaaaa bb\" weight=1 box:b weight=1 ]",
     {100, 400},
     "t.width",
     "at 192: t.width bends at 96, its slope from 0 to 0.5: `t` grows past its smallest content, 96\n"},
    // Growing and shrinking.
    {"shrinking ends",
     "row:r [ box:a width=100 min_width=0 box:b width=60 min_width=0 shrink=0 ]",
     {80, 240},
     "a.width",
     "at 160: a.width bends at 100, its slope from 1 to 0: `r` has space for all its children\n"},
    {"growing begins", "row:r [ box:a basis=50 grow=1 box:b width=70 shrink=0 ]", {130, 200}, "a.width", ""},
    {"a base is met, then growth",
     "row:r [ box:a basis=100 min_width=0 grow=1 box:b basis=50 min_width=0 ]",
     {100, 200},
     "a.width",
     "at 150: a.width bends at 100, its slope from 0.67 to 1: `r` has space for all its children\n"},
    {"a shrink stopped by a minimum",
     "row:r [ box:a width=100 min_width=80 box:b width=100 min_width=0 ]",
     {100, 190},
     "b.width",
     "at 160: b.width bends at 80, its slope from 1 to 0.5: `a` grows past its minimum, 80\n"},
    {"a maximum beats growth",
     "row:r [ box:a basis=10 grow=1 max_width=90 ]",
     {50, 150},
     "a.width",
     "at 90: a.width bends at 90, its slope from 1 to 0: `a` reaches its maximum, 90\n"},
    // Alignment.
    {"a centerd child begins to move",
     "row:r along=between [ box:a width=60 box:b width=60 ]",
     {100, 200},
     "b.left",
     "at 120: b.left bends at 60, its slope from 0.5 to 1: `r` has space for all its children\n"},
    {"an automatic margin takes the rest",
     "row:r [ box:a width=60 shrink=0 box:b width=40 shrink=0 margin={\"left\":\"auto\"} ]",
     {80, 200},
     "b.left",
     "at 100: b.left bends at 60, its slope from 0 to 1: `r` has space for all its children\n"},
    // Wrapping.
    {"a line breaks",
     "row:r wrap=true [ box:a width=60 box:b width=60 ]",
     {100, 150},
     "r.lines",
     "at 120: r.lines jumps from 2 to 1: `b` moves to line 1 of `r`: a 60 + b 60 = 120 fits\n"},
    {"with gap and margins",
     "row:r wrap=true gap=10 [ box:a width=60 margin=3 box:b width=60 ]",
     {100, 150},
     "r.lines",
     "at 136: r.lines jumps from 2 to 1: `b` moves to line 1 of `r`: a 66 + 10 + b 60 = 136 fits\n"},
    {"by minima",
     "row:r wrap=true [ box:a basis=0 min_width=70 grow=1 box:b basis=0 min_width=50.5 grow=1 ]",
     {100, 150},
     "r.lines",
     "at 120.5: r.lines jumps from 2 to 1: `b` moves to line 1 of `r`: a 70 + b 50.5 = 120.5 fits\n"},
    {"a lone last child",
     "row:r wrap=true [ box:a basis=50 grow=1 box:b basis=50 grow=1 ]",
     {80, 130},
     "b.width",
     "at 100: b.width jumps from 100 to 50: `b` moves to line 1 of `r`: a 50 + b 50 = 100 fits\n"},
    {"three, two, one lines",
     "row:r wrap=true gap=10 [ box:a width=50 box:b width=50 box:c width=50 ]",
     {60, 200},
     "r.lines",
     "at 110: r.lines jumps from 3 to 2: `b` moves to line 1 of `r`: a 50 + 10 + b 50 = 110 fits\n"
     "at 170: r.lines jumps from 2 to 1: `c` moves to line 1 of `r`: a 50 + 10 + b 50 + 10 + c 50 = 170 fits\n"},
    // Texts: 9.6 pixels a character.
    {"a text takes fewer lines",
     "column:c [ text:t text=\"aaaa bbbb\" ]",
     {70, 100},
     "t.lines",
     "at 86.4: t.lines jumps from 2 to 1: `t` goes from 2 lines to 1\n"},
    {"and what is below moves up",
     "column:c [ text:t text=\"aaaa bbbb\" box:b height=5 ]",
     {70, 100},
     "b.top",
     "at 86.4: b.top jumps from 40 to 20: `t` goes from 2 lines to 1\n"},
    {"a text beside a box",
     "row:r across=start [ box:a width=30 shrink=0 text:t text=\"aa bb\" weight=1 ]",
     {55, 100},
     "t.height",
     "at 78: t.height jumps from 40 to 20: `t` goes from 2 lines to 1\n"},
    {"fit-content ends at its content",
     "column:c across=start [ text:t text=\"aa bb\" ]",
     {30, 90},
     "t.width",
     "at 48: t.width bends at 48, its slope from 1 to 0: `t` reaches the width of its content, 48\n"},
    // Across.
    {"a maximum across",
     "column:c [ box:a max_width=70 ]",
     {50, 100},
     "a.width",
     "at 70: a.width bends at 70, its slope from 1 to 0: `a` reaches its maximum, 70\n"},
    {"a minimum in percent",
     "row:r [ box:a width=40 min_width=50% shrink=0 ]",
     {60, 120},
     "a.width",
     "at 80: a.width bends at 40, its slope from 0 to 0.5: `a` reaches its minimum, 40\n"},
    {"a stack that centers",
     "stack:s place_items={\"x\":\"center\"} [ box:a width=fill max_width=60 ]",
     {40, 100},
     "a.left",
     "at 60: a.left bends at 0, its slope from 0 to 0.5: `a` reaches its maximum, 60\n"},
    // Grids.
    {"another column fits",
     "grid:g gap=10 columns=[{\"repeat\":\"fitting\",\"tracks\":[{\"min\":50,\"max\":\"1fr\"}]}] [ box:a box:b ]",
     {100, 160},
     "g.columns",
     "at 110: g.columns jumps from 1 to 2: `g` has 2 columns instead of 1\n"},
    {"a share leaves its content",
     "grid:g columns=[\"1fr\",\"1fr\"] [ box:a natural_size=[60,5] box:b ]",
     {100, 160},
     "a.width",
     "at 120: a.width bends at 60, its slope from 0 to 0.5: column 0 of `g` is no longer only as large as `a`\n"},
    // Linear all the way: no false breakpoints.
    {"percentages", "row:r [ box:a width=30% shrink=0 box:b weight=1 box:c weight=2 ]", {50, 900}, "a.width", ""},
    {"nested shares",
     "row:r [ column:a weight=1 padding=3 [ row:b [ box:x weight=2 box:y weight=5 ] ] box:c weight=2 ]",
     {90, 900},
     "x.width",
     ""},
    {"an aspect", "column:c [ box:a width=fill aspect_ratio=1.5 ]", {90, 900}, "a.height", ""},
};

TEST(Breakpoints, AreFoundAtTheRightPlaceWithTheRightCause) {
  EXPECT_GE(std::size(cases), 30U);
  for (const Case& one : cases) {
    EXPECT_EQ(breakpoints_text(sweep_of(one.scene, one.width, one.quantity)), one.breakpoints) << one.what;
  }
}

TEST(Breakpoints, RangesEndAndBeginAtTheirBounds) {
  Scene scene = testing::scene_from("row:r [ box:a width=50 shrink=0 box:b weight=1 ]");
  scene.ranges = {{"narrow", {}, 200.5}, {"wide", 300}};
  Keys hidden, upright;
  hidden.hidden = true;
  upright.kind = Kind::column;
  scene.whens = {{scene.tree.at("a"), "narrow", Changes(Keys(), hidden)},
                 {scene.tree.at("r"), "wide", Changes(Keys(), upright)}};
  EXPECT_EQ(breakpoints_text(sweep(scene, Ladder{{100, 400}, Interval(100), {}}, {"a.width", "b.width"})),
            "at 200.5: a.width jumps from hidden to 50: `narrow` ends\n"
            "at 200.5: b.width jumps from 200.5 to 150.5: `narrow` ends\n"
            "at 300: b.width jumps from 250 to 300: `wide` begins\n");
}

TEST(Breakpoints, WhatHappensWithinAPixelIsTold) {
  const Scene scene =
      read_scene(R"({"format": 2, "ladder": {"width": [235, 250]}, "ranges": [{"name": "narrow", "below_width": 243}],
    "root": {"kind": "column", "name": "c", "padding": {"x": 6.5}, "children": [
      {"kind": "text", "name": "t", "text": "mist fern kelp moss tray", "when": {"narrow": {"margin": {"top": 5}}}},
      {"kind": "box", "name": "b", "height": 10}]}})",
                 "within");
  EXPECT_EQ(breakpoints_text(sweep(scene, scene.ladder, {"b.top"})),
            "at 243: b.top jumps from 45 to 40: `narrow` ends\n"
            "at 243.4: b.top jumps from 40 to 20: `t` goes from 2 lines to 1\n");
}

TEST(Breakpoints, WhatHappensAndUnhappensBetweenTwoPixelsIsTold) {
  const Scene scene =
      read_scene(R"({"format": 2, "ladder": {"width": [235, 250]}, "ranges": [{"name": "more", "from_width": 244}],
    "root": {"kind": "column", "name": "c", "children": [
      {"kind": "text", "name": "t", "text": "mist fern kelp moss tray", "padding": {"x": 6.5}},
      {"kind": "box", "name": "z", "height": 0, "when": {"more": {"height": 20}}},
      {"kind": "box", "name": "b", "height": 10}]}})",
                 "between");
  EXPECT_EQ(breakpoints_text(sweep(scene, scene.ladder, {"b.top"})),
            "at 243.4: b.top jumps from 40 to 20: `t` goes from 2 lines to 1\n"
            "at 244: b.top jumps from 20 to 40: `more` begins\n");
}

TEST(Breakpoints, AreFoundAlongHeightsToo) {
  const Scene scene = testing::scene_from("column:c [ box:a height=100 shrink=0 box:b weight=1 min_height=50 ]");
  SweepOptions options;
  options.along_height = true;
  EXPECT_EQ(breakpoints_text(sweep(scene, Ladder{{100, 400}, Interval(100, 300), {}}, {"b.height"}, options)),
            "at 150: b.height bends at 50, its slope from 0 to 1: `b` grows past its minimum, 50\n");
}

/// The deciding cause is reported, not what follows from it, and every breakpoint has a cause.
TEST(Breakpoints, AreExplainedByWhatDecides) {
  const struct {
    const char *what, *scene, *quantity, *why;
  } cases[] = {
      {"a row runs out of space, a text in it breaks anew",
       "row:r gap=10 [ box:list width=200 text:t text=\"mist fern kelp moss tray water bench\" ]", "t.width",
       "`r` has space for all its children"},
      {"a sidebar beside content that wraps",
       "row:r [ box:side width=150 row:main wrap=true weight=1 [ box:x width=100 box:y width=90 ] ]", "side.width",
       "`main` grows past its smallest content, 100"},
      {"spare between the tracks of a grid", "grid:g columns=[100,100] place_content=between [ box:a box:b ]", "b.left",
       "the columns of `g` have unused space"},
      {"a share of a grid begins to grow", "grid:g columns=[\"1fr\",\"2fr\"] [ box:a width=150 box:b width=20 ]",
       "b.left", "column 0 of `g` is no longer only as large as `a`"},
      {"a node slides behind another",
       "stack:s [ box:a width=50 height=50 pin={\"left\":\"50%\",\"top\":0} box:c width=300 height=100 "
       "pin={\"left\":100,\"top\":0} ]",
       "a.reachable", "`a` is behind `c`"},
      {"a node overhangs", "stack:s [ box:a width=50 height=50 pin={\"left\":\"50%\",\"top\":0} ]", "a.overhang",
       "`a` no longer overhangs `s`"},
  };
  for (const auto& one : cases) {
    const Sweep swept = sweep_of(one.scene, {80, 700}, one.quantity);
    ASSERT_FALSE(swept.breakpoints().empty()) << one.what;
    EXPECT_TRUE(std::ranges::any_of(swept.breakpoints(),
                                    [&](const Breakpoint& breakpoint) { return breakpoint.why == one.why; }))
        << one.what << ": " << breakpoints_text(swept);
    for (const Breakpoint& breakpoint : swept.breakpoints()) {
      EXPECT_EQ(breakpoint.why.find(" goes from "), std::string::npos) << one.what << ": " << breakpoint.why;
    }
  }
}

/// All breakpoints of random scenes have a cause.
TEST(Breakpoints, AllHaveACause) {
  std::size_t breakpoints = 0;
  for (std::uint32_t seed = 0; seed < 150; ++seed) {
    testing::RandomScenes random(testing::seed() + seed);
    const Scene scene(random.tree(12));
    for (const Breakpoint& breakpoint :
         sweep(scene, {{100, 500}, Interval(300), {}}, {"*.width", "*.top", "*.overhang"}, {}).breakpoints()) {
      ++breakpoints;
      EXPECT_NE(breakpoint.why, "") << breakpoint << " in the scene of seed " << testing::seed() + seed;
    }
  }
  EXPECT_GT(breakpoints, 500U);
}

/// What is read off a traced solve is what is read off a plain one, of every measure.
TEST(Breakpoints, ValuesAreThoseOfPlainSolves) {
  const std::vector<std::string> asked{
      "*.width",     "*.bottom",          "*.middle_x", "*.content_width", "*.overhang", "*.content_height",
      "*.baseline",  "*.lines",           "*.columns",  "*.rows",          "*.per_line", "*.unused_space",
      "*.reachable", "*.padding_overlap", "*.line",     "*.left"};
  std::size_t looks = 0;
  for (std::uint32_t seed = 0; seed < 60 && !HasFailure(); ++seed) {
    testing::RandomScenes random(testing::seed() + seed);
    const Scene scene(random.tree(12));
    SweepOptions options;
    options.causes = false;
    const Sweep swept = sweep(scene, {{100, 400}, Interval(300), {}}, asked, options);
    SceneSolver solver(scene);
    for (std::size_t i = 0; i < swept.steps.size(); i += 13) {
      const double width = swept.steps[i].container.width;
      // Next to a breakpoint, lines keep by their tolerance what does not fit.
      const auto is_near = [&](const Breakpoint& breakpoint) { return std::abs(breakpoint.at - width) < 1e-2; };
      if (std::ranges::any_of(swept.breakpoints(), is_near)) continue;
      const Solution plain = solver.solve({width, 300});
      for (std::size_t q = 0; q < swept.quantities.size(); ++q) {
        const std::optional<double> expected = value_of(swept.quantities[q], plain), &found = swept.steps[i].values[q];
        ASSERT_EQ(found.has_value(), expected.has_value()) << swept.quantities[q].text << " at " << width;
        if (!expected) continue;
        ++looks;
        ASSERT_NEAR(*found, *expected, 2e-6 * std::max(1.0, std::abs(*expected) / 1000))
            << swept.quantities[q].text << " at " << width << " in the scene of seed " << testing::seed() + seed;
      }
    }
  }
  EXPECT_GT(looks, 50'000U);
}

/// As high as a square of its width says; it does not tell how far an answer holds.
class Squared final : public CustomContent {
 public:
  [[nodiscard]] Widths widths() const override { return {0, 1000}; }
  [[nodiscard]] Heights height_for(double width) const override { return {width * width / 100, 0}; }
};

/// What would fool a sweep that takes two solves for one, because they look alike.
TEST(Breakpoints, OfWhatLooksAlike) {
  // A line that is short by less than is told breaks all the same: the branch counts.
  EXPECT_EQ(breakpoints_text(sweep_of("row:r wrap=true [ box:a width=150 box:b width=150 ]", {299.9, 300.1}, "b.left")),
            "at 300: b.left jumps from 0 to 150: `b` moves to line 1 of `r`: a 150 + b 150 = 300 fits\n");
  // Content of one's own that follows a curve is sampled, and told as one.
  Scene scene = testing::scene_from("column:c [ text:t text=\"moss\" ]");
  scene.tree.set_content(scene.tree.at("t"), std::make_shared<Squared>());
  const Sweep curved = sweep(scene, {{100, 200}, Interval(800), {}}, {"t.height"}, {});
  ASSERT_EQ(curved.breakpoints().size(), 1U) << breakpoints_text(curved);
  EXPECT_EQ(curved.breakpoints()[0].kind, BreakpointKind::curve);
}

/// A curve ends where it bends, and behind it the quantity runs as it does.
TEST(Breakpoints, ACurveEndsAtItsBend) {
  const Sweep swept = sweep_of("row:r [ box:a basis=60% box:b width=200.3 ]", {300, 600}, "a.width");
  ASSERT_EQ(swept.breakpoints().size(), 1U) << breakpoints_text(swept);
  EXPECT_EQ(swept.breakpoints()[0].kind, BreakpointKind::curve);
  EXPECT_NEAR(swept.breakpoints()[0].to, 500.75, 1e-3);
  EXPECT_NEAR(swept.breakpoints()[0].slope_after, 0.6, 1e-6);
}

TEST(Breakpoints, ACurveIsToldOnce) {
  // Percent bases that shrink: the width of `a` is 0.6w - (0.6w + 100 - w) * 0.6w / (0.6w + 100).
  const Sweep swept =
      sweep_of("row:r [ box:a basis=60% min_width=0 box:b basis=100 min_width=0 ]", {50, 400}, "a.width");
  EXPECT_EQ(breakpoints_text(swept),
            "at 50: a.width follows a curve up to 250: sizes in percent shrink or grow together with lengths here\n");
}

TEST(Breakpoints, TheEndsOfTheLadderCount) {
  EXPECT_EQ(breakpoints_text(sweep_of("row:r [ box:a width=20 box:b weight=1 min_width=0 ]", {0, 40}, "b.width")),
            "at 20: b.width bends at 0, its slope from 0 to 1: `b` grows past its minimum, 0\n");
  EXPECT_EQ(breakpoints_text(sweep_of("column:c [ box:a max_width=70 ]", {70, 80}, "a.width")),
            "at 70: a.width bends at 70, its slope from 1 to 0: `a` reaches its maximum, 70\n");
  EXPECT_EQ(sweep_of("column:c [ box:a ]", {70.5, 72.25}, "a.width").steps.size(), 4U);
  EXPECT_EQ(sweep_of("column:c [ box:a ]", {1e9, 1e9}, "a.width").steps.size(), 1U);
}

/// Between two neighboring turns the steps of a quantity lie on one line.
void expect_straight(const Sweep& swept, std::size_t q, const std::string& scene) {
  std::vector<const Breakpoint*> breakpoints;
  for (const Breakpoint& breakpoint : swept.breakpoints()) {
    if (breakpoint.quantity == q) breakpoints.push_back(&breakpoint);
  }
  std::vector<const Sweep::Step*> piece;
  const auto check = [&] {
    for (std::size_t i = 2; i < piece.size(); ++i) {
      const auto &a = piece[0]->values[q], &b = piece[1]->values[q], &c = piece[i]->values[q];
      ASSERT_EQ(a.has_value(), c.has_value()) << scene;
      if (!a || !b || !c) continue;
      const double x0 = piece[0]->container.width, x1 = piece[1]->container.width, x = piece[i]->container.width;
      ASSERT_NEAR(*c, *a + (*b - *a) * (x - x0) / (x1 - x0), 1e-6 * std::max(1.0, std::abs(*c)))
          << swept.quantities[q].text << " at " << x << "\n"
          << breakpoints_text(swept) << scene;
    }
    piece.clear();
  };
  std::size_t next = 0;
  for (const Sweep::Step& step : swept.steps) {
    const double x = step.container.width;
    while (next < breakpoints.size() && breakpoints[next]->to <= x &&
           (breakpoints[next]->includes_at || breakpoints[next]->at < x)) {
      // A bend at a step belongs to both sides.
      if (breakpoints[next]->kind == BreakpointKind::bend && breakpoints[next]->at == x) piece.push_back(&step);
      check();
      ++next;
    }
    if (next < breakpoints.size() && breakpoints[next]->kind == BreakpointKind::curve && breakpoints[next]->at < x) {
      check();
      continue;
    }
    piece.push_back(&step);
  }
  check();
}

/// What grows until its line breaks turns above the size at which all is full; and it turns there as what moves does,
/// and for the same reason.
TEST(Breakpoints, OfWhatGrowsUntilItsLineBreaks) {
  const char* const full = "column:bay wrap=true [ box:bed width=fill aspect_ratio=2.75 grow=2 box:tools height=140 ]";
  const Sweep swept = sweep_of(full, {104, 320}, "bed.height tools.left", 200.0);
  const std::string moves = "`tools` moves to line 2 of `bay`: bed 60 + tools 140 = 200 no longer fits\n";
  EXPECT_EQ(breakpoints_text(swept), "above 165: bed.height jumps from 60 to 200: " + moves +
                                         "above 165: tools.left jumps from 0 to 165: " + moves);
  EXPECT_TRUE(swept.sampled.empty());  // the curve on which bed shrinks is shorter than a size is told
  for (const Breakpoint& breakpoint : swept.breakpoints()) EXPECT_EQ(breakpoint.at, 165);
  EXPECT_EQ(swept.steps[165 - 104].values[0], 60.0);
  EXPECT_EQ(swept.steps[166 - 104].values[0], 200.0);
  // Where nobody grows or shrinks, what stays bends on its own, and breaks no line.
  EXPECT_EQ(breakpoints_text(
                sweep_of("column:bay [ box:bed width=fill aspect_ratio=2.75 max_height=60 box:tools height=140 ]",
                         {104, 320}, "bed.height", 200.0)),
            "at 165: bed.height bends at 60, its slope from 0.36 to 0: `bed` reaches its maximum, 60\n");
}

TEST(Breakpoints, BetweenThemEveryQuantityOfRandomScenesIsStraight) {
  testing::RandomScenes random(testing::seed());
  std::size_t breakpoints = 0, without_cause = 0;
  for (int i = 0; i < 400; ++i) {
    const Scene scene(random.tree(2 + static_cast<std::size_t>(random.below(20))));
    std::vector<std::string> quantities;
    for (const NodeId node : scene.tree.nodes()) {
      for (const char* measure : {".width", ".height", ".left", ".top"})
        quantities.push_back(scene.tree.path(node) + measure);
    }
    const Sweep swept = sweep(scene, Ladder{{60, 320}, Interval(200), {}}, quantities);
    for (std::size_t q = 0; q < quantities.size(); ++q) expect_straight(swept, q, to_json(scene));
    if (::testing::Test::HasFatalFailure()) return;
    for (const Breakpoint& breakpoint : swept.breakpoints()) {
      ++breakpoints;
      without_cause += breakpoint.why.empty() ? 1 : 0;
    }
  }
  EXPECT_GT(breakpoints, 500U);
  EXPECT_LT(without_cause * 10, breakpoints) << without_cause << " of " << breakpoints;
}

TEST(Breakpoints, AreTheSameOnAnyNumberOfThreads) {
  testing::RandomScenes random(testing::seed() + 1);
  for (int i = 0; i < 4; ++i) {
    const Scene scene(random.tree(30));
    SweepOptions one, three;
    one.threads = 1;
    three.threads = 3;
    const Ladder ladder{{100, 400}, Interval(300), {}};
    const Sweep a = sweep(scene, ladder, {"*.width", "*.height"}, one),
                b = sweep(scene, ladder, {"*.width", "*.height"}, three);
    EXPECT_EQ(breakpoints_text(a), breakpoints_text(b));
    for (std::size_t k = 0; k < a.steps.size(); ++k) ASSERT_EQ(a.steps[k].values, b.steps[k].values);
  }
}

TEST(Quantities, TheBaselineIsThatOfTheWordsWhereTheyLie) {
  const Scene scene = testing::scene_from("row:r [ text:a text=Fern text_align={\"y\":\"end\"} text:b text=Fern ]");
  const Solution solution = solve(scene, {200.0, 100.0});
  for (const auto& [name, at] : {std::pair("a", 95.2), std::pair("b", 15.2)}) {
    EXPECT_NEAR(solution.baseline(scene.tree.at(name)), at, 1e-9);
    EXPECT_NEAR(*value_of(parse_quantity(scene.tree, std::string(name) + ".baseline"), solution), at, 1e-9);
  }
}

TEST(Quantities, OfASetAreThoseOfAllThatMatch) {
  const Scene scene =
      testing::scene_from("column:c [ row:bar [ box:a box:b ] row:strip [ box:tag[0] box:tag[1] box:a ] ]");
  const auto names = [&](const char* text) {
    std::string list;
    for (const Quantity& quantity : parse_quantities(scene.tree, text)) list += quantity.text + " ";
    return list;
  };
  EXPECT_EQ(names("bar/*.width"), "bar/a.width b.width ");
  EXPECT_EQ(names("tag[*].left"), "tag[0].left tag[1].left ");
  EXPECT_EQ(names("c/*/a.top"), "bar/a.top strip/a.top ");
  EXPECT_EQ(names("b.top"), "b.top ");
  EXPECT_THROW(names("nobody/*.width"), BadQuantity);
  EXPECT_THROW(names("a.width"), BadQuantity);
  EXPECT_THROW(names("*.widht"), BadQuantity);
}

TEST(Quantities, MeasureRoomCutsAndWhatIsShown) {
  const Scene scene = testing::scene_from(
      "stack:s [ row:r width=100 height=20 gap=10 [ box:a width=30 box:b width=40 ] box:cover width=60 height=100 "
      "box:none "
      "box:gone hidden=true row:w width=50 nudge=[0,200] wrap=true [ box:x width=30 box:y width=15 box:z width=90 "
      "shrink=0 ] ]");
  const auto values = [&](const std::vector<std::string>& quantities) {
    std::string text;
    const Sweep swept = sweep(scene, std::vector<ContainerSize>{{200, 100}}, quantities);
    for (const auto& value : swept.steps[0].values) {
      text += value ? testing::short_number(*value) + " " : "- ";
    }
    return text;
  };
  EXPECT_EQ(values({"r.unused_space", "w.unused_space", "w.per_line", "r.per_line"}), "20 -40 2 2 ");
  EXPECT_EQ(values({"z.overhang", "w.overhang", "a.overhang", "gone.overhang"}), "40 100 0 - ");
  EXPECT_EQ(
      values({"a.reachable", "b.reachable", "cover.reachable", "none.reachable", "gone.reachable", "w.reachable"}),
      "0 1 1 0 0 0 ");
}

TEST(Sweep, NamesThatAreAlikeAreToldTogether) {
  const std::string scene = R"({"format":2,"ladder":{"width":[200,260],"height":100},"root":{"kind":"row","name":"r",
      "children":[{"kind":"column","name":"c","copies":6,"weight":1,"max_width":40,"children":[
      {"kind":"box","name":"in","height":5}]}]}})";
  const std::string out = testing::run({"sweep", "-"}, scene).out;
  EXPECT_NE(out.find("the same as c[0].width: r/c[*]/in.width (6), r/c[*].width (5)\n"), std::string::npos) << out;
}

}  // namespace
}  // namespace fond_ladder
