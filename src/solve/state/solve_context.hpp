// SPDX-License-Identifier: MIT
#pragma once

// What the visit of a node can see: the tree's arrays, the solver's results, and the two ways to write. The arrays are
// kept as plain pointers, which no store into a result can be thought to change: loops keep them in registers.

#include <algorithm>
#include <numeric>
#include <type_traits>

#include "model/flat.hpp"
#include "model/limits.hpp"
#include "model/tree_store.hpp"
#include "solve/numbers/number.hpp"
#include "solve/state/dragged_setting.hpp"
#include "solve/state/state.hpp"

namespace fond_ladder::inline v0::detail {

/// Least and most that a size may be; the most is not below the least.
template <class N>
struct BoundsOf {
  N least = 0, most = unlimited;
  [[nodiscard]] N clamp(N value) const { return max_of(min_of(value, most), least); }
};

[[nodiscard]] constexpr bool is_unknown(double whole) {
  return whole < 0;
}

/// The children that stand in the flow, in the order in which they are laid: `first` and one of `places` each. Those of
/// all children are 0, 1, 2…, so that every flow is read in the same way.
class InFlow {
 public:
  InFlow(Index first, Index count, const Index* places) : first_(first), count_(count), places_(places) {}
  [[nodiscard]] Index size() const { return count_; }
  [[nodiscard]] Index operator[](Index i) const { return first_ + places_[i]; }
  /// The first of them, at most so many.
  [[nodiscard]] InFlow first(Index count) const { return {first_, std::min(count, count_), places_}; }

 private:
  Index first_, count_;
  const Index* places_;
};

/// The tree and the results, to be read.
template <class N>
class ViewOf {
 public:
  using Number = N;
  /// Margins and insets: pixels are read where they are.
  using EdgesSeen = std::conditional_t<std::is_same_v<N, double>, const EdgeSpace&, EdgeSpaceOf<N>>;
  ViewOf(const TreeStore& store, const StateOf<N>& results);

  const double em;
  const bool mirrored;                  ///< right-to-left
  const TextShaper* const text_shaper;  ///< null: fixed metrics

  [[nodiscard]] const Traits& traits(Index node) const { return traits_[node]; }
  [[nodiscard]] Index first_child(Index node) const { return first_child_[node]; }
  [[nodiscard]] Index child_count(Index node) const { return child_count_[node]; }
  [[nodiscard]] Index parent(Index node) const { return parent_[node]; }
  [[nodiscard]] N given_px(Index node, Axis axis) const { return number(given_, &Records::given, node, axis); }
  [[nodiscard]] N smallest(Index node, Axis axis) const { return number(smallest_, &Records::smallest, node, axis); }
  [[nodiscard]] N largest(Index node, Axis axis) const { return number(largest_, &Records::largest, node, axis); }
  [[nodiscard]] N natural(Index leaf, Axis axis) const { return number(inner_, &Records::inner, leaf, axis); }
  [[nodiscard]] N basis_px(Index node) const {
    return moved(rare_fields(node).basis, [&](const auto& setting) { return setting.rare_fields(node).basis; });
  }
  [[nodiscard]] double grow(Index node) const { return grow_[node]; }

  [[nodiscard]] N min_content(Index node) const { return min_content_[node]; }
  [[nodiscard]] N max_content(Index node) const { return max_content_[node]; }
  [[nodiscard]] N need(Index node) const { return need_[node]; }
  /// The height that a node cannot do without (sizes rule, least height): its height by content, but for what scrolls.
  [[nodiscard]] N least_height(Index node) const {
    return traits(node).holds_scroller ? least_height_[node] : need_[node];
  }
  [[nodiscard]] N baseline(Index node) const { return baseline_[node]; }
  [[nodiscard]] N size(Index node, Axis axis) const { return size_[axis][node]; }
  [[nodiscard]] N place(Index node, Axis axis) const { return place_[axis][node]; }
  /// The tracks that a child of a grid takes, and how many tracks a grid has.
  [[nodiscard]] const GridPlace& grid_place(Index node) const { return cells_[node]; }
  [[nodiscard]] bool has(Index node, NodeFlag flag) const { return (bits(flags_[node]) & bits(flag)) != 0; }

