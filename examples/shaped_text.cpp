// SPDX-License-Identifier: MIT
// Words in a real font, shaped once by HarfBuzz: the engine then only adds pieces up, and a sweep over every width is
// proved as with fixed metrics.
#include <hb-ot.h>
#include <hb.h>

#include <fond_ladder/fond_ladder.hpp>
#include <iostream>
#include <memory>
#include <string>

using namespace fond_ladder;

namespace {

/// A font of one size. What HarfBuzz counts is 1/1024 pixel.
class Font {
 public:
  Font(const char* file, double size) : face_(hb_face_create(hb_blob_create_from_file(file), 0)) {
    font_ = hb_font_create(face_);
    hb_font_set_scale(font_, static_cast<int>(size * one), static_cast<int>(size * one));
    hb_font_get_h_extents(font_, &extents_);
  }
  Font(const Font&) = delete;
  Font& operator=(const Font&) = delete;
  ~Font() {
    hb_font_destroy(font_);
    hb_face_destroy(face_);
  }

  /// How far a word reaches, kerning and ligatures counted.
  [[nodiscard]] double width(const std::string& word) const {
    hb_buffer_t* buffer = hb_buffer_create();
    hb_buffer_add_utf8(buffer, word.data(), static_cast<int>(word.size()), 0, -1);
    hb_buffer_guess_segment_properties(buffer);
    hb_shape(font_, buffer, nullptr, 0);
    unsigned count = 0;
    const hb_glyph_position_t* glyphs = hb_buffer_get_glyph_positions(buffer, &count);
    double sum = 0;
    for (unsigned i = 0; i < count; ++i) sum += glyphs[i].x_advance / one;
    hb_buffer_destroy(buffer);
    return sum;
  }
  [[nodiscard]] LineStyle lines() const {
    return {(extents_.ascender - extents_.descender + extents_.line_gap) / one, extents_.ascender / one, {}};
  }

 private:
  static constexpr double one = 1024;
  hb_face_t* face_;
  hb_font_t* font_ = nullptr;
  hb_font_extents_t extents_{};
};

/// The words of a text, each with the spaces behind it. Whoever has a library for line breaking asks that instead.
std::shared_ptr<const SegmentedText> set_in(const Font& font, const std::string& text) {
  std::vector<TextSegment> pieces;
  for (std::size_t at = 0; at < text.size();) {
    const std::size_t end = std::min(text.find(' ', at), text.size());
    const std::size_t next = std::min(text.find_first_not_of(' ', end), text.size());
    TextSegment piece;
    piece.begin = static_cast<std::uint32_t>(at);
    piece.end = static_cast<std::uint32_t>(end);
    piece.width = font.width(text.substr(at, end - at));
    piece.space = font.width(text.substr(end, next - end));
    pieces.push_back(piece);
    at = next;
  }
  return std::make_shared<SegmentedText>(text, pieces, font.lines());
}

}  // namespace

int main(int count, char** words) {
  const Font heading(count > 1 ? words[1] : "/usr/share/fonts/truetype/dejavu/DejaVuSans-Bold.ttf", 20);
  const Font body(count > 1 ? words[1] : "/usr/share/fonts/truetype/dejavu/DejaVuSans.ttf", 16);
  Scene scene = column("card").gap(6).padding(12).children(
      text("head", "").set_content(set_in(heading, "Seed trays")),
      text("about", "").set_content(set_in(body, "Fern, from spores. Shade, and mist twice a day in summer.")));
  scene.ladder.width = {120, 600};

  const Solution solution = solve(scene, {240, {}});
  for (const Solution::TextLine& line : solution.text_lines(scene.tree.at("about")))
    std::cout << "\"" << line.text << "\" is " << line.box.width << " wide, its baseline at " << line.baseline << '\n';
  std::cout << '\n';
  for (const Breakpoint& breakpoint : sweep(scene, scene.ladder, {"about.height"}).breakpoints())
    std::cout << breakpoint << '\n';
  std::cout << '\n' << report(check(scene, {"about.lines <= 2 when container.width >= 300"}).front()) << '\n';
}
