// SPDX-License-Identifier: MIT
//
// What is drawn, and in which order, as a recording pen sees it.
#include "draw/sheet.hpp"

#include <gmock/gmock.h>
#include <gtest/gtest.h>

#include <algorithm>
#include <filesystem>

#include "draw/marks.hpp"
#include "draw/palette.hpp"
#include "fond_ladder/scene_file.hpp"
#include "support/recording_pen.hpp"
#include "support/shorthand.hpp"

namespace fond_ladder::inline v0::picture {
namespace {

using testing::RecordingPen;
using testing::scene_from;
using testing::short_number;
using Recording = std::vector<RecordingPen::Stamp>;
using What = RecordingPen::Stamp::What;

Recording drawn(const Scene& scene, const std::vector<const char*>& sizes, const DrawOptions& options = {}) {
  std::vector<Panel> panels;
  for (const char* size : sizes) panels.push_back({solve(scene, testing::size_from(size)), ""});
  RecordingPen pen;
  const SheetReport report = Sheet(panels, options).paint(pen);
  EXPECT_TRUE(pen.clips.empty());
  EXPECT_EQ(report.overhang.size(), panels.size());
  return pen.stamps;
}

/// `what(x,y WxH)` of all stamps that a test picks.
template <class Pick>
std::string list(const Recording& recording, Pick pick) {
  static constexpr const char* names[] = {"fill", "outline", "lines", "polygon", "letters"};
  std::string text;
  for (const auto& stamp : recording) {
    if (!pick(stamp)) continue;
    text += (text.empty() ? "" : " ") + (stamp.text.empty() ? names[static_cast<int>(stamp.what)] : stamp.text) + "(" +
            short_number(stamp.area.x) + "," + short_number(stamp.area.y) + " " + short_number(stamp.area.width) + "x" +
            short_number(stamp.area.height) + ")";
  }
  return text;
}

auto of_ink(const Ink& ink) {
  return [=](const RecordingPen::Stamp& stamp) {
    return stamp.ink.red == ink.red && stamp.ink.green == ink.green && stamp.ink.blue == ink.blue;
  };
}
auto of(What what) {
  return [=](const RecordingPen::Stamp& stamp) { return stamp.what == what; };
}
auto dashed() {
  return [](const RecordingPen::Stamp& stamp) { return stamp.line == Stroke::Line::dashed; };
}

const DrawOptions bare{.bare = true};

TEST(Picture, BareIsTheBoxesAloneInTheOrderOfPainting) {
  const Scene scene = scene_from("row:r gap=4 padding=5 [ box:a width=20 row:b width=30 [ box:c width=10 ] ]");
  EXPECT_EQ(list(drawn(scene, {"100x40"}, bare), of(What::fill)),
            "fill(0,0 100x40) fill(5,5 20x30) fill(29,5 30x30) fill(29,5 10x30)");
  const Scene over = scene_from("row:r gap=-10 on_top=first [ box:a width=20 box:b width=20 ]");
  EXPECT_EQ(list(drawn(over, {"100x40"}, bare), of(What::fill)), "fill(0,0 100x40) fill(10,0 20x40) fill(0,0 20x40)");
}

TEST(Picture, ScalesOneNodeAlone) {
  const Scene scene = scene_from("row:r padding=5 [ row:b width=30 [ box:c width=10 box:d width=10 scale=2 ] ]");
  EXPECT_EQ(list(drawn(scene, {"100x40"}, {.bare = true, .only = "b", .scale = 2}), of(What::fill)),
            "fill(0,0 60x60) fill(0,0 20x60) fill(10,-8 40x76)")
      << "d is painted larger, up to a little beyond the sheet";
}

TEST(Picture, HatchesPaddingAndGapsAndDotsWhatIsSpare) {
  const Scene scene = scene_from("row:r gap=10 padding=20 [ box:a width=20 box:b width=20 ]");
  const Recording pen = drawn(scene, {"120x80"});
  EXPECT_THAT(list(pen, of(What::lines)), ::testing::HasSubstr("lines(56,58 10x40)")) << "the gap";
  std::vector<double> dotted;
  for (const auto& stamp : pen) {
    if (stamp.line == Stroke::Line::dotted) dotted.push_back(stamp.area.right());
  }
  ASSERT_FALSE(dotted.empty());
  EXPECT_EQ(dotted.front(), 16 + 100);  // up to the padding
  EXPECT_THAT(
      list(pen, of(What::letters)),
      ::testing::AllOf(::testing::HasSubstr("padding("), ::testing::HasSubstr("gap("),
                       ::testing::HasSubstr("unused space("), ::testing::Not(::testing::HasSubstr("overhang"))));
}

TEST(Picture, MarksWhatIsCutWithItsAmount) {
  const Scene scene = scene_from("row:r [ box:a width=130 shrink=0 box:b width=10 shrink=0 ]");
  const Recording pen = drawn(scene, {"100x60"});
  const std::string warned = list(pen, of_ink(warning_ink));
  EXPECT_THAT(warned, ::testing::HasSubstr("fill(116,38 30x60)"));
  EXPECT_THAT(warned, ::testing::HasSubstr("overhang 30 \u2192"));
  EXPECT_THAT(warned, ::testing::HasSubstr("overhang 40 \u2192"));
  EXPECT_EQ(list(drawn(scene_from("row:r [ box:a width=90 ]"), {"100x60"}), of_ink(warning_ink)), "");
}

TEST(Picture, TellsWhatLiesBeyondHoweverMuchIsCutAndHoweverNarrowItIs) {
  const auto warned = [](const std::string& size) {
    std::string shorthand = "column:r [ box:far width=10 height=5 pin={\"left\":400} ";
    for (int i = 0; i < 30; ++i) shorthand += "row height=12 [ box width=330 shrink=0 ] ";
    const Recording pen = drawn(scene_from(shorthand + "]"), {size.c_str()});
    return list(pen, of_ink(warning_ink)) + list(pen, of(What::letters));
  };
  EXPECT_THAT(warned("300x360"), ::testing::HasSubstr("1 more beyond, up to 110 \u2192"));
  EXPECT_THAT(warned("100x360"), ::testing::HasSubstr("1 more, to 310 \u2192"));
  EXPECT_THAT(warned("20x360"), ::testing::HasSubstr("1 more \u2192"));
  EXPECT_THAT(warned("5x360"), ::testing::HasSubstr("far"));
}

TEST(Picture, MarksWordsThatDoNotFitTheirOwnBox) {
  const Scene scene = scene_from("row:r [ text:t text=\"one two\" width=100 height=10 max_lines=1 min_height=0 ]");
  EXPECT_THAT(list(drawn(scene, {"200x60"}), of_ink(warning_ink)), ::testing::HasSubstr("overhang 10 \u2193"));
}

TEST(Picture, ShowsFaintlyWhatCanBeScrolledTo) {
  const Scene scene =
      scene_from("column:r padding=10 [ column:s height=30 scroll=y [ box:a height=20 box:b height=40 ] ]");
  const Recording pen = drawn(scene, {"140x60"});
  EXPECT_EQ(list(pen, dashed()).substr(0, 28), "outline(26.5,78.5 119x29) ou");  // b beyond the view; then the legend
  EXPECT_THAT(list(pen, of(What::letters)), ::testing::HasSubstr("scrolls 30 \u2195"));
}

TEST(Picture, SetsTextInTheLinesThatTheEngineBroke) {
  const Scene scene =
      scene_from("row:r [ text:t text=\"one two three\" width=80 padding=4 text_align=end font_size=10 ]");
  EXPECT_EQ(list(drawn(scene, {"100x40"}, bare), of(What::letters)), "one two(34,3.5 42x10) three(46,16 30x10)");
}

TEST(Picture, AnImageIsCrossedAsItsPictureWouldLie) {
  const auto cross = [](const std::string& shows) {
    const Scene scene = scene_from("row:r [ image:i natural_size=[20,10] width=40 height=40 image_fit=" + shows + " ]");
    return list(drawn(scene, {"100x40"}, bare), of(What::lines));
  };
  EXPECT_EQ(cross("cover"), "lines(-20,0 80x40)");
  EXPECT_EQ(cross("contain"), "lines(0,10 40x20)");
  EXPECT_EQ(cross("stretch"), "lines(0,0 40x40)");
}

TEST(Picture, TiesPinsToTheEdgesThatHoldThem) {
  const Scene scene = scene_from(
      "direction=rtl stack:r border=2 [ box:a width=20 height=10 pin={\"start\":30,\"top\":5}"
      " box:b width=20 height=10 pin={\"left\":7,\"right\":9,\"bottom\":1} ]");
  const std::string ties = list(drawn(scene, {"200x60"}), of_ink(letters_ink));
  EXPECT_THAT(ties, ::testing::HasSubstr("lines(184,47 30x6)"));  // a from the right: rtl
  EXPECT_THAT(ties, ::testing::HasSubstr("lines(171,40 6x5)"));   // and from the top
  EXPECT_THAT(ties, ::testing::HasSubstr("lines(18,87 7x6)"));    // b by its left pin
  EXPECT_THAT(ties, ::testing::Not(::testing::HasSubstr(" 9x6"))) << "its right one lost";
}

TEST(Picture, FlagsWhatHasNoSize) {
  const Scene scene = scene_from("row:r padding=30 [ box:a box:b width=20 ]");
  const Recording pen = drawn(scene, {"200x100"});
  EXPECT_THAT(list(pen, of(What::polygon)), ::testing::StartsWith("polygon(46,56 8x6) "));  // and one in the legend
}

TEST(Picture, SaysWhatItLeavesOut) {
  std::string shorthand = "row:r [ ";
  for (int i = 0; i < 1000; ++i) shorthand += "box weight=1 ";
  std::vector<Panel> panels{{solve(scene_from(shorthand + "]"), {200, 100}), "tiny"}};
  RecordingPen pen;
  const SheetReport report = Sheet(panels, {}).paint(pen);
  EXPECT_EQ(report.drawn, 1U);
  EXPECT_EQ(report.left_out, 1000U);
  EXPECT_THAT(list(pen.stamps, of(What::letters)), ::testing::HasSubstr("tiny  200 \u00d7 100  (1000 left out)"));
  EXPECT_THAT(list(pen.stamps, of(What::letters)),
              ::testing::AllOf(::testing::HasSubstr(" box#0, box#1, "), ::testing::HasSubstr(" box#5 and more(")));
}

TEST(Picture, StaysWithinItsLimitsForAnyTree) {
  Keys column;
  column.kind = Kind::column;
  Tree deep(column);
  for (auto [level, node] = std::pair(0, deep.root()); level < 30000; ++level) node = deep.append(node, column);
  std::vector<Panel> panels{{solve(Scene(deep), {200, 100}), ""}};
  RecordingPen pen;
  EXPECT_EQ(Sheet(panels, {}).paint(pen).left_out, 30000U - 200);
  const Scene vast = scene_from("row:r [ box:a width=1000000000 height=1000000000 shrink=0 margin=-1000 ]");
  for (const auto& stamp : drawn(vast, {"300x200"})) {
    EXPECT_LT(std::max(stamp.area.right(), stamp.area.bottom()), 10000) << "a file of this could not be drawn";
  }
}

TEST(Picture, RefusesWhatCannotBeDrawn) {
  const auto refusal = [](const Scene& scene, ContainerSize container_size, const DrawOptions& options) -> std::string {
    const std::vector<Panel> panels{{solve(scene, container_size), ""}};
    try {
      const Sheet sheet(panels, options);
    } catch (const std::exception& error) {
      return error.what();
    }
    return "";
  };
  const Scene scene = scene_from("row:r [ box:a hidden=true box:b ]");
  EXPECT_EQ(refusal(scene, {0, 100}, {}), "r has a width or height of 0: nothing to draw");
  EXPECT_EQ(refusal(scene, {10, 100}, {.only = "a"}), "r/a is hidden at this size: nothing to draw");
  EXPECT_EQ(refusal(scene, {10, 100}, {.only = "b"}), "r/b has a width or height of 0: nothing to draw");
  EXPECT_THAT(refusal(scene, {1000, 1000}, {.scale = 100}), ::testing::HasSubstr("a scale up to 10.95"));
  EXPECT_EQ(refusal(scene, {1e9, 1e9}, {}), "");  // made smaller by itself
  EXPECT_THAT(refusal(scene, {10, 10}, {.only = "c"}), ::testing::HasSubstr("c"));
}

/// Letters that touch, of two labels or of a label and the words of a text.
std::string overlapping(const Recording& recording) {
  std::string text;
  for (std::size_t a = 0; a < recording.size(); ++a) {
    for (std::size_t b = a + 1; b < recording.size(); ++b) {
      const auto &one = recording[a], &other = recording[b];
      if (is_empty(one.area) || is_empty(other.area) || one.what != What::letters || other.what != What::letters ||
          (one.words && other.words))
        continue;
      const bool warns = of_ink(warning_ink)(one) || of_ink(warning_ink)(other);
      const bool covers_words = warns && (one.words || other.words);  // a warning may stand on words
      if (!covers_words && meet(grown(one.area, -0.5), grown(other.area, -0.5)))
        text += one.text + " | " + other.text + "\n";
    }
  }
  return text;
}

TEST(Picture, LabelsNeverOverlap) {
  for (const auto& file : std::filesystem::directory_iterator(std::string(FOND_LADDER_SOURCE_DIR) + "/examples")) {
    const std::string name = file.path().filename();
    if (!name.ends_with(".scene.json")) continue;
    const Scene scene = read_scene_file(file.path());
    for (const char* size : {"390x844", "820x1180", "1440x900", "1280x800", "200x200", "620x90"}) {
      for (const double scale : {0.4, 1.0, 1.7}) {
        const Recording pen = drawn(scene, {size}, {.scale = scale});
        EXPECT_EQ(overlapping(pen), "") << name << " " << size << " at " << scale;
        EXPECT_GT(std::ranges::count_if(pen, of(What::letters)), 5) << name;
      }
    }
  }
}

/// The texts of all labels, the words of texts left out.
std::string labels(const Recording& recording) {
  std::string all;
  for (const auto& stamp : recording) {
    if (stamp.what == What::letters && !stamp.words) all += stamp.text + "|";
  }
  return all;
}

bool shows(const Recording& recording, const char* text) {
  return labels(recording).find(text) != std::string::npos;
}

TEST(Sheet, SaysWhatIsOddWhereItIs) {
  const struct {
    const char *has, *has_not, *label;
  } cases[] = {
      // A node without a size at the upper left corner keeps its flag and its name.
      {"row:r [ box:ash box:b width=9 height=9 ]", "row:r [ box:ash width=9 height=9 box:b width=9 height=9 ]",
       "no size|"},
      {"column:r [ box:ash ]", "column:r [ box:oak height=9 ]", "ash 120 \u00d7 0|"},
      {"row:r padding=12 across=start [ box:a width=100 shrink=0 height=20 ]",
       "row:r padding=12 across=start [ box:a width=96 shrink=0 height=20 ]", "in padding 4 \u2192|"},
      {"row:r across=baseline [ text:a text=Oak font_size=24 text:b text=Fern ]",
       "row:r across=start [ text:a text=Oak font_size=24 text:b text=Fern ]", "|baseline|"},
      {"stack:r [ box:a width=100 height=30 scale=1.25 ]", "stack:r [ box:a width=100 height=30 ]",
       "100 \u00d7 30 at 1.25|"},
      // A kind that is wholly behind what it holds is not in the legend.
      {"row:r [ stack:s weight=1 padding=4 [ image:i width=fill height=fill ] ]",
       "row:r [ stack:s weight=1 [ image:i width=fill height=fill ] ]", "|stack|"},
      {"row:r [ stack:s scroll=y weight=1 [ box:b width=90 height=300 ] ]",
       "row:r [ box:a weight=1 stack:s scroll=y width=30 [ box:b width=20 height=300 ] ]", "scrolls 180"},
  };
  for (const auto& [has, has_not, label] : cases) {
    EXPECT_TRUE(shows(drawn(scene_from(has), {"120x120"}), label))
        << has << " " << labels(drawn(scene_from(has), {"120x120"}));
    EXPECT_FALSE(shows(drawn(scene_from(has_not), {"120x120"}), label)) << has_not;
  }
}

TEST(Sheet, FlagsOfNodesWithoutASizeStandInsideOfThePicture) {
  for (const auto& stamp : drawn(scene_from("column:r [ box:ash ]"), {"120x60"})) {
    if (stamp.what != What::polygon) continue;
    EXPECT_GE(stamp.area.y, 38) << "under the caption, where the panel begins";
  }
}

TEST(Sheet, CaptionsOfNarrowPanelsStandApart) {
  const Scene scene = scene_from("row:r [ box:a weight=1 ]");
  std::vector<Panel> panels;
  for (int i = 0; i < 3; ++i) panels.push_back({solve(scene, {20, 40}), "a rung with a long name"});
  RecordingPen pen;
  static_cast<void>(Sheet(panels, {}).paint(pen));
  double end = 0;
  for (const auto& stamp : pen.stamps) {
    if (stamp.text.find("long name") == std::string::npos) continue;
    EXPECT_GE(stamp.area.x, end);
    end = stamp.area.right();
  }
  EXPECT_GT(end, 300);
}

TEST(Sheet, NamesWhatIsLeftOut) {
  const Recording all = drawn(scene_from("row:r [ box:a weight=1 box:speck width=0.1 ]"), {"120x60"});
  EXPECT_TRUE(shows(all, "left out, too small or too many:|speck|")) << labels(all);
  EXPECT_FALSE(shows(drawn(scene_from("row:r [ box:a weight=1 ]"), {"120x60"}), "left out"));
}

TEST(Sheet, PinsThatAreScrolledOutOfViewHaveNoTies) {
  const char* scene =
      "row:r [ column:l width=120 scroll=y [ box:a height=%d shrink=0 stack:s height=50 shrink=0 [ "
      "box:dot width=20 height=20 pin={\"right\":4,\"bottom\":4} ] ] ]";
  const auto drawn_with = [&](int height) {
    std::string text = scene;
    return labels(drawn(scene_from(text.replace(text.find("%d"), 2, std::to_string(height))), {"120x100"}));
  };
  EXPECT_NE(drawn_with(40).find("|pin|"), std::string::npos);
  EXPECT_EQ(drawn_with(120).find("|pin|"), std::string::npos);
}

}  // namespace
}  // namespace fond_ladder::inline v0::picture
