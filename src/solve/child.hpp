// SPDX-License-Identifier: MIT
#pragma once

// One node as its parent sees it on one axis: the few questions that every kind of container asks in the same way. Most
// nodes are plain (no edges, percentages, basis or scale); for these the same code is compiled a second time with those
// answers known, and `with_child` picks the right one.
//
// Going up (passes 1 and 3) no percentage is known, and `whole` is `unknown`; going down (2 and 4) it is the content
// box of the parent.

#include "solve/frame.hpp"

namespace fond_ladder::inline v0::detail {

template <Axis axis, bool plain>
class Child {
 public:
  Child(const View& view, Index node) : view_(view), node_(node), own_(view.traits(node)) {}

  [[nodiscard]] Index node() const { return node_; }
  [[nodiscard]] Traits traits() const { return own_; }
  [[nodiscard]] SizeWay way() const { return own_.way(axis); }

  [[nodiscard]] Sides margin_up() const {
    if constexpr (plain) return {};
    return view_.edges_up(node_).margin[axis];
  }
  [[nodiscard]] double inset_up() const {
    if constexpr (plain) return 0;
    return view_.edges_up(node_).inset[axis].sum();
  }
  /// With `flip`, the margin towards the far edge comes first.
  [[nodiscard]] Sides margin_down(bool flip) const {
    if constexpr (plain) return {};
    const Sides margin = view_.edges_down(node_).margin[axis];
    return flip ? Sides{margin.after, margin.before} : margin;
  }
  [[nodiscard]] double inset_down() const {
    if constexpr (plain) return 0;
    return view_.edges_down(node_).inset[axis].sum();
  }
  /// Which margins are automatic: bit 1 the one ahead, bit 2 the one behind.
  [[nodiscard]] unsigned auto_margins(bool flip) const {
    if constexpr (plain) return 0;
    if (!own_.auto_margin) return 0;
    const unsigned both = view_.extra(node_).auto_margins >> (2 * axis) & 3U;
    return flip ? (both & 1U) << 1 | both >> 1 : both;
  }
  /// How far a node of this size begins behind the start of the room that it is counted with.
  [[nodiscard]] double ahead_in(double counted, double size) const {
    if constexpr (plain) return 0;
    return (counted - size) / 2;
  }
  /// How much larger than itself the parent has to count the node; 1 but for `scale_counts`.
  [[nodiscard]] double counted_scale() const {
    if constexpr (plain) return 1;
    return own_.scale_counts ? view_.keys(node_).scale : 1;
  }

  /// The size given in pixels, or in percent of a `whole` that is known; negative when none is.
  [[nodiscard]] double given(double whole) const {
    if (way() == SizeWay::px) return view_.given_px(node_, axis);
    if constexpr (plain) return -1;
    if (way() != SizeWay::percent || whole < 0) return -1;
    const Keys& keys = view_.keys(node_);
    return keys.size_on(axis).length().in_px(view_.em, whole);
  }

  /// The author's minimum and maximum, and padding plus border as the floor.
  [[nodiscard]] Bounds bounds(double inset, double whole) const {
    Bounds found{view_.smallest(node_, axis), view_.largest(node_, axis)};
    if constexpr (!plain) {
      if (own_.percent_sizes && whole >= 0) resolve(whole, found);
      found.least = std::max(found.least, inset);
    }
    found.most = std::max(found.most, found.least);
    return found;
  }

  /// Bounds along a row or column: without a minimum of its own, a node keeps its content (sizes rule, automatic
  /// minimum). `given` is the size given, or negative.
  [[nodiscard]] Bounds bounds_along(double inset, double whole, double content, double given) const {
    Bounds found = bounds(inset, whole);
    const double limit = given >= 0 ? std::min(found.most, given) : found.most;
    const bool keeps = !own_.min_given(axis) && !own_.scrolls(axis);
    found.least = std::max(found.least, keeps ? std::min(content, limit) : 0);
    return found;
  }

  /// The base size of a child without a weight, by its basis, else its size, else its content.
  [[nodiscard]] double base_size(double inset, double whole, double content, double given) const {
    double base = given >= 0 ? given : content;
    if constexpr (!plain) {
      if (own_.has_factors) base = base_by_basis(whole, content, base);
    }
    return std::max(base, inset);
  }
  [[nodiscard]] double shrink() const {
    if constexpr (!plain) {
      if (own_.has_factors) return view_.extra(node_).shrink;
    }
    return own_.rigid ? 0 : 1;
  }

  /// Whether the aspect rule keeps a node from being stretched: a height that follows the width, and an image, with or
  /// without a shape.
  [[nodiscard]] bool keeps_aspect() const {
    return own_.node_kind() == Kind::image || (axis == y_axis && own_.has_aspect);
  }

 private:
  void resolve(double whole, Bounds& found) const {
    const Keys& keys = view_.keys(node_);
    const Limit& least = keys.least_on(axis);
    const Limit& most = keys.most_on(axis);
    if (least && least->is_percent()) found.least = least->in_px(view_.em, whole);
    if (most && most->is_percent()) found.most = most->in_px(view_.em, whole);
  }
  [[nodiscard]] double base_by_basis(double whole, double content, double otherwise) const {
    switch (static_cast<SizeWay>(view_.extra(node_).basis_way)) {
      case SizeWay::px: return view_.extra(node_).basis;
      case SizeWay::percent: return whole < 0 ? content : view_.keys(node_).basis.length().in_px(view_.em, whole);
      case SizeWay::content: return content;
      default: return otherwise;
    }
  }

  const View& view_;
  Index node_;
  Traits own_;
};

/// Calls `with(child)` with the node as a Child of the right sort, and returns what it returns. Sums are better
/// returned than captured: what is captured by reference cannot stay in a register.
template <Axis axis, class With>
[[gnu::always_inline]] inline decltype(auto) with_child(const View& view, Index node, const With& with) {
  if (view.is_plain(node)) return with(Child<axis, true>(view, node));
  return with(Child<axis, false>(view, node));
}

/// The height that a node has by itself in pass 3: given in pixels, else by content, within its limits.
[[nodiscard]] inline double natural_height(const View& view, Index node) {
  return with_child<y_axis>(view, node, [&](const auto& child) {
    const double given = child.given(unknown);
    return child.bounds(child.inset_up(), unknown).held(given >= 0 ? given : view.need(node));
  });
}

/// First baseline of a node from its top, after pass 3. Only what content or children give is stored; where there is
/// neither it is the bottom edge.
[[nodiscard]] inline double first_baseline(const View& view, Index node) {
  const bool container = is_container(view.traits(node).node_kind());
  const bool has_own = container ? view.child_count(node) > 0 : view.content(node) != nullptr;
  return has_own ? view.baseline(node) : natural_height(view, node);
}

/// The same going down, when a padding in percent is known: what it takes moves the content that gives the baseline.
[[nodiscard]] inline double first_baseline_down(const View& view, Index node) {
  const double baseline = first_baseline(view, node);
  const Traits own = view.traits(node);
  if (!own.percent_edges || !view.holds_content(node)) return baseline;
  const Sides up = view.edges_up(node).inset[y_axis], down = view.edges_down(node).inset[y_axis];
  const bool from_below = own.node_kind() == Kind::column && own.reverse;
  return from_below ? baseline - (down.after - up.after) : baseline + (down.before - up.before);
}

}  // namespace fond_ladder::inline v0::detail
