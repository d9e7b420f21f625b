// SPDX-License-Identifier: MIT
#pragma once

#include <span>
#include <string>
#include <vector>

#include "draw/panel.hpp"
#include "fond_ladder/draw.hpp"

namespace fond_ladder::inline v0::picture {

struct SheetReport {
  std::size_t drawn = 0, left_out = 0;
  std::vector<std::vector<NodeId>> overhang;  ///< panel by panel
};

/// A whole picture, laid out before there is a file to draw it into. The arrangements have to live as long.
class Sheet {
 public:
  /// Throws BadPicture and BadPath.
  Sheet(std::span<const Panel> panels, const DrawOptions& options);

  [[nodiscard]] double width() const { return width_; }
  [[nodiscard]] double height() const { return height_; }
  [[nodiscard]] double scale() const { return scale_; }
  [[nodiscard]] SheetReport paint(Pen& pen) const;

  /// A panel in its place.
  struct PlacedPanel {
    PanelDrawing drawing;
    std::string caption;
    Rect space;  ///< of the panel, with what overhangs it
    Point at;    ///< of its box
  };

 private:
  void place_panels();
  void widen_for_captions();
  [[nodiscard]] std::vector<std::string> missing_lines() const;
  [[nodiscard]] PanelReport paint_panel(Pen& pen, const PlacedPanel& panel) const;

  bool bare_, captions_ = true;
  std::string title_;
  std::vector<PlacedPanel> panels_;
  double scale_ = 1, width_ = 0, height_ = 0, legend_top_ = 0;
  Used used_;
  std::vector<std::string> missing_;  // names of nodes that are left out
  bool more_missing_ = false;
};

}  // namespace fond_ladder::inline v0::picture
