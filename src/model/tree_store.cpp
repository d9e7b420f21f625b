// SPDX-License-Identifier: MIT
//
// Storage of a tree. Four things keep edits cheap and questions harmless:
//
//  - Children lie side by side in a block of places, which may have room behind them. An edit moves siblings within
//  their
//    block, or the block to a larger one; nothing else in the tree moves. Whoever keeps arrays beside those of the tree
//    (a solver) does the same moves with them: they are numbered, and the last ones are kept. A free block is used
//    again by whoever needs one of its size.
//  - Handles name slots, slots know the place, so that edits may move nodes freely. A slot carries a generation that a
//    removal raises; a slot whose generations are used up is retired, so that an old handle never fits again.
//  - A version is written into an edited node and its ancestors. The climb stops at an ancestor that already carries a
//    version which no solver has seen: everything above it carries one too.
//  - Nodes of one name are chained through their slots: a path is found from its rarest name, and names that nobody has
//  any
//    more are given back.
//
// What edits leave behind is cleared away by the edit that makes it too much: once half of all places are holes, or
// most nodes came one by one, all nodes are laid anew, level by level, in one go. So each edit pays a constant share of
// it.
//
// Tests: tree_test.cpp, incremental_test.cpp.
#include "model/tree_store.hpp"

#include <algorithm>
#include <bit>

#include "fond_ladder/plain_text.hpp"
#include "model/limits.hpp"
#include "model/take_place.hpp"

