// SPDX-License-Identifier: MIT
#pragma once

#include <pango/pango.h>

#include <cstdint>
#include <map>
#include <memory>
#include <mutex>
#include <set>
#include <string>
#include <string_view>
#include <unordered_map>
#include <vector>

#include "fond_ladder/text_shaper.hpp"
#include "text/line_layouts.hpp"
#include "text/owned.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {
namespace typeset {

/// Fonts of the machine and of files, by Pango. What was set is kept, as long as it is not too much.
class PangoFonts final : public TextShaper, public LineLayouts {
 public:
  /// Throws BadFonts.
  explicit PangoFonts(std::vector<NamedFont> fonts);

  [[nodiscard]] std::shared_ptr<const ShapedText> shape(const std::string& text, const FontStyle& style) const override;
  [[nodiscard]] std::string refusal(const std::string& text, const FontStyle& style) const override;
  [[nodiscard]] double zero_width(const FontStyle& style) const override;
  [[nodiscard]] std::string family(const FontStyle& style) const override;
  [[nodiscard]] std::shared_ptr<const TextShaper> with(const std::vector<NamedFont>& fonts) const override;
  [[nodiscard]] std::vector<std::string> remarks() const override;

  [[nodiscard]] Owned<PangoLayout> line(std::string_view text, const FontStyle& style) const override;
  /// How many texts were shaped so far.
  [[nodiscard]] std::size_t shaped() const;

 private:
  /// A font as texts ask for it.
  struct Face {
    Owned<FcConfig> config;       // of a file; none: the machine's
    Owned<PangoContext> context;  // with its map
    Owned<PangoFontDescription> description;
  };
  /// What a text is known by.
  struct Known {
    std::string text;
    FontStyle style;
    friend bool operator==(const Known&, const Known&) = default;
  };
  struct KnownHash {
    std::size_t operator()(const Known& known) const;
  };
  /// Letters of a font; its name, or none for the machine's sans.
  struct Letters {
    std::string font;
    bool bold = false, italic = false;
    friend auto operator<=>(const Letters&, const Letters&) = default;
  };

  [[nodiscard]] Face open(const NamedFont& font) const;
  [[nodiscard]] Face open_file(const std::string& file) const;
  [[nodiscard]] Face open_family(const std::string& family) const;
  /// The name of the font that a text has which names this one; none: the machine's sans.
  [[nodiscard]] std::string name_of(const std::string& font) const;
  [[nodiscard]] const Face& face(const std::string& font) const { return faces_.at(name_of(font)); }
  [[nodiscard]] std::string called(const Letters& letters) const;
  [[nodiscard]] Owned<PangoFontDescription> described(const FontStyle& style) const;
  [[nodiscard]] Owned<PangoLayout> layout(const std::string& text, const FontStyle& style) const;
  /// Whether missing characters are noted, to be reported.
  enum class Notes : std::uint8_t { taken, none };
  [[nodiscard]] std::shared_ptr<const ShapedText> known(const std::string& text, const FontStyle& style,
                                                        Notes notes) const;
  [[nodiscard]] std::shared_ptr<const ShapedText> shape(const std::string& text, const FontStyle& style,
                                                        Notes notes) const;
  void note_letters(const Letters& letters, PangoFont* own) const;
  void note_characters(std::string_view characters, PangoFont* font, bool has_boxes, const Letters& letters,
                       PangoFont* own) const;

  std::vector<NamedFont> fonts_;
  Owned<PangoContext> machine_;
  std::map<std::string, Face> faces_;  // by name; the machine's sans by none

  mutable std::mutex mutex_;  // of all below, and of Pango
  mutable std::unordered_map<Known, std::shared_ptr<const ShapedText>, KnownHash> known_;
  mutable std::size_t bytes_ = 0, shaped_ = 0;
  mutable std::map<Letters, std::set<std::uint32_t>> elsewhere_, nowhere_;  // characters, by the letters without them
  mutable std::set<std::pair<std::string, std::string>> faceless_;          // font, and what it does not have
};

}  // namespace typeset
}  // namespace v0
}  // namespace fond_ladder
