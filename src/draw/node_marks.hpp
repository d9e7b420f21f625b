// SPDX-License-Identifier: MIT
#pragma once

#include "draw/panel.hpp"

namespace fond_ladder::inline v0::picture {

struct Marks {
  std::vector<NodeId> overhang;
  std::vector<NodeId> untold;  ///< lie beyond the picture, at a side where no label fits
};

/// Paints what stands over all nodes: what is cut, pins with their ties, what there is to scroll, flags of nodes
/// without a size, and the labels. Nothing when `bare`.
Marks paint_marks(Pen& pen, const Solution& solution, const std::vector<Item>& items, const Rect& space, bool bare,
                  Used& used);

}  // namespace fond_ladder::inline v0::picture
