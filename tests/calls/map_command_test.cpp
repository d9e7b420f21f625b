// SPDX-License-Identifier: MIT
#include <gmock/gmock.h>
#include <gtest/gtest.h>

#include "support/golden.hpp"
#include "support/program.hpp"

namespace fond_ladder {
namespace {

using ::testing::HasSubstr;
using ::testing::StartsWith;

std::string console() {
  return std::string(FOND_LADDER_SOURCE_DIR) + "/examples/console.scene.json";
}

TEST(MapCommand, SaysWhereClaimsBreak) {
  const testing::Result answer = testing::run({"map", console(), "--height", "240..900", "--claim", "fits(console)"});
  EXPECT_EQ(answer.status, 0);
  EXPECT_THAT(answer.out,
              StartsWith("North house console from 360 to 1440 wide and 240 to 900 high: the claim does not "
                         "hold\n"));
  EXPECT_THAT(answer.out, HasSubstr("within 360 to 1440 wide and 240 to 561.8 high; worst at "));
  const testing::Result kept = testing::run({"map", console(), "--height", "700..900"});
  EXPECT_THAT(kept.out, StartsWith("North house console from 360 to 1440 wide and 700 to 900 high: all 26 claims hold, "
                                   "proved for every width and height\n"));
}

/// A claim whose condition never holds was once said to hold everywhere; and where something bends nothing runs
/// straight.
TEST(MapCommand, SaysNothingOfWhatItDoesNotKnow) {
  const std::string never = testing::run({"map", console(), "--height", "700..900", "--claim", "fits(console)",
                                          "--claim", "beds.width = 3 when container.width > 9000"})
                                .out;
  EXPECT_THAT(never, HasSubstr("700 to 900 high: 1 of 2 claims does not hold\n"));
  EXPECT_THAT(never, HasSubstr("untested"));
  EXPECT_THAT(testing::run({"map", console(), "--height", "700..900", "-o", "-", "--as", "svg", "--claim",
                            "beds.width = 3 when container.width > 9000"})
                  .out,
              ::testing::Not(HasSubstr("claim holds at every size")));
  const char* const bending =
      R"({"format":2,"ladder":{"width":[300,600],"height":[100,200]},"root":{"kind":"row","name":"r","children":[)"
      R"({"kind":"box","name":"a","basis":"60%","min_width":0},{"kind":"box","name":"b","width":200}]}})";
  const testing::Result bends = testing::run({"check", "-", "--height", "all", "--claim", "a.width < 400"}, bending);
  const std::string drawn =
      testing::run({"map", "-", "--height", "all", "--claim", "a.width < 400", "-o", "-", "--as", "svg"}, bending).out;
  EXPECT_THAT(drawn, HasSubstr("1 claim holds at every sampled size"));
  EXPECT_THAT(drawn, ::testing::Not(HasSubstr("holds at every size")));
  EXPECT_THAT(bends.out, HasSubstr("the claim holds, sampled at some sizes\n"));
  EXPECT_THAT(bends.out, HasSubstr("sampled at some sizes 300 to "));
}

TEST(MapCommand, DrawsIt) {
  const testing::Result drawn = testing::run({"map", console(), "--height", "240..900", "-o", "-", "--as", "svg"});
  EXPECT_EQ(drawn.status, 0);
  for (const char* text : {"<svg", "fits(console)", "22 claims hold at every size of the map", "phone", "narrow"}) {
    EXPECT_THAT(drawn.out, HasSubstr(text));
  }
}

TEST(MapCommand, RefusesWithAWayOut) {
  const struct {
    std::vector<std::string> words;
    const char* message;
  } cases[] = {
      {{"--height", "300"}, "map: expected a range, got one size; write a range, as in --height 240..900"},
      {{"--height", "tall"}, "--height tall: expected all, one size, or a range, as in --height 240..900"},
      {{"--height", "240..900", "--width", "400"},
       "map: expected a range, got one size; write a range, as in --width 360..1440"},
      {{"--height", "240..900", "--claim", "fits(consle)"}, "did you mean \"console\"?"},
      {{"--height", "240..900", "-o", "a.gif"}, " ends in .svg, .png or .pdf"},
  };
  for (const auto& one : cases) {
    std::vector<std::string> words{"map", console()};
    words.insert(words.end(), one.words.begin(), one.words.end());
    const testing::Result answer = testing::run(words);
    EXPECT_EQ(answer.status, 2);
    EXPECT_THAT(answer.err, HasSubstr(one.message));
    EXPECT_EQ(answer.out, "");
  }
}

TEST(MapCommand, ChecksEveryHeight) {
  const testing::Result answer =
      testing::run({"check", console(), "--height", "240..900", "--claim", "beds.width = 240", "--failing"});
  EXPECT_EQ(answer.status, 1);
  EXPECT_THAT(answer.out, HasSubstr("within 360 to 640 wide and 240 to 900 high; worst at"));
  EXPECT_THAT(testing::run({"check", console(), "--height", "700..900"}).out,
              HasSubstr("all 26 claims hold, proved for every width and height\n"));
}

}  // namespace
}  // namespace fond_ladder
