// SPDX-License-Identifier: MIT
//
// A solve is four passes, each visiting a node at most once, none recursive:
//
//   1  widths up      min-content and max-content of every node, from its children's
//   2  widths down    every container, its own width known, sets its children's
//   3  heights up     the height every node needs at that width; a text breaks its lines here
//   4  heights down   every container, its own height known, sets its children's, and their places
//
// A pass works through a list of nodes, parents before children; going up it is read backwards. The first solve lists
// all of them. A later one goes along the news of the tree (dirty_passes.cpp), and whoever is given another size on the
// way down is visited, which makes the list of the pass up that follows. So a new container width skips pass 1, a new
// height skips the first three, and a subtree without news is never entered.
//
// A passive leaf (leaf.hpp) enters no list: the visit of its parent settles it, and it counts as visited then.
//
// Tests: incremental_test.cpp (equal to a fresh solve, bit for bit; visits counted; nothing allocated).
#include "solve/passes/passes.hpp"

#include <algorithm>

#include "solve/passes/dirty_passes.hpp"
#include "solve/passes/node_ranges.hpp"
#include "solve/passes/run_all.hpp"

namespace fond_ladder::inline v0::detail {
namespace {

/// Calls `each(array)` for every array of results, those among them that only some trees have.
template <class Each>
void for_each_kept(State& state, Each each) {
  for_each_result(state, each);
  if (!state.cells.empty()) each(state.cells);
  if (!state.least_height.empty()) each(state.least_height);
  if (!state.handles.empty()) each(state.handles);
  if (state.forms.exist()) for_each_record_array(state.forms.records, each);
}

/// Does with the results what edits did with the nodes: moves them, in the order in which that happened.
void follow_moves(State& state, const TreeStore& store, std::uint64_t from, std::uint64_t to) {
  for (std::uint64_t number = from; number < to; ++number) {
    const Carried& move = store.move_at(number);
    const std::size_t needed = std::max(move.from, move.to) + std::size_t{move.count};
    for_each_kept(state, [&](auto& array) {
      if (array.size() < needed) array.resize(needed);
      move.carry_in(array);
    });
  }
}

/// The same when all nodes were laid anew.
void follow_packing(State& state, const std::vector<Index>& came_from) {
  for_each_kept(state, [&](auto& array) {
    std::remove_reference_t<decltype(array)> moved(came_from.size());
    for (std::size_t i = 0; i < came_from.size(); ++i) {
      if (came_from[i] < array.size()) moved[i] = array[came_from[i]];
    }
    array = std::move(moved);
  });
}

/// Fits the state to where the tree has its nodes now. Returns whether anything of it could be kept.
bool adopt(Passes& passes, const TreeStore& store, const Flat& flat) {
  State& state = passes.state;
  const std::size_t n = flat.size();
  const bool same_packing = passes.packing == store.packing(), next_packing = passes.packing + 1 == store.packing();
  const bool keeps = passes.tree == store.identity() && (same_packing || next_packing) && !state.flags.empty() &&
                     store.knows_moves_from(passes.moves);
  if (keeps) {
    if (next_packing) {
      follow_moves(state, store, passes.moves, store.moves_before_packing());
      follow_packing(state, store.came_from());
      passes.moves = store.moves_before_packing();
    }
    follow_moves(state, store, passes.moves, store.moves());
    if (state.flags.size() != n) {
      for_each_kept(state, [&](auto& array) { array.resize(n); });
    }
  } else {
    clear_results(state, n);
    state.handles.clear();
    state.forms.end();
  }
  make_room(state, passes.scratch, store);
  passes.tree = store.identity();
  passes.packing = store.packing();
  passes.moves = store.moves();
  return keeps;
}

/// Forgets what the solve before changed, while the state still has its places.
void forget_changes(Passes& passes) {
  for (const BoxBefore& box : passes.changes.boxes) {
    NodeFlag& flags = passes.state.flags[box.node];
    flags = without(flags, NodeFlag::change_recorded);
  }
  passes.changes.boxes.clear();
}

/// Records all boxes, so that the next solve can compare with them.
void note_handles(State& state, const TreeStore& store) {
  state.handles.assign(store.flat().size(), NodeId::none);
  store.walk([&](Index node, std::size_t) { state.handles[node] = store.id_of(node).value; });
}

/// Sees to it that the state has the records of the forms that hold.
void see_forms(Passes& passes, const TreeStore& store, const ContainerSize& container_size, bool kept) {
  FormRecords& forms = passes.state.forms;
  store.forms().find_holding(container_size, passes.modes, passes.holding);
  if (store.forms().empty()) return forms.exist() ? forms.end() : void();
  if (kept && forms.exist()) {
    forms.for_each_outdated(store, passes.holding,
                            [&](Index node) { passes.dirty_nodes.add_other_form(store, passes.state, node); });
    forms.update(store, passes.dirty_nodes.items());
    return;
  }
  forms.begin(store, passes.holding);
  if (!kept) return;
  store.forms().for_each([&](Index slot, const auto&) {  // its first forms
    passes.dirty_nodes.add_other_form(store, passes.state, store.place_of_slot(slot));
  });
}

}  // namespace

void run_passes(Passes& passes, const TreeStore& store, std::optional<double> width, std::optional<double> height) {
  const Flat& flat = store.flat();
  const std::uint32_t edit = store.publish();
  ++passes.life->changes;
  forget_changes(passes);
  const bool kept = adopt(passes, store, flat) && !passes.starts_anew && passes.seen.version >= store.edited_all() &&
                    (!store.forms().has_node_ranges() || store.knows_edits_from(passes.seen.count));
  passes.starts_anew = true;  // until all is done: content of one's own may throw in between
  passes.changes.everything = !kept || passes.state.handles.empty();
  if (kept) passes.dirty_nodes.gather(store, passes.state, passes.seen);
  see_forms(passes, store, {width, height}, kept);
  SolveContext context(store, passes.state, passes.scratch, passes.changes);
  NodeRangesOf<double> node_ranges(context, passes.state);
  if (passes.state.forms.has_scopes() || store.forms().has_node_ranges()) context.node_ranges = &node_ranges;
  if (kept) {
    passes.visited = run_dirty_passes(context, passes.dirty_nodes, width, height);
    passes.dirty_nodes.close(store, passes.state);
  } else {
    passes.visited = run_all<double>(context, flat, width, height);
  }
  passes.visited[0] += node_ranges.visited();
  if (passes.changes.wanted && passes.changes.everything) note_handles(passes.state, store);
  if (!passes.changes.wanted) passes.state.handles.clear();
  passes.seen = {edit, store.edits()};
  passes.starts_anew = false;
}

void copy_results(const Passes& from, const TreeStore& tree, const TreeStore& copy, Passes& into) {
  into.state = from.state;
  into.visited = from.visited;
  into.container_changed = from.container_changed;
  into.holding = from.holding;
  into.changes = from.changes;
  for (BoxBefore& box : into.changes.boxes) box.node = copy.index_of(tree.id_of(box.node));
  const std::size_t n = copy.flat().size();
  std::vector<Index> places(n);
  copy.walk([&](Index node, std::size_t) { places[node] = tree.index_of(copy.id_of(node)); });
  follow_packing(into.state, places);
}

}  // namespace fond_ladder::inline v0::detail
