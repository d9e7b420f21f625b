// SPDX-License-Identifier: MIT
//
// Storage of a tree. What keeps edits cheap and questions harmless:
//
//  - Children are side by side in a block of places with space at both ends (tree_places.cpp). An edit moves the
//    shorter side of the siblings, or all to a larger block; nothing else moves. A solver, which keeps arrays parallel
//    to those of the tree, does the same moves with them: they are numbered, and the last ones are kept.
//  - Edits are numbered too, with node and kind of change. A solver looks at these, and at the nodes above them.
//  - Handles name slots, slots know the place, so that edits may move nodes freely. A slot carries a generation that a
//    removal increases; a slot whose generations are used up is retired, so that an old handle never fits again.
//  - A version is written into an edited node and its ancestors, for solvers that missed too many edits. The sweep
//    stops at an ancestor that already carries a version which no solver has seen: all above it carry one too.
//  - Nodes of one name are chained through their slots: a path is found from its rarest name, and unused names are
//    freed.
//
// What edits leave behind is cleared away by the edit that makes it too much: once half of all places are holes, or
// most nodes came one by one, all nodes are laid anew, level by level, in one go. So each edit pays a constant share of
// it.
//
// Tests: tree_test.cpp, incremental_test.cpp, live_tree_test.cpp.
#include "model/tree_store.hpp"
#include "model/content_kinds.hpp"

#include <algorithm>
#include <charconv>

#include "fond_ladder/fixed_width_text.hpp"
#include "model/bytes_of.hpp"
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

/// Of keys that stand alone.
std::size_t memory_of(const Keys& keys) {
  std::size_t bytes = sizeof(Keys) + memory_of(keys.name) + memory_of(keys.area) + memory_of(keys.text) +
                      memory_of(keys.columns) + memory_of(keys.rows) + keys.ranges.capacity() * sizeof(Range);
  for (const std::string& row : keys.areas) bytes += sizeof(row) + memory_of(row);
  return bytes;
}

std::uint64_t next_identity() {
  static std::atomic<std::uint64_t> last{0};
  return ++last;
}

}  // namespace

TreeStore::TreeStore(const Seeds& seeds, double em, Direction direction)
    : rare_fields_(1), contents_(1), setting_{em, direction}, identity_(next_identity()) {
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
  rare_fields_.shrink_to_fit();
  contents_.shrink_to_fit();
  stamp(0, Edit::came);
  std::ranges::fill(flat_.version, edit_);
  laid_ = alive_;
}

TreeStore::TreeStore(const TreeStore& other)
    : flat_(other.flat_),
      space_(other.space_),
      ahead_(other.ahead_),
      free_blocks_(other.free_blocks_),
      rare_fields_(other.rare_fields_),
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
      setting_(other.setting_),
      identity_(next_identity()),
      alive_(other.alive_),
      laid_(other.laid_),
      edit_(other.edit_),
      published_(other.published_.load()),
      forms_(other.forms_),
      has_percent_edges_(other.has_percent_edges_),
      has_grids_(other.has_grids_),
      has_scrollers_(other.has_scrollers_),
      has_ties_(other.has_ties_),
      most_children_(other.most_children_) {
  pack();
}

TreeStore::~TreeStore() {
  life_->changes = Life::ended;
  life_->tree = nullptr;
}

bool TreeStore::contains(NodeId node) const {
  const Index slot = node.value & limits::largest_node_count;
  return slot < index_of_slot_.size() && generation_[slot] == node.value >> slot_bits &&
         index_of_slot_[slot] != no_index;
}

Index TreeStore::index_of(NodeId node) const {
  if (!contains(node)) throw BadNode("this handle is not a node of the tree; the node may have been removed");
  return index_of_slot_[node.value & limits::largest_node_count];
}

NodeId TreeStore::id_of(Index index) const {
  const Index slot = slot_[index];
  return {slot | static_cast<std::uint32_t>(generation_[slot]) << slot_bits};
}

