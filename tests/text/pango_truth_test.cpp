// SPDX-License-Identifier: MIT
//
// Pieces against what they are made of: the lines that Pango's own layout breaks, over many texts, scripts and widths.
#include <gtest/gtest.h>
#include <pango/pangocairo.h>

#include <cmath>
#include <random>

#include "fond_ladder/fonts.hpp"
#include "text/owned.hpp"

namespace fond_ladder {
namespace {

struct Script {
  const char* name;
  const char* family;
  std::vector<std::string> words;
  std::string between = " ";
  bool mixes_fonts = false;  // then Pango gives each line the height of its own, we all lines that of the highest
};

const std::vector<Script>& scripts() {
  static const std::vector<Script> all{
      {"Latin",
       "DejaVu Sans",
       {"Fern", "AVATAR", "To", "office,", "propagation", "half-shade", "glass\u00ADhouse", "mist (twice)", "12.5 °C",
        "crème", "cre\u0301me", "“trays”", "north/south", "fi", "e.g.", "100 %", "water\u00ADing\u00ADtable", "–",
        "🌱"}},
      {"Cyrillic", "DejaVu Serif", {"папоротник", "тень", "в", "опрыскивать", "дважды,", "из‑под", "Теплица", "№ 7"}},
      {"Arabic", "DejaVu Sans", {"بذور", "السرخس", "في", "الظل،", "ورذاذ", "مرتين", "اليوم.", "١٢٣", "Fern", "لا"}},
      {"Han", "Droid Sans Fallback", {"温室", "苗床", "播种盘，", "遮阴。", "「处理」", "每日两次", "苗（床）"}, ""},
      {"Mixed", "Droid Sans Fallback", {"温室", "播种盘，", "12", "Fern", "a b", "بذور"}, "", true},
      {"Devanagari", "Lohit Devanagari", {"फर्न", "बीज", "छाया", "में", "दिन", "क्षेत्र", "श्रृंखला।", "दो", "बार"}},
  };
  return all;
}

class PangoTruth : public testing::TestWithParam<std::size_t> {
 protected:
  PangoTruth() : map_(pango_cairo_font_map_new_for_font_type(CAIRO_FONT_TYPE_FT)) {
    context_.reset(pango_font_map_create_context(map_.get()));
    pango_context_set_round_glyph_positions(context_.get(), 0);
    pango_context_set_language(context_.get(), pango_language_from_string("en"));
    cairo_font_options_t* options = cairo_font_options_create();
    cairo_font_options_set_hint_style(options, CAIRO_HINT_STYLE_NONE);
    cairo_font_options_set_hint_metrics(options, CAIRO_HINT_METRICS_OFF);
    pango_cairo_context_set_font_options(context_.get(), options);
    cairo_font_options_destroy(options);
  }

  typeset::Owned<PangoLayout> layout(const std::string& text, const std::string& family, const FontStyle& style) {
    typeset::Owned<PangoLayout> made(pango_layout_new(context_.get()));
    const typeset::Owned<PangoFontDescription> font(pango_font_description_new());
    pango_font_description_set_family(font.get(), family.c_str());
    pango_font_description_set_absolute_size(font.get(), style.size * PANGO_SCALE);
    if (style.bold) pango_font_description_set_weight(font.get(), PANGO_WEIGHT_BOLD);
    pango_layout_set_font_description(made.get(), font.get());
    pango_layout_set_wrap(made.get(), PANGO_WRAP_WORD);
    pango_layout_set_text(made.get(), text.data(), static_cast<int>(text.size()));
    return made;
  }

 private:
  typeset::Owned<PangoFontMap> map_;
  typeset::Owned<PangoContext> context_;
};

TEST_P(PangoTruth, LinesAreThoseOfItsOwnLayout) {
  const Script& script = scripts()[GetParam()];
  const auto fonts = open_fonts({{"body", script.family, ""}});
  std::mt19937 random(static_cast<unsigned>(GetParam()) + 7);
  const auto dice = [&](std::size_t sides) { return random() % sides; };
  for (int n = 0; n < 100; ++n) {
    std::string text;
    for (std::size_t i = 1 + dice(40); i > 0; --i)
      text += script.words[dice(script.words.size())] + (i == 1 ? "" : dice(12) == 0 ? "\n" : script.between);
    FontStyle style;
    style.size = 8 + static_cast<double>(dice(100)) / 4;
    style.bold = dice(4) == 0;
    const auto set = fonts->shape(text, style);
    ASSERT_NE(set, nullptr);
    const auto own = layout(text, script.family, style);
    for (int w = 0; w < 20; ++w) {
      const int units =
          static_cast<int>(set->widths().min_content * PANGO_SCALE) + static_cast<int>(dice(500 * PANGO_SCALE));
      const double width = static_cast<double>(units) / PANGO_SCALE;
      pango_layout_set_width(own.get(), units);
      const std::vector<BreakableText::Line> lines = set->lines_at(width);
      SCOPED_TRACE(text + " at " + std::to_string(width) + ", size " + std::to_string(style.size));
      ASSERT_EQ(static_cast<int>(lines.size()), pango_layout_get_line_count(own.get()));
      int highest = 0, deepest = 0;  // of its lines, which have the heights of their own fonts each
      for (int i = 0; i < static_cast<int>(lines.size()); ++i) {
        const BreakableText::Line& line = lines[static_cast<std::size_t>(i)];
        PangoLayoutLine* theirs = pango_layout_get_line_readonly(own.get(), i);
        if (!line.text.empty()) {
          EXPECT_EQ(line.text.data() - set->text().data(), theirs->start_index) << i;
        }
        PangoRectangle extent;
        pango_layout_line_get_extents(theirs, nullptr, &extent);
        EXPECT_NEAR(line.width, static_cast<double>(extent.width) / PANGO_SCALE, 1.0 / 64) << "line " << i;
        highest = std::max(highest, -extent.y);
        deepest = std::max(deepest, extent.height + extent.y);
      }
      if (script.mixes_fonts) continue;
      EXPECT_NEAR(set->line_baseline(), static_cast<double>(highest) / PANGO_SCALE, 1.0 / 64);
      EXPECT_NEAR(set->line_height(), static_cast<double>(highest + deepest) / PANGO_SCALE, 1.0 / 64);
    }
    if (HasFailure()) return;
  }
}

INSTANTIATE_TEST_SUITE_P(Scripts, PangoTruth, testing::Range<std::size_t>(0, 6),
                         [](const auto& of) { return scripts()[of.param].name; });

}  // namespace
}  // namespace fond_ladder
