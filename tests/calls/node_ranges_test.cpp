// SPDX-License-Identifier: MIT
//
// What people are told of nodes that are different by their own width: each sentence with a scene that has it, and a
// nearest neighbor that has not.
#include <gmock/gmock.h>
#include <gtest/gtest.h>

#include <algorithm>

#include "fond_ladder/lint.hpp"
#include "fond_ladder/scene_file.hpp"
#include "support/program.hpp"
#include "support/shorthand.hpp"

namespace fond_ladder {
namespace {

using ::testing::HasSubstr;
using ::testing::StartsWith;

/// A part `card` with node ranges, and a row of nodes.
std::string scene(const std::string& nodes, const std::string& ranges = R"({"name":"tight","below_width":100})",
                  const std::string& top = "") {
  return R"({"format":2,"title":"S","ladder":{"width":[200,300],"height":50},)" + top +
         R"("parts":{"card":{"kind":"row","ranges":[)" + ranges +
         R"(],"when":{"tight":{"kind":"column"}},"children":[)"
         R"({"kind":"box","name":"photo","width":20,"height":9,"when":{"tight":{"width":10}}},)"
         R"({"kind":"box","name":"words","width":30,"height":9}]}},)"
         R"("root":{"kind":"row","name":"r","children":[)" +
         nodes + "]}}";
}

const std::string two_cards =
    R"({"part":"card","name":"a","width":60,"shrink":0},{"part":"card","name":"b","weight":1})";

testing::Result run(std::vector<std::string> args, const std::string& text) {
  args.insert(args.begin() + 1, "-");
  return testing::run(args, text);
}

TEST(NodeRangesTold, BreakpointsNameTheNodeItsWidthAndTheRange) {
  const std::string answer = run({"sweep", "--show", "b.tight,b/words.left,a.tight"}, scene(R"(
      {"part":"card","name":"a","width":60,"shrink":0},{"part":"card","name":"b","weight":0.5,"max_width":400})"))
                                 .out;
  EXPECT_THAT(answer, HasSubstr("260  b.tight       jump       1      0  0      `b` is 100 wide: `tight` ends\n"));
  EXPECT_THAT(answer, HasSubstr("     b/words.left  jump      60     80  0\n"));
  EXPECT_THAT(answer, ::testing::Not(HasSubstr("a.tight       jump")));
}

/// A card that leaps over the bound was never so wide: what made it leap is the cause.
TEST(NodeRangesTold, AWidthThatLeapsOverABoundIsNotSaidToBeThere) {
  const std::string wraps =
      R"({"format":2,"title":"W","ladder":{"width":[200,300],"height":50},"root":{"kind":"row",)"
      R"("name":"r","wrap":true,"children":[{"kind":"row","name":"a","basis":120,"grow":1,"ranges":)"
      R"([{"name":"tight","below_width":170}],"children":[{"kind":"box","name":"x","width":5,"when":)"
      R"({"tight":{"width":3}}}]},{"kind":"box","name":"b","width":120}]}})";
  const std::string answer = run({"sweep", "--show", "a.tight,x.width"}, wraps).out;
  EXPECT_THAT(answer, HasSubstr("240  a.tight       jump       0      1  0      `b` moves to line 1 of `r`"));
  EXPECT_THAT(answer, HasSubstr("290  a.tight       jump       1      0  0      `a` is 170 wide: `tight` ends"));
}

TEST(NodeRangesTold, MeasureShowsWhichHoldAndSettingsNameThem) {
  const std::string text = scene(two_cards);
  const std::string answer = run({"measure", "--at", "250x50"}, text).out;
  EXPECT_THAT(answer, HasSubstr("  a        column [tight]"));
  EXPECT_THAT(answer, HasSubstr("  b        row     "));
  EXPECT_THAT(run({"measure", "--at", "250x50", "--settings", "a/photo"}, text).out,
              HasSubstr("width    10       range a.tight\n"));
  EXPECT_THAT(run({"measure", "--at", "250x50", "--settings", "b/photo"}, text).out,
              HasSubstr("width    20       part card\n"));
  EXPECT_THAT(run({"measure", "--at", "250x50", "--format", "json"}, text).out, HasSubstr(R"("active": ["tight"])"));
}

TEST(NodeRangesTold, ClaimsSpeakOfThem) {
  const std::string text = scene(two_cards);
  const struct {
    const char* claim;
    bool holds;
  } cases[] = {
      {"a.tight and not b.tight", true},
      {"r/*.tight", false},
      {"r/*.tight when container.width < 100", false},  // untested
      {"*/photo.width = 10 when a.tight and not b.tight", false},
      {"a/photo.width = 10 when a.tight", true},
  };
  for (const auto& [claim, holds] : cases) {
    const testing::Result answer = run({"check", "--claim", claim}, text);
    EXPECT_EQ(answer.status, holds ? 0 : 1) << claim << "\n" << answer.out << answer.err;
  }
  // One that has no such range is never in it, and stops nobody from speaking of the others.
  const std::string mixed = scene(two_cards + R"(,{"kind":"box","name":"c","width":5})");
  EXPECT_EQ(run({"check", "--claim", "r/*.tight or b.width >= 0"}, mixed).status, 0);
  const std::string beside =
      scene(R"({"part":"card","name":"a","width":60,"shrink":0},{"kind":"box","name":"c","width":5})");
  EXPECT_THAT(run({"check", "--claim", "r/*.tight"}, beside).out, HasSubstr("c.tight 0"));
  EXPECT_THAT(run({"check", "--claim", "b.tihgt"}, text).err,
              HasSubstr("\"tihgt\" is not a measure or node range; did you mean \"tight\""));
  EXPECT_THAT(run({"check", "--claim", "a/photo.tight"}, text).err,
              HasSubstr("\"tight\" is not a measure; did you mean"));
}

/// At 160 wide b is 100: below that `tight` holds, but for what may be rounding, and nobody can tell there.
TEST(NodeRangesTold, AClaimMayNameTheBoundThatFollows) {
  const std::string text =
      scene(R"({"part":"card","name":"a","width":160,"shrink":0},{"part":"card","name":"b","weight":1})");
  EXPECT_EQ(run({"check", "--claim", "b.tight when container.width < 260"}, text).status, 0);
  EXPECT_EQ(run({"check", "--claim", "not b.tight when container.width >= 260"}, text).status, 0);
  EXPECT_EQ(run({"check", "--claim", "b.tight when container.width < 260.02"}, text).status, 1);
  EXPECT_EQ(run({"check", "--claim", "b.tight when container.width <= 260"}, text).status, 1) << "at one width exactly";
}

TEST(NodeRangesTold, ANodeAloneKeepsThem) {
  const std::string answer =
      run({"sweep", "--as-root", "b", "--show", "photo.width", "--width", "50..150"}, scene(two_cards)).out;
  EXPECT_THAT(answer, HasSubstr("100  photo.width   jump      10     20  0      `b` is 100 wide: `tight` ends"));
}

std::string findings_in(const std::string& text) {
  std::string answer;
  const Lint found = lint({"", read_scene(text, "s")});
  for (const Finding& one : found.findings) {
    if (one.key.starts_with("ranges")) {
      answer += one.node + "." + one.key + " " + std::string(word(one.rule)) + ": " + one.why + "\n";
    }
  }
  return answer;
}

TEST(NodeRangesTold, LintTellsThoseThatSayNothing) {
  EXPECT_EQ(findings_in(scene(two_cards)), "") << "a reaches tight, b does not: one part in two places";
  EXPECT_EQ(findings_in(scene(R"({"part":"card","name":"b","weight":1})")),
            "b.ranges.tight never holds: it is 200 to 300 wide in this ladder: never below width 100\n");
  EXPECT_EQ(findings_in(scene(R"({"part":"card","name":"a","width":60,"shrink":0})")),
            "a.ranges no effect: it is 60 wide at every size, so its node ranges never change\n");
  EXPECT_EQ(findings_in(scene(two_cards, R"({"name":"tight","below_width":100},{"name":"idle","from_width":100})")),
            "a.ranges.idle unused: no \"when\" in it and no claim uses this range\n");
  EXPECT_EQ(findings_in(scene(two_cards, R"({"name":"tight","below_width":100},{"name":"idle","from_width":100})",
                              R"("claims":["b.idle"],)")),
            "");
  // A measure of that name is no claim about the range; and what is meant is needed.
  EXPECT_EQ(findings_in(scene(R"({"part":"card","name":"b","weight":1,"allow":["never holds"]})")), "");
  const Lint allow =
      lint({"", read_scene(scene(R"({"part":"card","name":"b","weight":1,"allow":["never holds"]})"), "s")});
  EXPECT_EQ(std::ranges::find(allow.findings, LintRule::unused_allow, &Finding::rule), allow.findings.end()) << allow;
  const Lint measure =
      lint({"", read_scene(
                    scene(R"({"kind":"box","name":"x","width":9,"height":9})", R"({"name":"tight","below_width":100})",
                          R"("ranges":[{"name":"width","below_width":250}],"claims":["x.width = 9"],)"),
                    "s")});
  EXPECT_EQ(std::ranges::count(measure.findings, std::string("width"), &Finding::node), 1) << measure;
  EXPECT_EQ(findings_in(scene(two_cards, R"({"name":"tight"})")),
            "a.ranges.tight always holds: it has no bounds, so it includes every width\n");
}

TEST(NodeRangesTold, FilesAreReadWrittenAndRefused) {
  const std::string text = scene(two_cards);
  const testing::Result tidy = run({"tidy"}, text);
  EXPECT_THAT(tidy.out, HasSubstr(R"("ranges": [{ "name": "tight", "below_width": 100 }])"));
  EXPECT_EQ(run({"tidy"}, tidy.out).out, tidy.out);
  EXPECT_EQ(run({"compare", "--set", R"(b.ranges=[{"name":"tight","below_width":50}])"}, text).status, 0)
      << "b never reaches it";
  EXPECT_EQ(run({"compare", "--set", R"(a.ranges=[{"name":"tight","below_width":50}])"}, text).status, 1);
  const struct {
    std::string scene, fault;
  } cases[] = {
      {scene(R"({"kind":"box","name":"x","when":{"tight":{"width":3}}})"),
       "no range or mode is called \"tight\" (at /root/children/0/when/tight)"},
      {scene(R"({"part":"card","name":"a","when":{"tihgt":{"gap":3}}})"),
       "no range or mode is called \"tihgt\"; did you mean \"tight\""},
      {scene(R"({"part":"card","name":"a","when":{"tight":{"width":3}}})"),
       "in its node range \"tight\" a node cannot have a different \"width\": its parent needs that before the width "
       "is known; set it on a child instead"},
      {scene(R"({"part":"card","name":"a","when":{"tight":{"kind":"box"}}})"),
       "a node cannot have a \"kind\" that turns a container into a leaf"},
      {scene(R"({"part":"card","name":"a","when":{"tight":{"ranges":[]}}})"), "\"when\" cannot give a \"ranges\""},
      {scene(R"({"part":"card","name":"a","when":{"tight":{"padding":"5%"}}})"),
       "if its padding or margin is a percentage"},
      {scene(two_cards, R"({"name":"tight","below_height":5})"), "unknown key \"below_height\""},
      {scene(two_cards, R"({"name":"tight","below_width":"5em"})"), "must have bounds that are sizes in pixels"},
      {scene(two_cards, R"({"name":"tight","from_width":9,"below_width":5})"),
       "must include some width: from_width of \"tight\" must be smaller than below_width"},
      {scene(two_cards, R"({"name":"tight"},{"name":"tight"})"), "must have unique names: "},
      {scene(two_cards, R"({"below_width":5})"), "each with a \"name\" and bounds"},
  };
  for (const auto& [wrong, fault] : cases) {
    const testing::Result answer = run({"measure", "--at", "250x50"}, wrong);
    EXPECT_EQ(answer.status, 2) << wrong;
    EXPECT_THAT(answer.err, HasSubstr(fault));
  }
}

/// A part that only its users give ranges to is read on its own without a fault.
TEST(NodeRangesTold, APartMaySpeakOfTheRangesOfItsUsers) {
  const std::string text =
      R"({"format":2,"parts":{"dial":{"kind":"box","name":"dial","width":9,"when":{"tight":{"width":5}}}},"root":)"
      R"({"kind":"row","children":[{"kind":"row","name":"a","width":50,"ranges":[{"name":"tight","below_width":80}],)"
      R"("children":[{"part":"dial"}]}]}})";
  EXPECT_EQ(solve(read_scene(text, "s"), {200, 9})["dial"].width, 5);
}

}  // namespace
}  // namespace fond_ladder
