// SPDX-License-Identifier: MIT
#pragma once

// Text that an engine of the caller's has shaped: segments with widths. A solve then only adds segments up.

#include <cstddef>
#include <cstdint>
#include <optional>
#include <string>
#include <vector>

#include "fond_ladder/breakable_text.hpp"
#include "fond_ladder/error.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// A segment of a text that no line breaks, as a text engine measured it. Widths are pixels, kept in units of 1/1024
/// pixel, so that sums are exact.
struct TextSegment {
  std::uint32_t begin = 0, end = 0;  ///< bytes of the text, without the spaces after it
  double width = 0;                  ///< without those spaces
  double space = 0;                  ///< width of those spaces; at the end of a line they hang and take no space
  double hyphen = 0;            ///< width of a hyphen that is visible if a line ends after it, as for a soft hyphen
  bool ends_paragraph = false;  ///< whether the line always ends after it
  friend bool operator==(const TextSegment&, const TextSegment&) = default;
};

/// How its lines are set.
struct LineStyle {
  double height = 20;            ///< of a line, in pixels
  double baseline = 15;          ///< below its top
  std::optional<int> max_lines;  ///< further lines are dropped
  friend bool operator==(const LineStyle&, const LineStyle&) = default;
};

/// A text of segments that a text engine has measured: it is shaped once, and a width then only adds up segments. So
/// text in any font costs a solve as much as fixed metrics, and sweeps and checks stay proved. Lines are filled
/// greedily, as in the open standards (Unicode UAX #14 and CSS Text 3, section 5): a segment starts a new line if the
/// line with it, and with its hyphen, would be too wide. min-content is the widest segment with its hyphen, max-
/// content the widest paragraph.
class SegmentedText : public BreakableText {
 public:
  /// The segments are in reading order and follow one another in the text. Throws BadSegments if they do not, for
  /// negative or NaN widths or more than 1e6 pixels in all, and for a line height of 0.
  SegmentedText(std::string text, const std::vector<TextSegment>& pieces, LineStyle style);

  [[nodiscard]] ContentKind kind() const override { return ContentKind::segmented_text; }
  /// min-content and max-content, in pixels. Constant.
  [[nodiscard]] Widths widths() const override;
  /// The height at a width. Linear in the segments, or constant if no line breaks.
  [[nodiscard]] Heights height_for(double width) const override;
  /// The interval of widths around one in which the line breaks stay the same. Costs as much as breaking.
  [[nodiscard]] std::optional<StableWidths> constant_interval(double width) const override;
  /// The lines at a width. Linear in the segments.
  [[nodiscard]] std::vector<Line> lines_at(double width) const override;
  [[nodiscard]] double line_height() const override { return style_.height; }
  [[nodiscard]] double line_baseline() const override { return style_.baseline; }
  [[nodiscard]] std::optional<int> max_lines() const override { return style_.max_lines; }

  /// The text, as given.
  [[nodiscard]] const std::string& text() const { return text_; }
  /// The segments, as kept.
  [[nodiscard]] std::vector<TextSegment> segments() const;
  /// Bytes that it uses, itself included.
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

/// Thrown for segments that make no text. The message says which segment, and why.
class BadSegments : public Error {
 public:
  using Error::Error;
};

}  // namespace v0
}  // namespace fond_ladder
