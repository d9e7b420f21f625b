// SPDX-License-Identifier: MIT
//
// SVG as a document that people search and programs read: words are text, every node is a group with its path as id and
// what it is as title, shapes are shapes, hatching is a pattern. SVG 1.1, and nothing that runs or loads.
#include <algorithm>
#include <cmath>
#include <map>
#include <pugixml.hpp>
#include <set>
#include <sstream>

#include "draw/canvas.hpp"
#include "model/number_text.hpp"
#include "model/printable.hpp"
#include "model/reading_way.hpp"

namespace fond_ladder::inline v0::picture {
namespace {

/// Three decimals: what no eye sees is left out.
std::string number(double value) {
  constexpr double thousand = 1000;
  return exact(std::round(value * thousand) / thousand);
}

std::string color(const Ink& ink) {
  std::string text = "#";
  for (const double part : {ink.red, ink.green, ink.blue}) {
    constexpr std::string_view digits = "0123456789abcdef";
    const auto byte = static_cast<unsigned>(std::lround(255 * part));
    text += digits[byte >> 4];
    text += digits[byte & 15];
  }
  return text;
}

/// The name of a family as CSS takes it.
std::string quoted(const std::string& family) {
  std::string name;
  for (const char c : printable(family)) {
    if (c != '\'' && c != '"' && c != '\\') name += c;
  }
  return "'" + name + "'";
}

/// A path with what an id cannot hold put by other signs.
std::string id_of(const std::string& path) {
  std::string id = printable(path);
  for (char& c : id) {
    if (c == ' ' || c == '"' || c == '\'' || c == '<' || c == '>' || c == '&') c = '_';
  }
  return id;
}

class SvgCanvas final : public Canvas {
 public:
  SvgCanvas(const Blank& sheet, std::unique_ptr<LetterRuler> ruler)
      : ruler_(std::move(ruler)),
        names_nodes_(!sheet.within_page),
        id_prefix_(sheet.within_page ? "picture:" : ""),
        family_(sheet.within_page ? "monospace" : "sans-serif") {
    const double width = std::ceil(sheet.width), height = std::ceil(sheet.height);
    pugi::xml_node declaration = document_.append_child(pugi::node_declaration);
    declaration.append_attribute("version") = "1.0";
    declaration.append_attribute("encoding") = "UTF-8";
    pugi::xml_node svg = document_.append_child("svg");
    set(svg, "xmlns", "http://www.w3.org/2000/svg");
    set(svg, "width", number(width) + "px");
    set(svg, "height", number(height) + "px");
    set(svg, "viewBox", "0 0 " + number(width) + " " + number(height));
    set(svg, "role", "img");
    set(svg, "font-family", family_);
    if (!names_nodes_) set(svg, "font-size", number(usual_size));
    set(svg, "xml:space", "preserve");
    if (!sheet.title.empty()) svg.append_child("title").text() = printable(sheet.title).c_str();
    open_.push_back(svg);
    fill({0, 0, width, height}, {1, 1, 1});
  }

  void fill(const Rect& area, const Ink& ink) override { paint(path(box_path(area)), ink); }

  void outline(const Rect& area, const Stroke& stroke) override {
    pugi::xml_node shape = path(box_path(area));
    set(shape, "fill", "none");
    draw_with(shape, stroke);
  }

  void lines(std::span<const Segment> segments, const Stroke& stroke) override {
    if (segments.empty()) return;
    std::string all;
    for (const Segment& one : segments) {
      all += "M" + number(one.from.x) + " " + number(one.from.y) + "L" + number(one.to.x) + " " + number(one.to.y);
    }
    pugi::xml_node shape = path(all);
    set(shape, "fill", "none");
    draw_with(shape, stroke);
  }

  /// A pattern instead of lines: it is written once, however much is hatched.
  void hatch(std::span<const Rect> areas, Hatch way, double step, const Stroke& stroke) override {
    std::string pieces;
    for (const Rect& area : areas) {
      if (area.width <= 0 || area.height <= 0) continue;
      pieces += box_path(area);
    }
    if (pieces.empty()) return;
    pugi::xml_node shape = path(pieces);
    set(shape, "fill", "url(#" + pattern(way, step, stroke) + ")");
  }

  void polygon(std::span<const Point> corners, const Ink& ink) override {
    std::string points;
    for (const Point& one : corners) points += (points.empty() ? "" : " ") + number(one.x) + "," + number(one.y);
    pugi::xml_node shape = open_.back().append_child("polygon");
    set(shape, "points", points);
    paint(shape, ink);
  }

  void letters(std::string_view text, Point at, const Lettering& lettering, double width) override {
    if (text.empty()) return;
    pugi::xml_node shape = open_.back().append_child("text");
    const double wide = width > 0 ? width : width_of(text, lettering);
    const bool from_right = reads_from_right(text);
    set(shape, "x", number(from_right ? at.x + wide : at.x));
    if (from_right) set(shape, "direction", "rtl");
    if (from_right) set(shape, "unicode-bidi", "embed");
    set(shape, "y", number(at.y));
    if (lettering.turned) set(shape, "transform", "rotate(-90 " + number(at.x) + " " + number(at.y) + ")");
    const FontStyle* style = lettering.text_shaper != nullptr ? lettering.style : nullptr;
    const std::string family = style != nullptr ? quoted(lettering.text_shaper->family(*style)) + ", sans-serif"
                               : lettering.face == Lettering::Face::words ? "monospace"
                                                                          : "sans-serif";
    if (family != family_) set(shape, "font-family", family);
    if (names_nodes_ || lettering.size != usual_size) set(shape, "font-size", number(lettering.size));
    if (style != nullptr ? style->bold : lettering.face == Lettering::Face::strong) set(shape, "font-weight", "bold");
    if (style != nullptr && style->italic) set(shape, "font-style", "italic");
    // As wide as it was measured here, whatever font is there where it is looked at.
    set(shape, "textLength", number(wide));
    set(shape, "lengthAdjust", "spacingAndGlyphs");
    paint(shape, lettering.ink);
    shape.text() = printable(text).c_str();
  }

