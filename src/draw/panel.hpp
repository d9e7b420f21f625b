// SPDX-License-Identifier: MIT
#pragma once

// One arrangement of a picture: what of it is drawn, and the drawing.

#include <array>
#include <vector>

#include "draw/pen.hpp"
#include "fond_ladder/solution.hpp"

namespace fond_ladder::inline v0::picture {

/// A node on its way into a picture.
struct Item {
  static constexpr std::size_t no_parent = static_cast<std::size_t>(-1);
  NodeId node;
  Kind kind = Kind::box;
  int depth = 0;
  std::size_t parent = no_parent;  ///< among the items
  Rect box;                        ///< as painted
  Rect view;                       ///< what the scrollers above it let be seen
  double zoom = 1;                 ///< pixels of the picture a pixel of the node
  double scale = 1;                ///< by how much it is painted larger than it is arranged
  bool shown = true;               ///< large enough, and among the largest
  bool beyond = false;             ///< not shown because it is outside the picture
};

/// What a picture contains that a legend can explain.
struct Used {
  std::array<bool, words_of<Kind>.size()> kinds{};
  bool padding = false, gap = false, unused_space = false, overhang = false, scrolled = false, track = false,
       zero = false, pin = false, padding_overlap = false, baseline = false;
  void add(const Used& other);
};

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
