// SPDX-License-Identifier: MIT
//
// The four passes over a tree that was solved before. They follow the list of dirty nodes: nodes that were edited, and
// all nodes above them, parents first. Each pass takes from it what it has to do, and notes what follows:
//
//   1  a node is measured when it was edited, or something in its flow is new, has gone, or measured otherwise;
//   2  its children are laid anew, all together, when it was edited, has another width, or holds such children
//      and is of a kind in which each depends on all; else only those children that are in the list are laid again, one
//      by one;
//   3  its height is found when its children were laid anew in pass 2, or for one of the reasons of pass 1;
//   4  its children are laid anew as in pass 2.
//
// So a pinned child costs itself, a label that is another one in a column costs that label and the columns above it,
// and a node above an edit that changed nothing costs a look. What is laid anew and comes out in another
// size is planned as a visit, as in a full solve; those in the list are visited in their turn.
//
// A node that an edit reached while it was hidden keeps NodeFlag::needs_widths, and is edited still when it is shown.
//
// Tests: incremental_test.cpp, live_tree_test.cpp.
#include "solve/passes/dirty_passes.hpp"

#include "solve/kinds/child.hpp"
#include "solve/kinds/kept_line.hpp"
#include "solve/kinds/steps.hpp"
#include "solve/passes/node_ranges.hpp"

namespace fond_ladder::inline v0::detail {
namespace {

class DirtyPasses {
 public:
  DirtyPasses(SolveContext& context, std::vector<DirtyNode>& items) : context_(context), items_(items) {}

  /// Records the boxes of nodes that were moved here, before they are laid.
  void record_arrivals() {
    for (const DirtyNode& item : items_) {
      if (item.arrived || !item.had_place) context_.record_change(item.node, item.had_place);
    }
  }

  /// Begins nodes with node ranges anew, that were edited or hold an edit.
  void renew() {
    for (DirtyNode& item : items_) {
      item.renewed = item.above != no_index && above(item).renewed;
      if (item.renewed || !context_.node_ranges->is_concerned(item.node, item.arrived, item.own)) continue;
      context_.node_ranges->renew(item.node);
      item.renewed = item.child_widths = true;
    }
  }

  std::size_t widths_up() {
    std::size_t visited = 0;
    for (auto item = items_.rbegin(); item != items_.rend(); ++item) {
      const Index node = item->node;
      if (context_.is_settled(node)) {
        if (item->own) leaf::settle(context_, Child<x_axis, false>(context_, node));
        visited += item->own ? 1 : 0;
      } else if (item->own || item->parted || item->child_widths) {
        const double least = context_.min_content(node), most = context_.max_content(node);
        detail::widths_up<double>(context_, node);
        item->widths = context_.min_content(node) != least || context_.max_content(node) != most;
        ++visited;
      }
      if (counts_above(*item) && (item->own || item->widths)) above(*item).child_widths = true;
      record_ties(*item, item->own || item->widths);
    }
    return visited;
  }

  std::size_t heights_up() {
    std::size_t visited = 0;
    for (Index i = context_.visit_count(); i > 0; --i, ++visited)
      detail::heights_up<double>(context_, context_.visit(i - 1));
    for (auto item = items_.rbegin(); item != items_.rend(); ++item) {
      if (!item->reached) continue;
      visited += find_height(*item) ? 1 : 0;
      if (item->heights && item->above != no_index && context_.has(above(*item).node, NodeFlag::holds_ties)) {
        above(*item).child_heights = true;
      }
      if (!counts_above(*item) || (!item->own && !item->heights)) continue;
      above(*item).child_heights = true;
      kept_line::take_child(context_, above(*item).node, item->node);
    }
    return visited;
  }

  template <Axis axis>
  std::size_t lay(double root_size) {
    context_.begin_down<axis>(root_size);
    std::size_t visited = 0;
    for (DirtyNode& item : items_) {
      if (axis == x_axis) find_place(item);
      if (item.reached) visited += lay_item<axis>(item) ? 1 : 0;
    }
    for (Index i = 0; i < context_.visit_count(); ++i) {
      if (is_listed(context_.visit(i))) continue;
      if (axis == x_axis && context_.node_ranges != nullptr) context_.node_ranges->arrive(context_.visit(i));
      laying_step<axis>(context_, context_.visit(i));
      ++visited;
    }
    visited += context_.settled();
    context_.drop_visits([&](Index node) { return is_listed(node); });
    return visited;
  }

 private:
  [[nodiscard]] bool is_listed(Index node) const { return context_.has(node, NodeFlag::in_dirty); }
  [[nodiscard]] DirtyNode& above(const DirtyNode& item) { return items_[item.above]; }
  /// Whether a node is in the flow of its parent.
  [[nodiscard]] bool counts_above(const DirtyNode& item) const {
    if (item.above == no_index) return false;
    const Traits own = context_.traits(item.node);
    return !own.hidden && !own.pinned && is_container(context_.traits(items_[item.above].node).node_kind());
  }