void TreeStore::require_handles(std::size_t count) const {
  const std::size_t slots = free_slots_.size() + (limits::largest_node_count - index_of_slot_.size());
  if (alive_ + count > limits::largest_node_count || slots < count) {
    throw BadNode("a tree has at most 16,777,215 nodes over its lifetime, removed ones included");
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

Index TreeStore::child_of_step(Index parent, std::string_view step) const {
  if (const Index number = names_.number_of(step); number != no_index) {
    if (const Index named = child_named(parent, number); named != no_index) return named;
  }
  const std::size_t mark = step.rfind('#');
  if (mark == std::string_view::npos) return no_index;
  Index place = 0;
  const auto read = std::from_chars(step.data() + mark + 1, step.data() + step.size(), place);
  if (read.ec != std::errc() || read.ptr != step.data() + step.size()) return no_index;
  if (place >= flat_.child_count[parent]) return no_index;
  const Index found = flat_.first_child[parent] + place;
  return name(found).empty() && word(kind(found)) == step.substr(0, mark) ? found : no_index;
}

void TreeStore::require_own_name(Index parent, const std::string& name, Index except_from, Index except_behind) const {
  const Index number = names_.number_of(name);
  if (number == no_index) return;
  const Index twin = child_named(parent, number);
  if (twin == no_index || (twin >= except_from && twin < except_behind)) return;
  throw BadValue("two siblings are called \"" + name + "\"");
}

void TreeStore::set_fields(Index node, const Keys& keys, std::uint64_t set_bits) {
  CompiledNode compiled = compile(keys, set_bits, setting_);
  keep_facts(node, compiled.traits);
  const bool was_odd = is_odd(node);
  put_record(flat_, node, compiled);
  notify_parent(node);
  count_odd_child(flat_.parent[node], was_odd, is_odd(node));
  notify_scroller(node);
  if (compiled.needs_extra) {
    if (flat_.rare_fields[node] == 0) flat_.rare_fields[node] = take_place(rare_fields_, free_extras_);
    rare_fields_[flat_.rare_fields[node]] = std::move(compiled.rare_fields);
  } else {
    drop_extra(node);
  }
  set_text(node, keys);
  if (flat_.content[node] != 0) flat_.traits[node].passive = 0;
  has_ties_ |= keys.pin && !keys.pin->ties.empty();
  if (!keys.ranges.empty() || forms_.node_ranges(slot_[node]) != nullptr) forms_.declare(slot_[node], keys.ranges);
}

void TreeStore::set_text(Index node, const Keys& keys) {
  auto next = content_for(keys, content(node), setting_);
  if (next == content(node)) return;
  if (!next) return drop_content(node);
  if (flat_.content[node] == 0) flat_.content[node] = take_place(contents_, free_contents_);
  contents_[flat_.content[node]] = Measured(std::move(next));
}

void TreeStore::drop_extra(Index node) {
  if (flat_.rare_fields[node] == 0) return;
  rare_fields_[flat_.rare_fields[node]] = {};
  free_extras_.push_back(flat_.rare_fields[node]);
  flat_.rare_fields[node] = 0;
}

void TreeStore::drop_content(Index node) {
  if (flat_.content[node] == 0) return;
  contents_[flat_.content[node]] = {};
  free_contents_.push_back(flat_.content[node]);
  flat_.content[node] = 0;
}

Keys TreeStore::keys(Index node) const {
  if (rare_fields(node).keys) return *rare_fields(node).keys;
  CompiledNode compiled = record_of(flat_, node);
  const RareFields& own = rare_fields(node);
  compiled.rare_fields.take_fields(own);
  Keys keys = decompile(compiled);
  if (const std::string* words = words_of_keys(content(node).get())) keys.text = *words;
  own.packed.put_into(keys);
  keys.name = name(node);
  return keys;
}

void TreeStore::set_user_data(Index node, std::uintptr_t data) {
  if (user_data_.size() <= slot_[node]) user_data_.resize(index_of_slot_.size());
  user_data_[slot_[node]] = data;
}

std::uintptr_t TreeStore::user_data(Index node) const {
  return slot_[node] < user_data_.size() ? user_data_[slot_[node]] : 0;
}

void TreeStore::give_content(Index node, std::shared_ptr<const CustomContent> content) {
  if (content && kind(node) == Kind::text && !rare_fields(node).keys) {
    auto kept = std::make_unique<const Keys>(keys(node));  // the text, which the content knew until now
    if (flat_.rare_fields[node] == 0) flat_.rare_fields[node] = take_place(rare_fields_, free_extras_);
    rare_fields_[flat_.rare_fields[node]].keys = std::move(kept);
  }
  const Keys own = keys(node);
  drop_content(node);
  if (content) {
    flat_.content[node] = take_place(contents_, free_contents_);
    contents_[flat_.content[node]] = Measured(std::move(content));
  } else {
    set_text(node, own);
  }
  flat_.traits[node].passive = flat_.content[node] == 0 && compile(own, setting_).traits.passive;
}

std::size_t TreeStore::memory() const {
  std::size_t bytes = names_.memory() + bytes_of(name_, space_, ahead_, slot_, index_of_slot_, generation_, free_slots_,
                                                 user_data_, rare_fields_, free_extras_, contents_, free_contents_,
                                                 came_from_, kept_moves_, kept_edits_, scratch_);
  for_each_array(flat_, [&](const auto& array) { bytes += bytes_of(array); });
  for (const RareFields& rare_fields : rare_fields_)
    bytes += rare_fields.packed.memory() + (rare_fields.keys ? memory_of(*rare_fields.keys) : 0);
  for (const Measured& one : contents_) {
    if (const auto* text = as_fixed_width_text(one.content().get())) bytes += text->memory();
    if (const auto* text = as_shaped_text(one.content().get())) bytes += text->memory();
  }
  forms_.for_each([&](Index, const std::vector<NodeForm>& forms) {
    for (const NodeForm& form : forms) bytes += sizeof(NodeForm) + memory_of(form.change.values());
  });
  return bytes;
}

}  // namespace fond_ladder::inline v0::detail
