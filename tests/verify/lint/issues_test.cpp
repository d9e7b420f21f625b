// SPDX-License-Identifier: MIT
//
// What `measure` says first: for each kind of trouble a scene that has it, and its nearest neighbor that has not.
#include "fond_ladder/issue.hpp"

#include <gtest/gtest.h>

#include "fond_ladder/quantity.hpp"
#include "fond_ladder/scene_file.hpp"
#include "support/program.hpp"
#include "support/shorthand.hpp"

namespace fond_ladder {
namespace {

/// All before the table of `measure --at 100x100`, the title left out.
std::string message_of(const std::string& shorthand, const std::string& at = "100x100") {
  const Scene scene = testing::scene_from(shorthand);
  const testing::Result result = testing::run({"measure", "-", "--at", at}, to_json(scene));
  const std::size_t begin = result.out.find(": ") + 2;
  return result.out.substr(begin, result.out.find("\n\n") - begin);
}

TEST(Issues, AreSaidFirst) {
  const char* fine = "nothing overhangs, is squeezed or is invisible";
  const struct {
    const char* scene;
    const char* value;
  } cases[] = {
      // overhangs
      {"row:r [ box:a width=101 shrink=0 height=9 ]",
       "1 node overhangs\n  overhangs: a by 1 at the right of r, below 101 wide"},
      {"row:r [ box:a width=100 shrink=0 height=9 ]", fine},
      {"row:r [ box:a width=101 shrink=0 height=9 margin={\"left\":-1} ]",
       "1 node overhangs\n  overhangs: a by 1 at the left of r"},
      {"stack:r [ box:a width=200 height=9 scale=1 pin={\"right\":-8} ]",
       "1 node overhangs\n  overhangs: a by 8 at the right, 92 at the left of r"},
      // words
      {"row:r across=start [ text:t text=\"one two three\" width=40 max_lines=2 ]",
       "1 node overhangs\n  overhangs: 1 line of t left out by max_lines"},
      {"row:r across=start [ text:t text=\"one two three\" width=40 max_lines=3 ]",
       "1 node overhangs\n  overhangs: the words of t by 8 at the right"},
      {"row:r across=start [ text:t text=\"one two three\" width=48 max_lines=3 ]", fine},
      // overlaps padding
      {"row:r padding=12 across=start [ box:a width=80 shrink=0 height=9 ]",
       "1 node overlaps padding\n  overlaps padding: a by 4 at the right of r, below 104 wide"},
      {"row:r padding=12 across=start [ box:a width=76 shrink=0 height=9 ]", fine},
      {"row:r padding=12 across=start [ box:a width=80 shrink=0 height=9 margin={\"right\":-4} ]", fine},
      {"row:r padding=12 across=start scroll=x [ box:a width=80 shrink=0 height=9 ]", fine},
      {"row:r padding=12 across=start [ box:a width=80 height=9 pin={\"left\":0} ]", fine},
      {"row:r across=start [ text:t text=Oak padding=8 width=40 one_line=true ]",
       "1 node overlaps padding\n  overlaps padding: the words of t by 4.8 at the right"},
      // squeezed
      {"column:r [ box:a height=40 box:b height=80 ]",
       "2 nodes are squeezed\n  squeezed: a, b from 80 to 66.67 high at worst"},
      {"column:r [ box:a height=40 box:b height=60 ]", fine},
      {"column:r [ box:a height=40 min_height=20 box:b height=80 shrink=0 ]", fine},
      // invisible
      {"row:r [ box:a width=60 shrink=0 box:b width=60 shrink=0 height=9 box:c width=9 height=9 shrink=0 ]",
       "1 node overhangs, 1 is invisible\n  overhangs: b by 20 at the right of r, below 120 wide\n"
       "  invisible: c (beyond r)"},
      {"row:r across=start [ box:ash box:b width=9 height=9 ]", "1 node is invisible\n  invisible: ash (0 x 0)"},
      {"row:r across=start [ box:ash width=0 box width=9 height=9 ]", fine},
      {"stack:r [ box:lower width=9 height=9 box:upper width=9 height=9 ]",
       "1 node is invisible\n  invisible: lower (behind upper)"},
      {"stack:r [ box:lower width=10 height=9 box:upper width=9 height=9 ]", fine},
      {"stack:r [ box:lower width=9 height=9 row:upper width=9 height=9 padding=4 ]", fine},
      {"row:r [ row:list width=50 scroll=x [ box:a width=60 height=9 box:b width=60 height=9 ] ]", fine},
  };
  for (const auto& [scene, value] : cases) EXPECT_EQ(message_of(scene), value) << scene;
}

TEST(Issues, OfManyAlikeAreOneSentence) {
  std::string pots;
  for (int i = 0; i < 12; ++i) pots += " image:pot" + std::to_string(i) + " natural_size=[20,9] shrink=0";
  EXPECT_EQ(message_of("row:shelf [" + pots + " ]"), "7 nodes are invisible\n  invisible: 7 of shelf/* (beyond shelf)");
  EXPECT_EQ(message_of("column:shelf across=start [ row:a padding=5 width=20 [ image:p natural_size=[22,9] shrink=0 ] "
                       "row:b padding=5 width=20 [ image:p natural_size=[24,9] shrink=0 ] ]"),
            "2 nodes overhang\n  overhangs: a/p by 7 at the right of a\n  overhangs: b/p by 9 at the right of b");
}

TEST(Issues, IntrusionIsAMeasure) {
  const Scene scene = testing::scene_from("row:r padding=12 across=start [ box:a width=80 shrink=0 height=90 ]");
  const Solution at = solve(scene, {100, 100});
  EXPECT_EQ(value_of(parse_quantity(at.tree(), "a.padding_overlap"), at), 12)
      << "up and down, no more than the padding";
  EXPECT_EQ(at.padding_overlap(scene.tree.at("a")), (FourSides{0, 4, 12, 0}));
}

TEST(Issues, ContainersHideNothing) {
  const auto shown = [](const char* cover) {
    const Scene scene = testing::scene_from(std::string("stack:r [ image:p natural_size=[20,20] ") + cover + " ]");
    const Solution at = solve(scene, {100, 100});
    return value_of(parse_quantity(at.tree(), "p.reachable"), at);
  };
  EXPECT_EQ(shown("row:over width=50 height=50 padding=20"), 1);
  EXPECT_EQ(shown("text:over width=50 height=50 text=Oak"), 1);
  EXPECT_EQ(shown("row:over width=50 height=50 [ box:b weight=1 ]"), 0) << "what is in it does";
  EXPECT_EQ(shown("box:over width=50 height=50"), 0);
}

TEST(Issues, WhatRoundingLeavesOfARoomIsNotSeen) {
  for (const auto& [width, seen] : {std::pair(0.8, 0.0), std::pair(0.81, 1.0)}) {
    const Scene scene =
        testing::scene_from("row:r [ box:a width=0.7 shrink=0 box:b width=0.1 shrink=0 box:c weight=1 height=20 ]");
    const Solution at = solve(scene, {width, 100.0});
    ASSERT_GT(at.box(scene.tree.at("c")).width, 0);
    EXPECT_EQ(value_of(parse_quantity(at.tree(), "c.reachable"), at), seen);
  }
}

TEST(Issues, AreFieldsOfTheAnswerToo) {
  const Scene scene = testing::scene_from("row:r padding=12 across=start [ box:a width=80 shrink=0 height=9 box:b ]");
  const std::string json = testing::run({"measure", "-", "--at", "100x100", "--format", "json"}, to_json(scene)).out;
  EXPECT_NE(json.find(R"("padding_overlap": {"right": 4})"), std::string::npos) << json;
  EXPECT_NE(json.find(R"("invisible": {"why": "no size"})"), std::string::npos) << json;
}

}  // namespace
}  // namespace fond_ladder
