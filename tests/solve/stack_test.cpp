// SPDX-License-Identifier: MIT
//
// Stacks and pins, worked out by hand.
#include <gtest/gtest.h>

#include "support/shorthand.hpp"

namespace fond_ladder {
namespace {

using testing::BoxCase;

const BoxCase cases[] = {
    {"start by default", "stack:s padding=5 [ box:a width=10 height=4 ]", "100x50", "a(5,5 10x4)"},
    {"place_items", "stack:s place_items={\"x\":\"center\",\"y\":\"end\"} [ box:a width=10 height=4 ]", "100x50",
     "a(45,46 10x4)"},
    {"self beats align",
     "stack:s place_items={\"x\":\"center\"} [ box:a width=10 height=4 place_self={\"x\":\"end\"} ]", "100x50",
     "a(90,0 10x4)"},
    {"stretch", "stack:s place_items={\"x\":\"stretch\",\"y\":\"stretch\"} [ box:a margin=5 ]", "100x50",
     "a(5,5 90x40)"},
    {"fill is stretch", "stack:s [ box:a width=fill height=fill ]", "100x50", "a(0,0 100x50)"},
    {"center overhangs on both sides", "stack:s place_items={\"x\":\"center\"} [ box:a width=140 height=4 ]", "100x50",
     "a(-20,0 140x4)"},
    {"as large as its largest child",
     "row across=start [ stack:s padding=3 [ box:a width=10 height=40 box:b width=30 "
     "height=4 margin=2 ] ]",
     "100x90", "s(0,0 40x46) a(3,3 10x40) b(5,5 30x4)"},
    {"nudge comes last, and no size sees it", "row across=start [ stack:s [ box:a width=10 height=4 nudge=[7,-2] ] ]",
     "100x90", "s(0,0 10x4) a(7,-2 10x4)"},
    {"nudge is not mirrored", "direction=rtl stack:s [ box:a width=10 height=4 nudge=[-7,2] ]", "100x50",
     "a(83,2 10x4)"},
    {"automatic margins", "stack:s [ box:a width=10 height=4 margin={\"left\":\"auto\",\"y\":\"auto\"} ]", "100x50",
     "a(90,23 10x4)"},

    {"a pin holds to the padding box",
     "row:r padding=9 border=2 [ box:a width=10 height=4 pin={\"right\":3,\"bottom\":1} ]", "100x50", "a(85,43 10x4)"},
    {"opposite pins set the size", "row:r [ box:a pin={\"left\":5,\"right\":7,\"top\":0,\"bottom\":\"10%\"} ]",
     "100x50", "a(5,0 88x45)"},
    {"unless it is given", "row:r [ box:a width=10 height=4 pin={\"left\":5,\"right\":7} ]", "100x50", "a(5,0 10x4)"},
    {"in rtl the end pin is ignored then",
     "direction=rtl row:r [ box:a width=10 height=4 pin={\"start\":5,\"end\":7} ]", "100x50", "a(85,0 10x4)"},
    {"in rtl so is one that a maximum keeps from its size",
     "direction=rtl row:r [ box:a height=4 max_width=20 pin={\"start\":2,\"end\":8} ]", "100x50", "a(78,0 20x4)"},
    {"or a minimum", "direction=rtl row:r [ box:a height=4 min_width=120 pin={\"start\":2,\"end\":8} ]", "100x50",
     "a(-22,0 120x4)"},
    {"left to right the same, mirrored", "row:r [ box:a height=4 max_width=20 pin={\"start\":2,\"end\":8} ]", "100x50",
     "a(2,0 20x4)"},
    {"left and right are never mirrored",
     "direction=rtl row:r [ box:a height=4 max_width=20 pin={\"left\":2,\"right\":8} ]", "100x50", "a(2,0 20x4)"},
    {"no pin on an axis is start", "direction=rtl row:r [ box:a width=10 height=4 pin={} ]", "100x50", "a(90,0 10x4)"},
    {"the middle", "row:r [ box:a width=10 height=4 pin={\"middle_x\":10,\"middle_y\":\"-10%\"} ]", "100x50",
     "a(55,18 10x4)"},
    {"changes nobody else",
     "row across=start [ row:r gap=4 [ box:a width=10 height=4 box:b width=80 height=80 pin={} ] ]", "100x90",
     "r(0,0 10x4) a(0,0 10x4) b(0,0 80x80)"},
    {"an automatic margin counts 0", "row:r [ box:a pin={\"left\":5,\"right\":5} height=4 margin={\"left\":\"auto\"} ]",
     "100x50", "a(5,0 90x4)"},
    {"fits its space", "row:r [ text:a text=\"two words\" pin={\"left\":40} ]", "100x90", "a(40,0 60x40)"},
    {"holds to the view of a scroller",
     "row:r scroll=x [ box:a width=300 height=4 box:b width=10 height=4 pin={\"right\":0} ]", "100x50",
     "a(0,0 300x4) b(90,0 10x4)"},
};

TEST(Stack, ArrangesAsWorkedOutByHand) {
  testing::expect_boxes(cases);
}

}  // namespace
}  // namespace fond_ladder
