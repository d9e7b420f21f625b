// SPDX-License-Identifier: MIT
//
// Boxes, texts and images. What lies inside a leaf has a natural size, or is measured: widths once, then a height for
// the width that the leaf got. Padding and border come on top. CSS Sizing 3, section 5; CSS Sizing 4, section 4.
#include <cmath>

#include "solve/child.hpp"
#include "solve/kinds.hpp"

namespace fond_ladder::detail {
namespace {

/// A measured number that can be arranged; what is not finite or is negative counts 0 and is remembered for the notes.
double sound(Frame& frame, Index node, double measured, NodeFlag oddity) {
  if (std::isfinite(measured) && measured >= 0) return std::min(measured, limits::largest_length);
  frame.set_flag(node, oddity, true);
  return 0;
}

}  // namespace

namespace leaf {

void widths_up(Frame& frame, Index node) {
  const double inset = frame.edges_up(node).inset[x_axis].sum();
  double least = frame.natural(node, x_axis), most = least;
  frame.set_flag(node, NodeFlag::odd_widths, false);
  if (const Measured* content = frame.content(node)) {
    const Measured::Widths widths = content->widths();
    least = sound(frame, node, widths.min_content, NodeFlag::odd_widths);
    most = std::max(least, sound(frame, node, widths.max_content, NodeFlag::odd_widths));
  }
  frame.set_content_widths(node, frame.traits(node).scroll_x ? inset : least + inset, most + inset);
}

void heights_up(Frame& frame, Index node) {
  const Sides inset = frame.edges_up(node).inset[y_axis];
  const Measured* content = frame.content(node);
  frame.set_flag(node, NodeFlag::odd_heights, false);
  if (content == nullptr) {
    frame.set_need(node, frame.height_by_aspect(node, frame.natural(node, y_axis) + inset.sum()));
    frame.set_baseline(node, natural_height(frame, node));
    return;
  }
  const Measured::Heights heights = content->height_for(frame.inner_size(node, x_axis));
  const double need = sound(frame, node, heights.height, NodeFlag::odd_heights) + inset.sum();
  frame.set_need(node, frame.height_by_aspect(node, need));
  frame.set_baseline(node, inset.before + sound(frame, node, heights.baseline, NodeFlag::odd_heights));
}

}  // namespace leaf
}  // namespace fond_ladder::detail
