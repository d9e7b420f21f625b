// SPDX-License-Identifier: MIT
//
// Pieces that a text engine measured, in whole 1/1024 pixels, and lines filled with them (text_lines.hpp). Cost: the
// pieces, for each width asked at which a line has to be broken. Tests: segmented_text_test.cpp.
#include "fond_ladder/segmented_text.hpp"

#include <algorithm>
#include <cmath>

#include "model/limits.hpp"
#include "model/number_text.hpp"
#include "model/text_lines.hpp"

namespace fond_ladder::inline v0 {
namespace {

constexpr double units_in_a_pixel = 1024, unit = 1 / units_in_a_pixel;
constexpr double widest = 1e6;  // all pieces together, in pixels: their units are counted in 32 bits

[[noreturn]] void refuse(std::size_t piece, const std::string& why) {
  throw BadSegments("segment " + std::to_string(piece) + " " + why);
}

/// A width in units.
std::uint32_t units_of(double pixels, std::size_t piece, const char* what) {
  if (!(pixels >= 0) || pixels > widest) {
    refuse(piece, std::string("has a ") + what + " of " + exact(pixels) + " pixels; it must be from 0 to 1e6");
  }
  return static_cast<std::uint32_t>(std::lround(pixels * units_in_a_pixel));
}

}  // namespace

SegmentedText::SegmentedText(std::string text, const std::vector<TextSegment>& pieces, LineStyle style)
    : text_(std::move(text)), style_(style) {
  if (!(style.height > 0) || !std::isfinite(style.height) || !std::isfinite(style.baseline))
    throw BadSegments("a line is " + exact(style.height) + " pixels high, with its baseline at " +
                      exact(style.baseline) + "; it must be higher than 0, both numbers");
  pieces_.reserve(pieces.size());
  std::uint32_t read_to = 0;
  double sum = 0;
  for (std::size_t i = 0; i < pieces.size(); ++i) {
    const TextSegment& given = pieces[i];
    if (given.begin < read_to || given.end < given.begin || given.end > text_.size())
      refuse(i, "goes from byte " + std::to_string(given.begin) + " to " + std::to_string(given.end) +
                    "; it must begin after the one before it, at " + std::to_string(read_to) +
                    " or later, and end inside the text, which has " + std::to_string(text_.size()));
    read_to = given.end;
    sum += given.width + given.space + given.hyphen;
    if (sum > widest) refuse(i, "makes the text wider than 1e6 pixels");
    Piece& piece = pieces_.emplace_back();
    piece = {given.begin,
             given.end,
             units_of(given.width, i, "width"),
             units_of(given.space, i, "space"),
             units_of(given.hyphen, i, "hyphen"),
             given.ends_paragraph};
    const bool ends_line = given.ends_paragraph || i + 1 == pieces.size();
    if (ends_line || piece.units == 0) piece.hyphen_units = 0;  // nothing is broken there, or seen
  }
  std::uint32_t paragraph = 0, spaces = 0;
  for (std::size_t i = 0; i < pieces_.size(); ++i) {
    const Piece& piece = pieces_[i];
    const bool is_last = piece.ends_paragraph || i + 1 == pieces_.size();
    widest_piece_ = std::max(widest_piece_, piece.units + piece.hyphen_units);
    if (piece.units > 0) paragraph += spaces + piece.units;
    spaces = piece.units > 0 ? piece.space_units : spaces + piece.space_units;
    widest_paragraph_ = std::max(widest_paragraph_, paragraph);
    if (is_last) ++paragraphs_;
    if (piece.ends_paragraph) paragraph = spaces = 0;
  }
}

CustomContent::Widths SegmentedText::widths() const {
  return {widest_piece_ * unit, widest_paragraph_ * unit};
}

CustomContent::Heights SegmentedText::height_for(double width) const {
  std::size_t lines = width + limits::line_tolerance >= widest_paragraph_ * unit
                          ? paragraphs_
                          : text_lines::count_at(pieces_, unit, width);
  if (style_.max_lines) lines = std::min(lines, static_cast<std::size_t>(*style_.max_lines));
  return {static_cast<double>(lines) * style_.height, style_.baseline};
}

std::optional<CustomContent::StableWidths> SegmentedText::constant_interval(double width) const {
  return text_lines::constant_interval(pieces_, unit, width);
}

std::vector<SegmentedText::Line> SegmentedText::lines_at(double width) const {
  return text_lines::lines_at(text_, pieces_, unit, width);
}

std::vector<TextSegment> SegmentedText::segments() const {
  std::vector<TextSegment> all;
  for (const Piece& one : pieces_)
    all.push_back(
        {one.begin, one.end, one.units * unit, one.space_units * unit, one.hyphen_units * unit, one.ends_paragraph});
  return all;
}

std::size_t SegmentedText::memory() const {
  const std::size_t words = text_.capacity() > std::string().capacity() ? text_.capacity() : 0;
  return sizeof(*this) + words + pieces_.capacity() * sizeof(Piece);
}

}  // namespace fond_ladder::inline v0
