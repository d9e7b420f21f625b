// SPDX-License-Identifier: MIT
#pragma once

#include <vector>

#include "draw/item.hpp"
#include "draw/pen.hpp"

namespace fond_ladder::inline v0::picture {

struct Marks {
  std::vector<NodeId> overhang;
  std::vector<NodeId> unlabeled;  ///< lie beyond the picture, at a side where no label fits
};

/// Paints everything above the nodes: overhang, pins with their ties, scroll ranges, flags of nodes
/// without a size, and the labels. Nothing when `bare`.
Marks paint_marks(Pen& pen, const Solution& solution, const std::vector<Item>& items, const Rect& space, bool bare,
                  Used& used);

}  // namespace fond_ladder::inline v0::picture
