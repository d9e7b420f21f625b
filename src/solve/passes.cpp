// SPDX-License-Identifier: MIT
//
// A solve is four passes, each visiting a node at most once, none recursive:
//
//   1  widths up      min-content and max-content of every node, from its children's
//   2  widths down    every container, its own width known, sets its children's
//   3  heights up     the height every node needs at that width; a text breaks its lines here
//   4  heights down   every container, its own height known, sets its children's, and their places
//
// A pass works through a list of nodes, parents before children; going up it is read backwards. The lists are what
// makes a solve incremental, for a node enters one only when there is something to do:
//
//   1  when it, or anything below it, was edited since the last solve;
//   2  when its width came out differently, or it was in list 1;
//   3  exactly when it was in list 2;
//   4  when its height came out differently, or it was in list 2.
//
// A passive leaf (leaf.hpp) enters no list: the visit of its parent settles it, and it counts as visited then.
//
// So a new container width skips pass 1, a new height skips the first three, and a subtree without news is never
// entered. A node that was edited while it was hidden keeps its mark until a pass reaches it. Where the first solve has
// to do everything, the lists simply hold everything.
//
// Tests: incremental_test.cpp (equal to a fresh solve, bit for bit; visits counted; nothing allocated).
#include "solve/passes.hpp"

#include "solve/kinds.hpp"
#include "solve/leaf.hpp"

namespace fond_ladder::inline v0::detail {
namespace {

/// Fits the state to the packing of the tree. Returns whether anything of it could be kept.
bool adopt(Passes& passes, const TreeStore& store, const Flat& flat) {
  State& state = passes.state;
  const std::size_t n = flat.size();
  const bool same_tree = passes.tree == store.identity();
  const bool same_packing = same_tree && passes.packing == store.packing();
  const bool next_packing =
      same_tree && passes.packing + 1 == store.packing() && store.came_from().size() == n && !state.flags.empty();
  if (!same_packing && next_packing) {
    const std::size_t old_size = state.flags.size();
    const auto carry = [&](auto& array) {
      std::remove_reference_t<decltype(array)> moved(n);
      for (std::size_t i = 0; i < n; ++i) {
        if (store.came_from()[i] < old_size) moved[i] = array[store.came_from()[i]];
      }
      array = std::move(moved);
    };
    for_each_result(state, carry);
    if (!state.cells.empty()) carry(state.cells);
    if (!state.least_height.empty()) carry(state.least_height);
  } else if (!same_packing) {
    for_each_result(state, [&](auto& array) { array.assign(n, {}); });
    state.resolved.clear();
    state.cells.clear();
    state.least_height.clear();
  }
  if (!same_packing) {
    state.visits.resize(n);
    passes.scratch.flow.reserve(store.most_children());
    passes.scratch.portions.resize(store.most_children());
    passes.scratch.lines.reserve(store.most_children());
    passes.scratch.sharing.reserve(store.most_children());
  }
  if (store.has_grids()) state.cells.resize(n);
  if (store.has_scrollers()) state.least_height.resize(n);
  if (store.has_percent_edges()) state.resolved.resize(store.extras().size());
  passes.tree = store.identity();
  passes.packing = store.packing();
  return same_packing || next_packing;
}

/// Plans the visits of pass 1: all nodes, or those with an edit in them or below them that was not seen yet.
void list_edited(Frame& frame, const Flat& flat, std::uint32_t seen_edit, bool all) {
  frame.forget_visits();
  if (all) {
    frame.plan_all(static_cast<Index>(flat.size()));
    return;
  }
  const auto add = [&](Index node) {
    if (flat.version[node] <= seen_edit) return;
    frame.set_flag(node, NodeFlag::needs_widths, true);
    frame.plan_visit(node);
  };
  add(0);
  for (Index i = 0; i < frame.visit_count(); ++i) {
    const Index first = flat.first_child[frame.visit(i)], count = flat.child_count[frame.visit(i)];
    for (Index child = first; child < first + count; ++child) add(child);
  }
}

using Step = void (*)(Frame&, Index);

void nothing(Frame& /*frame*/, Index /*node*/) {}

/// The step of a pass, by the kind of the node.
template <Step of_line, Step of_grid, Step of_stack, Step of_leaf>
void visit(Frame& frame, Index node) {
  switch (frame.traits(node).node_kind()) {
    case Kind::row:
    case Kind::column: return of_line(frame, node);
    case Kind::grid: return of_grid(frame, node);
    case Kind::stack: return of_stack(frame, node);
    default: return of_leaf(frame, node);
  }
}

/// A pass down: visiting a node may plan the visits of its children. Returns the number of nodes visited.
template <Axis axis, Step step>
std::size_t run_down(Frame& frame, double root_size) {
  frame.forget_visits();
  frame.resolve_edges(0, axis, root_size);
  frame.set_size<axis>(0, root_size, false);
  for (Index i = 0; i < frame.visit_count(); ++i) step(frame, frame.visit(i));
  return frame.visited();
}

template <Step step>
std::size_t run_up(Frame& frame) {
  for (Index i = frame.visit_count(); i > 0; --i) step(frame, frame.visit(i - 1));
  return frame.visited();
}

}  // namespace

void run_passes(Passes& passes, const TreeStore& store, std::optional<double> width, std::optional<double> height) {
  const Flat& flat = store.packed();
  const std::uint32_t edit = store.publish();
  const bool kept = adopt(passes, store, flat) && !passes.starts_anew;
  passes.starts_anew = true;  // until all is done: content of one's own may throw in between
  Frame frame(store, passes.state, passes.scratch);

  list_edited(frame, flat, passes.seen_edit, !kept);
  passes.visited[0] = run_up<visit<line::widths_up, grid::widths_up, stack::widths_up, leaf::widths_up>>(frame);
  passes.visited[1] = run_down<x_axis, visit<line::widths_down, grid::widths_down, stack::widths_down, nothing>>(
      frame, width.value_or(frame.max_content(0)));
  passes.visited[2] = run_up<visit<line::heights_up, grid::heights_up, stack::heights_up, leaf::heights_up>>(frame);
  passes.visited[3] = run_down<y_axis, visit<line::heights_down, grid::heights_down, stack::heights_down, nothing>>(
      frame, height.value_or(frame.need(0)));
  passes.seen_edit = edit;
  passes.starts_anew = false;
}

}  // namespace fond_ladder::inline v0::detail
