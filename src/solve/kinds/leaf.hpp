// SPDX-License-Identifier: MIT
#pragma once

// Boxes, texts and images. The content of a leaf has a natural size, or is measured: widths once, then a height for
// the width that the leaf got. Padding and border come on top. CSS Sizing 3, section 5; CSS Sizing 4, section 4.
//
// Most nodes of a tree are passive: boxes and images whose natural size is all that matters. Their width and height
// by content follow from nothing else, so that the visit of their parent in pass 1 settles both, and no pass has to
// come back to them.

#include "solve/kinds/child.hpp"

namespace fond_ladder::inline v0::detail::leaf {

/// Something measured as it is arranged: what is not finite, or is negative, counts 0.
[[nodiscard]] double sound_size(double measured);

/// The widths that content asks for, as they are arranged: the most is not below the least.
[[nodiscard]] CustomContent::Widths sound_widths(const CustomContent::Widths& measured);

/// The steps of a leaf that is visited by itself: one that is measured, scrolls, or has an aspect.
template <class N>
void widths_up(SolveContextOf<N>& context, Index node);
template <class N>
void heights_up(SolveContextOf<N>& context, Index node);

/// Sets the sizes by content of a child if it is passive. Its baseline is its bottom edge: see first_baseline.
template <bool plain, class N>
[[gnu::always_inline]] inline void settle(SolveContextOf<N>& context, const Child<x_axis, plain, N>& child) {
  if (!child.traits().passive) return;
  const Index node = child.node();
  const N width = context.natural(node, x_axis) + child.inset_up();
  context.set_content_widths(node, width, width);
  context.set_need(node, context.natural(node, y_axis) + Child<y_axis, plain, N>(context, node).inset_up());
  if (child.traits().holds_scroller) context.set_least_height(node, context.need(node));  // in another form
}

/// Settles the children of a container that are passive and stand outside its flow.
template <class N>
void settle_pinned(SolveContextOf<N>& context, Index container) {
  if (!context.traits(container).odd_children) return;
  const Index first = context.first_child(container), count = context.child_count(container);
  for (Index child = first; child < first + count; ++child) settle(context, any_child<x_axis, N>(context, child));
}

}  // namespace fond_ladder::inline v0::detail::leaf
