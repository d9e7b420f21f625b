// SPDX-License-Identifier: MIT
#pragma once

// One arrangement of a picture: what of it is drawn, and the drawing.

#include <vector>

#include "draw/item.hpp"
#include "draw/pen.hpp"
#include "fond_ladder/solution.hpp"

namespace fond_ladder::inline v0::picture {

struct PanelReport {
  std::size_t drawn = 0, left_out = 0;
  std::vector<NodeId> missing;  ///< the first of those left out
  std::vector<NodeId> overhang;
  Used used;
};

class PanelDrawing {
 public:
  /// Of all nodes, or of one and what is in it. Throws BadPicture when that has no place or no size.
  PanelDrawing(const Solution& solution, NodeId only);

  /// The box that is drawn, in pixels of the scene.
  [[nodiscard]] Extent size() const;
  /// By how much nodes overhang it on each side, in pixels of the picture, as far as there is space for it.
  [[nodiscard]] FourSides overhang(double scale) const;

  /// Draws with the box's corner at `at`; nothing is drawn outside of `space`. At most `most` nodes. `bare` leaves out
  /// all helper marks.
  [[nodiscard]] PanelReport paint(Pen& pen, Point at, double scale, const Rect& space, std::size_t most,
                                  bool bare) const;

 private:
  const Solution& solution_;
  std::size_t too_deep_ = 0;
  std::vector<Item> items_;  // in the order of painting, in pixels of the scene
};

}  // namespace fond_ladder::inline v0::picture