  /// Whether a node has nothing but sizes, limits and factors in the arrays: no edges, percentages, scale or basis.
  [[nodiscard]] bool is_plain(Index node) const { return extra_[node] == 0; }
  [[nodiscard]] const RareFields& rare_fields(Index node) const {
    const Index place = extra_[node];
    return (place & of_solver) == 0 ? rare_fields_[place] : own_[place & ~of_solver].rare_fields;
  }
  /// Where its Extra is: in the tree, or with `of_solver` in the state.
  [[nodiscard]] Index extra_place(Index node) const { return extra_[node]; }
  /// All keys of a node that has some which the arrays cannot hold.
  [[nodiscard]] const Keys& keys(Index node) const { return *rare_fields(node).keys; }
  /// What the lengths of a node with these keys are multiples of.
  [[nodiscard]] FontUnits units(const Keys& keys) const { return keys.units(em, text_shaper); }
  /// A length among the keys of a node, as `pick(keys)` gives it; `whole` is 100 %.
  template <class Pick>
  [[nodiscard]] N length(Index node, const Pick& pick, N whole) const {
    return moved(in_px(pick(keys(node)), units(keys(node)), whole), [&](const auto& setting) {
      const auto& there = setting.rare_fields(node).keys;  // none where it has another form: all is void then
      const Keys& in_force = there ? *there : keys(node);
      return in_px(pick(in_force), units(in_force), whole);
    });
  }
  /// What is measured for a leaf, or null.
  [[nodiscard]] const CustomContent* content(Index node) const { return measured(node).content().get(); }
  [[nodiscard]] const Measured& measured(Index node) const {
    const Index place = content_[node];
    return (place & of_solver) == 0 ? contents_[place] : own_[place & ~of_solver].content;
  }

  /// Margins and insets on the way up, percentages counting 0, and on the way down, resolved.
  [[nodiscard]] EdgesSeen edges_up(Index node) const { return widened(node, rare_fields(node).edges); }
  [[nodiscard]] EdgesSeen edges_down(Index node) const {
    if (!traits(node).percent_edges) return edges_up(node);
    const Index place = extra_[node];
    return (place & of_solver) == 0 ? resolved_[place] : own_resolved(place & ~of_solver);
  }
  /// What its parent sees of its insets sideways, where its node ranges give it others inside; else null.
  [[nodiscard]] const Sides* outward_inset(Index node) const {
    const Index place = extra_[node];
    if ((place & of_solver) == 0) return nullptr;
    const OwnRecord& record = own_[place & ~of_solver];
    return record.odd && !traits(node).percent_edges ? &record.plain_inset : nullptr;
  }
  /// A leaf that its parent settles: see leaf.hpp.
  [[nodiscard]] bool is_settled(Index node) const { return all_true(traits(node).passive, child_count(node) == 0); }
  /// Whether a node has content: a child in its flow, or measured content.
  [[nodiscard]] bool holds_content(Index node) const;

  /// The border on an axis, where it counts.
  [[nodiscard]] SidesOf<N> border(Index node, Axis axis) const;

  /// The content box of a container whose size on that axis is known.
  [[nodiscard]] N inner_size(Index node, Axis axis) const {
    return max_of(0.0, size(node, axis) - edges_down(node).inset[axis].sum());
  }
  /// Where the content box begins and ends, from the border box. One that is smaller than its padding has none left: it
  /// is at the end of the padding at its start.
  [[nodiscard]] SidesOf<N> content_edges(Index node, Axis axis) const {
    const SidesOf<N> inset = edges_down(node).inset[axis];
    const SidesOf<N> edges{inset.before, size(node, axis) - inset.after};
    if (edges.before <= edges.after) return edges;
    const bool starts_far = axis == x_axis && mirrored;
    return starts_far ? SidesOf<N>{edges.after, edges.after} : SidesOf<N>{edges.before, edges.before};
  }
  /// A gap on the way up: a percentage counts 0.
  [[nodiscard]] N gap_up(Index container, Axis axis) const { return natural(container, axis); }
  /// A gap on the way down, `inner` being the container's own content box.
  [[nodiscard]] N gap_down(Index container, Axis axis, N inner) const {
    return traits(container).percent_gap ? percent_gap(container, axis, inner) : gap_up(container, axis);
  }

  /// The height that the aspect rule gives a node without a given height; else `need`. The width is known.
  [[nodiscard]] N height_by_aspect(Index node, N need) const {
    return traits(node).has_aspect_ratio && traits(node).way(y_axis) == SizeWay::automatic ? aspect_height(node) : need;
  }

  /// The flow of a container, held in `listed`.
  [[nodiscard]] InFlow flow(Index container, std::vector<Index>& listed) const {
    if (traits(container).odd_children) {
      list_odd_flow(container, listed);
      return {0, static_cast<Index>(listed.size()), listed.data()};
    }
    listed.resize(child_count(container));
    std::iota(listed.begin(), listed.end(), Index{0});
    return {first_child(container), child_count(container), listed.data()};
  }

