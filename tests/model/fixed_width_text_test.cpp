// SPDX-License-Identifier: MIT
#include "fond_ladder/fixed_width_text.hpp"

#include <gtest/gtest.h>

#include "support/shorthand.hpp"

namespace fond_ladder {
namespace {

/// Characters 10 px wide: the size that makes 0.6 em ten pixels.
constexpr double ten = 10 / 0.6;

/// The lines at a width, joined by `|`, a line's width behind it where it is asked for.
std::string lines(const char* text, double width, bool widths = false) {
  const FixedWidthText plain(text, {ten, false, {}});
  std::string joined;
  for (const FixedWidthText::Line& line : plain.lines_at(width)) {
    joined += (joined.empty() ? "" : "|") + std::string(line.text);
    if (widths) joined += "=" + testing::short_number(line.width);
  }
  return joined;
}

struct Case {
  const char* text;
  double width;
  const char* lines;
};

const Case cases[] = {
    {"two words", 90, "two words"},
    {"two words", 89, "two|words"},
    {"two words", 90 - 1e-5, "two words"},        // by less than the tolerance
    {"two   words", 110, "two   words"},          // blanks inside a line keep their width
    {"two words   ", 90, "two words"},            // those at its end have none
    {"a well-kept bed", 60, "a|well-|kept|bed"},  // after hyphens
    {"a well-kept bed", 70, "a well-|kept|bed"},
    {"one\ntwo", 900, "one|two"},  // always at a line feed
    {"one\n\ntwo", 900, "one||two"},
    {"one\n", 900, "one|"},
    {"longest", 10, "longest"},  // a word does not break
    {"", 100, ""},
    {"  lead", 60, "  lead"},
    {"\u6e29\u5ba4\u82d7", 40, "\u6e29\u5ba4|\u82d7"},  // between wide characters, 20 each
    {"ab\u6e29\u5ba4", 40, "ab\u6e29|\u5ba4"},          // not between a narrow and a wide one
};

TEST(FixedWidthText, BreaksLines) {
  for (const Case& one : cases) EXPECT_EQ(lines(one.text, one.width), one.lines) << one.text << " at " << one.width;
}

TEST(FixedWidthText, MeasuresCharacters) {
  EXPECT_EQ(lines("e\u0301e", 500, true), "e\u0301e=20");      // a combining mark is 0 wide
  EXPECT_EQ(lines("\U0001F33F", 500, true), "\U0001F33F=20");  // an emoji is two wide
  EXPECT_EQ(lines("two words ", 500, true), "two words=90");
}

TEST(FixedWidthText, KnowsItsWidthsAndHeights) {
  const FixedWidthText text("Seed cards\nof the north house", {20, false, {}});
  EXPECT_DOUBLE_EQ(text.widths().min_content, 5 * 12);
  EXPECT_DOUBLE_EQ(text.widths().max_content, 18 * 12);
  EXPECT_DOUBLE_EQ(text.height_for(1000).height, 2 * 25);
  EXPECT_DOUBLE_EQ(text.height_for(119).height, 5 * 25);  // seed|cards|of the|north|house
  EXPECT_DOUBLE_EQ(text.height_for(1000).baseline, 19);
  EXPECT_EQ(FixedWidthText("", {}).height_for(10).height, 0);
}

TEST(FixedWidthText, KeepsToOneLineOrToTheMost) {
  const FixedWidthText one("two words\nand more", {ten, true, {}});
  EXPECT_DOUBLE_EQ(one.widths().min_content, 180);
  EXPECT_EQ(one.lines_at(10).size(), 1U);
  const FixedWidthText most("a b c d", {16, false, 2});
  EXPECT_DOUBLE_EQ(most.height_for(0).height, 2 * 20);
  EXPECT_EQ(most.lines_at(0).size(), 4U);
}

TEST(FixedWidthText, InAnotherSizeItHasTheSameLines) {
  const FixedWidthText small("Seed cards\nof the north house", {20, false, {}}), large(small, 40);
  for (const double width : {60.0, 119.0, 1000.0}) {
    EXPECT_DOUBLE_EQ(large.height_for(2 * width).height, 2 * small.height_for(width).height) << width;
  }
}

TEST(FixedWidthText, HeightAgreesWithItsLinesAtEveryWidth) {
  const char* const texts[] = {"Oak, sown in March. Keep moist.", "  a\nwell-kept  \n\nbed ", "x", "\n", "- -a --b"};
  for (const char* text : texts) {
    const FixedWidthText plain(text, {16, false, {}});
    for (double width = 0; width < 400; width += 0.8) {
      ASSERT_DOUBLE_EQ(plain.height_for(width).height, 20.0 * static_cast<double>(plain.lines_at(width).size()))
          << text << " at " << width;
      for (const auto& line : plain.lines_at(width)) {
        ASSERT_LE(line.width, std::max(width, plain.widths().min_content) + 1e-3) << text << " at " << width;
      }
    }
  }
}

}  // namespace
}  // namespace fond_ladder
