// SPDX-License-Identifier: MIT
//
// A text is cut once into pieces that no line can break; each knows its width in whole units of 0.6 em. Lines are then
// filled with them (text_lines.hpp). Cost: characters once, then pieces for each width asked. Tests:
// fixed_width_text_test.cpp.
#include "fond_ladder/fixed_width_text.hpp"

#include <utf8proc.h>

#include <algorithm>

#include "model/limits.hpp"
#include "model/text_lines.hpp"

namespace fond_ladder::inline v0 {
namespace {

struct Character {
  utf8proc_int32_t code = 0;
  std::uint32_t bytes = 1;
  std::uint32_t units = 1;
};

Character character_at(std::string_view text, std::size_t at) {
  const auto* bytes = reinterpret_cast<const utf8proc_uint8_t*>(text.data()) + at;  // NOLINT: the library's type
  utf8proc_int32_t code = -1;
  const auto length = utf8proc_iterate(bytes, static_cast<utf8proc_ssize_t>(text.size() - at), &code);
  if (length <= 0 || code < 0) return {-1, 1, 1};
  Character character{code, static_cast<std::uint32_t>(length), 1};
  const auto category = utf8proc_category(code);
  if (category == UTF8PROC_CATEGORY_MN || category == UTF8PROC_CATEGORY_ME) {
    character.units = 0;
  } else {
    character.units = utf8proc_charwidth(code) == 2 ? 2 : 1;
  }
  return character;
}

bool is_hyphen(utf8proc_int32_t code) {
  return code == '-' || code == 0x2010;
}

}  // namespace

FixedWidthText::FixedWidthText(std::string text, TextStyle style) : text_(std::move(text)), style_(style) {
  if (style_.one_line) std::ranges::replace(text_, '\n', ' ');
  cut_into_pieces();
}

FixedWidthText::FixedWidthText(const FixedWidthText& words, double size)
    : text_(words.text_),
      style_(words.style_),
      pieces_(words.pieces_),
      widest_piece_(words.widest_piece_),
      widest_paragraph_(words.widest_paragraph_),
      paragraphs_(words.paragraphs_) {
  style_.size = size;
}

void FixedWidthText::cut_into_pieces() {
  if (text_.empty()) return;
  Piece piece;
  bool last_was_wide = false;
  std::uint32_t paragraph = 0, paragraph_end = 0;  // with and without the spaces seen last
  const auto close = [&](std::size_t next) {
    widest_piece_ = std::max(widest_piece_, piece.units);
    pieces_.push_back(piece);
    piece = {static_cast<std::uint32_t>(next), static_cast<std::uint32_t>(next)};
    last_was_wide = false;
  };
  for (std::size_t at = 0; at < text_.size();) {
    const Character character = character_at(text_, at);
    const std::size_t next = at + character.bytes;
    if (character.code == '\n') {
      widest_paragraph_ = std::max(widest_paragraph_, paragraph_end);
      paragraph = paragraph_end = 0;
      piece.ends_paragraph = true;
      close(next);
    } else if (character.code == ' ') {
      ++piece.space_units;
      ++paragraph;
    } else {
      const bool may_break = piece.units > 0 && (piece.space_units > 0 || (last_was_wide && character.units == 2));
      if (may_break && !style_.one_line) close(at);
      piece.units += piece.space_units + character.units;  // spaces are left only where no line may break
      piece.space_units = 0;
      piece.end = static_cast<std::uint32_t>(next);
      paragraph += character.units;
      paragraph_end = paragraph;
      if (character.units > 0) last_was_wide = character.units == 2;
      const bool word_goes_on = next < text_.size() && text_[next] != ' ' && text_[next] != '\n';
      if (is_hyphen(character.code) && word_goes_on && !style_.one_line) close(next);
    }
    at = next;
  }
  close(text_.size());
  constexpr std::size_t few = 64;
  if (pieces_.size() > few) pieces_.shrink_to_fit();
  widest_paragraph_ = std::max(widest_paragraph_, paragraph_end);
  const auto ends =
      std::count_if(pieces_.begin(), pieces_.end() - 1, [](const Piece& one) { return one.ends_paragraph; });
  paragraphs_ = static_cast<std::uint32_t>(ends) + 1;
}

CustomContent::Widths FixedWidthText::widths() const {
  return {widest_piece_ * unit(), widest_paragraph_ * unit()};
}

std::size_t FixedWidthText::memory() const {
  const std::size_t words = text_.capacity() > std::string().capacity() ? text_.capacity() : 0;
  return sizeof(*this) + words + pieces_.capacity() * sizeof(Piece);
}

CustomContent::Heights FixedWidthText::height_for(double width) const {
  std::size_t lines = width + limits::line_tolerance >= widest_paragraph_ * unit()
                          ? paragraphs_
                          : text_lines::count_at(pieces_, unit(), width);
  if (style_.max_lines) lines = std::min(lines, static_cast<std::size_t>(*style_.max_lines));
  return {static_cast<double>(lines) * line_height(), line_baseline()};
}

std::vector<FixedWidthText::Line> FixedWidthText::lines_at(double width) const {
  return text_lines::lines_at(text_, pieces_, unit(), width);
}

std::optional<CustomContent::StableWidths> FixedWidthText::constant_interval(double width) const {
  return text_lines::constant_interval(pieces_, unit(), width);
}

}  // namespace fond_ladder::inline v0
