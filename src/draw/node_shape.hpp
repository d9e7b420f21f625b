// SPDX-License-Identifier: MIT
#pragma once

#include "draw/item.hpp"
#include "draw/pen.hpp"

namespace fond_ladder::inline v0::picture {

/// Whether a node has no width or no height: it gets a flag instead of a shape.
[[nodiscard]] inline bool is_flat(const Item& item) {
  return item.box.width <= 0 || item.box.height <= 0;
}

/// Paints what a node is by itself: its tint, border and outline, the words of a text, the frame of an image, and
/// unless `bare` the hatching of its padding, gaps and unused space. What its scrollers hide is only hinted at.
void paint_shape(Pen& pen, const Solution& solution, const Item& item, const Rect& space, bool bare, Used& used);

/// A box of a node's own coordinates, in the picture.
[[nodiscard]] Rect in_picture(const Item& item, const Rect& own);

}  // namespace fond_ladder::inline v0::picture
