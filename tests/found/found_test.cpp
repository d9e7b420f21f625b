// SPDX-License-Identifier: MIT
//
// What was found once: each scene beside this file showed a fault, and what it should show is said here.
#include <gmock/gmock.h>

#include <cmath>
#include <pugixml.hpp>
#include <utility>

#include "fond_ladder/fond_ladder.hpp"
#include "support/golden.hpp"
#include "support/program.hpp"

namespace fond_ladder {
namespace {

using ::testing::AllOf;
using ::testing::HasSubstr;
using ::testing::Not;

std::string scene(const char* name) {
  return std::string(FOND_LADDER_SOURCE_DIR "/tests/found/") + name + ".scene.json";
}

/// What the program says of a scene, faults and hints included.
std::string output_of(const char* command, const char* name, std::vector<std::string> more = {}) {
  std::vector<std::string> words{command, scene(name)};
  words.insert(words.end(), more.begin(), more.end());
  const auto answer = testing::run(words);
  return answer.out + answer.err;
}

// --- proof -----------------------------------------------------------------------------------------------------------

TEST(Found, TheLastSizeOfALadderIsLookedAtByItself) {
  for (const char* name : {"end_of_ladder", "end_of_ladder_from_width"}) {
    const std::string answer = output_of("check", name, {"--claim", "a.width <= 60"});
    EXPECT_THAT(answer, AllOf(HasSubstr("the claim does not hold"), HasSubstr("wide, 100 high: a.width 80"))) << name;
  }
  EXPECT_THAT(output_of("sweep", "end_of_ladder", {"--show", "a.width"}),
              HasSubstr("200  a.width       jump      50     80"));
}

TEST(Found, TheLastHeightIsLookedAtByItself) {
  EXPECT_THAT(output_of("check", "end_of_heights", {"--claim", "a.width <= 60", "--height", "all"}),
              HasSubstr("at 100 to 200 wide and 300 high; worst at 100 x 300: a.width 80"));
  EXPECT_THAT(output_of("check", "end_of_heights", {"--claim", "a.width <= 60 when low", "--height", "all"}),
              HasSubstr("proved for every width and height"));
}

TEST(Found, TheWorstOfTwoHeightsIsTheWorst) {
  EXPECT_THAT(output_of("check", "worst_of_two_heights", {"--claim", "a.width >= container.height / 5"}),
              HasSubstr("100 or 300 high; worst at 100 x 300: a.width 10"));
}

TEST(Found, TheWorstUnderAConditionMayBeWhereTheConditionEnds) {
  EXPECT_THAT(output_of("check", "worst_under_when", {"--claim", "a.width <= 320 when container.width < 350"}),
              AllOf(HasSubstr("from above 320 to below 350 wide"),
                    HasSubstr("worst at 349.99 x 100 (just below 350 wide): a.width 349.99"),
                    HasSubstr("a --at 349.99x100\n")));
}

TEST(Found, TheWorstAtAnOpenEdgeIsASizeInside) {
  EXPECT_THAT(
      output_of("check", "worst_on_open_edge_heights", {"--claim", "a.width * 5 >= b.width", "--height", "all"}),
      AllOf(HasSubstr("within 100 to 150 wide and 100 to 300 high"),
            HasSubstr("worst at 149.99 x 100 (just below 150 wide): a.width 10, b.width 139.99")));
}

TEST(Found, EdgesAreExact) {
  EXPECT_THAT(output_of("check", "edge_rounding", {"--claim", "a.width <= 13.3433", "--format", "json"}),
              HasSubstr("\"from\": 640.4784, \"to\": 1400, \"includes_from\": false"));
}

TEST(Found, NoToleranceShows) {
  const std::string checked = output_of("check", "fitting_sliver"), swept = output_of("sweep", "fitting_sliver"),
                    measured = output_of("measure", "fitting_sliver", {"--at", "456"});
  EXPECT_THAT(checked, AllOf(HasSubstr("from 456 to below 649.6 wide"), HasSubstr("--at 456x300\n"),
                             HasSubstr("from 692 to 800 wide"), Not(HasSubstr("overhang 0"))));
  EXPECT_THAT(swept, HasSubstr("from 456 to 649.6 and from 692 up"));
  EXPECT_THAT(measured, HasSubstr("below 649.6 wide"));
}

TEST(Found, OneEventIsOneBreakpoint) {
  EXPECT_THAT(output_of("sweep", "false_bends_on_curve", {"--show", "*.width"}),
              AllOf(HasSubstr("curve to 324.57"), Not(HasSubstr("324.56"))));
}

/// One edge, whoever names it.
TEST(Found, MeasureSweepAndCheckNameOneEdge) {
  for (const char* answer : {"measure", "sweep", "check"}) {
    const std::string all =
        output_of(answer, "fitting_sliver",
                  *answer == 'm' ? std::vector<std::string>{"--at", "456"} : std::vector<std::string>());
    EXPECT_THAT(all, HasSubstr("649.6")) << answer;
    EXPECT_THAT(all, Not(::testing::ContainsRegex("649\\.5|649\\.6[0-9]|455\\.9|456\\.0"))) << answer;
  }
}

// --- one verdict -----------------------------------------------------------------------------------------------------

TEST(Found, WhatLiesBeyondTheFoldIsNotBehindABar) {
  EXPECT_THAT(output_of("check", "bug_behind3"), HasSubstr("all 2 claims hold, proved for every width"));
  EXPECT_THAT(output_of("check", "bug_behind4"), HasSubstr("the claim holds, proved for every width"));
  for (const char* name : {"bug_behind3", "bug_behind4"}) {
    EXPECT_THAT(output_of("measure", name), Not(HasSubstr("behind"))) << name;
    EXPECT_THAT(output_of("lint", name), Not(HasSubstr("behind"))) << name;
  }
}

TEST(Found, WhatIsNudgedOrPinnedOverTheEdgeSticksOutEverywhere) {
  const struct {
    const char *scene, *node, *side;
  } cases[] = {{"bug_nudge", "face", "bottom"}, {"pinout2", "seal", "right"}};
  for (const auto& [name, node, side] : cases) {
    const std::string overhangs = std::string("overhangs: ") + node + " by 10 at the " + side + " of cover",
                      as_json = std::string("\"overhang\": {\"") + side + "\": 10}";
    EXPECT_THAT(output_of("measure", name), HasSubstr(overhangs));
    EXPECT_THAT(output_of("measure", name, {"--format", "json"}), HasSubstr(as_json));
    EXPECT_THAT(output_of("check", name, {"--claim", "fits(*)"}), HasSubstr(std::string(node) + ".overhang 10"));
    EXPECT_THAT(output_of("sweep", name), HasSubstr(std::string("`") + node + "` overhangs at every size, by 10"));
    EXPECT_THAT(output_of("lint", name), HasSubstr(std::string("by 10 or more at the ") + side));
    EXPECT_THAT(output_of("draw", name, {"-o", ::testing::TempDir() + "fond_ladder_found.svg"}),
                HasSubstr(std::string("cover/") + node));
  }
}

TEST(Found, LintNamesOnlyWhatSticksOut) {
  EXPECT_THAT(output_of("lint", "bug_neverfits3"), AllOf(HasSubstr("four: outside"), Not(HasSubstr("never fits"))));
}

TEST(Found, AnIntrusionIsOneNumber) {
  for (const auto& [width, says] : {std::pair("500", ""), {"510", "6"}, {"540", "16"}}) {
    const std::string measured = output_of("measure", "intrusion_told_two_ways", {"--at", width, "--format", "json"});
    const std::size_t node = measured.find("\"path\": \"page/top/b1\"");
    const std::string line = measured.substr(node, measured.find('\n', node) - node);
    const std::string number = *says == '\0' ? "0" : says;
    EXPECT_THAT(output_of("check", "intrusion_told_two_ways",
                          {"--claim", "b1.padding_overlap = " + number + " when container.width = " + width}),
                HasSubstr("the claim holds"))
        << width;
    EXPECT_EQ(line.find("\"padding_overlap\": {\"right\": " + number) != std::string::npos, *says != '\0') << line;
  }
}

TEST(Found, WhatWasPushedFarAwayIsToldInPictures) {
  const std::string picture = ::testing::TempDir() + "fond_ladder_far.svg";
  EXPECT_THAT(output_of("draw", "far", {"-o", picture}), Not(HasSubstr("left out")));
  EXPECT_THAT(testing::file_text(picture), HasSubstr("2 more beyond, up to 500 \u2192"));
}

TEST(Found, BehindWhatIsSeenThroughANodeIsSeen) {
  const std::vector<std::string> at{"--mode", "booking", "--at", "400"};
  EXPECT_THAT(output_of("measure", "scrim", at), HasSubstr("invisible: title"));
  EXPECT_THAT(output_of("measure", "scrim", {"--mode", "booking", "--at", "400", "--set", "dim.see_through=true"}),
              HasSubstr("nothing overhangs, is squeezed or is invisible"));
  EXPECT_THAT(output_of("check", "scrim", {"--mode", "booking"}), HasSubstr("the claim does not hold"));
  EXPECT_THAT(output_of("check", "scrim", {"--mode", "booking", "--set", "dim.see_through=true"}),
              HasSubstr("the claim holds, proved"));
}

TEST(Found, FillBesideABaselineLiesAtTheStart) {
  EXPECT_THAT(output_of("measure", "fillbase"),
              AllOf(HasSubstr("nothing overhangs"), ::testing::ContainsRegex("b +box +72 +0 +50 +100")));
}

TEST(Found, AChildThatCannotShrinkCountsWithWhatItKeeps) {
  EXPECT_THAT(output_of("check", "rigid_least", {"--claim", "outer.height = 365"}),
              HasSubstr("the claim holds, proved"));
  EXPECT_THAT(output_of("measure", "rigid_least"), HasSubstr("outer by 5 at the bottom of root"));
}

// --- sentences -------------------------------------------------------------------------------------------------------

TEST(Found, ContentIsTheChildThatCounts) {
  EXPECT_THAT(output_of("explain", "tieblame", {"s"}),
              AllOf(HasSubstr("its content: a is the widest"), Not(HasSubstr("note is the widest"))));
}

TEST(Found, ScrolledClaimsSpeakOfOneFrame) {
  const std::string answer =
      output_of("check", "scrolled_sentences", {"--claim", "b.bottom <= list.bottom with list.scrolled = 20"});
  EXPECT_THAT(answer, AllOf(HasSubstr("b.bottom 260, list.bottom 80"), HasSubstr("b: y 160: the bottom of a 160"),
                            HasSubstr("list is scrolled by 20"), HasSubstr("b --at 100x100 --scrolled list=20\n")));
  EXPECT_THAT(output_of("explain", "scrolled_sentences", {"b", "--at", "100x100", "--scrolled", "list=20"}),
              HasSubstr("160"));
}

TEST(Found, SharesAreToldWhereTheyExceedTheirTotal) {
  EXPECT_THAT(output_of("lint", "outof"), HasSubstr("nothing suspicious"));
  EXPECT_THAT(output_of("lint", "outof", {"--set", "a.weight=70"}), HasSubstr("exceed the total by 20"));
}

TEST(Found, WhatHasNoEffectIsToldOnceAndWhereItIsSaid) {
  EXPECT_THAT(output_of("lint", "eachshrink"),
              AllOf(HasSubstr("1 finding"), HasSubstr("r.each_child.shrink: no effect")));
  EXPECT_THAT(output_of("lint", "twice"),
              AllOf(HasSubstr("1 finding"), HasSubstr("3 rows (r/*/top): across no effect")));
}

TEST(Found, AChildOfAStackThatIsAsSmallAsItsContentIsCured) {
  EXPECT_THAT(output_of("lint", "stack_fill"), HasSubstr(R"(fix: set "width": "fill", "height": "fill" on screen)"));
  EXPECT_THAT(output_of("lint", "stack_fill", {"--set", "screen.width=fill", "--set", "screen.height=fill"}),
              Not(HasSubstr("never fits")));
}

// --- edits -----------------------------------------------------------------------------------------------------------

TEST(Found, ClaimsAndTextsStayWithTheOriginal) {
  EXPECT_THAT(output_of("check", "dup_claim", {"--duplicate", "side=right_side"}),
              AllOf(HasSubstr("the claim holds"), HasSubstr("label.height = 20")));
  EXPECT_THAT(output_of("measure", "dup_wording2", {"--duplicate", "side=right_side", "--locale", "german"}),
              ::testing::ContainsRegex("label +text +0 +0 +38.4 +20(.|\n)*label +text +240 +0 +48 +20"));
}

TEST(Found, AChildOfItsContainersNameTakesItsPlace) {
  EXPECT_THAT(output_of("measure", "dissolve_same_name", {"--ungroup", "root/n0"}),
              ::testing::ContainsRegex("\n  n0  box +0 (.|\n)*\n  n1  box +10 "));
}

TEST(Found, WhatEachGaveGoesAlong) {
  EXPECT_THAT(output_of("measure", "each_gather", {"--move", "b=list:0"}),
              ::testing::ContainsRegex("b +box +0 +0 +800 +40 (.|\n)*a +box +0 +40 +800 +40 "));
  EXPECT_THAT(output_of("measure", "each_gather", {"--group", "a,b=row:pair"}),
              ::testing::ContainsRegex("    a +box +0 +0 +0 +40 "));
}

TEST(Found, ANodeThatIsCalledLikeAKeyIsRefusedInTrueWords) {
  EXPECT_THAT(output_of("measure", "paths"),
              AllOf(HasSubstr("paths.scene.json:2:103: error: "), HasSubstr("\"when\" is a key"),
                    HasSubstr("write \"./when\" for an inner node of that name (at /root/children/0/with/when.text)")));
}

// --- files -----------------------------------------------------------------------------------------------------------

TEST(Found, WhatIsNoJsonIsToldWhereItStands) {
  EXPECT_THAT(output_of("measure", "nul"),
              HasSubstr("nul.scene.json:1:46: error: JSON has no NUL character; remove it"));
  EXPECT_THAT(output_of("measure", "surrogate"), HasSubstr("surrogate.scene.json:1:27: error: \\uD800 to \\uDBFF"));
  const auto read = [](const std::string& text) { return testing::run({"measure", "-"}, text).err; };
  EXPECT_THAT(read(std::string(200, '[') + std::string(200, ']')), HasSubstr("standard input:1:4: error: a list"));
  EXPECT_THAT(read(R"({"format":2,"root":{"kind":"box","widht":[[1],[2],[[3],[4]],[5]]}})"),
              HasSubstr("unknown key \"widht\""))
      << "lists beside one another are not in one another";
  EXPECT_THAT(read("{\"format\": 1e309}"), HasSubstr("standard input:1:12: error: this number is too large"));
  EXPECT_THAT(read("{\"format\": 2, \"root\": {\"kind\": \"box\", \"width\": 1e308}}"), HasSubstr("error: \"width\""));
}

TEST(Found, APlotOfAnyTitleIsXml) {
  const std::string plot = ::testing::TempDir() + "fond_ladder_amp.svg";
  EXPECT_THAT(output_of("sweep", "amp", {"--plot", plot}), Not(HasSubstr("error")));
  pugi::xml_document read;
  const std::string text = testing::file_text(plot);
  EXPECT_TRUE(read.load_buffer(text.data(), text.size()));
  EXPECT_THAT(text, AllOf(HasSubstr("&amp;amp;&amp;lt;&amp;#x0;"), Not(HasSubstr("&#x0;<"))));
}

// --- the library -----------------------------------------------------------------------------------------------------

TEST(Found, NothingGoesWrongWithoutAWord) {
  const Scene narrow(row("r")
                         .ranges({{.name = "tight", .below_width = 280}})
                         .when("tight", column())
                         .children(box("a").width(10).height(10)));
  const Tree tree = narrow.live_tree();
  Solver solver;
  EXPECT_EQ(solver.solve(tree, {200, 100}).kind(tree.root()), Kind::column) << "forms are kept";
  const Tree list = Scene(column("l").scroll(Scroll::y).children(box("x").height(500).shrink(0))).tree;
  const Solution solved = solver.solve(list, {100, 100});
  EXPECT_THROW((void)solved.scrolled({{list.root(), 0, std::nan("")}}), BadValue);
  Tree leaves(row("r").keys());
  const NodeId leaf = leaves.append(leaves.root(), box("leaf").width(9).keys());
  leaves.append(leaf, box("in").width(5).keys());
  EXPECT_FALSE(solver.solve(leaves, {100, 10}).warnings().empty()) << "a child in a leaf";
  EXPECT_THROW(leaves.set(leaf, box().children(box("more"))), BadValue);
  EXPECT_THROW(leaves.set(leaf, box().when("x", box().width(3))), BadValue);
  solver.set_mode("foldde", true);
  EXPECT_FALSE(solver.solve(tree, {200, 100}).warnings().empty()) << "a mode that the tree does not have";
}

TEST(Found, ASolverThatWasMovedFromSaysSo) {
  const Tree tree(row("r").keys());
  Solver one;
  const Solver other = std::move(one);
  EXPECT_THROW((void)one.solve(tree, {10, 10}), Error);  // NOLINT(bugprone-use-after-move)
}

}  // namespace
}  // namespace fond_ladder
