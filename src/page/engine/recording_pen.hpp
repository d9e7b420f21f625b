// SPDX-License-Identifier: MIT
#pragma once

// A picture as a list of numbers that the page plays on a canvas: what `draw` writes into files, stroke by stroke.

#include <array>
#include <map>
#include <string>
#include <vector>

#include "draw/pen.hpp"

namespace fond_ladder::page {

/// The strokes of a picture, one after the other. Each is a code and what it needs (look/canvas.js reads the same):
///   0 fill      x y width height, ink
///   1 outline   x y width height, ink, width, line
///   2 lines     ink, width, line, how many, then x y x y of each
///   3 polygon   ink, how many corners, then x y of each
///   4 letters   x y, ink, size, face, turned, width (0: as it comes), where they begin in `letters`, how many bytes,
///               and the same of the font family; from face 3 on, then 1 is added for bold and 2 for slanted; turned
///               has 2 added where the letters read from the right
///   5 clip      x y width height
///   6 unclip
///   7 hatch     x y width height, ink, width, line, way (0 rising, 1 falling, 2 crossed), step
/// An ink is four numbers from 0 to 1: red, green, blue, alpha.
class RecordingPen final : public picture::Pen {
 public:
  void clear();
  [[nodiscard]] const std::vector<double>& strokes() const { return strokes_; }
  [[nodiscard]] const std::string& letters() const { return letters_; }

  void fill(const Rect& area, const picture::Ink& ink) override;
  void outline(const Rect& area, const picture::Stroke& stroke) override;
  void lines(std::span<const picture::Segment> segments, const picture::Stroke& stroke) override;
  void hatch(std::span<const Rect> areas, picture::Hatch way, double step, const picture::Stroke& stroke) override;
  void polygon(std::span<const picture::Point> corners, const picture::Ink& ink) override;
  void letters(std::string_view text, picture::Point at, const picture::Lettering& lettering, double width) override;
  /// Asks the page, which asks its canvas; what was asked once is kept, for asking takes longer than drawing.
  double width_of(std::string_view text, const picture::Lettering& lettering) override;
  void clip(const Rect& area) override;
  void unclip() override;

 private:
  enum Code { fill_code, outline_code, lines_code, polygon_code, letters_code, clip_code, unclip_code, hatch_code };
  void add(std::initializer_list<double> numbers);
  void add(const picture::Ink& ink);
  void add(const picture::Stroke& stroke);

  std::vector<double> strokes_;
  std::string letters_;
  std::map<std::string, std::size_t> families_;                       // the place of each in `letters_`
  std::array<std::map<std::string, double, std::less<>>, 3> widths_;  // in letters of size 1, face by face
};

}  // namespace fond_ladder::page
