// SPDX-License-Identifier: MIT
//
// `--vary` as a user calls it: a setting is dragged, or its values are shown side by side.
#include "calls/vary.hpp"

#include <gmock/gmock.h>
#include <gtest/gtest.h>

#include "support/program.hpp"

namespace fond_ladder {
namespace {

using ::testing::ElementsAre;
using ::testing::HasSubstr;
using ::testing::Not;
using ::testing::StartsWith;

std::string console() {
  return std::string(FOND_LADDER_SOURCE_DIR) + "/examples/console.scene.json";
}

TEST(VaryOption, ReadsValuesAndSpans) {
  EXPECT_THAT(calls::parse_vary("a.width=1, 2em ,\"x,y\",[3,4]").values, ElementsAre("1", "2em ", "\"x,y\"", "[3,4]"));
  const calls::AskedVary span = calls::parse_vary("a.margin.left=-1.5em..2em");
  ASSERT_TRUE(span.span.has_value());
  EXPECT_EQ(*span.span, Interval(-1.5, 2));
  EXPECT_EQ(span.setting, "a.margin.left");
  EXPECT_EQ(span.text_of(0.25), "0.25em");
}

TEST(VaryOption, SweepDragsASetting) {
  const testing::Result answer =
      testing::run({"sweep", console(), "--vary", "beds.width=240..400", "--at", "1280x800", "--show", "cards.height"});
  EXPECT_EQ(answer.status, 0);
  EXPECT_THAT(answer.out, StartsWith("North house console with beds.width from 240 to 400 at 1280 x 800\n"));
  EXPECT_THAT(answer.out,
              HasSubstr("279.2  cards.height  jump     114    134  0      `fern/about` goes from 3 lines to 4"));
  const testing::Result steps =
      testing::run({"sweep", console(), "--vary", "cards.min_width=10..20", "--format", "csv"});
  EXPECT_THAT(steps.out, StartsWith("value,width,height"));
}

/// What begins right behind a value that is looked at was said to begin at the next one.
TEST(VaryOption, SweepSaysAboveWhichValueSomethingIsSo) {
  const auto answer = [](const char* values) {
    return testing::run({"sweep", console(), "--vary", values, "--at", "900x800"}).out;
  };
  EXPECT_THAT(answer("shared.button.height=10..60"), HasSubstr("`alarm` overhangs above 48, by 6 at most"));
  EXPECT_THAT(answer("bar.height=10..60"), HasSubstr("`alarm` overhangs below 32, by 11 at most"));
}

/// What is no length is looked at step by step, and the sweep says so.
TEST(VaryOption, SweepSaysWhatIsNotProved) {
  const std::string scene =
      R"({"format":2,"root":{"kind":"row","name":"r","children":[{"kind":"box","name":"a","weight":1},)"
      R"({"kind":"box","name":"b","weight":1}]}})";
  const testing::Result answer = testing::run({"sweep", "-", "--vary", "a.weight=1..3"}, scene);
  EXPECT_THAT(answer.out, HasSubstr("curve to 3"));
  EXPECT_THAT(answer.out, HasSubstr("sampled step by step: nothing is proved between the steps\n"));
  EXPECT_THAT(testing::run({"sweep", "-", "--vary", "r.gap=1..3"}, scene).out, Not(HasSubstr("step by step")));
}

TEST(VaryOption, MeasureCheckAndDrawShowValuesSideBySide) {
  const testing::Result measured =
      testing::run({"measure", console(), "--vary", "beds.width=200,240", "--at", "1280x800"});
  EXPECT_THAT(measured.out, StartsWith("North house console at 1280 x 800 [wide] with 2 values of beds.width: "));
  EXPECT_THAT(measured.out, HasSubstr("console/body/beds                    16, 76: 200 x 671      16, 76: 240 x 671"));
  EXPECT_THAT(measured.out, Not(HasSubstr("console/bar ")));  // the same with both
  const testing::Result same = testing::run({"measure", console(), "--vary", "beds.grow=0,0.0", "--at", "1280x800"});
  EXPECT_THAT(same.out, HasSubstr(": no box changes\n"));

  const testing::Result checked = testing::run(
      {"check", console(), "--vary", "beds.width=200,240,300", "--claim", "fits(console)", "--format", "json"});
  EXPECT_EQ(checked.status, 1);
  EXPECT_THAT(checked.out, HasSubstr(R"("variants": ["beds.width=200", "beds.width=240", "beds.width=300"])"));
  const testing::Result json =
      testing::run({"measure", console(), "--vary", "beds.width=200,240", "--at", "1280x800", "--format", "json"});
  EXPECT_THAT(json.out, HasSubstr(R"("variant": "beds.width=240")"));
  const testing::Result drawn =
      testing::run({"draw", console(), "--vary", "beds.width=200,240", "--at", "1280x800", "-o", "-", "--as", "svg"});
  EXPECT_THAT(drawn.out, HasSubstr("beds.width=240"));
}

/// A part of an answer was once printed before a wrong name in the call came to light.
TEST(VaryOption, PrintsNothingOfACallThatIsRefused) {
  const std::vector<std::vector<std::string>> calls{
      {"measure", console(), "--settings", "nope"},
      {"measure", console(), "--vary", "beds.width=1,2", "--settings", "nope"},
      {"sweep", console(), "--vary", "beds.width=1..9", "--show", "nope.width"},
      {"sweep", console(), "--vary", "beds.width=1..9", "--sizes", "40"}};
  for (std::vector<std::string> words : calls) {
    words.insert(words.end(), {"--format", "json"});
    const testing::Result answer = testing::run(words);
    EXPECT_EQ(answer.status, 2);
    EXPECT_EQ(answer.out, "");
  }
}

/// Values below 0 were refused as sizes.
TEST(VaryOption, ShowsTheValuesAskedFor) {
  const testing::Result answer =
      testing::run({"sweep", console(), "--vary", "beds.gap=-10..10", "--sizes", "-10,-2.5,10", "--show",
                    "bed_moss.top", "--at", "700x800", "--format", "csv"});
  EXPECT_EQ(answer.out, "value,width,height,bed_moss.top\n-10,700,800,106\n-2.5,700,800,113.5\n10,700,800,126\n")
      << answer.err;
}

TEST(VaryOption, RefusesWithAWayOut) {
  const struct {
    std::vector<std::string> words;
    const char* message;
  } cases[] = {
      {{"sweep", "--vary", "beds"}, "--vary beds: expected a setting and its values, as in beds.width=100..400"},
      {{"sweep", "--vary", "beds.width=1,2"}, "sweep: --vary needs a range of"},
      {{"sweep", "--vary", "beds.width=9..1"}, "the larger value comes last"},
      {{"sweep", "--vary", "beds.width=1em..9"}, " both ends need the same unit, as in beds.width=1em..3em"},
      {{"sweep", "--vary", "beds.width=-10..9"}, "\"width\" must be 0 or more"},
      {{"sweep", "--vary", "bed.width=1..9"}, "did you mean \"beds\"?"},
      {{"sweep", "--vary", "beds.width=1..9", "--sizes", "2,wide"}, "--sizes: \"wide\" is not a number"},
      {{"sweep", "--vary", "beds.width=0..1e9"}, "a sweep takes at most 100,000 values"},
      {{"sweep", "--vary", "beds.width=1..9", "--width", "300..400"}, " with --at, as in --at 1280x800"},
      {{"sweep", "--at", "1280x800"}, "sweep: --at needs --vary; set sizes with --width and --height"},
      {{"measure", "--vary", "beds.width=1..9"}, "as in beds.width=1,9; sweep takes ranges"},
      {{"measure", "--vary", "beds.width=1"}, " two values or more; use --set beds.width=1 for one"},
      {{"check", "--vary", "beds.width=1,wide"}, "\"width\" must be a number (pixels)"},
      {{"measure", "--vary", "beds.width=1,2", "--format", "csv"}, " --vary has table and json only"},
  };
  for (const auto& one : cases) {
    std::vector<std::string> words = one.words;
    words.insert(words.begin() + 1, console());
    const testing::Result answer = testing::run(words);
    EXPECT_EQ(answer.status, 2) << one.message;
    EXPECT_THAT(answer.err, HasSubstr(one.message));
    EXPECT_EQ(answer.out, "");
  }
}

}  // namespace
}  // namespace fond_ladder
