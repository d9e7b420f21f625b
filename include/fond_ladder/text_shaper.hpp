// SPDX-License-Identifier: MIT
#pragma once

// The interface of a text engine for whole trees: it shapes the words of a text in a style. open_fonts() returns one.

#include <memory>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "fond_ladder/segmented_text.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// What of a text's keys decides how its words are set.
struct FontStyle {
  double size = 16;  ///< of the characters, in pixels
  std::string font;  ///< a name among the scene's fonts; empty: `body`
  bool bold = false, italic = false;
  std::optional<double> line_height;  ///< times the size; absent: the font's
  bool one_line = false;              ///< never wrapped; a line feed counts as a space
  std::optional<int> max_lines;       ///< further lines are dropped

  /// Its lines in a font that reaches so far above and below the baseline, in pixels: what `line_height` adds or takes
  /// lies half above and half below (CSS Inline 3, section 5.3).
  [[nodiscard]] LineStyle lines(double ascent, double descent) const;
  friend bool operator==(const FontStyle&, const FontStyle&) = default;
};

/// Words as a text_shaper measured them. A text node has them where its tree has a text_shaper.
class ShapedText final : public SegmentedText {
 public:
  /// Throws as SegmentedText does.
  ShapedText(std::string text, const std::vector<TextSegment>& pieces, LineStyle lines, FontStyle style)
      : SegmentedText(std::move(text), pieces, lines), style_(std::move(style)) {}
  [[nodiscard]] const FontStyle& style() const { return style_; }

 private:
  FontStyle style_;
};

/// A font by the name that a scene has for it: one of the machine's, by its family, or one in a file.
struct NamedFont {
  std::string name;
  std::string family;     ///< empty where there is a file
  std::string file;       ///< as it is opened from the working directory
  std::string said_at{};  ///< `file:line:column`, of one that a scene file says; for messages
  friend bool operator==(const NamedFont&, const NamedFont&) = default;
};

/// The font of texts that name none.
inline constexpr std::string_view usual_font = "body";

/// The one of some fonts that a text has which names this one: that, else `body`; null where there is neither.
[[nodiscard]] const NamedFont* font_named(const std::vector<NamedFont>& fonts, const std::string& name);

/// Whoever measures the words of a tree otherwise than in fixed metrics. `open_fonts` (fonts.hpp) gives one; a toolkit
/// can bring its own.
///
/// All calls are pure, the same answer whenever they are asked, and come from any thread, also within a solve that
/// takes up other forms of its nodes: they must not throw. What was asked once should be kept.
class TextShaper {
 public:
  TextShaper() = default;
  TextShaper(const TextShaper&) = delete;
  TextShaper& operator=(const TextShaper&) = delete;
  virtual ~TextShaper() = default;

  /// The words of a text, or null for what it cannot set: these are measured in fixed metrics.
  [[nodiscard]] virtual std::shared_ptr<const ShapedText> set(const std::string& text,
                                                              const FontStyle& style) const = 0;
  /// Why a text cannot be set, where that is a fault of the scene's; empty where fixed metrics may stand in.
  [[nodiscard]] virtual std::string refusal(const std::string& /*text*/, const FontStyle& /*style*/) const {
    return {};
  }
  /// The width of a zero, in pixels: one `ch`.
  [[nodiscard]] virtual double zero_width(const FontStyle& style) const = 0;
  /// The family that the words are set in, for whoever draws them.
  [[nodiscard]] virtual std::string family(const FontStyle& style) const = 0;
  /// The same with other fonts for these names: those of a locale. Throws BadFonts.
  [[nodiscard]] virtual std::shared_ptr<const TextShaper> with(const std::vector<NamedFont>& fonts) const = 0;
  /// What a person should know of the words set so far, a sentence each: which characters a font does not have.
  [[nodiscard]] virtual std::vector<std::string> remarks() const { return {}; }
};

}  // namespace v0
}  // namespace fond_ladder
