// SPDX-License-Identifier: MIT
#include "page/report/pieces_text.hpp"

#include <algorithm>
#include <cmath>
#include <map>
#include <set>
#include <sstream>
#include <tuple>

#include "model/fonts_by_name.hpp"
#include "page/engine/font_key.hpp"
#include "print/json_writer.hpp"
#include "text/styled_words.hpp"

namespace fond_ladder::page {
namespace {

/// The fonts of a scene in one of its locales.
std::vector<NamedFont> fonts_in(const Scene& scene, const Locale* locale) {
  return locale == nullptr ? scene.fonts : with_fonts(scene.fonts, locale->fonts);
}

/// One line of numbers.
std::string numbers_of(const std::vector<TextSegment>& pieces) {
  constexpr double unit = 1024;
  std::string list = "[";
  for (const TextSegment& piece : pieces) {
    for (const double number : {static_cast<double>(piece.begin), static_cast<double>(piece.end), piece.width * unit,
                                piece.space * unit, piece.hyphen * unit, piece.ends_paragraph ? 1.0 : 0.0}) {
      if (list.size() > 1) list += ',';
      list += std::to_string(std::llround(number));
    }
  }
  return list + "]";
}

class PieceWriter {
 public:
  void add(const Scene& scene) {
    const std::shared_ptr<const TextShaper>& setter = scene.tree.text_shaper();
    if (!setter) return;
    std::map<const Locale*, std::shared_ptr<const TextShaper>> setters{{nullptr, setter}};
    std::map<const Locale*, std::vector<NamedFont>> fonts;
    FontStyle usual;
    usual.size = scene.tree.em();
    add(*setter, fonts_in(scene, nullptr), "0", usual, true);
    for (const typeset::StyledWords& one : typeset::styled_words(scene)) {
      auto& by = setters[one.locale];
      if (!by) by = setter->with(one.locale->fonts);
      const auto [named, is_new] = fonts.try_emplace(one.locale);
      if (is_new) named->second = fonts_in(scene, one.locale);
      add(*by, named->second, *one.text, one.style, false);
      add(*by, named->second, "0", one.style, true);
    }
  }

  [[nodiscard]] std::string text() const {
    if (words_.empty()) return {};
    std::ostringstream out;
    JsonWriter json(out);
    json.begin_object();
    json.objects("fonts", fonts_, [&](const std::pair<std::string, std::string>& font) {
      json.text("said", font.first);
      json.text("family", font.second);
    });
    json.objects("words", words_, [&](const TextLine& one) {
      json.number("font", one.font);
      if (one.style.bold) json.truth("bold", true);
      if (one.style.italic) json.truth("italic", true);
      if (one.style.one_line) json.truth("one_line", true);
      json.number("size", one.style.size);
      json.number("ascent", one.set->line_baseline());
      json.number("descent", one.set->line_height() - one.set->line_baseline());
      json.text("text", one.text);
      json.json("pieces", numbers_of(one.set->segments()));
    });
    json.end();
    return out.str();
  }

 private:
  void add(const TextShaper& setter, const std::vector<NamedFont>& fonts, const std::string& text, FontStyle style,
           bool one_line) {
    const NamedFont* named = font_named(fonts, style.font);
    style.font = named == nullptr ? "" : named->name;
    style.line_height.reset();
    style.max_lines.reset();
    style.one_line |= one_line;
    const std::string key = font_key(named);
    if (!known_.emplace(key, style.bold, style.italic, style.one_line, style.size, text).second) return;
    const auto set = setter.shape(text, style);
    if (!set) return;
    auto font = std::ranges::find(fonts_, key, &std::pair<std::string, std::string>::first);
    if (font == fonts_.end()) font = fonts_.insert(font, {key, setter.family(style)});
    words_.push_back({static_cast<std::size_t>(font - fonts_.begin()), style, text, set});
  }

  struct TextLine {
    std::size_t font;
    FontStyle style;
    std::string text;
    std::shared_ptr<const ShapedText> set;
  };
  std::vector<std::pair<std::string, std::string>> fonts_;  // what each is known by, and its family
  std::vector<TextLine> words_;
  std::set<std::tuple<std::string, bool, bool, bool, double, std::string>> known_;
};

}  // namespace

std::string pieces_text(const std::vector<const Scene*>& scenes) {
  PieceWriter writer;
  for (const Scene* scene : scenes) writer.add(*scene);
  return writer.text();
}

}  // namespace fond_ladder::page
