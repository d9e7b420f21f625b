// SPDX-License-Identifier: MIT
#pragma once

// What the visit of a node can see: the tree's arrays, the solver's results, and the few questions that every kind asks
// in the same way. Going up (passes 1 and 3) no percentage is known; going down (2 and 4) each is resolved against the
// content box of the parent.

#include <algorithm>

#include "model/flat.hpp"
#include "model/limits.hpp"
#include "model/tree_store.hpp"
#include "solve/state.hpp"

namespace fond_ladder::detail {

/// Least and most that a size may be. The least wins.
struct Bounds {
  double least = 0, most = unlimited;
  [[nodiscard]] double held(double value) const { return std::max(std::min(value, most), least); }
};

/// Stands for the size of the parent's content box where it is not known.
inline constexpr double unknown = -1;

/// The children that stand in the flow, in the order in which they are laid.
class Flow {
 public:
  Flow(Index first, Index count, const Index* listed) : first_(first), count_(count), listed_(listed) {}
  [[nodiscard]] Index size() const { return count_; }
  [[nodiscard]] Index operator[](Index i) const { return listed_ != nullptr ? listed_[i] : first_ + i; }

 private:
  Index first_, count_;
  const Index* listed_;
};

/// The questions, for the passes and for whoever reads an arrangement.
class View {
 public:
  View(const TreeStore& store, const Flat& flat, const State& results)
      : flat(flat),
        results(results),
        em(store.em()),
        mirrored(store.direction() == Direction::rtl),
        extras_(store.extras().data()),
        contents_(store.contents().data()) {}

  const Flat& flat;
  const State& results;
  const double em;
  const bool mirrored;  ///< right-to-left

  [[nodiscard]] const Traits& traits(Index node) const { return flat.traits[node]; }
  [[nodiscard]] const Extra& extra(Index node) const { return extras_[flat.extra[node]]; }
  /// All keys of a node that has some which the arrays cannot hold.
  [[nodiscard]] const Keys& keys(Index node) const { return *extra(node).keys; }

  [[nodiscard]] const EdgeRoom& edges_up(Index node) const { return extra(node).edges; }
  [[nodiscard]] const EdgeRoom& edges_down(Index node) const {
    return traits(node).percent_edges ? results.resolved[flat.extra[node]] : extra(node).edges;
  }
  [[nodiscard]] bool has_auto_margin(Index node, Axis axis) const {
    return traits(node).auto_margin && (extra(node).auto_margins >> (2 * axis) & 3U) != 0;
  }

  /// The content box of a container whose size on that axis is known.
  [[nodiscard]] double inner_size(Index node, Axis axis) const {
    return std::max(0.0, results.size[axis][node] - edges_down(node).inset[axis].sum());
  }

  /// A gap on the way down, `inner` being the container's own content box.
  [[nodiscard]] double gap(Index node, Axis axis, double inner) const {
    if (!traits(node).percent_gap) return flat.inner[axis][node];
    const Gap& gap = keys(node).gap;
    return (axis == x_axis ? gap.x : gap.y).in_px(em, inner);
  }
  /// A gap on the way up: a percentage counts 0.
  [[nodiscard]] double gap_up(Index node, Axis axis) const { return flat.inner[axis][node]; }

  /// The size given in pixels, or in percent of a `whole` that is known; negative when none is.
  [[nodiscard]] double given(Index node, Axis axis, double whole) const {
    const SizeWay way = traits(node).way(axis);
    if (way == SizeWay::px) return flat.given[axis][node];
    if (way != SizeWay::percent || whole < 0) return -1;
    const Keys& own = keys(node);
    return (axis == x_axis ? own.width : own.height).length().in_px(em, whole);
  }

