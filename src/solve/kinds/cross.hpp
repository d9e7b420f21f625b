// SPDX-License-Identifier: MIT
#pragma once

// One child on an axis that it does not share: across its row or column, or in a stack. CSS Flexible Box
// Layout 1, section 9.4 (steps 7 and 11) and 9.6; CSS Box Alignment 3, section 6.

#include "solve/kinds/child.hpp"

namespace fond_ladder::inline v0::detail {

/// Going up: the outer size by which a child counts on such an axis. `content` is its size by content.
template <Axis axis, bool plain, class N>
[[nodiscard]] FOND_LADDER_INLINED inline N outer_across_up(const Child<axis, plain, N>& child, N content) {
  const BoundsOf<N> bounds = child.bounds(child.inset_up(), unknown);
  return bounds.clamp(given_or<N>(child.given(unknown), content)) * child.counted_scale() + child.margin_up().sum();
}

/// Going down: the same in `whole`, which percentages are of. Heights only: a width by content depends on its space.
template <bool plain, class N>
[[nodiscard]] N outer_across_down(const ViewOf<N>& view, const Child<y_axis, plain, N>& child, N whole) {
  const BoundsOf<N> bounds = child.bounds(child.inset_down(), whole);
  return bounds.clamp(given_or<N>(child.given(whole), view.need(child.node()))) * child.counted_scale() +
         child.margin_down(false).sum();
}

/// The distance from the start of its space to a child: automatic margins decide first (margins rule), then the
/// alignment. `never_ahead`: on a scrolled axis, overhang before the start could not be scrolled to.
template <class N>
[[nodiscard]] N ahead_by(unsigned auto_margins, N unused_space, Across align, bool never_ahead) {
  if (auto_margins != 0)
    return unused_space <= 0 || auto_margins == 2 ? N(0) : auto_margins == 3 ? unused_space / 2 : unused_space;
  static constexpr std::array<double, 5> part{0, 0.5, 1, 0, 0};  // by the words of Across
  return most_unless(!never_ahead, unused_space, [] { return 0.0; }) * part[static_cast<std::size_t>(align)];
}

/// How a child of a stack or grid is aligned: its own word, else the container's, else that of the kind.
template <Axis axis>
[[nodiscard]] Across alignment(const Traits& container, const Traits& child, Across of_kind) {
  const std::uint64_t own = axis == x_axis ? child.place_self_x : child.place_self_y;
  const std::uint64_t all = axis == x_axis ? container.align_x : container.align_y;
  if (own != follows_parent) return static_cast<Across>(own);
  return all != follows_parent ? static_cast<Across>(all) : of_kind;
}

/// Fills or fits `space` with a child and returns its size, without margins. `whole` is what a percentage is of.
template <Axis axis, bool plain, class N>
[[nodiscard]] N size_across_down(const ViewOf<N>& view, const Child<axis, plain, N>& child, N space, N whole,
                                 Across align) {
  const BoundsOf<N> bounds = child.bounds(child.inset_down(), whole);
  const N given = child.given(whole);
  const SizeWay way = child.way();
  const bool stretched = all_true(way == SizeWay::automatic, align == Across::stretch, !child.keeps_aspect(),
                                  child.auto_margins(false) == 0);
  if constexpr (!plain) space /= child.counted_scale();
  const bool fills = any_true(stretched, way == SizeWay::fill);
  if constexpr (axis == y_axis)
    return bounds.clamp(given_or<N>(given, either<N>(fills, space, view.need(child.node()))));
  const N wide = most_unless(fills, space, [&] { return view.min_content(child.node()); });
  const N fitted = least_unless(fills, wide, [&] { return view.max_content(child.node()); });
  return bounds.clamp(given_or(given, fitted));
}

/// How a container lays its children on an axis.
template <Axis axis, class N = double>
struct CrossAxis {
  N whole;           ///< its content box, which percentages are of
  SidesOf<N> edges;  ///< where that begins and ends
  bool flip;         ///< from the far edge
  bool scrolls;

  CrossAxis(const ViewOf<N>& view, Index container, bool from_far_edge)
      : whole(view.inner_size(container, axis)),
        edges(view.content_edges(container, axis)),
        flip(from_far_edge),
        scrolls(view.traits(container).scrolls(axis)) {}
};

/// The position of a child of a known size in a slot, from the container's border box: automatic margins decide first,
/// then `to_baseline` (the distance from the slot's start to its margin box; negative if it is on no baseline),
/// then its alignment.
template <Axis axis, bool plain, class N>
[[nodiscard]] N place_in_slot(const CrossAxis<axis, N>& across, const Child<axis, plain, N>& child, SlotOf<N> slot,
                              N size, Across align, N to_baseline) {
  const SidesOf<N> margin = child.margin_down(across.flip);
  const N counted = size * child.counted_scale();
  const N unused_space = slot.size - margin.sum() - counted;
  const unsigned automatic = child.auto_margins(across.flip);
  const N ahead = automatic == 0 && !is_unknown(to_baseline) ? to_baseline
                                                             : ahead_by(automatic, unused_space, align, across.scrolls);
  const N from_start = slot.at + margin.before + ahead + child.ahead_in(counted, size);
  return across.flip ? across.edges.after - from_start - size : across.edges.before + from_start;
}

/// Sizes and places a child in a slot; `nudge` moves it from there.
template <Axis axis, class N>
[[gnu::always_inline]] inline void place_across(SolveContextOf<N>& context, const CrossAxis<axis, N>& across,
                                                Index node, SlotOf<N> slot, Across align, N to_baseline = -1,
                                                N nudge = 0) {
  if (!context.is_plain(node)) context.resolve_edges(node, axis, across.whole);
  with_child<axis>(context, node, [&](const auto& child) {
    const N space = slot.size - child.margin_down(false).sum();
    const N size = size_across_down(context, child, space, across.whole, align);
    context.set_place(node, axis, place_in_slot(across, child, slot, size, align, to_baseline) + nudge);
    context.template set_size<axis>(node, size, child.traits().passive);
  });
}

}  // namespace fond_ladder::inline v0::detail
