// SPDX-License-Identifier: MIT
#pragma once

// Words as the program measured them where the page was written: the page has no fonts to measure with.

#include <map>
#include <set>
#include <string>
#include <string_view>
#include <vector>

#include "fond_ladder/text_shaper.hpp"

namespace fond_ladder::page {

/// All pieces that the page carries.
class PieceStore {
 public:
  /// As report/pieces_text.hpp writes them; what was known is forgotten. Throws std::invalid_argument for another text.
  void read(std::string_view json);
  [[nodiscard]] bool empty() const { return words_.empty(); }

  /// The words of a text in a font; of another size where there are none of that size, their widths in proportion.
  [[nodiscard]] std::shared_ptr<const ShapedText> set(const NamedFont* font, const std::string& text,
                                                      const FontStyle& style) const;
  [[nodiscard]] std::string family(const NamedFont* font) const;

 private:
  struct Known {
    std::string font;
    bool bold = false, italic = false, one_line = false;
    std::string text;
    friend auto operator<=>(const Known&, const Known&) = default;
  };
  struct Measured {
    double size = 0, ascent = 0, descent = 0;
    std::vector<TextSegment> pieces;
  };
  std::map<Known, std::vector<Measured>> words_;
  std::map<std::string, std::string> families_;  // by font
};
[[nodiscard]] PieceStore& carried_pieces();

/// The fonts of a scene, by the pieces that there are.
class PieceBook final : public TextShaper {
 public:
  explicit PieceBook(std::vector<NamedFont> fonts) : fonts_(std::move(fonts)) {}

  [[nodiscard]] std::shared_ptr<const ShapedText> shape(const std::string& text, const FontStyle& style) const override;
  [[nodiscard]] double zero_width(const FontStyle& style) const override;
  [[nodiscard]] std::string family(const FontStyle& style) const override;
  [[nodiscard]] std::shared_ptr<const TextShaper> with(const std::vector<NamedFont>& fonts) const override;

 private:
  std::vector<NamedFont> fonts_;
};

}  // namespace fond_ladder::page
