// SPDX-License-Identifier: MIT
#include <gmock/gmock.h>
#include <gtest/gtest.h>

#include "support/program.hpp"

namespace fond_ladder {
namespace {

using ::testing::HasSubstr;
using ::testing::Not;

std::string scene_with(const std::string& range) {
  return R"({"format":2,"ladder":{"width":[100,300],"height":[240,900]},"ranges":[{"name":"low",)" + range +
         R"(}],"root":{"kind":"row","name":"r","children":[{"kind":"box","name":"a","weight":1,"max_width":150,)"
         R"("when":{"low":{"max_width":120}}}]}})";
}

/// A ladder with two heights was swept at the lowest alone.
TEST(SweepCommand, SweepsBothHeightsOfALadder) {
  const testing::Result other = testing::run({"sweep", "-"}, scene_with("\"below_height\":480"));
  EXPECT_THAT(other.out, HasSubstr("from 100 to 300 wide, 240 high"));
  EXPECT_THAT(other.out, HasSubstr("`a` reaches its maximum, 120"));
  EXPECT_THAT(other.out, HasSubstr("from 100 to 300 wide, 900 high"));
  EXPECT_THAT(other.out, HasSubstr("`a` reaches its maximum, 150"));
  const testing::Result same = testing::run({"sweep", "-"}, scene_with("\"below_height\":100"));
  EXPECT_THAT(same.out, HasSubstr("900 high: the same quantities have the same breakpoints\n"));
  EXPECT_THAT(same.out, Not(HasSubstr("wide, 900 high")));
}

/// Named sizes of a ladder with two heights were shown at the lowest of them.
TEST(SweepCommand, ShowsNamedRungsAtTheirOwnHeight) {
  const char* scene =
      R"({"format":2,"ladder":{"width":[100,300],"height":[240,900],"named_sizes":{"hand":[200,500]}},"root":)"
      R"({"kind":"row","name":"r","children":[{"kind":"box","name":"a","weight":1}]}})";
  const testing::Result answer = testing::run({"sweep", "-", "--show", "a.height,a.width"}, scene);
  EXPECT_THAT(answer.out, HasSubstr("200 x 500       500      200\n"));
  EXPECT_THAT(answer.out, HasSubstr("      300       240      300\n"));
}

/// Only where something bends; the rest is proved.
TEST(SweepCommand, SaysWhereNothingIsProved) {
  const auto answer = [](const std::string& basis) {
    return testing::run({"sweep", "-", "--show", "a.width"},
                        R"({"format":2,"ladder":{"width":[300,600]},"root":{"kind":"row","name":"r","children":[)"
                        R"({"kind":"box","name":"a","min_width":0,"basis":)" +
                            basis + R"(},{"kind":"box","name":"b","width":200.3}]}})")
        .out;
  };
  EXPECT_THAT(answer("\"60%\""),
              HasSubstr("\n300 to 500.75 sampled step by step: nothing is proved between the steps\n"));
  EXPECT_THAT(answer("150"), Not(HasSubstr("step by step")));
}

TEST(SweepCommand, CountsNodes) {
  const testing::Result answer = testing::run(
      {"sweep", std::string(FOND_LADDER_SOURCE_DIR) + "/examples/console.scene.json", "--show", "count(body/*)"});
  EXPECT_THAT(answer.out, HasSubstr("1200  count(body/*)  jump       2      3  0      `wide` begins"));
}

}  // namespace
}  // namespace fond_ladder
