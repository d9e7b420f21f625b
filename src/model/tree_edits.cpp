// SPDX-License-Identifier: MIT
//
// Edits of a tree: each checks first, so that one that throws leaves everything as it was; moves places
// (tree_places.cpp), raises facts (tree_facts.cpp), and notes what it did, for solvers to follow.
//
// Tests: tree_test.cpp, live_tree_test.cpp.
#include "model/content_kinds.hpp"
#include "model/tree_store.hpp"

#include <algorithm>

#include "fond_ladder/fixed_width_text.hpp"
#include "model/take_place.hpp"

namespace fond_ladder::inline v0::detail {
namespace {

void require_own_form(const Keys& plain, const std::string& name, const Changes& change) {
  if (const auto fault = own_form_fault(plain, name, change)) throw BadValue(*fault);
}

/// A builder's nodes lie all over the memory: their keys are asked for some nodes before they are read.
constexpr std::size_t keys_ahead = 8;
void fetch(const Keys& keys) {
  constexpr std::size_t line = 64, hot = 7;  // most keys are in the first lines
  for (std::size_t i = 0; i < hot; ++i) __builtin_prefetch(reinterpret_cast<const char*>(&keys) + i * line);
}

}  // namespace

void TreeStore::stamp(Index node, Edit what) {
  ++life_->changes;
  if (kept_edits_.empty()) kept_edits_.resize(most_kept_edits);
  kept_edits_[edits_++ % most_kept_edits] = {slot_[node], what};
  const std::uint32_t published = published_.load(std::memory_order_relaxed);
  if (edit_ <= published) edit_ = published + 1;
  while (node != no_index && flat_.version[node] <= published) {
    flat_.version[node] = edit_;
    node = flat_.parent[node];
  }
}

void TreeStore::part(Index above, Left left) {
  if (left.may_have_counted || has_ties_) {  // somebody may be tied to it
    stamp(above, Edit::parted);
  } else {
    ++life_->changes;
  }
  count_odd_child(above, left.odd, false);
}

std::uint32_t TreeStore::publish() const {
  std::uint32_t seen = published_.load(std::memory_order_relaxed);
  while (seen < edit_ && !published_.compare_exchange_weak(seen, edit_, std::memory_order_relaxed)) {
  }
  return edit_;
}

NodeId TreeStore::insert(Index parent, std::size_t position, const Keys& keys) {
  if (position > flat_.child_count[parent]) throw BadNode("no child has that index");
  require_handles(1);
  require_own_name(parent, keys.name, no_index, no_index);
  const Index node = open_place(parent, position);
  const NodeId handle = new_handle(node);
  set_fields(node, keys);
  name_[node] = names_.enter(slot_[node], keys.name);
  stamp(node, Edit::came);
  pack_when_due();
  return handle;
}

void TreeStore::move(Index node, Index parent, std::size_t position) {
  if (node == parent || flat_.parent[node] == no_index)
    throw BadNode("the root cannot move, and no node can move into itself");
  for (Index above = parent; above != no_index; above = flat_.parent[above]) {
    if (above == node) throw BadNode("a node cannot move into its own child");
  }
  const Index old_parent = flat_.parent[node];
  const std::size_t places = flat_.child_count[parent] - (old_parent == parent ? 1 : 0);
  if (position > places) throw BadNode("no child has that index");
  if (old_parent != parent) require_own_name(parent, std::string(name(node)), no_index, no_index);
  const NodeId moved = id_of(node), from = id_of(old_parent), into = id_of(parent);
  const Block aside = take_block(1);
  carry({node, aside.first, 1});
  close_places(old_parent, node, 1);
  part(index_of(from), leaving(aside.first));
  const Index there = open_place(index_of(into), position);
  carry({aside.first, there, 1});
  flat_.parent[there] = index_of(into);
  free_blocks_.release(aside);
  notify_parent(there);
  count_odd_child(index_of(into), false, is_odd(there));
  notify_scroller(index_of(moved));
  stamp(index_of(moved), Edit::came);
  pack_when_due();
}

void TreeStore::discard(std::vector<Index>& gone) {
  for (std::size_t i = 0; i < gone.size(); ++i) {
    const Index one = gone[i];
    for_each_child(one, [&](Index child) { gone.push_back(child); });
    drop_extra(one);
    drop_content(one);
    names_.leave(slot_[one], name_[one]);
    forms_.forget(slot_[one]);
    give_handle_back(one);
    free_blocks_.release(block_of(one));
  }
}

void TreeStore::remove(Index node) {
  if (flat_.parent[node] == no_index) throw BadNode("the root cannot be removed");
  const Left left = leaving(node);
  scratch_.assign(1, node);
  discard(scratch_);
  const Index parent = flat_.parent[node];
  close_places(parent, node, 1);
  part(parent, left);
  pack_when_due();
}

void TreeStore::clear(Index node) {
  if (flat_.child_count[node] == 0) return;
  scratch_.clear();
  for_each_child(node, [&](Index child) { scratch_.push_back(child); });
  discard(scratch_);
  flat_.child_count[node] = 0;
  ahead_[node].odd = 0;
  flat_.traits[node].odd_children = 0;
  stamp(node, Edit::parted);
  pack_when_due();
}

NodeId TreeStore::plant(Index parent, std::size_t position, const Seeds& seeds) {
  if (position > flat_.child_count[parent]) throw BadNode("no child has that index");
  require_handles(seeds.all().size());
  require_own_name(parent, seeds.all()[0].keys->name, no_index, no_index);
  for (const SeedForm& form : seeds.forms()) forms_.require(form.name, form.change, seeds.has_own_range(form.name));
  for (const SeedForm& form : seeds.forms()) require_own_form(*seeds.all()[form.seed].keys, form.name, form.change);
  const Index node = open_place(parent, position);
  const std::vector<NodeId> handles = settle(node, seeds);
  stamp(node, Edit::came);
  for (const NodeId handle : handles) flat_.version[index_of(handle)] = edit_;
  for (const SeedForm& form : seeds.forms()) when(index_of(handles[form.seed]), form.name, form.change);
  pack_when_due();
  return handles[0];
}

Seeds TreeStore::seeds_of(Index root) const {
  Seeds seeds;
  std::vector<Index> nodes;
  const auto add = [&](Index node) {
    nodes.push_back(node);
    const auto& held = content(node);
    const bool is_own = held && words_of_keys(held.get()) == nullptr;
    seeds.add(keys(node), is_own ? held : nullptr);
    if (const auto* forms = forms_of(node)) {
      for (const NodeForm& form : *forms) seeds.add_form(form.name, form.change);
    }
  };
  add(root);
  for (std::size_t i = 0; i < nodes.size(); ++i) {
    seeds[i].first_child = static_cast<Index>(nodes.size());
    seeds[i].child_count = static_cast<Index>(child_count(nodes[i]));
    for_each_child(nodes[i], add);
  }
  return seeds;
}

/// All children of a node come into one block, level by level, so that a new tree is laid out as packing would
/// do it.
std::vector<NodeId> TreeStore::settle(Index top, const Seeds& seeds) {
  const std::vector<Seed>& all = seeds.all();
  std::vector<NodeId> handles;
  handles.reserve(all.size());
  const auto settle_one = [&](Index node, const Seed& seed) {
    if (handles.size() + keys_ahead < all.size()) fetch(*all[handles.size() + keys_ahead].keys);
    handles.push_back(new_handle(node));
    set_fields(node, *seed.keys, seed.set_bits);
    name_[node] = names_.enter(slot_[node], seed.keys->name);
    if (seed.content != nullptr) give_content(node, *seed.content);
  };
  settle_one(top, all[0]);
  for (std::size_t i = 0; i < all.size(); ++i) {
    const Seed& seed = all[i];
    if (seed.child_count == 0) continue;
    const Block block = take_block(seed.child_count);
    const Index above = index_of(handles[i]);
    flat_.first_child[above] = block.first;
    flat_.child_count[above] = seed.child_count;
    space_[above] = block.space;
    most_children_ = std::max<std::size_t>(most_children_, seed.child_count);
    for (Index k = 0; k < seed.child_count; ++k) {
      clear_place(block.first + k);
      flat_.parent[block.first + k] = above;
      settle_one(block.first + k, all[seed.first_child + k]);
    }
  }
  return handles;
}

NodeId TreeStore::group(Index parent, std::size_t first, std::size_t count, const Keys& container) {
  if (first > flat_.child_count[parent] || count > flat_.child_count[parent] - first) {
    throw BadNode("there are not that many children to group");
  }
  require_handles(1);
  const auto many = static_cast<Index>(count);
  const Index begin = flat_.first_child[parent] + static_cast<Index>(first);
  require_own_name(parent, container.name, begin, begin + many);
  const NodeId into = id_of(parent);
  const Block inside = many > 0 ? take_block(many) : Block{};
  carry({begin, inside.first, many});
  const Index above = index_of(into);
  close_places(above, flat_.first_child[above] + static_cast<Index>(first), many);
  const Index box = open_place(above, first);
  const NodeId handle = new_handle(box);
  flat_.first_child[box] = inside.first;
  flat_.child_count[box] = many;
  space_[box] = inside.space;
  for_each_child(box, [&](Index child) { flat_.parent[child] = box; });
  set_fields(box, container);
  name_[box] = names_.enter(slot_[box], container.name);
  for_each_child(box, [&](Index child) {
    count_odd_child(index_of(into), is_odd(child), false);
    count_odd_child(box, false, is_odd(child));
    notify_parent(child);
    notify_scroller(child);
  });
  stamp(index_of(into), Edit::parted);
  stamp(box, Edit::came);
  for_each_child(box, [&](Index child) { stamp(child, Edit::came); });
  pack_when_due();
  return handle;
}

void TreeStore::replace_keys(Index node, const Keys& keys) {
  const Keys old = this->keys(node);
  if (keys == old) return;
  if (keys.name != old.name) {
    if (flat_.parent[node] != no_index) require_own_name(flat_.parent[node], keys.name, no_index, no_index);
    names_.leave(slot_[node], name_[node]);
    name_[node] = names_.enter(slot_[node], keys.name);
  }
  Keys quiet = keys;  // what no size or place follows from
  quiet.name = old.name;
  quiet.touch_target = old.touch_target;
  const Left was = leaving(node);
  set_fields(node, keys);
  const bool name_counts = has_ties_ && keys.name != old.name;
  if (quiet == old && forms_.empty() && !name_counts) {
    ++life_->changes;
    return;
  }
  stamp(node, Edit::own);
  const bool counted_anew = was.may_have_counted != leaving(node).may_have_counted || forms_of(node) != nullptr;
  if (flat_.parent[node] != no_index && counted_anew) stamp(flat_.parent[node], Edit::parted);
}

void TreeStore::set_conditions(std::vector<Range> ranges, std::vector<std::string> modes) {
  forms_.set_conditions(std::move(ranges), std::move(modes));
  ++life_->changes;
}

void TreeStore::when(Index node, const std::string& name, const Changes& change) {
  if (forms_.has_node_ranges()) require_own_form(keys(node), name, change);
  const bool was_odd = is_odd(node);
  forms_.set(slot_[node], name, change);
  has_ties_ |= change.values().pin && !change.values().pin->ties.empty();
  notify_parent(node);
  count_odd_child(flat_.parent[node], was_odd, is_odd(node));
  notify_scroller(node);
  stamp(node, Edit::own);
  if (flat_.parent[node] != no_index) stamp(flat_.parent[node], Edit::parted);
}

/// Only RareFields can contain start and end, or em; and text is as large as an em.
void TreeStore::set_direction(Direction direction) {
  if (direction == setting_.direction) return;
  setting_.direction = direction;
  walk([&](Index node, std::size_t) {
    if (flat_.rare_fields[node] != 0) set_fields(node, keys(node));
  });
  edit_all();
}

void TreeStore::set_em(double em) {
  if (em == setting_.em) return;
  setting_.em = em;
  walk([&](Index node, std::size_t) {
    if (flat_.rare_fields[node] != 0) return set_fields(node, keys(node));
    if (const auto* words = as_fixed_width_text(content(node).get())) {
      contents_[flat_.content[node]] = Measured(std::make_shared<FixedWidthText>(*words, em));
    } else if (flat_.content[node] != 0) {
      set_text(node, keys(node));
    }
  });
  edit_all();
}

/// A `ch` is another one too.
void TreeStore::set_text_shaper(std::shared_ptr<const TextShaper> text_shaper) {
  if (text_shaper == setting_.text_shaper) return;
  setting_.text_shaper = std::move(text_shaper);
  walk([&](Index node, std::size_t) {
    if (flat_.rare_fields[node] != 0 || kind(node) == Kind::text) set_fields(node, keys(node));
  });
  edit_all();
}

void TreeStore::edit_all() {
  stamp(0, Edit::own);
  edited_all_ = edit_;
}

void TreeStore::set_content(Index node, std::shared_ptr<const CustomContent> content) {
  give_content(node, std::move(content));
  stamp(node, Edit::own);
}

}  // namespace fond_ladder::inline v0::detail