 private:
  void see(const Records& records);
  [[nodiscard]] N percent_gap(Index container, Axis axis, N inner) const;
  [[nodiscard]] N aspect_height(Index node) const;
  /// What is `here` in the tree, and `there(setting)` in the one with a dragged setting elsewhere.
  template <class There>
  [[nodiscard]] N moved(N here, [[maybe_unused]] const There& there) const {
    if constexpr (!std::is_same_v<N, double>) {
      if (dragged_ != nullptr) return dragged_->between(here, there(*dragged_));
    }
    return here;
  }
  /// A number of the arrays.
  [[nodiscard]] N number(const double* const (&arrays)[2], std::array<std::vector<double>, 2> Records::*there,
                         Index node, Axis axis) const {
    return moved(arrays[axis][node], [&](const auto& setting) { return (setting.records().*there)[axis][node]; });
  }
  /// A number of pixels as this view represents it.
  [[nodiscard]] EdgesSeen widened([[maybe_unused]] Index node, const EdgeSpace& edges) const {
    if constexpr (std::is_same_v<N, double>) {
      return edges;
    } else {
      if (dragged_ != nullptr) return dragged_->between(edges, dragged_->rare_fields(node).edges);
      const auto sides = [](const Sides& own) { return SidesOf<N>{own.before, own.after}; };
      return {{sides(edges.margin[0]), sides(edges.margin[1])}, {sides(edges.inset[0]), sides(edges.inset[1])}};
    }
  }
  [[nodiscard]] EdgesSeen own_resolved(Index record) const {
    if constexpr (std::is_same_v<N, double>) {
      return own_[record].resolved;
    } else {
      return (*own_resolved_)[record];
    }
  }
  void list_odd_flow(Index container, std::vector<Index>& listed) const;

  const Traits* traits_;
  const Index *first_child_, *child_count_, *parent_, *extra_, *content_;
  const double *given_[2], *smallest_[2], *largest_[2], *inner_[2], *grow_;
  const N *min_content_, *max_content_, *need_, *least_height_, *baseline_, *size_[2], *place_[2];
  const NodeFlag* flags_;
  const GridPlace* cells_;
  const EdgeSpaceOf<N>* resolved_;
  struct Nothing {
    constexpr explicit Nothing(const void*) {}
  };
  template <class T>
  using NotOfPixels = std::conditional_t<std::is_same_v<N, double>, Nothing, T>;
  [[no_unique_address]] NotOfPixels<const std::vector<EdgeSpaceOf<N>>*> own_resolved_;
  [[no_unique_address]] NotOfPixels<const DraggedSetting*> dragged_;
  const RareFields* rare_fields_;
  const Measured* contents_;
  const OwnRecord* own_;
};

template <class N>
class NodeRangesOf;

/// A visit: the view, and the ways to write.
template <class N>
class SolveContextOf : public ViewOf<N> {
 public:
  SolveContextOf(const TreeStore& tree, StateOf<N>& state, ScratchOf<N>& scratch, ChangeLog& changes);

  ScratchOf<N>& scratch;
  const TreeStore& store;
  NodeRangesOf<N>* node_ranges = nullptr;  ///< where some nodes have node ranges

  using View = ViewOf<N>;
  using View::child_count, View::em, View::extra_place, View::first_child, View::flow, View::has, View::is_settled,
      View::keys, View::mirrored, View::place, View::size, View::traits;
  [[nodiscard]] InFlow flow(Index container) const {
    if (traits(container).odd_children) return View::flow(container, scratch.flow);
    return all_children(container);
  }
  /// Of one with simply all children in its flow.
  [[nodiscard]] InFlow all_children(Index container) const {
    return {first_child(container), child_count(container), scratch.upwards.data()};
  }

  void set_content_widths(Index node, N least, N most) {
    min_content_out_[node] = least;
    max_content_out_[node] = most;
  }
  void set_need(Index node, N need) { need_out_[node] = need; }
  /// Only where the node holds a scroller.
  void set_least_height(Index node, N height) { least_height_out_[node] = height; }
  void set_baseline(Index node, N baseline) { baseline_out_[node] = baseline; }
  void set_place(Index node, Axis axis, N place) {
    if (records_changes_ && !is_same(place_out_[axis][node], place)) record_other_box(node);
    place_out_[axis][node] = place;
  }
  void set_cell(Index child, const CellRange& cell) { cells_out_[child].cell = cell; }
  void set_track_counts(Index grid, std::uint32_t columns, std::uint32_t rows) {
    cells_out_[grid].columns = static_cast<std::uint16_t>(columns);
    cells_out_[grid].rows = static_cast<std::uint16_t>(rows);
  }
  void set_flag(Index node, NodeFlag flag, bool on) {
    flags_out_[node] = on ? flags_out_[node] | flag : without(flags_out_[node], flag);
  }

