// SPDX-License-Identifier: MIT
#include "solve/leaf.hpp"

#include <cmath>

namespace fond_ladder::detail::leaf {
namespace {

/// A measured number that can be arranged; what is not finite or is negative counts 0 and is remembered for the notes.
double sound(Frame& frame, Index node, double measured, NodeFlag oddity) {
  if (std::isfinite(measured) && measured >= 0) return std::min(measured, limits::largest_length);
  frame.set_flag(node, oddity, true);
  return 0;
}

}  // namespace

void widths_up(Frame& frame, Index node) {
  const double inset = frame.edges_up(node).inset[x_axis].sum();
  double least = frame.natural(node, x_axis), most = least;
  if (const Measured* content = frame.content(node)) {
    frame.set_flag(node, NodeFlag::odd_widths, false);
    const Measured::Widths widths = content->widths();
    least = sound(frame, node, widths.min_content, NodeFlag::odd_widths);
    most = std::max(least, sound(frame, node, widths.max_content, NodeFlag::odd_widths));
  }
  frame.set_content_widths(node, frame.traits(node).scroll_x ? inset : least + inset, most + inset);
}

void heights_up(Frame& frame, Index node) {
  const Sides inset = frame.edges_up(node).inset[y_axis];
  double need = frame.natural(node, y_axis);
  if (const Measured* content = frame.content(node)) {
    frame.set_flag(node, NodeFlag::odd_heights, false);
    const Measured::Heights heights = content->height_for(frame.inner_size(node, x_axis));
    need = sound(frame, node, heights.height, NodeFlag::odd_heights);
    frame.set_baseline(node, inset.before + sound(frame, node, heights.baseline, NodeFlag::odd_heights));
  }
  frame.set_need(node, frame.height_by_aspect(node, need + inset.sum()));
}

}  // namespace fond_ladder::detail::leaf
