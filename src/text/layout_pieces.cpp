// SPDX-License-Identifier: MIT
//
// A layout at no width has a line a paragraph, shaped as a whole. Each character is given the width that its cluster
// has in there; a piece goes from one place where Pango lets a line break (Unicode UAX #14) to the next, and is as wide
// as its characters. So kerning and joined letters count within pieces and across them, as on a line of Pango's own.
// The white space at its end is counted apart. Tests: pango_truth_test.cpp, fonts_test.cpp.
#include "text/layout_pieces.hpp"

#include <hb.h>
#include <pango/pango-break.h>

#include <algorithm>
#include <cstdint>
#include <span>

namespace fond_ladder::inline v0::typeset {
namespace {

/// What is known of one character.
struct Seen {
  std::uint32_t byte = 0;
  int width = 0;
  PangoFont* font = nullptr;
};

constexpr double pixels(int units) {
  return static_cast<double>(units) / PANGO_SCALE;
}

/// White space that a line may end with; one that holds words together takes its space.
bool hangs(gunichar character, const PangoLogAttr& attributes) {
  constexpr gunichar no_break = 0xA0, narrow_no_break = 0x202F, figure = 0x2007;
  return attributes.is_white != 0 && character != no_break && character != narrow_no_break && character != figure;
}

int hyphen_width(PangoFont* font) {
  if (font == nullptr) return 0;
  hb_font_t* shaper = pango_font_get_hb_font(font);
  for (const hb_codepoint_t character : {0x2010U, 0x2DU}) {
    hb_codepoint_t glyph = 0;
    if (hb_font_get_nominal_glyph(shaper, character, &glyph) != 0) return hb_font_get_glyph_h_advance(shaper, glyph);
  }
  return 0;
}

class Reader {
 public:
  explicit Reader(PangoLayout* layout) : layout_(layout), text_(pango_layout_get_text(layout)) {
    int count = 0;
    attributes_ = pango_layout_get_log_attrs_readonly(layout, &count);
    for (const char* at = text_; *at != '\0'; at = g_utf8_next_char(at))
      seen_.push_back({static_cast<std::uint32_t>(at - text_)});
    bytes_ = seen_.empty() ? 0 : static_cast<std::uint32_t>(g_utf8_next_char(text_ + seen_.back().byte) - text_);
  }

  LayoutPieces read(const FontSeen& font_seen) {
    for (GSList* line = pango_layout_get_lines_readonly(layout_); line != nullptr; line = line->next)
      read_line(static_cast<PangoLayoutLine*>(line->data), font_seen);
    split();
    return std::move(result_);
  }

 private:
  void read_line(PangoLayoutLine* line, const FontSeen& font_seen) {
    if (line->runs != nullptr) {
      PangoRectangle extent;
      pango_layout_line_get_extents(line, nullptr, &extent);
      result_.ascent = std::max(result_.ascent, pixels(-extent.y));
      result_.descent = std::max(result_.descent, pixels(extent.height + extent.y));
    }
    for (GSList* run = line->runs; run != nullptr; run = run->next) {
      auto* glyphs = static_cast<PangoGlyphItem*>(run->data);
      const PangoItem& item = *glyphs->item;
      std::vector<int> widths(static_cast<std::size_t>(item.num_chars));
      pango_glyph_item_get_logical_widths(glyphs, text_, widths.data());
      const auto first = std::ranges::lower_bound(seen_, static_cast<std::uint32_t>(item.offset), {}, &Seen::byte);
      auto at = first;
      for (const int width : widths) *at = {at->byte, width, item.analysis.font}, ++at;
      if (!font_seen) continue;
      const std::span all(glyphs->glyphs->glyphs, static_cast<std::size_t>(glyphs->glyphs->num_glyphs));
      const bool unknown = std::ranges::any_of(
          all, [](const PangoGlyphInfo& one) { return (one.glyph & PANGO_GLYPH_UNKNOWN_FLAG) != 0; });
      font_seen({text_ + item.offset, static_cast<std::size_t>(item.length)}, item.analysis.font, unknown);
    }
  }

  [[nodiscard]] gunichar character(std::size_t i) const { return g_utf8_get_char(text_ + seen_[i].byte); }
  [[nodiscard]] bool ends_paragraph(std::size_t i) const {
    constexpr gunichar separator = 0x2029;
    return character(i) == '\n' || character(i) == '\r' || character(i) == separator;
  }

  void split() {
    if (seen_.empty()) return;
    std::size_t first = 0;
    for (std::size_t i = 0; i < seen_.size(); ++i) {
      if (ends_paragraph(i)) {
        close(first, i, true);
        if (character(i) == '\r' && i + 1 < seen_.size() && character(i + 1) == '\n') ++i;
        first = i + 1;
      } else if (i > first && attributes_[i].is_mandatory_break != 0) {
        close(first, i, true);
        first = i;
      } else if (i > first && attributes_[i].is_line_break != 0) {
        close(first, i, false);
        first = i;
      }
    }
    close(first, seen_.size(), false);
  }

  /// A piece of the characters from `first` to `behind`.
  void close(std::size_t first, std::size_t behind, bool ends_paragraph) {
    std::size_t end = behind;
    while (end > first && hangs(character(end - 1), attributes_[end - 1])) --end;
    TextSegment piece{byte_of(first), byte_of(end)};
    piece.ends_paragraph = ends_paragraph;
    const auto sum = [&](std::size_t from, std::size_t to) {
      double units = 0;  // of a long text more than an int holds
      for (std::size_t i = from; i < to; ++i) units += seen_[i].width;
      return std::max(0.0, units) / PANGO_SCALE;
    };
    piece.width = sum(first, end);
    piece.space = sum(end, behind);
    const bool shows_hyphen = behind < seen_.size() && behind > first && attributes_[behind].break_inserts_hyphen != 0;
    if (shows_hyphen && !ends_paragraph) piece.hyphen = pixels(std::max(0, hyphen_width(seen_[behind - 1].font)));
    result_.pieces.push_back(piece);
  }
  [[nodiscard]] std::uint32_t byte_of(std::size_t i) const { return i < seen_.size() ? seen_[i].byte : bytes_; }

  PangoLayout* layout_;
  const char* text_;
  const PangoLogAttr* attributes_ = nullptr;
  std::vector<Seen> seen_;
  std::uint32_t bytes_ = 0;
  LayoutPieces result_;
};

}  // namespace

LayoutPieces pieces_in(PangoLayout* layout, const FontSeen& seen) {
  return Reader(layout).read(seen);
}

}  // namespace fond_ladder::inline v0::typeset
