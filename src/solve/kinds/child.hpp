// SPDX-License-Identifier: MIT
#pragma once

// One node as its parent sees it on one axis: the few questions that every kind of container asks in the same way. Most
// nodes are plain (no edges, percentages, basis or scale); for these the same code is compiled a second time with those
// answers known, and `with_child` picks the right one.
//
// Going up (passes 1 and 3) no percentage is known, and `whole` is `unknown`; going down (2 and 4) it is the content
// box of the parent.

#include "solve/state/solve_context.hpp"

namespace fond_ladder::inline v0::detail {

/// A size that is given, else what it is by itself.
template <class N>
[[nodiscard]] N given_or(const N& given, const N& otherwise) {
  return __builtin_expect_with_probability(is_unknown(given), 1, 0.5) ? otherwise : given;
}

template <Axis axis, bool plain, class N = double>
class Child {
 public:
  Child(const ViewOf<N>& view, Index node) : view_(view), node_(node), own_(view.traits(node)) {}

  [[nodiscard]] Index node() const { return node_; }
  [[nodiscard]] const Traits& traits() const { return own_; }
  [[nodiscard]] SizeWay way() const { return own_.way(axis); }

  [[nodiscard]] SidesOf<N> margin_up() const {
    if constexpr (plain) return {};
    return view_.edges_up(node_).margin[axis];
  }
  [[nodiscard]] N inset_up() const {
    if constexpr (plain) return 0;
    if (const Sides* outward = outward_inset()) return outward->sum();
    return view_.edges_up(node_).inset[axis].sum();
  }
  /// With `flip`, the margin towards the far edge comes first.
  [[nodiscard]] SidesOf<N> margin_down(bool flip) const {
    if constexpr (plain) return {};
    const SidesOf<N> margin = view_.edges_down(node_).margin[axis];
    return flip ? SidesOf<N>{margin.after, margin.before} : margin;
  }
  [[nodiscard]] N inset_down() const {
    if constexpr (plain) return 0;
    if (const Sides* outward = outward_inset()) return outward->sum();
    return view_.edges_down(node_).inset[axis].sum();
  }
  /// Which margins are automatic: bit 1 the one ahead, bit 2 the one behind.
  [[nodiscard]] unsigned auto_margins(bool flip) const {
    if constexpr (plain) return 0;
    if (!own_.auto_margin) return 0;
    const unsigned both = view_.rare_fields(node_).auto_margins >> (2 * axis) & 3U;
    return flip ? (both & 1U) << 1 | both >> 1 : both;
  }
  /// How far a node of this size begins behind the start of the space that it is counted with.
  [[nodiscard]] N ahead_in(N counted, N size) const {
    if constexpr (plain) return 0;
    return (counted - size) / 2;
  }
  /// How much larger than itself the parent has to count the node; 1 but for `scale_affects_layout`.
  [[nodiscard]] double counted_scale() const {
    if constexpr (plain) return 1;
    return own_.scale_affects_layout ? view_.keys(node_).scale : 1;
  }

  /// The size given in pixels, or in percent of a `whole` that is known; negative when none is.
  [[nodiscard]] N given(N whole) const {
    if constexpr (plain) return view_.given_px(node_, axis);
    if (way() != SizeWay::percent || is_unknown(whole)) return view_.given_px(node_, axis);
    return view_.length(
        node_, [](const Keys& keys) { return keys.size_on(axis).length(); }, whole);
  }

  /// The author's minimum and maximum, and padding plus border as the floor.
  [[nodiscard]] BoundsOf<N> bounds(N inset, N whole) const {
    BoundsOf<N> found{view_.smallest(node_, axis), view_.largest(node_, axis)};
    if constexpr (!plain) {
      if (own_.percent_sizes && !is_unknown(whole)) resolve(whole, found);
      found.least = max_of(found.least, inset);
    }
    found.most = max_of(found.most, found.least);
    return found;
  }

  /// Bounds along a row or column: without a minimum of its own, a node keeps its content (sizes rule, automatic
  /// minimum). `given` is the size given, or negative.
  [[nodiscard]] BoundsOf<N> bounds_along(N inset, N whole, N content, N given) const {
    BoundsOf<N> found = bounds(inset, whole);
    const bool keeps = !any_true(own_.min_given(axis), own_.scrolls(axis));
    found.least = most_unless(!keeps, found.least, [&] {
      return min_of(content, is_unknown(given) ? found.most : min_of(found.most, given));
    });
    return found;
  }

