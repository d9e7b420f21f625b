// SPDX-License-Identifier: MIT
#pragma once

// The four passes over a whole tree, and the space they need.

#include <numeric>
#include <optional>

#include "solve/kinds/steps.hpp"
#include "solve/numbers/traced_number.hpp"
#include "solve/passes/node_ranges.hpp"

namespace fond_ladder::inline v0::detail {

/// Forgets all results, of a tree of `n` nodes from now on.
template <class N>
void clear_results(StateOf<N>& state, std::size_t n) {
  for_each_result(state, [&](auto& array) { array.assign(n, {}); });
  state.resolved.clear();
  state.cells.clear();
  state.least_height.clear();
}

/// Memory for the visits of a tree, and for results that only some trees have.
template <class N>
void make_room(StateOf<N>& state, ScratchOf<N>& scratch, const TreeStore& store) {
  const std::size_t n = store.flat().size(), most = store.most_children();
  if (state.visits.size() < n) state.visits.resize(n);
  if (scratch.line_items.size() < most) {
    scratch.flow.reserve(most);
    scratch.upwards.resize(most);
    std::iota(scratch.upwards.begin(), scratch.upwards.end(), Index{0});
    scratch.line_items.resize(most);
    scratch.lines.reserve(most);
    scratch.sharing.reserve(most);
  }
  if (store.has_grids() && state.cells.size() < n) state.cells.resize(n);
  if (store.has_scrollers() && state.least_height.size() < n) state.least_height.resize(n);
  if (store.has_percent_edges() && state.resolved.size() < store.rare_fields_list().size())
    state.resolved.resize(store.rare_fields_list().size());
}

/// Tracing solves are notified of each step.
template <class N>
void visit_for(Index node) {
  if constexpr (!std::is_same_v<N, double>) traced_decisions->visited = node;
}

/// A pass down: visiting a node may plan the visits of its children. Returns the number of nodes visited.
template <Axis axis, class N>
std::size_t run_down(SolveContextOf<N>& context, N root_size) {
  context.template begin_down<axis>(root_size);
  for (Index i = 0; i < context.visit_count(); ++i) {
    visit_for<N>(context.visit(i));
    if (axis == x_axis && context.node_ranges != nullptr) context.node_ranges->arrive(context.visit(i));
    laying_step<axis, N>(context, context.visit(i));
  }
  return context.visited();
}

template <class N>
std::size_t run_up(SolveContextOf<N>& context, StepOf<N> step) {
  for (Index i = context.visit_count(); i > 0; --i) {
    visit_for<N>(context.visit(i - 1));
    step(context, context.visit(i - 1));
  }
  return context.visited();
}

/// All of them, a side of the container that is absent being by content. Returns the nodes visited, by pass.
template <class N>
std::array<std::size_t, 4> run_all(SolveContextOf<N>& context, const Flat& flat, std::optional<N> width,
                                   std::optional<N> height) {
  context.plan_all(flat);
  if (context.node_ranges != nullptr) {
    context.node_ranges->begin();
    context.node_ranges->mark_all();
  }
  std::array<std::size_t, 4> visited{};
  visited[0] = run_up<N>(context, widths_up<N>);
  visited[1] = run_down<x_axis, N>(context, width ? *width : context.max_content(0));
  if (context.node_ranges != nullptr) context.node_ranges->end();
  visited[2] = run_up<N>(context, heights_up<N>);
  visited[3] = run_down<y_axis, N>(context, height ? *height : context.need(0));
  return visited;
}

}  // namespace fond_ladder::inline v0::detail
