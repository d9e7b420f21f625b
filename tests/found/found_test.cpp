// SPDX-License-Identifier: MIT
//
// What was found once: each scene beside this file showed a fault, and what it should show is said here.
#include <gmock/gmock.h>

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
std::string told(const char* command, const char* name, std::vector<std::string> more = {}) {
  std::vector<std::string> words{command, scene(name)};
  words.insert(words.end(), more.begin(), more.end());
  const auto answer = testing::run(words);
  return answer.out + answer.err;
}

// --- proof -----------------------------------------------------------------------------------------------------------

TEST(Found, TheLastSizeOfALadderIsLookedAtByItself) {
  for (const char* name : {"end_of_ladder", "end_of_ladder_from_width"}) {
    const std::string answer = told("check", name, {"--claim", "a.width <= 60"});
    EXPECT_THAT(answer, AllOf(HasSubstr("the claim does not hold"), HasSubstr("wide, 100 high: a.width 80"))) << name;
  }
  EXPECT_THAT(told("climb", "end_of_ladder", {"--show", "a.width"}), HasSubstr("200  a.width     jump      50     80"));
}

TEST(Found, TheLastHeightIsLookedAtByItself) {
  EXPECT_THAT(told("check", "end_of_heights", {"--claim", "a.width <= 60", "--heights", "every"}),
              HasSubstr("at 100 to 200 wide and 300 high; worst at 100 x 300: a.width 80"));
  EXPECT_THAT(told("check", "end_of_heights", {"--claim", "a.width <= 60 when low", "--heights", "every"}),
              HasSubstr("proved for every width and height"));
}

TEST(Found, TheWorstOfTwoHeightsIsTheWorst) {
  EXPECT_THAT(told("check", "worst_of_two_heights", {"--claim", "a.width >= container.height / 5"}),
              HasSubstr("100 or 300 high; worst at 100 x 300: a.width 10"));
}

TEST(Found, TheWorstUnderAConditionMayBeWhereTheConditionEnds) {
  EXPECT_THAT(told("check", "worst_under_when", {"--claim", "a.width <= 320 when container.width < 350"}),
              AllOf(HasSubstr("from above 320 to below 350 wide"),
                    HasSubstr("worst at 349.99 x 100 (just below 350 wide): a.width 349.99"),
                    HasSubstr("a --at 349.99x100\n")));
}

TEST(Found, TheWorstAtAnOpenEdgeIsASizeInside) {
  EXPECT_THAT(told("check", "worst_on_open_edge_heights", {"--claim", "a.width * 5 >= b.width", "--heights", "every"}),
              AllOf(HasSubstr("within 100 to 150 wide and 100 to 300 high"),
                    HasSubstr("worst at 149.99 x 100 (just below 150 wide): a.width 10, b.width 139.99")));
}

TEST(Found, EdgesAreExact) {
  EXPECT_THAT(told("check", "edge_rounding", {"--claim", "a.width <= 13.3433", "--format", "json"}),
              HasSubstr("\"from\": 640.4784, \"to\": 1400, \"with_from\": false"));
}

TEST(Found, NoToleranceShows) {
  const std::string checked = told("check", "fitting_sliver"), climbed = told("climb", "fitting_sliver"),
                    measured = told("measure", "fitting_sliver", {"--at", "456"});
  EXPECT_THAT(checked, AllOf(HasSubstr("from 456 to below 649.6 wide"), HasSubstr("--at 456x300\n"),
                             HasSubstr("from 692 to 800 wide"), Not(HasSubstr("cut 0"))));
  EXPECT_THAT(climbed, HasSubstr("from 456 to 649.6 and from 692 up"));
  EXPECT_THAT(measured, HasSubstr("below 649.6 wide"));
}

}  // namespace
}  // namespace fond_ladder
