// SPDX-License-Identifier: MIT
//
// The files that come out, read back by other readers than the one that wrote them.
#include <cairo.h>
#include <gmock/gmock.h>
#include <gtest/gtest.h>

#include <cstdio>
#include <cstring>
#include <pugixml.hpp>
#include <set>
#include <sstream>

#include "draw/palette.hpp"
#include "fond_ladder/draw.hpp"
#include "fond_ladder/fonts.hpp"
#include "support/shorthand.hpp"

namespace fond_ladder {
namespace {

using testing::scene_from;
using testing::short_number;

Picture drawn(const Scene& scene, PictureForm form, const DrawOptions& options = {}) {
  const std::vector<Panel> panels{{solve(scene, {100, 60}), ""}};
  return draw(panels, form, options);
}

/// `x,y WxH` of a rectangle.
std::string rectangle_of(const pugi::xml_node& node) {
  double x = 0, y = 0, width = 0, height = 0;
  char end = 0;
  if (std::sscanf(node.attribute("d").value(), "M%lf %lfh%lfv%lfH%*fz%c", &x, &y, &width, &height, &end) != 4)
    return "";
  return short_number(x) + "," + short_number(y) + " " + short_number(width) + "x" + short_number(height);
}

TEST(Canvas, SvgHasTheRectanglesAndNothingOfTheAuthorsMarkup) {
  const Scene scene = scene_from(
      R"(row:r padding=5 gap=4 [ box:a width=20 text:t width=60 text="</svg><script>&\"'<x>]]>\u0000\u0007\ud83c\udf31" ])");
  for (const bool bare : {true, false}) {
    const Picture picture =
        drawn(scene, PictureForm::svg, {.bare = bare, .only = {}, .scale = {}, .title = "</svg>&<"});
    pugi::xml_document document;
    const auto read = document.load_buffer(picture.bytes.data(), picture.bytes.size());
    ASSERT_TRUE(read) << read.description();
    const pugi::xml_node svg = document.child("svg");
    std::set<std::string> elements, rectangles;
    const double shift = bare ? 0 : 16, down = bare ? 0 : 64;
    for (const auto& found : svg.select_nodes("//*")) {
      elements.insert(found.node().name());
      rectangles.insert(rectangle_of(found.node()));
    }
    for (const std::string& name : elements) {
      EXPECT_TRUE(
          (std::set<std::string>{"svg", "g", "path", "clipPath", "pattern", "text", "title", "polygon"}.contains(name)))
          << name;
    }
    const auto expect_rectangle = [&](const char* name, Rect box) {
      const std::string text = short_number(box.x + shift) + "," + short_number(box.y + down) + " " +
                               short_number(box.width) + "x" + short_number(box.height);
      EXPECT_TRUE(rectangles.contains(text)) << name << " " << text;
    };
    expect_rectangle("a", {5, 5, 20, 50});
    expect_rectangle("t", {29, 5, 60, 50});
    // Words are text, every node has its path for an id, and the picture a title.
    std::string words;
    for (const auto& found : svg.select_nodes("//g[@id='r/t']/text")) words += found.node().text().get();
    EXPECT_THAT(words, ::testing::HasSubstr("</svg><script>&"));
    EXPECT_EQ(std::string(svg.select_node("//g[@id='r/a']/title").node().text().get()), "a, box, 20 \u00d7 50");
    EXPECT_EQ(std::string(svg.child("title").text().get()), "</svg>&<");
    EXPECT_EQ(std::string(svg.attribute("width").value()), std::to_string(static_cast<int>(picture.width)) + "px");
  }
}

TEST(Canvas, PngHasItsSizeAndItsTints) {
  const Scene scene = scene_from("row:r [ box:a width=20 column:b weight=1 ]");
  const Picture picture = drawn(scene, PictureForm::png, {.bare = true, .only = {}, .scale = 2, .title = {}});
  std::string_view rest = picture.bytes;
  const auto read = [](void* from, unsigned char* data, unsigned int length) {
    auto& bytes = *static_cast<std::string_view*>(from);
    if (bytes.size() < length) return CAIRO_STATUS_READ_ERROR;
    std::memcpy(data, bytes.data(), length);
    bytes.remove_prefix(length);
    return CAIRO_STATUS_SUCCESS;
  };
  cairo_surface_t* surface = cairo_image_surface_create_from_png_stream(read, &rest);
  ASSERT_EQ(cairo_surface_status(surface), CAIRO_STATUS_SUCCESS);
  EXPECT_EQ(cairo_image_surface_get_width(surface), 200);
  EXPECT_EQ(cairo_image_surface_get_height(surface), 120);
  const auto near = [&](int x, int y, const picture::Ink& ink) {
    std::uint32_t pixel = 0;
    std::memcpy(&pixel, cairo_image_surface_get_data(surface) + y * cairo_image_surface_get_stride(surface) + 4 * x, 4);
    const double parts[] = {ink.red, ink.green, ink.blue};
    for (int i = 0; i < 3; ++i) EXPECT_NEAR((pixel >> (16 - 8 * i)) & 255, 255 * parts[i], 1.5) << x << "," << y;
  };
  near(20, 60, picture::tint_of(Kind::box, 1));
  // A container is a veil over what lies behind it.
  const auto veiled = [](double over, double under) { return 0.6 * over + 0.4 * under; };
  const picture::Ink over = picture::tint_of(Kind::column, 1), under = picture::tint_of(Kind::row, 0);
  near(120, 60, {veiled(over.red, under.red), veiled(over.green, under.green), veiled(over.blue, under.blue)});
  cairo_surface_destroy(surface);
}

TEST(Canvas, PdfIsAsLargeAsItsPixels) {
  const Picture picture = drawn(scene_from("row:r [ box:a ]"), PictureForm::pdf, {.bare = true});
  EXPECT_THAT(picture.bytes, ::testing::StartsWith("%PDF-1."));
  EXPECT_THAT(picture.bytes, ::testing::HasSubstr("/MediaBox [ 0 0 75 45 ]"));  // points
  EXPECT_THAT(picture.bytes.substr(picture.bytes.size() - 8), ::testing::HasSubstr("%%EOF"));
}

/// The first text of an SVG picture.
pugi::xml_node first_text(const Picture& picture, pugi::xml_document& document) {
  EXPECT_TRUE(document.load_buffer(picture.bytes.data(), picture.bytes.size()));
  return document.select_node("//text").node();
}

TEST(Canvas, WordsInFontsNameTheirFontAndReadTheirWay) {
  Scene scene = scene_from(
      R"(fonts={"head":{"family":"DejaVu Serif"}} row:r [ text:t text="سرخس." font=head bold=true italic=true font_size=10 ])");
  set_text_metrics(scene, TextMetrics::fonts);
  const double width = solve(scene, {100, 60}).text_lines(scene.tree.at("t"))[0].box.width;
  pugi::xml_document document;
  const pugi::xml_node words =
      first_text(drawn(scene, PictureForm::svg, {.bare = true, .only = {}, .scale = {}, .title = {}}), document);
  EXPECT_STREQ(words.attribute("font-family").value(), "'DejaVu Serif', sans-serif");
  EXPECT_STREQ(words.attribute("font-weight").value(), "bold");
  EXPECT_STREQ(words.attribute("font-style").value(), "italic");
  EXPECT_STREQ(words.attribute("direction").value(), "rtl");
  EXPECT_NEAR(words.attribute("x").as_double(), width, 0.001) << "from there to the left";
  EXPECT_NEAR(words.attribute("textLength").as_double(), width, 0.001);
  pugi::xml_document plain;
  set_text_metrics(scene, TextMetrics::fixed);
  EXPECT_STREQ(first_text(drawn(scene, PictureForm::svg, {.bare = true, .only = {}, .scale = {}, .title = {}}), plain)
                   .attribute("font-family")
                   .value(),
               "monospace");
}

TEST(Canvas, AHyphenIsDrawnWhereALineEndsInIt) {
  Scene scene = scene_from("column:c [ text:t text=\"glass\u00ADhouse\" font_size=20 ]");
  set_text_metrics(scene, TextMetrics::fonts);
  pugi::xml_document document;
  const Picture picture = drawn(scene, PictureForm::svg, {.bare = true, .only = {}, .scale = {}, .title = {}});
  EXPECT_THAT(first_text(picture, document).text().get(), ::testing::EndsWith("\u2010"));
}

}  // namespace
}  // namespace fond_ladder
