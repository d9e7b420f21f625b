// SPDX-License-Identifier: MIT
//
// Lines of pieces against the plainest way to fill them, and against fixed metrics where both measure the same.
#include "fond_ladder/segmented_text.hpp"

#include <gtest/gtest.h>

#include <cmath>
#include <random>

#include "fond_ladder/check.hpp"
#include "fond_ladder/fixed_width_text.hpp"
#include "fond_ladder/node.hpp"
#include "fond_ladder/scene.hpp"
#include "fond_ladder/sweep.hpp"
#include "support/shorthand.hpp"

namespace fond_ladder {
namespace {

constexpr LineStyle style{20, 15, {}};

/// A text of letters and spaces, and its pieces: words of any width, some with a hyphen or at the end of a paragraph.
std::pair<std::string, std::vector<TextSegment>> random_text(std::mt19937& random) {
  const auto dice = [&](int sides) { return static_cast<int>(random() % static_cast<unsigned>(sides)); };
  std::string text;
  std::vector<TextSegment> pieces;
  const int count = dice(12);
  for (int i = 0; i < count; ++i) {
    TextSegment piece;
    piece.begin = static_cast<std::uint32_t>(text.size());
    text += std::string(static_cast<std::size_t>(1 + dice(4)), 'a');
    piece.end = static_cast<std::uint32_t>(text.size());
    piece.width = dice(9) == 0 ? 0 : dice(800) / 16.0;
    if (dice(3) > 0) {
      text += ' ';
      piece.space = dice(80) / 16.0;
    } else if (dice(2) == 0 && piece.width > 0) {
      piece.hyphen = dice(160) / 16.0;
    }
    piece.ends_paragraph = dice(8) == 0;
    pieces.push_back(piece);
  }
  return {text, pieces};
}

/// Line by line, the most pieces with which it fits; where none do, its first. Pieces without width never begin a line.
std::vector<std::pair<std::size_t, double>> plainest(const std::vector<TextSegment>& pieces, double width) {
  std::vector<std::pair<std::size_t, double>> lines;  // where each ends, how wide it is
  for (std::size_t first = 0; first < pieces.size();) {
    std::size_t last = pieces.size();
    for (std::size_t i = first; i < pieces.size(); ++i) {
      if (pieces[i].ends_paragraph) last = std::min(last, i + 1);
    }
    const auto size = [&](std::size_t end) {
      double sum = 0, spaces = 0;
      for (std::size_t i = first; i < end; ++i) {
        if (pieces[i].width > 0) sum += spaces + pieces[i].width;
        spaces = pieces[i].width > 0 ? pieces[i].space : spaces + pieces[i].space;
      }
      return sum + (end < last ? pieces[end - 1].hyphen : 0);
    };
    std::size_t end = last;
    while (end > first + 1 && size(end) > width) --end;
    while (end < last && pieces[end].width == 0) ++end;
    lines.emplace_back(end, size(end));
    first = end;
  }
  return lines;
}

TEST(SegmentedText, FillsLinesAsThePlainestWayDoes) {
  std::mt19937 random(5);
  int broken = 0;
  for (int round = 0; round < 4000; ++round) {
    const auto [text, pieces] = random_text(random);
    const SegmentedText content(text, pieces, style);
    for (const double width : {0.0, 10.0, 30.0, 47.3, 75.0, 120.0, 1e9}) {
      const auto lines = plainest(pieces, width);
      const auto is = content.lines_at(width);
      ASSERT_EQ(is.size(), lines.size()) << round << " at " << width;
      for (std::size_t i = 0; i < lines.size(); ++i) EXPECT_EQ(is[i].width, lines[i].second) << round << " line " << i;
      EXPECT_EQ(content.height_for(width).height, 20.0 * static_cast<double>(lines.size()));
      broken += lines.size() > 1 ? 1 : 0;
    }
    const double most = content.widths().max_content;
    EXPECT_EQ(content.lines_at(most).size(), plainest(pieces, 1e9).size()) << "nothing is broken there";
    const auto narrow = plainest(pieces, content.widths().min_content);
    for (const auto& line : narrow) EXPECT_LE(line.second, content.widths().min_content) << round;
  }
  EXPECT_GT(broken, 8000);
}

TEST(SegmentedText, TellsWidthsAtWhichItBreaksAlike) {
  std::mt19937 random(6);
  const auto widths_of = [](const SegmentedText& content, double width) {
    std::vector<std::string> lines;
    for (const auto& line : content.lines_at(width)) lines.emplace_back(line.text);
    return lines;
  };
  for (int round = 0; round < 3000; ++round) {
    const auto [text, pieces] = random_text(random);
    const SegmentedText content(text, pieces, style);
    for (const double width : {3.0, 21.0, 40.0, 66.6, 130.0}) {
      const auto steady = content.constant_interval(width);
      ASSERT_TRUE(steady);
      EXPECT_LE(steady->from, width);
      EXPECT_GT(steady->below, width);
      const double far = std::isfinite(steady->below) ? steady->below : 1e6;
      for (const double share : {0.0, 0.3, 0.9999})
        EXPECT_EQ(widths_of(content, steady->from + share * (far - steady->from)), widths_of(content, width))
            << round << ": " << width << " from " << steady->from << " below " << far;
    }
  }
}

TEST(SegmentedText, IsAsPlainWordsWhereTheyMeasureTheSame) {
  const std::string words = "Fern, from spores.  Shade, and mist\ntwice a day in summer.";
  std::vector<TextSegment> pieces;
  const double letter = 0.6 * 16;
  for (std::size_t at = 0; at < words.size();) {
    const std::size_t end = std::min(words.find_first_of(" \n", at), words.size());
    std::size_t next = end;
    while (next < words.size() && words[next] == ' ') ++next;
    const bool ends = next < words.size() && words[next] == '\n';
    pieces.push_back({static_cast<std::uint32_t>(at), static_cast<std::uint32_t>(end),
                      static_cast<double>(end - at) * letter, static_cast<double>(next - end) * letter, 0, ends});
    at = next + (ends ? 1 : 0);
  }
  const SegmentedText pieced(words, pieces, {20, 0.95 * 16, 3});
  const FixedWidthText plain(words, {16, false, 3});
  for (double width = 0; width < 400; width += 1.75) {
    EXPECT_EQ(pieced.height_for(width).height, plain.height_for(width).height) << width;
    EXPECT_EQ(pieced.lines_at(width).size(), plain.lines_at(width).size()) << width;
  }
  EXPECT_NEAR(pieced.widths().min_content, plain.widths().min_content, 0.01);
  EXPECT_NEAR(pieced.widths().max_content, plain.widths().max_content, 0.01);
}

TEST(SegmentedText, StandsInASceneAsAnyTextDoes) {
  const auto content = std::make_shared<SegmentedText>(
      "Sage bed", std::vector<TextSegment>{{0, 4, 41.5, 5, 0, false}, {5, 8, 33.25, 0, 0, false}},
      LineStyle{22, 17, {}});
  const Scene scene =
      row("r").across(Across::start).children(text("t", "").set_content(content).padding(4), box("b").width(10));
  const Solution wide = solve(scene, {300, 100}), narrow = solve(scene, {80, 100});
  EXPECT_EQ(wide["t"].width, 41.5 + 5 + 33.25 + 8);
  EXPECT_EQ(wide["t"].height, 30);
  EXPECT_EQ(narrow["t"].height, 52);
  const auto words = narrow.text_lines(scene.tree.at("t"));
  ASSERT_EQ(words.size(), 2U);
  EXPECT_EQ(words[1].text, "bed");
  EXPECT_EQ(words[1].baseline, 4 + 22 + 17);
  EXPECT_EQ(words[1].box, (Rect{4, 26, 33.25, 22}));
  EXPECT_EQ(narrow.lines(scene.tree.at("t")), 2);
  Scene claimed = scene;
  claimed.ladder.width = {40, 300};
  const CheckedClaim held = check(claimed, {"t.lines <= 2 and t.height = 30 when container.width >= 98"}).front();
  EXPECT_TRUE(held.holds) << report(held);
  EXPECT_TRUE(held.sampled.empty()) << "it is proved";
}

TEST(SegmentedText, RefusesPiecesThatMakeNoText) {
  const double nan = std::nan("");
  const struct {
    std::vector<TextSegment> pieces;
    LineStyle style;
    const char* why;
  } cases[] = {
      {{{0, 2, -1, 0, 0, false}}, style, "segment 0 has a width of -1 pixels; it must be from 0 to 1e6"},
      {{{0, 2, 1, nan, 0, false}}, style, "segment 0 has a space of nan pixels; it must be from 0 to 1e6"},
      {{{0, 2, 1, 0, 2e6, false}}, style, "segment 0 makes the text wider than 1e6 pixels"},
      {{{0, 2, 6e5, 0, 0, false}, {2, 3, 6e5, 0, 0, false}}, style, "segment 1 makes the text wider than 1e6 pixels"},
      {{{2, 1, 1, 0, 0, false}},
       style,
       "segment 0 goes from byte 2 to 1; it must begin after the one before it, at 0 or later, and end inside the "
       "text, "
       "which has 3"},
      {{{0, 2, 1, 0, 0, false}, {1, 3, 1, 0, 0, false}},
       style,
       "segment 1 goes from byte 1 to 3; it must begin after the one before it, at 2 or later, and end inside the "
       "text, "
       "which has 3"},
      {{{0, 4, 1, 0, 0, false}},
       style,
       "segment 0 goes from byte 0 to 4; it must begin after the one before it, at 0 or later, and end inside the "
       "text, "
       "which has 3"},
      {{}, {0, 0, {}}, "a line is 0 pixels high, with its baseline at 0; it must be higher than 0, both numbers"},
  };
  for (const auto& [pieces, lines, why] : cases) {
    try {
      static_cast<void>(SegmentedText("abc", pieces, lines));
      ADD_FAILURE() << why;
    } catch (const BadSegments& fault) {
      EXPECT_STREQ(fault.what(), why);
    }
  }
  EXPECT_EQ(SegmentedText("", {}, style).height_for(0).height, 0);
}

}  // namespace
}  // namespace fond_ladder
