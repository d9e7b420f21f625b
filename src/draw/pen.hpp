// SPDX-License-Identifier: MIT
#pragma once

// Whatever a picture is drawn with: a file in some form, or a recording in a test. All places and sizes are pixels of
// the picture, x to the right and y down.

#include <cstdint>
#include <span>
#include <string>
#include <string_view>

#include "fond_ladder/solution.hpp"
#include "fond_ladder/text_shaper.hpp"

namespace fond_ladder::inline v0::picture {

struct Point {
  double x = 0, y = 0;
};

struct Segment {
  Point from, to;
};

/// A color; every part from 0 to 1.
struct Ink {
  double red = 0, green = 0, blue = 0, alpha = 1;
  friend bool operator==(const Ink&, const Ink&) = default;
};

struct Stroke {
  enum class Line : std::uint8_t { solid, dashed, dotted };
  Ink ink{};
  double width = 1;
  Line line = Line::solid;
};

struct Lettering {
  enum class Face : std::uint8_t {
    label,   ///< proportional
    strong,  ///< the same, bold
    words,   ///< every character equally wide, as in the fixed metrics
  };
  Face face = Face::label;
  double size = 11;
  Ink ink{};
  bool turned = false;                      ///< read from the bottom to the top
  const TextShaper* text_shaper = nullptr;  ///< the shaper of the letters, with `style`; null: those of `face`
  const FontStyle* style = nullptr;
};

enum class Hatch : std::uint8_t { rising, falling, crossed };

class Pen {
 public:
  Pen() = default;
  Pen(const Pen&) = delete;
  Pen& operator=(const Pen&) = delete;
  virtual ~Pen() = default;

  virtual void fill(const Rect& area, const Ink& ink) = 0;
  /// Along the edges of `area`.
  virtual void outline(const Rect& area, const Stroke& stroke) = 0;
  virtual void lines(std::span<const Segment> segments, const Stroke& stroke) = 0;
  /// Slanting lines through areas, `step` pixels apart, in step with all others of the picture.
  virtual void hatch(std::span<const Rect> areas, Hatch way, double step, const Stroke& stroke);
  virtual void polygon(std::span<const Point> corners, const Ink& ink) = 0;
  /// One line of text that begins at a point of its baseline; made exactly `width` wide unless that is 0.
  virtual void letters(std::string_view text, Point at, const Lettering& lettering, double width = 0) = 0;
  /// How wide `letters` would be by themselves.
  [[nodiscard]] virtual double width_of(std::string_view text, const Lettering& lettering) = 0;
  /// Until `unclip`, nothing is drawn outside of `area`. May be nested.
  virtual void clip(const Rect& area) = 0;
  virtual void unclip() = 0;
  /// What is drawn until `end_node` belongs to one node; only formats that can express that use it.
  [[nodiscard]] virtual bool names_nodes() const { return false; }
  virtual void begin_node(const std::string& /*path*/, const std::string& /*title*/) {}
  virtual void end_node() {}
};

}  // namespace fond_ladder::inline v0::picture