  /// A child that is tied, or that others may be tied to, is another one: its siblings are laid together.
  void record_ties(const DirtyNode& item, bool is_other) {
    if (item.above == no_index || !is_other) return;
    const Index container = above(item).node;
    const bool is_tied = context_.traits(item.node).pinned && !context_.keys(item.node).pin->ties.empty();
    if (is_tied) context_.set_flag(container, NodeFlag::holds_ties, true);
    if (context_.has(container, NodeFlag::holds_ties)) above(item).child_widths = true;
  }

  /// Whether a node has a place; one that has not stays edited until it has.
  void find_place(DirtyNode& item) {
    const bool parent_shows = item.above == no_index || (above(item).reached && is_container(kind(above(item))));
    item.reached = parent_shows && (item.above == no_index || !context_.traits(item.node).hidden);
    if (parent_shows && item.had_place != item.reached) context_.record_change(item.node, item.had_place);
    context_.set_flag(item.node, NodeFlag::needs_widths, !item.reached);
    if (!item.reached && item.above != no_index) kept_line::drop(context_, above(item).node);
  }

  /// Lays a node, where its parent did not do so with all its children, and its own children. Returns whether all.
  template <Axis axis>
  bool lay_item(DirtyNode& item) {
    const Index node = item.node;
    const bool is_new = item.own || item.widths || (axis == y_axis && item.heights);
    if (item.above != no_index && !above(item).laid_anew[axis] && is_new) lay_one<axis>(above(item).node, node);
    if (axis == x_axis && context_.node_ranges != nullptr) decide_node_ranges(item);
    const Traits own = context_.traits(node);
    const bool children_differ = item.parted || (axis == x_axis ? item.child_widths : item.child_heights);
    const bool anew = item.own || item.renewed || (axis == y_axis && item.laid_anew[x_axis]) || own.percent_edges ||
                      context_.size(node, axis) != item.old_size[axis] ||
                      (children_differ && (lays_together(own, axis) || context_.has(node, NodeFlag::holds_ties)));
    item.laid_anew[axis] = anew;
    if (axis == y_axis) context_.set_flag(node, NodeFlag::needs_heights, false);
    if (!anew || context_.is_settled(node)) return false;
    laying_step<axis>(context_, node);
    return true;
  }

  /// Its width is known.
  void decide_node_ranges(DirtyNode& item) {
    const bool inside = item.above != no_index && above(item).renewed;
    if (context_.node_ranges->arrive(item.node) || inside) {
      item.renewed = true;
    } else if (item.renewed) {
      context_.node_ranges->record_removed(item.node);
    }
  }

  template <Axis axis>
  void lay_one(Index container, Index child) {
    if (context_.traits(child).pinned) return place_pinned_child(context_, container, child, axis);
    if (context_.traits(container).node_kind() == Kind::stack) return stack::lay_one(context_, container, child, axis);
    line::lay_one_across(context_, container, child);
  }

  /// Finds the height of a node anew where something that it follows from is another. Returns whether that was so.
  bool find_height(DirtyNode& item) {
    const Index node = item.node;
    const bool due = item.laid_anew[x_axis] || item.own || item.parted || item.child_heights;
    if (!due || context_.is_settled(node)) return false;
    const double need = context_.need(node), baseline = context_.baseline(node), least = context_.least_height(node);
    detail::heights_up<double>(context_, node);
    item.heights =
        context_.need(node) != need || context_.baseline(node) != baseline || context_.least_height(node) != least;
    return true;
  }

  [[nodiscard]] Kind kind(const DirtyNode& item) const { return context_.traits(item.node).node_kind(); }

  SolveContext& context_;
  std::vector<DirtyNode>& items_;
};

}  // namespace

std::array<std::size_t, 4> run_dirty_passes(SolveContext& context, DirtyNodes& dirty_nodes, std::optional<double> width,
                                            std::optional<double> height) {
  std::array<std::size_t, 4> visited{};
  DirtyPasses passes(context, dirty_nodes.items());
  passes.record_arrivals();
  if (context.node_ranges != nullptr) {
    context.node_ranges->begin();
    passes.renew();
  }
  visited[0] = passes.widths_up();
  visited[1] = passes.lay<x_axis>(width.value_or(context.max_content(0)));
  if (context.node_ranges != nullptr) context.node_ranges->end();
  visited[2] = passes.heights_up();
  visited[3] = passes.lay<y_axis>(height.value_or(context.need(0)));
  return visited;
}

}  // namespace fond_ladder::inline v0::detail
