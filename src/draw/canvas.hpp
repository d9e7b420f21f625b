// SPDX-License-Identifier: MIT
#pragma once

#include <memory>
#include <string>

#include "draw/pen.hpp"
#include "fond_ladder/draw.hpp"

namespace fond_ladder::inline v0::picture {

/// A pen that makes a file.
class Canvas : public Pen {
 public:
  /// Ends the drawing. Returns the bytes of the file.
  [[nodiscard]] virtual std::string finish() = 0;
};

/// Tells how wide letters are in the fonts of this machine.
class LetterRuler {
 public:
  LetterRuler() = default;
  LetterRuler(const LetterRuler&) = delete;
  LetterRuler& operator=(const LetterRuler&) = delete;
  virtual ~LetterRuler() = default;
  [[nodiscard]] virtual double width_of(std::string_view text, const Lettering& lettering) = 0;
};

/// A blank sheet, in pixels.
struct Blank {
  double width = 0, height = 0;
  std::string title;
  bool within_page = false;
};

/// Throws BadPicture when this build has no drawing library.
[[nodiscard]] std::unique_ptr<Canvas> open_canvas(PictureForm form, const Blank& sheet);
/// The same for SVG alone.
[[nodiscard]] std::unique_ptr<Canvas> open_svg(const Blank& sheet, std::unique_ptr<LetterRuler> ruler);

}  // namespace fond_ladder::inline v0::picture
