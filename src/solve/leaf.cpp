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

void measured_widths_up(Frame& frame, Index node, const Measured& content) {
  frame.set_flag(node, NodeFlag::odd_widths, false);
  const double inset = frame.edges_up(node).inset[x_axis].sum();
  const Measured::Widths widths = content.widths();
  const double least = sound(frame, node, widths.min_content, NodeFlag::odd_widths);
  const double most = std::max(least, sound(frame, node, widths.max_content, NodeFlag::odd_widths));
  frame.set_content_widths(node, frame.traits(node).scroll_x ? inset : least + inset, most + inset);
}

void measured_heights_up(Frame& frame, Index node, const Measured& content) {
  frame.set_flag(node, NodeFlag::odd_heights, false);
  const Sides inset = frame.edges_up(node).inset[y_axis];
  const Measured::Heights heights = content.height_for(frame.inner_size(node, x_axis));
  const double need = sound(frame, node, heights.height, NodeFlag::odd_heights) + inset.sum();
  frame.set_need(node, frame.height_by_aspect(node, need));
  frame.set_baseline(node, inset.before + sound(frame, node, heights.baseline, NodeFlag::odd_heights));
}

}  // namespace fond_ladder::detail::leaf