namespace fond_ladder::inline v0::detail {
namespace {

constexpr std::uint32_t slot_bits = 24;

std::size_t memory_of(const std::string& text) {
  const bool on_heap = text.capacity() > std::string().capacity();
  return on_heap ? text.capacity() : 0;
}

std::size_t memory_of(const Tracks& tracks) {
  std::size_t bytes = 0;
  for (const Tracks::Run& run : tracks.runs()) bytes += sizeof(run) + run.tracks.capacity() * sizeof(Track);
  return bytes;
}

/// A builder's nodes lie all over the memory: their keys are asked for some nodes before they are read.
constexpr std::size_t keys_ahead = 8;
void fetch(const Keys& keys) {
  constexpr std::size_t line = 64, hot = 7;  // what most nodes say stands in the first lines
  for (std::size_t i = 0; i < hot; ++i) __builtin_prefetch(reinterpret_cast<const char*>(&keys) + i * line);
}

/// Of keys that stand alone.
std::size_t memory_of(const Keys& keys) {
  std::size_t bytes = sizeof(Keys) + memory_of(keys.name) + memory_of(keys.area) + memory_of(keys.text) +
                      memory_of(keys.columns) + memory_of(keys.rows);
  for (const std::string& row : keys.areas) bytes += sizeof(row) + memory_of(row);
  return bytes;
}

std::uint64_t next_identity() {
  static std::atomic<std::uint64_t> last{0};
  return ++last;
}

}  // namespace

TreeStore::TreeStore(const Seeds& seeds, double em, Direction direction)
    : extras_(1), contents_(1), em_(em), direction_(direction), identity_(next_identity()) {
  const std::size_t count = seeds.all().size();
  require_handles(count);
  const auto reserve = [&](auto& array) { array.reserve(count); };
  for_each_place_array(reserve);
  reserve(index_of_slot_);
  reserve(generation_);
  add_places(1);
  flat_.parent[0] = no_index;
  settle(0, seeds);
  names_.shrink();
  extras_.shrink_to_fit();
  contents_.shrink_to_fit();
  stamp(0, Edit::came);
  std::ranges::fill(flat_.version, edit_);
  laid_ = alive_;
}

TreeStore::TreeStore(const TreeStore& other)
    : flat_(other.flat_),
      room_(other.room_),
      ahead_(other.ahead_),
      free_blocks_(other.free_blocks_),
      extras_(other.extras_),
      free_extras_(other.free_extras_),
      contents_(other.contents_),
      free_contents_(other.free_contents_),
      name_(other.name_),
      names_(other.names_),
      slot_(other.slot_),
      index_of_slot_(other.index_of_slot_),
      generation_(other.generation_),
      free_slots_(other.free_slots_),
      user_data_(other.user_data_),
      em_(other.em_),
      direction_(other.direction_),
      identity_(next_identity()),
      alive_(other.alive_),
      laid_(other.laid_),
      edit_(other.edit_),
      published_(other.published_.load()),
      forms_(other.forms_),
      has_percent_edges_(other.has_percent_edges_),
      has_grids_(other.has_grids_),
      has_scrollers_(other.has_scrollers_),
      most_children_(other.most_children_) {
  pack();
}

TreeStore::~TreeStore() {
  life_->changes = Life::ended;
  life_->tree = nullptr;
}

// --- handles -------------------------------------------------------------------------------------------------------

bool TreeStore::contains(NodeId node) const {
  const Index slot = node.value & limits::largest_node_count;
  return slot < index_of_slot_.size() && generation_[slot] == node.value >> slot_bits &&
         index_of_slot_[slot] != no_index;
}

Index TreeStore::index_of(NodeId node) const {
  if (!contains(node)) throw BadNode("this handle names no node of the tree; it may have been removed");
  return index_of_slot_[node.value & limits::largest_node_count];
}

NodeId TreeStore::id_of(Index index) const {
  const Index slot = slot_[index];
  return {slot | static_cast<std::uint32_t>(generation_[slot]) << slot_bits};
}

void TreeStore::require_handles(std::size_t count) const {
  const std::size_t slots = free_slots_.size() + (limits::largest_node_count - index_of_slot_.size());
  if (alive_ + count > limits::largest_node_count || slots < count) {
    throw BadNode("a tree has at most 16,777,215 nodes, those that were removed again and again included");
  }
}

NodeId TreeStore::new_handle(Index node) {
  Index slot = 0;
  if (free_slots_.empty()) {
    slot = static_cast<Index>(index_of_slot_.size());
    index_of_slot_.push_back(node);
    generation_.push_back(0);
  } else {
    slot = free_slots_.back();
    free_slots_.pop_back();
    index_of_slot_[slot] = node;
  }
  slot_[node] = slot;
  ++alive_;
  return id_of(node);
}

void TreeStore::give_handle_back(Index node) {
  const Index slot = slot_[node];
  index_of_slot_[slot] = no_index;
  if (slot < user_data_.size()) user_data_[slot] = 0;
  if (generation_[slot] < 0xFF) {
    ++generation_[slot];
    free_slots_.push_back(slot);
  }
  --alive_;
}

// --- names ---------------------------------------------------------------------------------------------------------

Index TreeStore::child_named(Index parent, Index number) const {
  Index found = no_index;
  if (names_.uses(number) <= flat_.child_count[parent]) {
    for_each_named(number, [&](Index node) {
      if (flat_.parent[node] == parent) found = node;
      return found == no_index;
    });
    return found;
  }
  const Index first = flat_.first_child[parent], behind = first + flat_.child_count[parent];
  for (Index child = first; child < behind; ++child) {
    if (name_[child] == number) return child;
  }
  return no_index;
}

void TreeStore::require_own_name(Index parent, const std::string& name, Index except_from, Index except_behind) const {
  const Index number = names_.number_of(name);
  if (number == no_index) return;
  const Index twin = child_named(parent, number);
  if (twin == no_index || (twin >= except_from && twin < except_behind)) return;
  throw BadValue("two siblings are called \"" + name + "\"");
}

// --- fields --------------------------------------------------------------------------------------------------------

void TreeStore::add_places(Index count) {
  const std::size_t size = flat_.size() + count;
  for_each_place_array([&](auto& array) { array.resize(size); });
}

void TreeStore::clear_place(Index node) {
  for_each_array(flat_, [&](auto& array) { array[node] = {}; });
  room_[node] = 0;
  ahead_[node] = {};
}

Block TreeStore::block_of(Index parent) const {
  return {flat_.first_child[parent] - ahead_[parent].places, room_[parent]};
}

void TreeStore::set_fields(Index node, const Keys& keys, std::uint64_t said) {
  CompiledNode compiled = compile(keys, said, em_, direction_);
  compiled.traits.odd_children = flat_.traits[node].odd_children;
  compiled.traits.odd_cells = flat_.traits[node].odd_cells;
  if (is_container(keys.kind)) {
    compiled.traits.holds_scroller = flat_.traits[node].holds_scroller;
    if (!is_container(kind(node))) {  // what lies in it counts from here on
      for_each_child(node, [&](Index child) { compiled.traits.holds_scroller |= flat_.traits[child].holds_scroller; });
    }
  }
  compiled.traits.stands_on_base = flat_.traits[node].stands_on_base || keys.across == Across::baseline;
  const bool was_odd = is_odd(node);
  flat_.traits[node] = compiled.traits;
  tell_parent(node);
  count_odd_child(flat_.parent[node], was_odd, is_odd(node));
  tell_of_scroller(node);
  flat_.grow[node] = compiled.grow;
  for (std::size_t axis = 0; axis < 2; ++axis) {
    flat_.given[axis][node] = compiled.given[axis];
    flat_.smallest[axis][node] = compiled.smallest[axis];
    flat_.largest[axis][node] = compiled.largest[axis];
    flat_.inner[axis][node] = compiled.inner[axis];
  }
  if (compiled.needs_extra) {
    if (flat_.extra[node] == 0) flat_.extra[node] = take_place(extras_, free_extras_);
    extras_[flat_.extra[node]] = std::move(compiled.extra);
  } else {
    drop_extra(node);
  }
  set_text(node, keys);
  if (flat_.content[node] != 0) flat_.traits[node].passive = 0;
}

void TreeStore::set_text(Index node, const Keys& keys) {
  if (keys.kind != Kind::text) {
    if (dynamic_cast<const PlainText*>(content(node).get()) != nullptr) drop_content(node);
    return;
  }
  const auto* old = dynamic_cast<const PlainText*>(content(node).get());
  if (old == nullptr && content(node)) return;  // a text with content of the user's own
  const TextStyle style = style_of(keys, em_);
  if (old != nullptr && old->text() == keys.text && old->style() == style) return;
  if (flat_.content[node] == 0) flat_.content[node] = take_place(contents_, free_contents_);
  contents_[flat_.content[node]] = std::make_shared<PlainText>(keys.text, style);
}

void TreeStore::drop_extra(Index node) {
  if (flat_.extra[node] == 0) return;
  extras_[flat_.extra[node]] = {};
  free_extras_.push_back(flat_.extra[node]);
  flat_.extra[node] = 0;
}

void TreeStore::drop_content(Index node) {
  if (flat_.content[node] == 0) return;
  contents_[flat_.content[node]].reset();
  free_contents_.push_back(flat_.content[node]);
  flat_.content[node] = 0;
}

Keys TreeStore::keys(Index node) const {
  if (extra(node).keys) return *extra(node).keys;
  CompiledNode compiled;
  compiled.traits = flat_.traits[node];
  compiled.grow = flat_.grow[node];
  for (std::size_t axis = 0; axis < 2; ++axis) {
    compiled.given[axis] = flat_.given[axis][node];
    compiled.smallest[axis] = flat_.smallest[axis][node];
    compiled.largest[axis] = flat_.largest[axis][node];
    compiled.inner[axis] = flat_.inner[axis][node];
  }
  const Extra& own = extra(node);
  compiled.extra.edges = own.edges;
  compiled.extra.basis = own.basis;
  compiled.extra.shrink = own.shrink;
  compiled.extra.auto_margins = own.auto_margins;
  compiled.extra.basis_way = own.basis_way;
  Keys keys = decompile(compiled);
  own.packed.put_into(keys);
  keys.name = name(node);
  if (const auto* text = dynamic_cast<const PlainText*>(content(node).get())) keys.text = text->text();
  return keys;
}

// --- edits ---------------------------------------------------------------------------------------------------------

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

TreeStore::Left TreeStore::leaving(Index node) const {
  const Traits own = flat_.traits[node];
  return {forms_of(node) != nullptr || (!own.hidden && !own.pinned), is_odd(node)};
}

void TreeStore::part(Index above, Left left) {
  if (left.may_have_counted) {
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

void TreeStore::carry(Carried move) {
  if (move.count == 0 || move.from == move.to) return;
  for_each_place_array([&](auto& array) { move.carry_in(array); });
  for (Index node = move.to; node < move.to + move.count; ++node) {
    index_of_slot_[slot_[node]] = node;
    const Index first = flat_.first_child[node], behind = first + flat_.child_count[node];
    for (Index child = first; child < behind; ++child) flat_.parent[child] = node;
  }
  if (kept_moves_.empty()) kept_moves_.resize(most_kept_moves);
  kept_moves_[moves_++ % most_kept_moves] = move;
}

Block TreeStore::take_block(Index room) {
  if (const auto block = free_blocks_.take(room)) return *block;
  const auto first = static_cast<Index>(flat_.size());
  add_places(room);
  return {first, room};
}

/// Children that come one after the other, before anything else does, lie at the end of the arrays and only need
/// another place there; else their block is carried to one twice as large, with the new room where it is wanted.
void TreeStore::grow_block(Index parent, bool in_front) {
  const Block old = block_of(parent);
  const Index count = flat_.child_count[parent];
  if (!in_front && old.room > 0 && old.first + old.room == flat_.size()) {
    add_places(1);
    ++room_[parent];
    return;
  }
  const Block block = take_block(old.room == 0 ? 1 : std::bit_ceil(std::max<Index>(count + 1, 4)));
  const Index ahead = in_front ? block.room - count : 0;
  carry({flat_.first_child[parent], block.first + ahead, count});
  flat_.first_child[parent] = block.first + ahead;
  room_[parent] = block.room;
  ahead_[parent].places = ahead;
  free_blocks_.give(old);
}

/// Where there is room only at the other end of a block, its children move over so that both have half of it.
void TreeStore::share_room(Index parent, bool in_front) {
  const Index children = flat_.child_count[parent], ahead = ahead_[parent].places, free = room_[parent] - children;
  if ((in_front ? ahead : free - ahead) > 0) return;
  const Index first = flat_.first_child[parent] - ahead, new_ahead = in_front ? (free + 1) / 2 : free / 2;
  carry({first + ahead, first + new_ahead, children});
  flat_.first_child[parent] = first + new_ahead;
  ahead_[parent].places = new_ahead;
}

/// Siblings make room towards the nearer end of their block.
Index TreeStore::open_place(Index parent, std::size_t position) {
  const Index children = flat_.child_count[parent], before = static_cast<Index>(position);
  const bool in_front = 2 * position < children;
  if (children == room_[parent]) grow_block(parent, in_front);
  share_room(parent, in_front);
  const Index first = flat_.first_child[parent];
  if (in_front) {
    carry({first, first - 1, before});
    --flat_.first_child[parent];
    --ahead_[parent].places;
  } else {
    carry({first + before, first + before + 1, children - before});
  }
  const Index node = flat_.first_child[parent] + before;
  clear_place(node);
  flat_.parent[node] = parent;
  flat_.child_count[parent] = children + 1;
  most_children_ = std::max<std::size_t>(most_children_, children + 1);
  return node;
}

void TreeStore::close_places(Index parent, Index first, Index count) {
  const Index begin = flat_.first_child[parent], before = first - begin;
  const Index behind = flat_.child_count[parent] - before - count;
  if (before < behind) {
    carry({begin, begin + count, before});
    flat_.first_child[parent] += count;
    ahead_[parent].places += count;
  } else {
    carry({first + count, first, behind});
  }
  flat_.child_count[parent] -= count;
}

NodeId TreeStore::insert(Index parent, std::size_t position, const Keys& keys) {
  if (position > flat_.child_count[parent]) throw BadNode("there is no such place among the children");
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
  if (node == parent || flat_.parent[node] == no_index) throw BadNode("the root, or a node into itself, cannot move");
  for (Index above = parent; above != no_index; above = flat_.parent[above]) {
    if (above == node) throw BadNode("a node cannot move into its own child");
  }
  const Index old_parent = flat_.parent[node];
  const std::size_t places = flat_.child_count[parent] - (old_parent == parent ? 1 : 0);
  if (position > places) throw BadNode("there is no such place among the children");
  if (old_parent != parent) require_own_name(parent, std::string(name(node)), no_index, no_index);
  const NodeId moved = id_of(node), from = id_of(old_parent), into = id_of(parent);
  const Block aside = take_block(1);
  carry({node, aside.first, 1});
  close_places(old_parent, node, 1);
  part(index_of(from), leaving(aside.first));
  const Index there = open_place(index_of(into), position);
  carry({aside.first, there, 1});
  flat_.parent[there] = index_of(into);
  free_blocks_.give(aside);
  tell_parent(there);
  count_odd_child(index_of(into), false, is_odd(there));
  tell_of_scroller(index_of(moved));
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
    free_blocks_.give(block_of(one));
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
  if (position > flat_.child_count[parent]) throw BadNode("there is no such place among the children");
  require_handles(seeds.all().size());
  require_own_name(parent, seeds.all()[0].keys->name, no_index, no_index);
  for (const SeedForm& form : seeds.forms()) forms_.require_condition(form.name);
  const Index node = open_place(parent, position);
  const std::vector<NodeId> handles = settle(node, seeds);
  stamp(node, Edit::came);
  for (const NodeId handle : handles) flat_.version[index_of(handle)] = edit_;
  for (const SeedForm& form : seeds.forms()) when(index_of(handles[form.seed]), form.name, form.change);
  pack_when_due();
  return handles[0];
}

/// All children of a node come into one block, level by level, so that what a tree begins with lies as packing would lay
/// it.
std::vector<NodeId> TreeStore::settle(Index top, const Seeds& seeds) {
  const std::vector<Seed>& all = seeds.all();
  std::vector<NodeId> handles;
  handles.reserve(all.size());
  const auto settle_one = [&](Index node, const Seed& seed) {
    if (handles.size() + keys_ahead < all.size()) fetch(*all[handles.size() + keys_ahead].keys);
    handles.push_back(new_handle(node));
    set_fields(node, *seed.keys, seed.said);
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
    room_[above] = block.room;
    most_children_ = std::max<std::size_t>(most_children_, seed.child_count);
    for (Index k = 0; k < seed.child_count; ++k) {
      clear_place(block.first + k);
      flat_.parent[block.first + k] = above;
      settle_one(block.first + k, all[seed.first_child + k]);
    }
  }
  return handles;
}

NodeId TreeStore::enclose(Index parent, std::size_t first, std::size_t count, const Keys& container) {
  if (first > flat_.child_count[parent] || count > flat_.child_count[parent] - first) {
    throw BadNode("there are not that many children to enclose");
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
  room_[box] = inside.room;
  for_each_child(box, [&](Index child) { flat_.parent[child] = box; });
  set_fields(box, container);
  name_[box] = names_.enter(slot_[box], container.name);
  for_each_child(box, [&](Index child) {
    count_odd_child(index_of(into), is_odd(child), false);
    count_odd_child(box, false, is_odd(child));
    tell_parent(child);
    tell_of_scroller(child);
  });
  stamp(index_of(into), Edit::parted);
  stamp(box, Edit::came);
  for_each_child(box, [&](Index child) { stamp(child, Edit::came); });
  pack_when_due();
  return handle;
}

void TreeStore::restyle(Index node, const Keys& keys) {
  const Keys old = this->keys(node);
  if (keys == old) return;
  if (keys.name != old.name) {
    if (flat_.parent[node] != no_index) require_own_name(flat_.parent[node], keys.name, no_index, no_index);
    names_.leave(slot_[node], name_[node]);
    name_[node] = names_.enter(slot_[node], keys.name);
  }
  Keys quiet = keys;  // what no size or place follows from
  quiet.name = old.name;
  quiet.touch = old.touch;
  const Left was = leaving(node);
  set_fields(node, keys);
  if (quiet == old && forms_.empty()) {
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
  const bool was_odd = is_odd(node);
  forms_.set(slot_[node], name, change);
  tell_parent(node);
  count_odd_child(flat_.parent[node], was_odd, is_odd(node));
  tell_of_scroller(node);
  stamp(node, Edit::own);
  if (flat_.parent[node] != no_index) stamp(flat_.parent[node], Edit::parted);
}

/// Keys that say pixels, and words in the size of a scene, need another em; start and end are sides only of edges.
void TreeStore::set_direction(Direction direction) {
  if (direction == direction_) return;
  direction_ = direction;
  walk([&](Index node, std::size_t) {
    if (flat_.extra[node] != 0) set_fields(node, keys(node));
  });
  edit_all();
}

void TreeStore::set_em(double em) {
  if (em == em_) return;
  em_ = em;
  walk([&](Index node, std::size_t) {
    if (flat_.extra[node] != 0) return set_fields(node, keys(node));
    auto& content = contents_[flat_.content[node]];
    const auto* words = dynamic_cast<const PlainText*>(content.get());
    if (words != nullptr) content = std::make_shared<PlainText>(*words, em);
  });
  edit_all();
}

void TreeStore::edit_all() {
  stamp(0, Edit::own);
  edited_all_ = edit_;
}

void TreeStore::set_user_data(Index node, std::uintptr_t data) {
  if (user_data_.size() <= slot_[node]) user_data_.resize(index_of_slot_.size());
  user_data_[slot_[node]] = data;
}

std::uintptr_t TreeStore::user_data(Index node) const {
  return slot_[node] < user_data_.size() ? user_data_[slot_[node]] : 0;
}

void TreeStore::content_from(Index node, std::shared_ptr<const OwnContent> content) {
  give_content(node, std::move(content));
  stamp(node, Edit::own);
}

void TreeStore::give_content(Index node, std::shared_ptr<const OwnContent> content) {
  if (content && kind(node) == Kind::text && !extra(node).keys) {
    auto kept = std::make_unique<const Keys>(keys(node));  // the text, which the content knew until now
    if (flat_.extra[node] == 0) flat_.extra[node] = take_place(extras_, free_extras_);
    extras_[flat_.extra[node]].keys = std::move(kept);
  }
  const Keys own = keys(node);
  drop_content(node);
  if (content) {
    flat_.content[node] = take_place(contents_, free_contents_);
    contents_[flat_.content[node]] = std::move(content);
  } else {
    set_text(node, own);
  }
  flat_.traits[node].passive = flat_.content[node] == 0 && compile(own, em_, direction_).traits.passive;
}

// --- packing -------------------------------------------------------------------------------------------------------

void TreeStore::pack_when_due() {
  constexpr std::size_t few = 64;
  const bool has_holes = flat_.size() > 2 * alive_ + few, has_grown = alive_ > 2 * laid_ + few;
  if (has_holes || has_grown) lay_anew();
}

void TreeStore::pack() {
  lay_anew();
  const auto shrink = [](auto& array) { array.shrink_to_fit(); };
  for_each_place_array(shrink);
  shrink(extras_);
  shrink(contents_);
  shrink(index_of_slot_);
  shrink(generation_);
  names_.shrink();
}

void TreeStore::lay_anew() {
  std::vector<Index> order;
  order.reserve(alive_);
  order.push_back(0);
  for (std::size_t i = 0; i < order.size(); ++i) {
    for_each_child(order[i], [&](Index child) { order.push_back(child); });
  }
  laid_ = alive_;
  ++life_->changes;
  if (order.size() == flat_.size() && std::ranges::is_sorted(order)) return;  // each where it belongs, and no holes
  std::vector<Index> place(flat_.size(), no_index);
  for (std::size_t i = 0; i < order.size(); ++i) place[order[i]] = static_cast<Index>(i);

  for_each_place_array([&](auto& array) {
    std::remove_reference_t<decltype(array)> laid;
    laid.reserve(order.size());
    for (const Index from : order) laid.push_back(array[from]);
    array = std::move(laid);
  });
  room_ = flat_.child_count;
  std::ranges::fill(ahead_, Ahead{});
  free_blocks_.clear();
  Index next_child = 1;
  for (Index node = 0; node < order.size(); ++node) {
    index_of_slot_[slot_[node]] = node;
    if (flat_.parent[node] != no_index) flat_.parent[node] = place[flat_.parent[node]];
    flat_.first_child[node] = next_child;
    next_child += flat_.child_count[node];
  }
  ++packing_;
  came_from_ = std::move(order);
  moves_before_packing_ = moves_;
  survey();
}

Traits TreeStore::in_all_forms(Index node) const {
  Traits all = flat_.traits[node];
  for (const NodeForm& form : *forms_of(node)) {
    Keys keys = this->keys(node);
    form.change.put_into(keys);
    const Traits one = compile(keys, em_, direction_).traits;
    all.hidden |= one.hidden;
    all.pinned |= one.pinned;
    all.ordered |= one.ordered;
    all.celled |= one.celled;
    all.scroll_y |= one.scroll_y;
    all.percent_edges |= one.percent_edges;
    if (one.self_across == static_cast<std::uint64_t>(Across::baseline)) all.self_across = one.self_across;
    if (is_container(one.node_kind())) all.kind = one.node_kind() == Kind::grid ? one.kind : all.kind;
  }
  return all;
}

void TreeStore::tell_parent(Index node) {
  const Traits traits = at_most(node);
  has_percent_edges_ |= traits.percent_edges != 0;
  has_grids_ |= traits.node_kind() == Kind::grid;
  if (flat_.parent[node] == no_index) return;
  Traits& above = flat_.traits[flat_.parent[node]];
  above.odd_cells |= traits.celled;
  above.stands_on_base |= traits.self_across == static_cast<std::uint64_t>(Across::baseline) ? 1U : 0U;
}

void TreeStore::tell_of_scroller(Index node, bool is_news) {
  if (!at_most(node).scroll_y && !flat_.traits[node].holds_scroller) return;
  const auto may_hold = [&](Index one) { return is_container(kind(one)) || forms_of(one) != nullptr; };
  flat_.traits[node].holds_scroller = 1;
  has_scrollers_ = true;
  for (node = flat_.parent[node]; node != no_index && may_hold(node); node = flat_.parent[node]) {
    if (flat_.traits[node].holds_scroller) return;
    flat_.traits[node].holds_scroller = 1;
    if (is_news) stamp(node, Edit::own);  // solvers have no least height of it yet
  }
}

void TreeStore::count_odd_child(Index above, bool was, bool is) {
  if (was == is || above == no_index) return;
  Ahead& counted = ahead_[above];
  if (counted.odd < Ahead::many) {
    counted.odd += is ? 1 : -1;
  } else if (was) {
    Index odd = 0;
    for_each_child(above, [&](Index child) { odd += is_odd(child) ? 1 : 0; });
    counted.odd = std::min(odd, Ahead::many);
  }
  flat_.traits[above].odd_children = counted.odd > 0;
}

void TreeStore::survey() {
  has_percent_edges_ = false;
  has_grids_ = false;
  has_scrollers_ = false;
  most_children_ = 0;
  for (Index node = 0; node < flat_.size(); ++node) {
    Traits& traits = flat_.traits[node];
    traits.odd_children = 0;
    traits.odd_cells = 0;
    traits.holds_scroller = traits.scroll_y;
    traits.stands_on_base = static_cast<Across>(traits.across) == Across::baseline;
    most_children_ = std::max<std::size_t>(most_children_, flat_.child_count[node]);
    tell_parent(node);
    count_odd_child(flat_.parent[node], false, is_odd(node));
    tell_of_scroller(node, false);
  }
}

std::size_t TreeStore::memory() const {
  std::size_t bytes = names_.memory();
  const auto count = [&](const auto& array) { bytes += array.capacity() * sizeof(array[0]); };
  for_each_array(flat_, count);
  count(name_);
  count(room_);
  count(ahead_);
  count(slot_);
  count(index_of_slot_);
  count(generation_);
  count(free_slots_);
  count(user_data_);
  count(extras_);
  count(free_extras_);
  count(contents_);
  count(free_contents_);
  count(came_from_);
  count(kept_moves_);
  count(kept_edits_);
  count(scratch_);
  for (const Extra& extra : extras_) bytes += extra.packed.memory() + (extra.keys ? memory_of(*extra.keys) : 0);
  for (const auto& content : contents_) {
    if (const auto* text = dynamic_cast<const PlainText*>(content.get())) bytes += text->memory();
  }
  forms_.for_each([&](Index, const std::vector<NodeForm>& forms) {
    for (const NodeForm& form : forms) bytes += sizeof(NodeForm) + memory_of(form.change.values());
  });
  return bytes;
}

}  // namespace fond_ladder::inline v0::detail
