// SPDX-License-Identifier: MIT
//
// The matchers for tests of others: what matches, and what a failure tells.
#include "fond_ladder/gtest.hpp"

#include <gtest/gtest.h>

#include "support/shorthand.hpp"

namespace fond_ladder {
namespace {

Scene the_scene() {
  Scene scene = testing::scene_from("row:r [ box:a weight=1 box:b weight=2 min_width=100 ]");
  scene.title = "Beds";
  scene.ladder = {{200, 400}, Interval(20), {}};
  scene.modes = {"wide"};
  testing::add_form(scene, scene.tree.at("a"), "wide", [](Keys& keys) { keys.weight = 2; });
  return scene;
}

template <class Value, class Matcher>
std::string answer(const Value& value, const Matcher& matcher) {
  ::testing::StringMatchResultListener listener;
  return ::testing::ExplainMatchResult(matcher, value, &listener) ? "matches" : listener.str();
}

TEST(Matchers, KeepsTellsTheReportOfWhatBroke) {
  EXPECT_EQ(answer(the_scene(), Keeps("b.width >= 100")), "matches");
  EXPECT_EQ(answer(the_scene(), Keeps("a.width = b.width", {"wide"})), "matches");
  EXPECT_EQ(answer(variant_of(the_scene(), "", {"wide"}), Keeps("a.width = b.width")), "matches");
  EXPECT_EQ(answer(the_scene(), Keeps("b.width <= 266")),
            "\nfails     b.width <= 266\n"
            "          from above 399 to 400 wide, 20 high; worst at 400 x 20: b.width 266.67\n"
            "          b is 266.67 wide: weight 2, 66.67 % of 400\n");
  EXPECT_EQ(answer(the_scene(), Keeps("b.widht <= 266")),
            "which cannot be tested: column 1: \"widht\" is not a measure; did you mean \"width\"?");
  EXPECT_NE(answer(the_scene(), Keeps("a.width = 3 when wide")).find("untested"), std::string::npos);
  Scene carries = the_scene();
  EXPECT_EQ(answer(carries, Keeps()), "which carries no claims");
  carries.claims = {"b.width >= 100", "a.width > b.width"};
  EXPECT_TRUE(answer(carries, Keeps()).starts_with("\nfails     a.width > b.width\n"));
  EXPECT_EQ(::testing::PrintToString(carries), "a scene of 3 nodes, Beds");
  EXPECT_EQ(::testing::DescribeMatcher<Scene>(Keeps("fits(r)")), "keeps fits(r)");
}

TEST(Matchers, LiesAtTellsEverySideThatIsOff) {
  const Rect box{1, 2, 30, 40};
  EXPECT_EQ(answer(box, LiesAt(1, 2, 30, 40.005)), "matches");
  EXPECT_EQ(answer(box, LiesAt(1, 3, 30, 41)), "whose y is 2 and not 3, height is 40 and not 41");
  EXPECT_EQ(answer(box, LiesAt(1, 3, 30, 41, 1)), "matches");
  EXPECT_EQ(::testing::DescribeMatcher<Rect>(::testing::Not(LiesAt(1, 2, 3, 4))), "does not lie at 1,2 3x4");
}

}  // namespace
}  // namespace fond_ladder
