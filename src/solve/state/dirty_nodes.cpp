// SPDX-License-Identifier: MIT
#include "solve/state/dirty_nodes.hpp"

namespace fond_ladder::inline v0::detail {
namespace {

/// Before the passes begin, the memory for their visits holds the place of a node in the list of dirty nodes.
Index listed_at(const State& state, Index node) {
  return static_cast<Index>(state.visits[node]);
}

}  // namespace

void DirtyNodes::gather(const TreeStore& store, State& state, EditsSeen seen) {
  items_.clear();
  if (!store.knows_edits_from(seen.count)) return scan(store, state, seen.version);
  for (std::uint64_t number = seen.count; number < store.edits(); ++number) {
    const NotedEdit& edit = store.edit_at(number);
    const Index node = store.place_of_slot(edit.slot);
    if (node == no_index) continue;
    DirtyNode& item = add(store, state, node);
    if (edit.what == Edit::parted) {
      item.parted = true;
    } else {
      item.own = true;
    }
    if (edit.what == Edit::came) add_arrived(store, state, listed_at(state, node), seen.version);
  }
}

void DirtyNodes::close(const TreeStore& store, State& state) {
  for (const DirtyNode& item : items_) {
    state.flags[item.node] = without(state.flags[item.node], NodeFlag::in_dirty);
    if (!state.handles.empty()) state.handles[item.node] = store.id_of(item.node).value;
  }
}

/// Sweeps until somebody is listed, and lists the way from there down.
DirtyNode& DirtyNodes::add(const TreeStore& store, State& state, Index node) {
  const auto is_listed = [&](Index one) { return (state.flags[one] & NodeFlag::in_dirty) != NodeFlag::none; };
  way_.clear();
  Index at = node;
  for (; at != no_index && !is_listed(at); at = store.parent(at)) way_.push_back(at);
  Index above = at == no_index ? no_index : listed_at(state, at);
  for (auto next = way_.rbegin(); next != way_.rend(); ++next) {
    push(store, state, *next, above);
    above = listed_at(state, *next);
  }
  return items_[listed_at(state, node)];
}

void DirtyNodes::add_other_form(const TreeStore& store, State& state, Index node) {
  DirtyNode& item = add(store, state, node);
  item.own = true;
  if (item.above != no_index) items_[item.above].parted = true;
}

/// What came with a node may be as new as that, or have been edited before it came: all that has a later version.
void DirtyNodes::add_arrived(const TreeStore& store, State& state, Index item, std::uint32_t seen_version) {
  way_.assign(1, item);
  while (!way_.empty()) {
    const Index at = way_.back();
    way_.pop_back();
    if (items_[at].arrived) continue;
    items_[at].arrived = items_[at].own = true;
    const Index node = items_[at].node;
    state.flags[node] = NodeFlag::needs_widths | NodeFlag::in_dirty;
    store.for_each_child(node, [&](Index child) {
      if (store.flat().version[child] <= seen_version) return;
      if ((state.flags[child] & NodeFlag::in_dirty) == NodeFlag::none) push(store, state, child, at);
      way_.push_back(listed_at(state, child));
    });
  }
}

void DirtyNodes::push(const TreeStore& store, State& state, Index node, Index above) {
  state.visits[node] = static_cast<Visit>(items_.size());
  DirtyNode& item = items_.emplace_back();
  item.node = node;
  item.above = above;
  for (std::size_t axis = 0; axis < 2; ++axis) item.old_size[axis] = state.size[axis][node];
  item.own = (state.flags[node] & NodeFlag::needs_widths) != NodeFlag::none;
  item.had_place = !item.own && !state.handles.empty() && state.handles[node] == store.id_of(node).value;
  state.flags[node] = state.flags[node] | NodeFlag::in_dirty;
}

/// By the versions, where the edits are not known one by one: whoever has a new one may be new altogether.
void DirtyNodes::scan(const TreeStore& store, State& state, std::uint32_t seen_version) {
  const Flat& flat = store.flat();
  const auto list = [&](Index node, Index above) {
    if (flat.version[node] <= seen_version) return;
    push(store, state, node, above);
    items_.back().own = items_.back().parted = true;
  };
  list(0, no_index);
  for (Index i = 0; i < items_.size(); ++i) {
    store.for_each_child(items_[i].node, [&](Index child) { list(child, i); });
  }
}

}  // namespace fond_ladder::inline v0::detail
