// SPDX-License-Identifier: MIT
#pragma once

// Text with fixed metrics, the default: the same numbers on every machine, and no fonts needed.

#include <cstdint>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "fond_ladder/breakable_text.hpp"
#include "fond_ladder/length.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// How a text is set.
struct TextStyle {
  double size = 16;                     ///< of the characters, in pixels
  bool one_line = false;                ///< never wrapped; a line feed counts as a space
  std::optional<int> max_lines;         ///< further lines are dropped
  std::optional<double> line_height{};  ///< as a multiple of the font size; absent: 1.25
  friend bool operator==(const TextStyle&, const TextStyle&) = default;
};

/// A text in fixed metrics, which give the same numbers on every machine: a character is 0.6 em wide (a wide East
/// Asian character or an emoji 1.2 em, a combining mark 0). Lines break at spaces, after hyphens, between wide
/// characters and at line feeds. A line is 1.25 em high with its baseline 0.95 em below its top; half of the
/// difference to `line_height` is above and half below. Spaces at the end of a line have no width. An empty text has
/// no line.
class FixedWidthText final : public BreakableText {
 public:
  /// `text` is UTF-8; an invalid byte counts as one character.
  FixedWidthText(std::string text, TextStyle style);
  /// The same text with another font size, in pixels. Does not segment the text again.
  FixedWidthText(const FixedWidthText& words, double size);

  [[nodiscard]] ContentKind kind() const override { return ContentKind::fixed_width_text; }
  /// min-content and max-content, in pixels. Constant.
  [[nodiscard]] Widths widths() const override;
  /// The height at a width. Linear in the words.
  [[nodiscard]] Heights height_for(double width) const override;

  /// The interval of widths around one in which the line breaks stay the same. Costs as much as breaking.
  [[nodiscard]] std::optional<StableWidths> constant_interval(double width) const override;
  /// The lines at a width. Linear in the words.
  [[nodiscard]] std::vector<Line> lines_at(double width) const override;

  /// The text, as given.
  [[nodiscard]] const std::string& text() const { return text_; }
  /// The style, as given.
  [[nodiscard]] const TextStyle& style() const { return style_; }
  /// The height of a line, in pixels.
  [[nodiscard]] double line_height() const override { return style_.line_height.value_or(1.25) * style_.size; }
  /// The baseline, in pixels below the top of a line.
  [[nodiscard]] double line_baseline() const override {
    return style_.line_height ? (0.95 + (*style_.line_height - 1.25) / 2) * style_.size : 0.95 * style_.size;
  }
  /// The maximum number of lines, as in the style.
  [[nodiscard]] std::optional<int> max_lines() const override { return style_.max_lines; }
  /// Bytes that it uses, itself included.
  [[nodiscard]] std::size_t memory() const;

 private:
  /// A stretch of text that no line breaks, and the spaces after it. Widths in units of 0.6 em.
  struct Piece {
    std::uint32_t begin = 0, end = 0;  // bytes of the text, spaces left out
    std::uint32_t units = 0;
    std::uint32_t space_units = 0;
    bool ends_paragraph = false;
  };
  void cut_into_pieces();
  [[nodiscard]] double unit() const { return plain_character * style_.size; }

  std::string text_;
  TextStyle style_;
  std::vector<Piece> pieces_;
  std::uint32_t widest_piece_ = 0;
  std::uint32_t widest_paragraph_ = 0;
  std::uint32_t paragraphs_ = 0;  // lines where nothing has to be broken
};

}  // namespace v0
}  // namespace fond_ladder