  double width_of(std::string_view text, const Lettering& lettering) override {
    return ruler_->width_of(text, lettering);
  }

  void clip(const Rect& area) override {
    const std::string id = id_prefix_ + "clip:" + std::to_string(++clips_);
    pugi::xml_node window = open_.back().append_child("clipPath");
    set(window, "id", id);
    open_.push_back(window);
    static_cast<void>(path(box_path(area)));
    open_.pop_back();
    pugi::xml_node group = open_.back().append_child("g");
    set(group, "clip-path", "url(#" + id + ")");
    open_.push_back(group);
  }
  void unclip() override { open_.pop_back(); }

  [[nodiscard]] bool names_nodes() const override { return names_nodes_; }
  void begin_node(const std::string& path, const std::string& title) override {
    pugi::xml_node group = open_.back().append_child("g");
    std::string id = id_of(path);
    while (!ids_.insert(id).second) id += "'";  // another size of it, side by side
    set(group, "id", id);
    group.append_child("title").text() = printable(title).c_str();
    open_.push_back(group);
  }
  void end_node() override { open_.pop_back(); }

  std::string finish() override {
    std::ostringstream out;
    document_.save(out, " ", pugi::format_raw, pugi::encoding_utf8);
    return out.str() + "\n";
  }

 private:
  static void set(pugi::xml_node node, const char* name, const std::string& value) {
    node.append_attribute(name) = value.c_str();
  }

  /// The id of a tile of slanting lines.
  const std::string& pattern(Hatch way, double step, const Stroke& stroke) {
    const std::string side = number(step), over = number(step + 1), under = number(step - 1);
    std::string lines;  // the corners too, where the line of the next tile begins
    if (way != Hatch::falling) {
      lines += "M-1 1L1 -1M0 " + side + "L" + side + " 0M" + under + " " + over + "L" + over + " " + under;
    }
    if (way != Hatch::rising) {
      lines += "M-1 " + under + "L1 " + over + "M0 0L" + side + " " + side + "M" + under + " -1L" + over + " 1";
    }
    const std::string ink = color(stroke.ink) + " " + number(stroke.ink.alpha) + " " + number(stroke.width);
    const auto [known, is_new] = patterns_.try_emplace({lines, ink});
    if (!is_new) return known->second;
    known->second = id_prefix_ + "hatch:" + std::to_string(patterns_.size());
    pugi::xml_node tile = open_.front().append_child("pattern");
    set(tile, "id", known->second);
    set(tile, "patternUnits", "userSpaceOnUse");
    set(tile, "width", side);
    set(tile, "height", side);
    pugi::xml_node shape = tile.append_child("path");
    set(shape, "d", lines);
    draw_with(shape, stroke);
    return known->second;
  }

  /// A box takes a third less space as a path than as a shape of its own.
  static std::string box_path(const Rect& area) {
    return "M" + number(area.x) + " " + number(area.y) + "h" + number(std::max(0.0, area.width)) + "v" +
           number(std::max(0.0, area.height)) + "H" + number(area.x) + "z";
  }
  pugi::xml_node path(const std::string& lines) {
    pugi::xml_node shape = open_.back().append_child("path");
    set(shape, "d", lines);
    return shape;
  }

  static void paint(pugi::xml_node shape, const Ink& ink) {
    set(shape, "fill", color(ink));
    if (ink.alpha < 1) set(shape, "fill-opacity", number(ink.alpha));
  }

  static void draw_with(pugi::xml_node& shape, const Stroke& stroke) {
    set(shape, "stroke", color(stroke.ink));
    if (stroke.ink.alpha < 1) set(shape, "stroke-opacity", number(stroke.ink.alpha));
    if (stroke.width != 1) set(shape, "stroke-width", number(stroke.width));
    if (stroke.line == Stroke::Line::dashed) set(shape, "stroke-dasharray", "4 3");
    if (stroke.line == Stroke::Line::dotted) set(shape, "stroke-dasharray", "1.2 6.8");
  }

  std::unique_ptr<LetterRuler> ruler_;
  bool names_nodes_;
  std::string id_prefix_;
  std::string family_;                      // default family; within a page, which must be small, fixed metrics
  static constexpr double usual_size = 16;  // within a page
  pugi::xml_document document_;
  std::vector<pugi::xml_node> open_;
  std::set<std::string> ids_;
  int clips_ = 0;
  std::map<std::pair<std::string, std::string>, std::string> patterns_;  // lines and stroke, to the id
};

}  // namespace

std::unique_ptr<Canvas> open_svg(const Blank& sheet, std::unique_ptr<LetterRuler> ruler) {
  return std::make_unique<SvgCanvas>(sheet, std::move(ruler));
}

}  // namespace fond_ladder::inline v0::picture
