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

/// The keys of a text that affect how it is shaped.
struct FontStyle {
  double size = 16;  ///< font size in pixels
  std::string font;  ///< a name among the scene's fonts; empty: `body`
  bool bold = false, italic = false;
  std::optional<double> line_height;  ///< as a multiple of the font size; absent: that of the font
  bool one_line = false;              ///< never wrapped; a line feed counts as a space
  std::optional<int> max_lines;       ///< further lines are dropped

  /// The line of a font with this ascent and descent, in pixels: half of the difference to `line_height` is above and
  /// half below (CSS Inline 3, section 5.3).
  [[nodiscard]] LineStyle lines(double ascent, double descent) const;
  friend bool operator==(const FontStyle&, const FontStyle&) = default;
};

/// Text measured by a text shaper. Text nodes have it if the tree has a text shaper.
class ShapedText final : public SegmentedText {
 public:
  /// Throws as SegmentedText does.
  ShapedText(std::string text, const std::vector<TextSegment>& pieces, LineStyle lines, FontStyle style)
      : SegmentedText(std::move(text), pieces, lines), style_(std::move(style)) {}
  [[nodiscard]] ContentKind kind() const override { return ContentKind::shaped_text; }
  [[nodiscard]] const FontStyle& style() const { return style_; }

 private:
  FontStyle style_;
};

/// A font under its name in a scene: an installed family, or a font file.
struct NamedFont {
  std::string name;
  std::string family;          ///< empty: see `file`
  std::string file;            ///< path from the working directory
  std::string source_place{};  ///< `file:line:column` of the font in a scene file, for messages
  friend bool operator==(const NamedFont&, const NamedFont&) = default;
};

/// The font of texts that name none.
inline constexpr std::string_view usual_font = "body";

/// The font of a text that names this one: that font, else `body`; null if there is neither.
[[nodiscard]] const NamedFont* font_named(const std::vector<NamedFont>& fonts, const std::string& name);

/// An engine that measures text with fonts. `open_fonts` (fonts.hpp) returns one; a toolkit can bring its own.
///
/// All calls are pure: the same answer every time, from any thread, also during a solve that changes the form of
/// nodes. They must not throw. Results should be cached.
class TextShaper {
 public:
  TextShaper() = default;
  TextShaper(const TextShaper&) = delete;
  TextShaper& operator=(const TextShaper&) = delete;
  virtual ~TextShaper() = default;

  /// Shapes a text; null for one that it cannot shape, which is then measured with fixed metrics.
  [[nodiscard]] virtual std::shared_ptr<const ShapedText> shape(const std::string& text,
                                                                const FontStyle& style) const = 0;
  /// Why a text cannot be shaped, if that is an error of the scene; empty if fixed metrics may be used instead.
  [[nodiscard]] virtual std::string refusal(const std::string& /*text*/, const FontStyle& /*style*/) const {
    return {};
  }
  /// The width of a zero, in pixels: one `ch`.
  [[nodiscard]] virtual double zero_width(const FontStyle& style) const = 0;
  /// The font family of a style, for drawing.
  [[nodiscard]] virtual std::string family(const FontStyle& style) const = 0;
  /// The same engine with other fonts under these names, for a locale. Throws BadFonts.
  [[nodiscard]] virtual std::shared_ptr<const TextShaper> with(const std::vector<NamedFont>& fonts) const = 0;
  /// Hints about the texts so far, one sentence each: which characters a font lacks.
  [[nodiscard]] virtual std::vector<std::string> remarks() const { return {}; }
};

}  // namespace v0
}  // namespace fond_ladder
