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

/// A blank sheet, in pixels. Throws BadPicture when this build has no drawing library.
[[nodiscard]] std::unique_ptr<Canvas> open_canvas(PictureForm form, double width, double height);

}  // namespace fond_ladder::inline v0::picture
