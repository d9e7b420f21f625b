// SPDX-License-Identifier: MIT
#include <gmock/gmock.h>
#include <gtest/gtest.h>

#include "support/program.hpp"

namespace fond_ladder {
namespace {

using ::testing::HasSubstr;
using ::testing::Not;

std::string scene_with(const std::string& range) {
  return R"({"format":1,"ladder":{"width":[100,300],"height":[240,900]},"ranges":[{"name":"low",)" + range +
         R"(}],"root":{"kind":"row","name":"r","children":[{"kind":"box","name":"a","weight":1,"max_width":150,)"
         R"("when":{"low":{"max_width":120}}}]}})";
}

/// A ladder with two heights was climbed at the lowest alone.
TEST(ClimbCommand, ClimbsBothHeightsOfALadder) {
  const testing::Result other = testing::run({"climb", "-"}, scene_with("\"below_height\":480"));
  EXPECT_THAT(other.out, HasSubstr("from 100 to 300 wide, 240 high"));
  EXPECT_THAT(other.out, HasSubstr("`a` reaches its maximum 120"));
  EXPECT_THAT(other.out, HasSubstr("from 100 to 300 wide, 900 high"));
  EXPECT_THAT(other.out, HasSubstr("`a` reaches its maximum 150"));
  const testing::Result same = testing::run({"climb", "-"}, scene_with("\"below_height\":100"));
  EXPECT_THAT(same.out, HasSubstr("900 high: the same quantities turn at the same widths\n"));
  EXPECT_THAT(same.out, Not(HasSubstr("wide, 900 high")));
}

}  // namespace
}  // namespace fond_ladder
