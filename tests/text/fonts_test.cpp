// SPDX-License-Identifier: MIT
//
// Words in fonts as a tree has them: which keys count, what is kept, what is refused. Whether they are as wide as Pango
// sets them is asked in pango_truth_test.
#include "fond_ladder/fonts.hpp"

#include <gmock/gmock.h>
#include <gtest/gtest.h>
#include <pango/pangocairo.h>

#include <random>
#include <thread>

#include "fond_ladder/check.hpp"
#include "fond_ladder/sweep.hpp"
#include "support/shorthand.hpp"
#include "text/pango_fonts.hpp"

namespace fond_ladder {
namespace {

using ::testing::ElementsAre;
using ::testing::HasSubstr;
using ::testing::IsEmpty;
using testing::scene_from;

const std::string folder = "/usr/share/fonts/truetype/";
const std::string sans_file = folder + "dejavu/DejaVuSans.ttf", bold_file = folder + "dejavu/DejaVuSans-Bold.ttf",
                  wide_file = folder + "droid/DroidSansFallbackFull.ttf";
const std::vector<NamedFont> usual{{"body", "DejaVu Sans", ""}, {"head", "DejaVu Serif", ""}};

Scene in_fonts(std::string_view shorthand, std::vector<NamedFont> fonts = usual) {
  Scene scene =
      scene_from(R"(fonts={"head":{"family":"Serif"},"elsewhere":{"family":"Serif"}} )" + std::string(shorthand));
  scene.fonts = std::move(fonts);
  set_text_metrics(scene, TextMetrics::fonts);
  return scene;
}

double width_of(const Scene& scene, const char* node = "t") {
  return solve(scene, {2000, {}}).box(scene.tree.at(node)).width;
}

TEST(Fonts, EveryKeyOfATextCounts) {
  const auto width = [](const std::string& keys) {
    return width_of(in_fonts("row:r [ text:t text=\"Fern, shade\" " + keys + " ]"));
  };
  const double plain = width("font_size=16");
  EXPECT_NEAR(width("font_size=32"), 2 * plain, 0.01) << "nothing is rounded to pixels of a screen";
  EXPECT_GT(width("font_size=16 bold=true"), plain + 1);
  EXPECT_NE(width("font_size=16 font=head"), plain);
  EXPECT_NE(width("font_size=16 italic=true font=head bold=true"), width("font_size=16 font=head"));
  EXPECT_EQ(width("font_size=16 font=elsewhere"), plain) << "a name that nobody has is body's";
  EXPECT_EQ(width("font_size=16 max_lines=1"), plain);
}

TEST(Fonts, AnEmIsTheSizeOfTextsThatSayNoneAndGoesOnWithEdits) {
  Scene scene = in_fonts("row:r [ text:t text=\"Fern, shade\" ]");
  const double at_16 = width_of(scene);
  scene.tree.set_em(32);
  EXPECT_NEAR(width_of(scene), 2 * at_16, 0.01);
  set_text_metrics(scene, TextMetrics::fixed);
  EXPECT_DOUBLE_EQ(width_of(scene), 11 * 0.6 * 32);
}

TEST(Fonts, LineHeightIsTimesTheSizeAndSpreadsHalfAboveAndHalfBelow) {
  struct Lines {
    double height, baseline;
  };
  const auto lines = [](const Scene& scene) {
    const Solution solution = solve(scene, {400, {}});
    const NodeId text = scene.tree.at("t");
    return Lines{solution.box(text).height, solution.text_lines(text).at(0).baseline};
  };
  constexpr auto usual_lines = R"(column:c [ text:t text="a b" font_size=20 ])";
  constexpr auto high_lines = R"(column:c [ text:t text="a b" font_size=20 line_height=2 ])";
  for (const bool fonts : {false, true}) {
    const Lines now = lines(fonts ? in_fonts(usual_lines) : scene_from(usual_lines));
    const Lines high = lines(fonts ? in_fonts(high_lines) : scene_from(high_lines));
    EXPECT_DOUBLE_EQ(high.height, 40);
    EXPECT_NEAR(high.baseline - now.baseline, (40 - now.height) / 2, 1e-9) << fonts;
  }
}

TEST(Fonts, AChIsAZeroOfTheNodesOwnFont) {
  const Scene scene = in_fonts(
      "row:r [ text:zero text=\"0\" font_size=30 font=head text:t text=x font_size=30 font=head width=\"10ch\" "
      "text:usual "
      "text=\"0\" "
      "box:b width=\"10ch\" ]");
  EXPECT_NEAR(width_of(scene, "t"), 10 * width_of(scene, "zero"), 1e-9);
  EXPECT_NEAR(width_of(scene, "b"), 10 * width_of(scene, "usual"), 1e-9);
}

TEST(Fonts, OneLineIsNeverBrokenAndSaysWhatItSaid) {
  const Scene scene = in_fonts(R"(row:r [ text:t text="mist\ntwice a-day" one_line=true ])");
  const Solution solution = solve(scene, {10, {}});
  EXPECT_EQ(solution.text_lines(scene.tree.at("t")).size(), 1U);
  EXPECT_EQ(scene.tree.keys(scene.tree.at("t")).text, "mist\ntwice a-day");
  EXPECT_EQ(solution.box(scene.tree.at("t")).width, width_of(scene));
}

TEST(Fonts, ASoftHyphenIsSeenWhereALineEndsInIt) {
  const Scene scene = in_fonts("column:c [ text:t text=\"glass\u00ADhouse\" ]");
  const NodeId text = scene.tree.at("t");
  const auto lines = [&](double width) { return solve(scene, {width, {}}).text_lines(text); };
  EXPECT_FALSE(lines(400).at(0).hyphen);
  ASSERT_EQ(lines(60).size(), 2U);
  EXPECT_TRUE(lines(60)[0].hyphen);
  EXPECT_FALSE(lines(60)[1].hyphen);
}

TEST(Fonts, NothingIsShapedAfterTheFirstSolve) {
  Scene scene = in_fonts(
      "column:c [ text:t text=\"Seed trays of the northern wing, misted twice\" text:u text=\"Fern, from spores\" ]");
  scene.ranges = {{"narrow", {}, 300, {}, {}}};
  scene.ladder.width = {80, 600};
  testing::add_form(scene, scene.tree.at("t"), "narrow", [](Keys& keys) { keys.bold = true; });
  set_text_metrics(scene, TextMetrics::fonts);
  const auto& fonts = dynamic_cast<const typeset::PangoFonts&>(*scene.tree.text_shaper());
  static_cast<void>(solve(scene, {400, {}}));
  const std::size_t shaped = fonts.shaped();
  EXPECT_GT(sweep(scene, scene.ladder, {"t.height", "u.height"}).breakpoints().size(), 4U);
  EXPECT_TRUE(check(scene, {"t.lines <= 12"}).front().holds);
  Scene copy = scene;
  copy.tree.set(copy.tree.at("u"), box().width(100));
  static_cast<void>(solve(copy, {200, {}}));
  EXPECT_EQ(fonts.shaped(), shaped);
}

TEST(Fonts, EditsMeasureWhatAFreshTreeMeasures) {
  Scene scene = in_fonts("column:c [ text:a text=Fern text:b text=Moss row:r [ text:d text=\"Oak from acorns\" ] ]");
  Solver solver;
  std::mt19937 random(11);
  constexpr std::array<const char*, 4> words{"Fern", "Moss in half-shade", "Seed trays, northern wing", ""};
  for (int i = 0; i < 60; ++i) {
    const NodeId node = scene.tree.at(std::array{"a", "b", "d"}[random() % 3]);
    Keys keys = scene.tree.keys(node);
    keys.text = words[random() % 4];
    keys.bold = random() % 2 == 0;
    keys.font = random() % 2 == 0 ? "head" : "";
    keys.line_height = random() % 3 == 0 ? std::optional(1.5) : std::nullopt;
    if (random() % 9 == 0) keys.kind = keys.kind == Kind::text ? Kind::box : Kind::text;
    scene.tree.replace_keys(node, keys);
    if (random() % 8 == 0) scene.tree.set_em(12 + static_cast<double>(random() % 8));
    const ContainerSize container_size{100 + static_cast<double>(random() % 300), {}};
    EXPECT_EQ(testing::boxes_text(solver.solve(scene.tree, container_size)),
              testing::boxes_text(solve(Scene(scene), container_size)))
        << i;
    EXPECT_EQ(scene.tree.keys(node), keys);
  }
}

TEST(Fonts, ContentOfOnesOwnStays) {
  Scene scene = scene_from("row:r [ text:t text=Fern ]");
  const auto own = std::make_shared<SegmentedText>("Fern", std::vector<TextSegment>{{0, 4, 77}}, LineStyle{});
  scene.tree.set_content(scene.tree.at("t"), own);
  set_text_metrics(scene, TextMetrics::fonts);
  EXPECT_EQ(width_of(scene), 77);
  scene.tree.set_content(scene.tree.at("t"), nullptr);
  EXPECT_NE(dynamic_cast<const ShapedText*>(scene.tree.content(scene.tree.at("t")).get()), nullptr);
}

TEST(Fonts, AWordingBringsItsTextsAndItsFonts) {
  Scene scene = in_fonts("row:r [ text:t text=Fern text:u text=Moss font=head ]");
  Locale wide{"wide", {{scene.tree.at("t"), "温室"}}, {}, {{"body", "Droid Sans Fallback", ""}}};
  scene.locales.push_back(wide);
  const double moss = width_of(scene, "u");
  const auto family = [&] { return scene.tree.text_shaper()->family({}); };
  EXPECT_EQ(family(), "DejaVu Sans");
  apply_locale(scene, "wide");
  EXPECT_EQ(family(), "Droid Sans Fallback");
  EXPECT_NEAR(width_of(scene), 32, 0.1) << "two characters of one em";
  EXPECT_EQ(width_of(scene, "u"), moss) << "the other fonts stay";
}

TEST(Fonts, AFileIsItsFontWhateverTheMachineHas) {
  constexpr auto fern = R"(row:r [ text:t text="Fern, shade" ])";
  constexpr auto bold = R"(row:r [ text:t text="Fern, shade" bold=true ])";
  const double of_family = width_of(in_fonts(fern)), of_bold = width_of(in_fonts(bold));
  EXPECT_EQ(width_of(in_fonts(fern, {{"body", "", sans_file}})), of_family);
  EXPECT_EQ(width_of(in_fonts(fern, {{"body", "", bold_file}})), of_bold) << "a file of bold letters is bold";
  const Scene both = in_fonts(bold, {{"body", "", sans_file}, {"strong", "", bold_file}});
  EXPECT_EQ(width_of(both), of_bold);
  EXPECT_THAT(both.tree.text_shaper()->remarks(), IsEmpty());
  const Scene alone = in_fonts(bold, {{"body", "", sans_file}});
  EXPECT_EQ(width_of(alone), of_family);
  EXPECT_THAT(alone.tree.text_shaper()->remarks(),
              ElementsAre(HasSubstr("the font body (DejaVu Sans) has no bold letters; its regular ones are measured")));
}

TEST(Fonts, CharactersThatAFontDoesNotHaveAreTold) {
  constexpr auto wide = "row:r [ text:t text=\"温室 fern 温\" ]";
  const auto remarks = [&](std::vector<NamedFont> fonts) {
    return in_fonts(wide, std::move(fonts)).tree.text_shaper()->remarks();
  };
  EXPECT_THAT(remarks({{"body", "DejaVu Sans", ""}}),
              ::testing::Contains("the font body (DejaVu Sans) does not have 室 温; other letters are used instead"));
  EXPECT_THAT(remarks({{"body", "", sans_file}}),
              ::testing::Contains("the font body (DejaVu Sans) does not have 室 温, nor has another file of the scene; "
                                  "boxes are used instead"));
  EXPECT_THAT(remarks({{"body", "", sans_file}, {"wide", "", wide_file}}),
              ::testing::Contains("the font body (DejaVu Sans) does not have 室 温; other letters are used instead"));
  EXPECT_THAT(remarks({{"body", "Droid Sans Fallback", ""}, {"head", "DejaVu Sans", ""}}),
              ::testing::Contains(HasSubstr("does not have e f n r")));
}

std::string repeated(std::string before, const char* what, int times) {
  for (int i = 0; i < times; ++i) before += what;
  return before;
}

/// Shaping takes the square of the marks on a letter and of the changes of direction in a paragraph: each up to its
/// bound.
TEST(Fonts, WhatTakesTheSquareIsSetUpToItsBound) {
  const std::string marks = repeated("a", "\u0301", 200) + repeated("", "b", 200),
                    breakpoints = repeated("", "a\u05d0", 500);
  const std::string invisible = repeated("a", "\u200b", 500) + repeated("", "b", 200);
  for (const std::string& text : {marks, breakpoints, breakpoints + "\n" + breakpoints, invisible}) {
    Scene scene(row("r").children(fond_ladder::text("t", text)));
    EXPECT_NO_THROW(set_text_metrics(scene, TextMetrics::fonts));
    EXPECT_GT(width_of(scene), 100);
  }
}

/// A long text is set a few thousand bytes at once: its pieces are those of its paragraphs one by one.
TEST(Fonts, ALongTextIsItsParagraphs) {
  const auto fonts = open_fonts(usual);
  std::string all;
  std::vector<TextSegment> expected;
  for (int i = 0; i < 3000; ++i) {
    const std::string one = repeated("", i % 3 == 0 ? "ab \u05d0 " : "fern ", i % 7);
    std::vector<TextSegment> pieces = fonts->shape(one, {})->segments();
    if (one.empty()) pieces.assign(1, {});
    for (TextSegment piece : pieces) {
      piece.begin += static_cast<std::uint32_t>(all.size());
      piece.end += static_cast<std::uint32_t>(all.size());
      expected.push_back(piece);
    }
    if (i == 2999) break;
    all += one + (i % 2 == 0 ? "\n" : "\r\n");
    expected.back().ends_paragraph = true;
  }
  all += repeated("", "fern ", 2999 % 7);
  EXPECT_TRUE(fonts->shape(all, {})->segments() == expected);
}

TEST(Fonts, AllTextsOnceAStyleAreBounded) {
  const std::string one = repeated("", "\n", 500'000);
  Node root = column("r");
  for (int i = 0; i < 40; ++i) root.children(fond_ladder::text("t" + std::to_string(i), one).font_size(8 + (i % 2)));
  Scene few(root);
  EXPECT_NO_THROW(set_text_metrics(few, TextMetrics::fonts)) << "twenty say the same";
  for (int i = 0; i < 16; ++i) root.children(fond_ladder::text("u" + std::to_string(i), one).font_size(20 + i));
  Scene many(root);
  try {
    set_text_metrics(many, TextMetrics::fonts);
    ADD_FAILURE();
  } catch (const BadFonts& bad) {
    EXPECT_STREQ(bad.what(),
                 "all texts, once per style, have 9,000,000 bytes; the limit with fonts is 8,000,000 are set");
  }
}

TEST(Fonts, WhatCannotBeSetIsRefusedWithItsReasonAndChangesNothing) {
  const struct {
    const char* why;
    std::string text;
    double size;
  } cases[] = {
      {"its size is 1000000; the largest with fonts is 10000", "a", 1e6},
      {"its size is 0.01; the smallest with fonts is 0.0625", "a", 0.01},
      {"it has a letter with more than 200 marks on it", repeated("a", "\u0301", 201), 16},
      {"it has a letter with more than 200 marks on it", repeated("a", "\u0301\u200d", 201), 16},
      {"a paragraph of it changes direction more than 1,000 times", repeated("", "a\u05d0", 501), 16},
      {"a paragraph of it changes direction more than 1,000 times", repeated("", "\u05d01", 501), 16},
      {"a paragraph of it changes direction more than 1,000 times", repeated("", "\u2067a\u2069", 501), 16},
      {"its text is wider than 1e6 pixels", std::string(900'000, 'a'), 16},
  };
  for (const auto& [why, text, size] : cases) {
    Scene scene(row("r").children(fond_ladder::text("t", text).font_size(size)));
    try {
      set_text_metrics(scene, TextMetrics::fonts);
      ADD_FAILURE() << why;
    } catch (const BadFonts& bad) {
      EXPECT_THAT(bad.what(), HasSubstr(std::string("r/t: ") + why));
    }
    EXPECT_EQ(scene.text_metrics, TextMetrics::fixed);
    EXPECT_EQ(scene.tree.text_shaper(), nullptr);
  }
  EXPECT_EQ(open_fonts(usual)->refusal(std::string(2'000'000, 'a'), {}),
            "its words take 2,000,000 bytes; the limit with fonts is 1,000,000");
  Scene scene = in_fonts("row:r [ text:t text=a ]");
  scene.tree.set(scene.tree.at("t"), box().font_size(1e6));
  EXPECT_EQ(width_of(scene), 0.6e6) << "an edit of a program's is measured in fixed metrics";
}

TEST(Fonts, FaultsOfAllFontsComeTogether) {
  try {
    static_cast<void>(open_fonts({{"a", "DejaVu Sanz", "", "s:1:2"},
                                  {"b", "DejaVu Serif", ""},
                                  {"c", "", "/nowhere.ttf"},
                                  {"d", "", "/dev/zero"},
                                  {"e", "", FOND_LADDER_SOURCE_DIR "/README.md"},
                                  {"f", "", FOND_LADDER_SOURCE_DIR}}));
    FAIL();
  } catch (const BadFonts& bad) {
    std::vector<std::string> answer;
    for (const BadFonts::Fault& fault : bad.faults())
      answer.push_back(std::to_string(*fault.font) + fault.source_place + " " + fault.message);
    EXPECT_THAT(answer, ElementsAre(HasSubstr("0s:1:2 this machine has no font family \"DejaVu Sanz\"; did you mean "
                                              "\"DejaVu Sans\"?"),
                                    "2 cannot find the file /nowhere.ttf", "3 /dev/zero is not a plain file",
                                    HasSubstr("README.md is not a font file"), HasSubstr("is not a plain file")));
  }
}

TEST(Fonts, TheSameFontsAreOpenedOnce) {
  EXPECT_EQ(open_fonts(usual), open_fonts(usual));
  EXPECT_NE(open_fonts(usual), open_fonts({{"body", "DejaVu Serif", ""}}));
  EXPECT_EQ(open_fonts(usual)->with({{"body", "DejaVu Serif", ""}}),
            open_fonts({usual[1], {"body", "DejaVu Serif", ""}}));
  EXPECT_THAT(font_families(), ::testing::Contains("DejaVu Sans"));
}

TEST(Fonts, AnyNumberOfThreadsMaySetWords) {
  const auto fonts = open_fonts({{"body", "DejaVu Sans", ""}, {"threads", "DejaVu Serif", ""}});
  std::vector<double> sums(6);
  std::vector<std::jthread> threads;
  for (double& sum : sums) {
    threads.emplace_back([&sum, &fonts] {
      for (int i = 0; i < 200; ++i) {
        FontStyle style;
        style.size = 10 + i % 7;
        style.bold = i % 3 == 0;
        sum += fonts->shape("Fern " + std::to_string(i % 40), style)->widths().max_content;
      }
    });
  }
  threads.clear();
  EXPECT_THAT(sums, ::testing::Each(sums[0]));
}

TEST(Fonts, ALayoutOfPangosIsContentToo) {
  const typeset::Owned<PangoFontMap> map(pango_cairo_font_map_new());
  const typeset::Owned<PangoContext> context(pango_font_map_create_context(map.get()));
  const typeset::Owned<PangoLayout> layout(pango_layout_new(context.get()));
  pango_layout_set_markup(layout.get(), "Seed <b>trays</b> of the <span font_size='large'>northern</span> wing", -1);
  pango_layout_set_width(layout.get(), 40 * PANGO_SCALE);
  Scene scene = scene_from("column:c [ text:t ]");
  scene.tree.set_content(scene.tree.at("t"), segments_of(layout.get()));
  const Solution solution = solve(scene, {2000, {}});
  ASSERT_EQ(solution.text_lines(scene.tree.at("t")).size(), 1U);
  pango_layout_set_width(layout.get(), -1);
  PangoRectangle extent;
  pango_layout_get_extents(layout.get(), nullptr, &extent);
  EXPECT_EQ(solution.text_lines(scene.tree.at("t"))[0].box.width, static_cast<double>(extent.width) / PANGO_SCALE);
}

TEST(Fonts, AnEmptyTextHasNoLineAndALineFeedBeginsOne) {
  const auto height = [](const char* text) {
    const auto set = open_fonts(usual)->shape(text, {});
    return set->height_for(500).height / set->line_height();
  };
  EXPECT_EQ(height(""), 0);
  EXPECT_EQ(height("a"), 1);
  EXPECT_EQ(height("a\nb"), 2);
  EXPECT_EQ(height("a\r\nb\n"), 3);
  EXPECT_EQ(height("a\n\nb"), 3);
  EXPECT_EQ(height("  "), 1);
  EXPECT_EQ(height("\xFF\xFE ok"), 1) << "bytes that are no text";
}

}  // namespace
}  // namespace fond_ladder
