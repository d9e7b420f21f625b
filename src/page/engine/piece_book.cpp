// SPDX-License-Identifier: MIT
#include "page/engine/piece_book.hpp"

#include <algorithm>
#include <cmath>
#include <stdexcept>

#include "fond_ladder/fonts.hpp"
#include "model/fonts_by_name.hpp"
#include "page/engine/font_key.hpp"
#include "scene/read/json_document.hpp"

namespace fond_ladder {
namespace page {
namespace {

using scene::JsonDocument;
using scene::JsonValue;
using scene::no_value;
using scene::ValueId;

/// Pieces in characters of another size.
std::vector<TextSegment> scaled(std::vector<TextSegment> pieces, double by) {
  for (TextSegment& piece : pieces) {
    piece.width *= by;
    piece.space *= by;
    piece.hyphen *= by;
  }
  return pieces;
}

/// The items of a list or object, in their order.
std::vector<ValueId> items_of(const JsonDocument& document, ValueId list) {
  std::vector<ValueId> items;
  for (ValueId id = list == no_value ? list : document[list].first; id != no_value; id = document[id].next)
    items.push_back(id);
  return items;
}

}  // namespace

void PieceStore::read(std::string_view json) {
  words_.clear();
  families_.clear();
  if (json.empty()) return;
  constexpr double unit = 1024;
  try {
    const JsonDocument document(json);
    const ValueId root = document.root();
    std::vector<std::string> fonts;
    for (const ValueId font : items_of(document, document.member(root, "fonts"))) {
      fonts.push_back(document[document.member(font, "said")].text);
      families_[fonts.back()] = document[document.member(font, "family")].text;
    }
    for (const ValueId one : items_of(document, document.member(root, "words"))) {
      const auto number = [&](const char* key) { return document[document.member(one, key)].number; };
      const auto truth = [&](const char* key) { return document[document.member(one, key)].boolean; };
      const Known known{fonts.at(static_cast<std::size_t>(number("font"))), truth("bold"), truth("italic"),
                        truth("one_line"), document[document.member(one, "text")].text};
      Measured measured{number("size"), number("ascent"), number("descent"), {}};
      const std::vector<ValueId> numbers = items_of(document, document.member(one, "pieces"));
      constexpr std::size_t fields = 6;
      for (std::size_t i = 0; i + fields <= numbers.size(); i += fields) {
        const auto at = [&](std::size_t field) { return document[numbers[i + field]].number; };
        measured.pieces.push_back({static_cast<std::uint32_t>(at(0)), static_cast<std::uint32_t>(at(1)), at(2) / unit,
                                   at(3) / unit, at(4) / unit, at(5) != 0});
      }
      words_[known].push_back(std::move(measured));
    }
  } catch (const scene::JsonFault& fault) {
    throw std::invalid_argument("the text segments cannot be read: " + fault.message);
  } catch (const std::out_of_range&) {
    throw std::invalid_argument("the text segments name a font that is missing");
  }
}

std::shared_ptr<const ShapedText> PieceStore::set(const NamedFont* font, const std::string& text,
                                                  const FontStyle& style) const {
  const auto found = words_.find({font_key(font), style.bold, style.italic, style.one_line, text});
  if (found == words_.end()) return nullptr;
  const auto apart = [&](const Measured& one) { return std::abs(one.size - style.size); };
  const Measured& near = *std::ranges::min_element(found->second, {}, apart);
  const double by = style.size / near.size;
  std::string words = text;
  if (style.one_line) std::ranges::replace(words, '\n', ' ');
  try {
    return std::make_shared<const ShapedText>(std::move(words), by == 1 ? near.pieces : scaled(near.pieces, by),
                                              style.lines(near.ascent * by, near.descent * by), style);
  } catch (const BadSegments&) {
    return nullptr;
  }
}

std::string PieceStore::family(const NamedFont* font) const {
  const auto found = families_.find(font_key(font));
  return found == families_.end() ? std::string("sans-serif") : found->second;
}

PieceStore& carried_pieces() {
  static PieceStore store;
  return store;
}

std::shared_ptr<const ShapedText> PieceBook::shape(const std::string& text, const FontStyle& style) const {
  return carried_pieces().set(font_named(fonts_, style.font), text, style);
}

double PieceBook::zero_width(const FontStyle& style) const {
  FontStyle of_zero = style;
  of_zero.one_line = true;
  const auto zero = shape("0", of_zero);
  return zero ? zero->widths().max_content : plain_character * style.size;
}

std::string PieceBook::family(const FontStyle& style) const {
  return carried_pieces().family(font_named(fonts_, style.font));
}

std::shared_ptr<const TextShaper> PieceBook::with(const std::vector<NamedFont>& fonts) const {
  return std::make_shared<PieceBook>(with_fonts(fonts_, fonts));
}

}  // namespace page

inline namespace v0 {

bool can_open_fonts() {
  return !page::carried_pieces().empty();
}

std::shared_ptr<const TextShaper> open_fonts(const std::vector<NamedFont>& fonts) {
  return std::make_shared<page::PieceBook>(fonts);
}

}  // namespace v0
}  // namespace fond_ladder
