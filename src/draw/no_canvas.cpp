// SPDX-License-Identifier: MIT
//
// Stands in for cairo_canvas.cpp where Cairo and Pango were missing when the library was built.
#include "draw/canvas.hpp"

namespace fond_ladder::inline v0::picture {

std::unique_ptr<Canvas> open_canvas(PictureForm, const Blank&) {
  throw BadPicture(
      "this build cannot draw pictures; install libcairo2-dev and libpango1.0-dev (scripts/setup does), then configure "
      "and build again");
}

}  // namespace fond_ladder::inline v0::picture
