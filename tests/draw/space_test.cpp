// SPDX-License-Identifier: MIT
#include "draw/space.hpp"

#include <gtest/gtest.h>

#include "support/shorthand.hpp"

namespace fond_ladder::inline v0::picture {
namespace {

using testing::scene_from;
using testing::short_number;

std::string text_of(const std::vector<Rect>& areas) {
  std::string text;
  for (const Rect& area : areas) {
    text += (text.empty() ? "" : " ") + short_number(area.x) + "," + short_number(area.y) + " " +
            short_number(area.width) + "x" + short_number(area.height);
  }
  return text;
}

TEST(Space, IsPaddingGapsAndWhatIsSpare) {
  const struct {
    const char *name, *scene, *padding, *gaps, *unused_space;
  } cases[] = {
      {"row", "row:r gap=5 [ box:a width=20 box:b width=30 ]", "", "20,0 5x40", "55,0 45x40"},
      {"row between", "row:r gap=5 along=between [ box:a width=20 box:b width=30 ]", "", "20,0 5x40", "25,0 45x40"},
      {"reversed", "row:r gap=5 reverse=true [ box:a width=20 box:b width=30 ]", "", "75,0 5x40", "0,0 45x40"},
      {"column", "column:r gap=5 along=end [ box:a height=10 box:b height=10 ]", "", "0,25 100x5", "0,0 100x15"},
      {"edges", "row:r padding=3 border=2 [ box:a weight=1 ]", "2,2 96x3 2,5 3x30 95,5 3x30 2,35 96x3", "", ""},
      {"a margin is neither", "row:r gap=5 [ box:a width=20 margin=4 box:b weight=1 ]", "", "28,0 5x40", ""},
      {"an automatic one is spare", "row:r [ box:a width=20 margin={\"left\":\"auto\"} ]", "", "", "0,0 80x40"},
      {"lines",
       "row:r wrap=true place_content=start gap={\"x\":5,\"y\":4} [ box:a width=60 height=10 box:b width=50 height=10 "
       "]",
       "", "0,10 100x4", "60,0 40x10 50,14 50x10 0,24 100x16"},
      {"overlapping children leave no gap", "row:r gap=-10 [ box:a width=60 box:b width=50 ]", "", "", ""},
      {"nothing in it", "row:r padding=10", "0,0 100x10 0,10 10x20 90,10 10x20 0,30 100x10", "", "10,10 80x20"},
      {"of a scroller the padding is behind its content", "column:r padding=5 scroll=y [ box:a height=80 shrink=0 ]",
       "0,0 100x5 0,5 5x80 95,5 5x80 0,85 100x5", "", ""},
      {"a stack shares nothing", "stack:r padding=10 [ box:a width=5 ]",
       "0,0 100x10 0,10 10x20 90,10 10x20 0,30 100x10", "", ""},
  };
  for (const auto& [name, scene, padding, gaps, unused_space] : cases) {
    const Solution solution = solve(scene_from(scene), {100, 40});
    const Space space = space_of(solution, solution.tree().root());
    EXPECT_EQ(text_of(space.padding), padding) << name;
    EXPECT_EQ(text_of(space.gaps), gaps) << name;
    EXPECT_EQ(text_of(space.unused_space), unused_space) << name;
  }
}

}  // namespace
}  // namespace fond_ladder::inline v0::picture