  /// The author's minimum and maximum, and padding plus border as the floor.
  [[nodiscard]] Bounds bounds(Index node, Axis axis, double inset, double whole) const {
    Bounds found{flat.smallest[axis][node], flat.largest[axis][node]};
    if (traits(node).percent_sizes && whole >= 0) resolve_bounds(node, axis, whole, found);
    found.least = std::max(found.least, inset);
    found.most = std::max(found.most, found.least);
    return found;
  }

  /// Bounds along a row or column: without a minimum of its own, a node keeps its content (sizes rule, automatic
  /// minimum).
  [[nodiscard]] Bounds bounds_along(Index node, Axis axis, double inset, double whole, double content) const {
    Bounds found = bounds(node, axis, inset, whole);
    const Traits& own = traits(node);
    if (own.min_given(axis) || own.scrolls(axis)) return found;
    double least = std::min(content, found.most);
    const double size = given(node, axis, whole);
    if (size >= 0) least = std::min(least, size);
    found.least = std::max(found.least, least);
    return found;
  }

  /// The height that the aspect rule gives a node whose height is not given; else `need`. The width is known.
  [[nodiscard]] double height_by_aspect(Index node, double need) const {
    return traits(node).has_aspect && traits(node).way(y_axis) == SizeWay::automatic ? aspect_height(node) : need;
  }

  /// The height that a node has by itself in pass 3: given in pixels, else by content, within its limits.
  [[nodiscard]] double natural_height(Index node) const {
    const double size = given(node, y_axis, unknown);
    return bounds(node, y_axis, edges_up(node).inset[y_axis].sum(), unknown)
        .held(size >= 0 ? size : results.need[node]);
  }

  /// What is measured for a leaf, or null.
  [[nodiscard]] const Measured* content(Index node) const { return contents_[flat.content[node]].get(); }

  /// How much larger than itself the parent has to count a node; 1 but for `scale_counts`.
  [[nodiscard]] double counted_scale(Index node) const { return traits(node).scale_counts ? keys(node).scale : 1; }

  /// The border on an axis, where it counts.
  [[nodiscard]] Sides border(Index node, Axis axis) const;

  /// The flow of a container; `listed` holds it when it is not simply all children, in the order of the file.
  [[nodiscard]] Flow flow(Index container, std::vector<Index>& listed) const {
    if (!traits(container).odd_children) return {flat.first_child[container], flat.child_count[container], nullptr};
    list_odd_flow(container, listed);
    return {0, static_cast<Index>(listed.size()), listed.data()};
  }

 private:
  [[nodiscard]] double aspect_height(Index node) const;
  void resolve_bounds(Index node, Axis axis, double whole, Bounds& found) const;
  void list_odd_flow(Index container, std::vector<Index>& listed) const;

  const Extra* extras_;
  const std::shared_ptr<const Measured>* contents_;
};

/// A visit: the questions, and the two ways to write.
class Frame : public View {
 public:
  Frame(const TreeStore& store, const Flat& flat, State& state, Scratch& scratch)
      : View(store, flat, state), state(state), scratch(scratch) {}

  State& state;
  Scratch& scratch;

  using View::flow;
  [[nodiscard]] Flow flow(Index container) const { return View::flow(container, scratch.flow); }

  /// Sets a size on the way down and, when anything below depends on it, plans the visit of the node.
  void set_size(Index node, Axis axis, double size) {
    const unsigned due = (axis == x_axis ? needs_widths : needs_heights) | edges_moved;
    double& old = state.size[axis][node];
    std::uint8_t& flags = state.flags[node];
    if (old == size && !(flags & due)) return;
    old = size;
    flags = static_cast<std::uint8_t>((flags & ~due) | (axis == x_axis ? needs_heights : 0));
    state.visits.push_back(node);
  }

  /// Resolves percent margins and padding of a node on one axis, and marks it when its padding changed.
  void resolve_edges(Index node, Axis axis, double whole) {
    if (traits(node).percent_edges) resolve_percent_edges(node, axis, whole);
  }

 private:
  void resolve_percent_edges(Index node, Axis axis, double whole);
};

}  // namespace fond_ladder::detail
