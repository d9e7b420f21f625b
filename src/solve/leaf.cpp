// SPDX-License-Identifier: MIT
//
// Boxes, texts and images. What lies inside a leaf has a natural size, or is measured: widths once, then a height for
// the width that the leaf got. Padding and border come on top. CSS Sizing 3, section 5; CSS Sizing 4, section 4.
#include <cmath>

#include "solve/kinds.hpp"

namespace fond_ladder::detail {
namespace {

/// A measured number that can be arranged; what is not finite or is negative counts 0 and is remembered for the notes.
double sound(Frame& frame, Index node, double measured, NodeFlag oddity) {
  if (std::isfinite(measured) && measured >= 0) return std::min(measured, limits::largest_length);
  frame.state.flags[node] |= oddity;
  return 0;
}

}  // namespace

namespace leaf {

void widths_up(Frame& frame, Index node) {
  const double inset = frame.edges_up(node).inset[x_axis].sum();
  double least = frame.flat.inner[x_axis][node], most = least;
  frame.state.flags[node] &= static_cast<std::uint8_t>(~odd_widths);
  if (const Measured* content = frame.content(node)) {
    const Measured::Widths widths = content->widths();
    least = sound(frame, node, widths.min_content, odd_widths);
    most = std::max(least, sound(frame, node, widths.max_content, odd_widths));
  }
  frame.state.min_content[node] = frame.traits(node).scroll_x ? inset : least + inset;
  frame.state.max_content[node] = most + inset;
}

void heights_up(Frame& frame, Index node) {
  const Sides inset = frame.edges_up(node).inset[y_axis];
  const Measured* content = frame.content(node);
  double need = frame.flat.inner[y_axis][node], baseline = 0;
  frame.state.flags[node] &= static_cast<std::uint8_t>(~odd_heights);
  if (content != nullptr) {
    const Measured::Heights heights = content->height_for(frame.inner_size(node, x_axis));
    need = sound(frame, node, heights.height, odd_heights);
    baseline = sound(frame, node, heights.baseline, odd_heights);
  }
  frame.state.need[node] = frame.height_by_aspect(node, need + inset.sum());
  frame.state.baseline[node] = content != nullptr ? inset.before + baseline : frame.natural_height(node);
}

}  // namespace leaf
}  // namespace fond_ladder::detail