  /// The base size of a child without a weight, by its basis, else its size, else its content.
  [[nodiscard]] N base_size(N inset, N whole, N content, N given) const {
    N base = given_or<N>(given, content);
    if constexpr (!plain) {
      if (has_factors()) base = base_by_basis(whole, content, base);
    }
    return max_of(base, inset);
  }
  /// Of one that can.
  [[nodiscard]] double shrink() const { return has_factors() ? view_.rare_fields(node_).shrink : 1; }
  [[nodiscard]] bool can_shrink() const { return own_.rigid == 0; }
  /// Whether it has a basis, or shrinks by another factor than 0 or 1.
  [[nodiscard]] bool has_factors() const { return !plain && own_.has_factors; }

  /// Whether the aspect rule keeps a node from being stretched: a height that follows the width, and an image, with or
  /// without a shape.
  [[nodiscard]] bool keeps_aspect() const {
    return any_true(own_.node_kind() == Kind::image, axis == y_axis && own_.has_aspect_ratio);
  }

 private:
  [[nodiscard]] const Sides* outward_inset() const { return axis == x_axis ? view_.outward_inset(node_) : nullptr; }
  void resolve(N whole, BoundsOf<N>& found) const {
    const Keys& keys = view_.keys(node_);
    const Limit& least = keys.least_on(axis);
    const Limit& most = keys.most_on(axis);
    if (least && least->is_percent()) {
      found.least = view_.length(
          node_, [](const Keys& own) { return *own.least_on(axis); }, whole);
    }
    if (most && most->is_percent()) {
      found.most = view_.length(
          node_, [](const Keys& own) { return *own.most_on(axis); }, whole);
    }
  }
  [[nodiscard]] N base_by_basis(N whole, N content, N otherwise) const {
    switch (static_cast<SizeWay>(view_.rare_fields(node_).basis_way)) {
      case SizeWay::px: return view_.basis_px(node_);
      case SizeWay::percent:
        if (is_unknown(whole)) return content;
        return view_.length(
            node_, [](const Keys& keys) { return keys.basis.length(); }, whole);
      case SizeWay::content: return content;
      default: return otherwise;
    }
  }

  const ViewOf<N>& view_;
  Index node_;
  const Traits& own_;
};

/// Calls `with(child)` with the node as a Child of the right sort, and returns what it returns. Sums are better
/// returned than captured: what is captured by reference cannot stay in a register.
template <Axis axis, class N, class With>
[[gnu::always_inline]] inline decltype(auto) with_child(const ViewOf<N>& view, Index node, const With& with) {
  if (view.is_plain(node)) return with(Child<axis, true, N>(view, node));
  return with(Child<axis, false, N>(view, node));
}
/// The same where it does not matter of which sort.
template <Axis axis, class N>
[[nodiscard]] Child<axis, false, N> any_child(const ViewOf<N>& view, Index node) {
  return {view, node};
}

/// The height that a node has by itself in pass 3: given in pixels, else by content, within its limits.
template <class N>
[[nodiscard]] N natural_height(const ViewOf<N>& view, Index node) {
  return with_child<y_axis>(view, node, [&](const auto& child) {
    return child.bounds(child.inset_up(), unknown).clamp(given_or<N>(child.given(unknown), view.need(node)));
  });
}

/// The share of the height unused by the lines of a text that goes above them.
template <class N>
[[nodiscard]] double words_ahead(const ViewOf<N>& view, Index node) {
  if (view.traits(node).node_kind() != Kind::text || !view.rare_fields(node).keys) return 0;
  constexpr std::array<double, 3> shares{0, 0.5, 1};
  return shares[static_cast<std::size_t>(view.keys(node).text_align.y)];
}

/// First baseline of a node from its top, after pass 3. Only what content or children give is stored; where there is
/// neither it is the bottom edge.
template <class N>
[[nodiscard]] N first_baseline(const ViewOf<N>& view, Index node) {
  const bool container = is_container(view.traits(node).node_kind());
  const bool has_own = container ? view.child_count(node) > 0 : view.content(node) != nullptr;
  return has_own ? view.baseline(node) : natural_height(view, node);
}

/// The same going down, when a padding in percent is known: what it takes moves the content that gives the baseline.
template <class N>
[[nodiscard]] N first_baseline_down(const ViewOf<N>& view, Index node) {
  const N baseline = first_baseline(view, node);
  const Traits own = view.traits(node);
  if (!own.percent_edges || !view.holds_content(node)) return baseline;
  const SidesOf<N> up = view.edges_up(node).inset[y_axis];
  const SidesOf<N> down = view.edges_down(node).inset[y_axis];
  const bool from_below = own.node_kind() == Kind::column && own.reverse;
  return from_below ? baseline - (down.after - up.after) : baseline + (down.before - up.before);
}

}  // namespace fond_ladder::inline v0::detail
