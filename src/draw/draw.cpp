// SPDX-License-Identifier: MIT
#include "fond_ladder/draw.hpp"

#include "draw/canvas.hpp"
#include "draw/sheet.hpp"

namespace fond_ladder::inline v0 {

Picture draw(std::span<const Panel> panels, PictureForm form, const DrawOptions& options) {
  const picture::Sheet sheet(panels, options);
  const auto canvas = picture::open_canvas(form, {sheet.width(), sheet.height(), options.title, options.within_page});
  picture::SheetReport report = sheet.paint(*canvas);
  return {canvas->finish(),          sheet.width(), sheet.height(), sheet.scale(), report.drawn, report.left_out,
          std::move(report.overhang)};
}

}  // namespace fond_ladder::inline v0
