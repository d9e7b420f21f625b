// SPDX-License-Identifier: MIT
#pragma once

// Text that an engine of the caller's has shaped: segments with widths. A solve then only adds segments up.

#include <cstddef>
#include <cstdint>
#include <optional>
#include <stdexcept>
#include <string>
#include <vector>

#include "fond_ladder/breakable_text.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// A stretch of a text that no line breaks, as a text engine measured it. Widths are in pixels, and are kept in whole
/// 1/1024 of one, so that sums are exact.
struct TextSegment {
  std::uint32_t begin = 0, end = 0;  ///< bytes of the text, the spaces behind it left out
  double width = 0;                  ///< without those spaces
  double space = 0;                  ///< of those spaces; at the end of a line they hang and take no space
  double hyphen = 0;                 ///< what is shown too where a line ends behind it, as of a soft hyphen
  bool ends_paragraph = false;       ///< the line ends behind it, whatever its width
  friend bool operator==(const TextSegment&, const TextSegment&) = default;
};

/// How its lines are set.
struct LineStyle {
  double height = 20;            ///< of a line, in pixels
  double baseline = 15;          ///< below its top
  std::optional<int> max_lines;  ///< further lines are dropped
  friend bool operator==(const LineStyle&, const LineStyle&) = default;
};

/// A text whose pieces somebody else has measured: a text engine shapes it once, and a width then only adds pieces up.
/// With it, words of any font cost a solve what fixed metrics cost, and sweeps and checks stay proved. Lines are filled
/// greedily, as by the open standards (Unicode UAX #14 and CSS Text 3, section 5, with whoever makes the pieces): a
/// piece goes to the next line when the line with it, and with the hyphen that it would end in, would be too wide.
/// min-content is the widest piece with its hyphen, max-content the widest paragraph.
class SegmentedText : public BreakableText {
 public:
  /// The pieces lie in the order in which they are read, and in the text, one behind the other. Throws BadPieces for
  /// pieces that do not, for widths that are negative, no numbers or above 1e6 pixels in all, and for a line without
  /// height.
  SegmentedText(std::string text, const std::vector<TextSegment>& pieces, LineStyle style);

  /// min-content and max-content, in pixels. Constant.
  [[nodiscard]] Widths widths() const override;
  /// Costs the pieces, or nothing where no line has to be broken.
  [[nodiscard]] Heights height_for(double width) const override;
  /// Widths at which it breaks into the same lines. Costs as much as breaking.
  [[nodiscard]] std::optional<StableWidths> constant_interval(double width) const override;
  /// The lines at a width. Linear in the segments.
  [[nodiscard]] std::vector<Line> lines_at(double width) const override;
  [[nodiscard]] double line_height() const override { return style_.height; }
  [[nodiscard]] double line_baseline() const override { return style_.baseline; }
  [[nodiscard]] std::optional<int> max_lines() const override { return style_.max_lines; }

  /// UTF-8, as it was given.
  [[nodiscard]] const std::string& text() const { return text_; }
  /// As they are kept.
  [[nodiscard]] std::vector<TextSegment> pieces() const;
  /// Bytes, itself included.
  [[nodiscard]] std::size_t memory() const;

 private:
  struct Piece {
    std::uint32_t begin = 0, end = 0;
    std::uint32_t units = 0, space_units = 0, hyphen_units = 0;  // 1/1024 px
    bool ends_paragraph = false;
  };
  std::string text_;
  LineStyle style_;
  std::vector<Piece> pieces_;
  std::uint32_t widest_piece_ = 0, widest_paragraph_ = 0;
  std::uint32_t paragraphs_ = 0;  // lines where nothing has to be broken
};

/// Thrown for pieces that make no text; the message says which and why.
class BadPieces : public std::invalid_argument {
 public:
  using std::invalid_argument::invalid_argument;
};

}  // namespace v0
}  // namespace fond_ladder