  /// Sets a size on the way down and, when anything below depends on it, plans the visit of the node; a passive one has
  /// nothing more to do and only counts as visited.
  template <Axis axis>
  void set_size(Index node, N size, bool passive) {
    constexpr NodeFlag due =
        (axis == x_axis ? NodeFlag::needs_widths : NodeFlag::needs_heights) | NodeFlag::edges_moved;
    N& old = size_out_[axis][node];
    if (records_changes_ && !is_same(old, size)) record_other_box(node);
    const NodeFlag flags = flags_out_[node];
    if (is_same(old, size) && bits(flags & due) == 0) return;
    old = size;
    const NodeFlag rest = without(flags, due);
    flags_out_[node] = axis == x_axis ? rest | NodeFlag::needs_heights : rest;
    visits_[visit_count_] = Visit{node};
    visit_count_ += passive ? 0 : 1;
    ++visited_;
  }

  /// Sets a size that plans no visit, because whoever sets it sees to that.
  void keep_size(Index node, Axis axis, N size) {
    if (records_changes_ && !is_same(size_out_[axis][node], size)) record_other_box(node);
    size_out_[axis][node] = size;
  }

  /// Resolves percent margins and padding of a node on one axis, and marks it when its padding changed.
  void resolve_edges(Index node, Axis axis, N whole) {
    if (traits(node).percent_edges) resolve_percent_edges(node, axis, whole);
  }

  /// Takes percent margins and padding of a node as they were resolved, for the form that it is in now.
  void take_resolved(Index node, const EdgeSpaceOf<N>& edges) { resolved_of(node) = edges; }

  /// The list of planned visits, parents first.
  [[nodiscard]] Index visit_count() const { return visit_count_; }
  [[nodiscard]] Index visit(Index i) const { return static_cast<Index>(visits_[i]); }
  void plan_visit(Index node) {
    visits_[visit_count_++] = Visit{node};
    ++visited_;
  }
  /// Nodes that count as visited by the pass at work; of these, the passive ones, until visits are dropped.
  [[nodiscard]] Index visited() const { return visited_; }
  [[nodiscard]] Index settled() const { return visited_ - visit_count_; }
  /// Plans the visit of all nodes, their widths being due; the root's in any case, passive ones through their parents
  /// (but for a leaf that has children, which are measured like any others).
  void plan_all(const Flat& flat) {
    std::fill_n(flags_out_, flat.size(), NodeFlag::needs_widths);
    if (plan_in_order(static_cast<Index>(flat.size()))) return;
    forget_visits();
    plan_visit(0);
    for (Index i = 0; i < visit_count_; ++i) {
      const Index node = visit(i), first = first_child(node), behind = first + child_count(node);
      for (Index child = first; child < behind; ++child) {
        visits_[visit_count_] = Visit{child};
        visit_count_ += is_settled(child) ? 0 : 1;
        ++visited_;
      }
    }
  }
  /// Begins a pass down: the root has its size.
  template <Axis axis>
  void begin_down(N root_size) {
    forget_visits();
    resolve_edges(0, axis, root_size);
    set_size<axis>(0, root_size, false);
  }
  void forget_visits() { visit_count_ = visited_ = 0; }
  /// Removes those nodes from the planned visits for which `is_out` returns true.
  template <class IsOut>
  void drop_visits(IsOut is_out) {
    const auto drops = [&](Visit one) { return is_out(static_cast<Index>(one)); };
    visit_count_ = static_cast<Index>(std::remove_if(visits_, visits_ + visit_count_, drops) - visits_);
  }

  /// Writes down where a node was, that will be elsewhere or had no place (`had_place`), for whoever follows changes.
  void record_change(Index node, bool had_place) {
    if (records_changes_) write_change_down(node, had_place);
  }

 private:
  /// Plans the visit of all of `count` nodes where they lie level by level without holes, as packing leaves them. Else
  /// returns false, and what is planned is void.
  bool plan_in_order(Index count) {
    Index planned = 0, next_child = 1;
    for (Index node = 0; node < count; ++node) {
      const Index children = child_count(node);
      if (all_true(children != 0, first_child(node) != next_child)) return false;
      next_child += children;
      visits_[planned] = Visit{node};
      planned += all_true(node != 0, is_settled(node)) ? 0 : 1;
    }
    visit_count_ = planned;
    visited_ = count;
    return next_child == count;
  }
  void record_other_box(Index node) { write_change_down(node, !has(node, NodeFlag::needs_widths)); }
  void write_change_down(Index node, bool had_place);
  void resolve_percent_edges(Index node, Axis axis, N whole);
  [[nodiscard]] EdgeSpaceOf<N>& resolved_of(Index node);

  N *min_content_out_, *max_content_out_, *need_out_, *least_height_out_, *baseline_out_, *size_out_[2], *place_out_[2];
  NodeFlag* flags_out_;
  GridPlace* cells_out_;
  StateOf<N>& state_;
  Visit* visits_;
  Index visit_count_ = 0, visited_ = 0;
  ChangeLog& changes_;
  const bool records_changes_;
};

using View = ViewOf<double>;
using SolveContext = SolveContextOf<double>;
using Bounds = BoundsOf<double>;

}  // namespace fond_ladder::inline v0::detail
