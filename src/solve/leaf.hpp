// SPDX-License-Identifier: MIT
#pragma once

// Boxes, texts and images. What lies inside a leaf has a natural size, or is measured: widths once, then a height for
// the width that the leaf got. Padding and border come on top. CSS Sizing 3, section 5; CSS Sizing 4, section 4.
//
// Most nodes of a tree are leaves with a natural size; their two steps stand here to be compiled into the passes.

#include "solve/child.hpp"

namespace fond_ladder::detail::leaf {

/// The steps of a leaf whose content is measured.
void measured_widths_up(Frame& frame, Index node, const Measured& content);
void measured_heights_up(Frame& frame, Index node, const Measured& content);

inline void widths_up(Frame& frame, Index node) {
  if (const Measured* content = frame.content(node)) return measured_widths_up(frame, node, *content);
  const double inset = frame.is_plain(node) ? 0 : frame.edges_up(node).inset[x_axis].sum();
  const double width = frame.natural(node, x_axis) + inset;
  frame.set_content_widths(node, frame.traits(node).scroll_x ? inset : width, width);
}

/// The baseline is the bottom edge: see first_baseline.
inline void heights_up(Frame& frame, Index node) {
  if (const Measured* content = frame.content(node)) return measured_heights_up(frame, node, *content);
  const double inset = frame.is_plain(node) ? 0 : frame.edges_up(node).inset[y_axis].sum();
  frame.set_need(node, frame.height_by_aspect(node, frame.natural(node, y_axis) + inset));
}

}  // namespace fond_ladder::detail::leaf
