// SPDX-License-Identifier: MIT
//
// Storage of a tree. Three things keep edits cheap:
//
//  - Handles name slots, slots know the index, so that packing may move nodes freely. A slot carries a generation that
//    a removal raises; a slot whose generations are used up is retired, so that an old handle never fits again.
//  - A version is written into an edited node and its ancestors. The climb stops at an ancestor that already carries a
//    version which no solver has seen: everything above it carries one too.
//  - Structural edits work on sibling links and never move a node; packing then gathers every array once, breadth
//    first. Cost: the tree once for any number of edits between two solves. Patching the packed arrays in place was
//    left out: holes and slack would cost every pass, and gathering costs less than one pass.
//
// Tests: tree_test.cpp, incremental_test.cpp.
#include "model/tree_store.hpp"

#include <algorithm>

#include "fond_ladder/plain_text.hpp"
#include "model/limits.hpp"

namespace fond_ladder::inline v0::detail {
namespace {

constexpr std::uint32_t slot_bits = 24;

std::uint64_t next_identity() {
  static std::atomic<std::uint64_t> last{0};
  return ++last;
}

template <class Pool>
Index take_place(Pool& pool, std::vector<Index>& free_places) {
  if (free_places.empty()) {
    pool.emplace_back();
    return static_cast<Index>(pool.size() - 1);
  }
  const Index place = free_places.back();
  free_places.pop_back();
  return place;
}

bool is_odd(const Traits& traits) {
  return traits.hidden || traits.pinned || traits.ordered;
}

}  // namespace

TreeStore::TreeStore(const Keys& root, double em, Direction direction)
    : extras_(1), contents_(1), em_(em), direction_(direction), identity_(next_identity()) {
  need_links();
  new_handle(add(root));
}

TreeStore::TreeStore(const TreeStore& other)
    : flat_((static_cast<void>(other.packed()), other.flat_)),
      extras_(other.extras_),
      free_extras_(other.free_extras_),
      contents_(other.contents_),
      free_contents_(other.free_contents_),
      name_(other.name_),
      name_numbers_(other.name_numbers_),
      slot_(other.slot_),
      index_of_slot_(other.index_of_slot_),
      generation_(other.generation_),
      free_slots_(other.free_slots_),
      em_(other.em_),
      direction_(other.direction_),
      identity_(next_identity()),
      alive_(other.alive_),
      edit_(other.edit_),
      published_(other.published_.load()),
      packing_(other.packing_),
      has_percent_edges_(other.has_percent_edges_),
      has_grids_(other.has_grids_),
      most_children_(other.most_children_),
      is_packed_(true) {
  names_.resize(name_numbers_.size());
  for (const auto& [name, number] : name_numbers_) names_[number] = &name;
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
  slot_.push_back(slot);
  ++alive_;
  return id_of(node);
}

std::uint32_t TreeStore::name_number(const std::string& name) {
  const auto [entry, is_new] = name_numbers_.try_emplace(name, static_cast<std::uint32_t>(names_.size()));
  if (is_new) names_.push_back(&entry->first);
  return entry->second;
}

std::optional<std::uint32_t> TreeStore::number_of_name(std::string_view name) const {
  const auto found = name_numbers_.find(std::string(name));
  if (name.empty() || found == name_numbers_.end()) return {};
  return found->second;
}

std::shared_ptr<const PathIndex> TreeStore::path_index() const {
  const std::lock_guard lock(paths_mutex_);
  if (!paths_) paths_ = std::make_shared<const PathIndex>(*this);
  return paths_;
}

// --- fields --------------------------------------------------------------------------------------------------------

Index TreeStore::add(const Keys& keys) {
  for_each_array(flat_, [](auto& array) { array.emplace_back(); });
  const auto node = static_cast<Index>(flat_.size() - 1);
  flat_.parent[node] = no_index;
  name_.push_back(0);
  links_->first.push_back(no_index);
  links_->last.push_back(no_index);
  links_->next.push_back(no_index);
  links_->before.push_back(no_index);
  set_fields(node, keys);
  return node;
}

void TreeStore::set_fields(Index node, const Keys& keys) {
  if (names_.empty() || name(node) != keys.name || kind(node) != keys.kind) paths_.reset();
  CompiledNode compiled = compile(keys, em_, direction_);
  compiled.traits.odd_children = flat_.traits[node].odd_children;
  compiled.traits.odd_cells = flat_.traits[node].odd_cells;
  if (is_container(keys.kind)) {
    compiled.traits.holds_scroller = flat_.traits[node].holds_scroller;
    if (!is_container(kind(node))) {  // what lies in it counts from here on
      for_each_child(node, [&](Index child) { compiled.traits.holds_scroller |= flat_.traits[child].holds_scroller; });
    }
  }
  compiled.traits.stands_on_base = flat_.traits[node].stands_on_base || keys.across == Across::baseline;
  flat_.traits[node] = compiled.traits;
  tell_parent(node);
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
  name_[node] = name_number(keys.name);
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
  const TextStyle style{keys.size.value_or(em_), keys.one_line, keys.max_lines};
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

std::size_t TreeStore::place(Index node) const {
  const Index above = flat_.parent[node];
  if (above == no_index) return 0;
  if (!links_) return node - flat_.first_child[above];
  std::size_t before = 0;
  for (Index sibling = links_->before[node]; sibling != no_index; sibling = links_->before[sibling]) ++before;
  return before;
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
  compiled.extra = extra(node);
  Keys keys = decompile(compiled);
  keys.name = name(node);
  if (const auto* text = dynamic_cast<const PlainText*>(content(node).get())) keys.text = text->text();
  return keys;
}

// --- edits ---------------------------------------------------------------------------------------------------------

void TreeStore::stamp(Index node) {
  const std::uint32_t published = published_.load(std::memory_order_relaxed);
  if (edit_ <= published) edit_ = published + 1;
  while (node != no_index && flat_.version[node] <= published) {
    flat_.version[node] = edit_;
    node = flat_.parent[node];
  }
}

std::uint32_t TreeStore::publish() const {
  std::uint32_t seen = published_.load(std::memory_order_relaxed);
  while (seen < edit_ && !published_.compare_exchange_weak(seen, edit_, std::memory_order_relaxed)) {
  }
  return edit_;
}

void TreeStore::need_links() {
  paths_.reset();
  is_packed_.store(false, std::memory_order_relaxed);
  if (links_) return;
  links_ = std::make_unique<Links>();
  const std::size_t n = flat_.size();
  for (auto* array : {&links_->first, &links_->last, &links_->next, &links_->before}) array->assign(n, no_index);
  for (Index node = 0; node < n; ++node) {
    const Index count = flat_.child_count[node];
    if (count == 0) continue;
    const Index first = flat_.first_child[node];
    links_->first[node] = first;
    links_->last[node] = first + count - 1;
    for (Index child = first; child + 1 < first + count; ++child) {
      links_->next[child] = child + 1;
      links_->before[child + 1] = child;
    }
  }
}

Index TreeStore::child_at(Index parent, std::size_t position) const {
  const std::size_t count = flat_.child_count[parent];
  if (position > count) throw BadNode("there is no such place among the children");
  if (position == count) return no_index;
  Index child = links_->first[parent];
  if (position <= count / 2) {
    for (; position > 0; --position) child = links_->next[child];
  } else {
    child = links_->last[parent];
    for (std::size_t i = count - 1; i > position; --i) child = links_->before[child];
  }
  return child;
}

void TreeStore::link(Index node, Index parent, Index before_child) {
  Links& links = *links_;
  flat_.parent[node] = parent;
  const Index behind = before_child == no_index ? links.last[parent] : links.before[before_child];
  links.before[node] = behind;
  links.next[node] = before_child;
  (behind == no_index ? links.first[parent] : links.next[behind]) = node;
  (before_child == no_index ? links.last[parent] : links.before[before_child]) = node;
  ++flat_.child_count[parent];
  stamp(parent);
}

void TreeStore::unlink(Index node) {
  Links& links = *links_;
  const Index parent = flat_.parent[node];
  const Index behind = links.before[node], ahead = links.next[node];
  (behind == no_index ? links.first[parent] : links.next[behind]) = ahead;
  (ahead == no_index ? links.last[parent] : links.before[ahead]) = behind;
  links.before[node] = links.next[node] = no_index;
  --flat_.child_count[parent];
  stamp(parent);
}

NodeId TreeStore::insert(Index parent, std::size_t position, const Keys& keys) {
  if (alive_ >= limits::largest_node_count) throw BadNode("a tree has at most 16,777,215 nodes");
  need_links();
  const Index before_child = child_at(parent, position);
  const Index node = add(keys);
  const NodeId handle = new_handle(node);
  link(node, parent, before_child);
  stamp(node);
  return handle;
}

void TreeStore::move(Index node, Index parent, std::size_t position) {
  if (node == parent || flat_.parent[node] == no_index) throw BadNode("the root, or a node into itself, cannot move");
  for (Index above = parent; above != no_index; above = flat_.parent[above]) {
    if (above == node) throw BadNode("a node cannot move into its own child");
  }
  const std::size_t places = flat_.child_count[parent] - (flat_.parent[node] == parent ? 1 : 0);
  if (position > places) throw BadNode("there is no such place among the children");
  need_links();
  unlink(node);
  link(node, parent, child_at(parent, position));
}

void TreeStore::remove(Index node) {
  if (flat_.parent[node] == no_index) throw BadNode("the root cannot be removed");
  need_links();
  unlink(node);
  std::vector<Index> gone{node};
  for (std::size_t i = 0; i < gone.size(); ++i) {
    const Index one = gone[i];
    for_each_child(one, [&](Index child) { gone.push_back(child); });
    drop_extra(one);
    drop_content(one);
    const Index slot = slot_[one];
    index_of_slot_[slot] = no_index;
    if (generation_[slot] < 0xFF) {
      ++generation_[slot];
      free_slots_.push_back(slot);
    }
    --alive_;
  }
}

NodeId TreeStore::enclose(Index parent, std::size_t first, std::size_t count, const Keys& container) {
  if (first > flat_.child_count[parent] || count > flat_.child_count[parent] - first) {
    throw BadNode("there are not that many children to enclose");
  }
  const NodeId handle = insert(parent, first, container);
  const Index box = index_of(handle);
  for (std::size_t i = 0; i < count; ++i) {
    const Index child = links_->next[box];
    unlink(child);
    link(child, box, no_index);
  }
  return handle;
}

void TreeStore::restyle(Index node, const Keys& keys) {
  set_fields(node, keys);
  stamp(node);
}

void TreeStore::content_from(Index node, std::shared_ptr<const OwnContent> content) {
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
  stamp(node);
}

// --- packing -------------------------------------------------------------------------------------------------------

const Flat& TreeStore::packed() const {
  if (!is_packed_.load(std::memory_order_acquire)) {
    const std::lock_guard lock(packing_mutex_);
    if (!is_packed_.load(std::memory_order_relaxed)) {
      // Packing changes no answer of the tree: only where it keeps its nodes, under the lock, before anyone reads them.
      auto* self = const_cast<TreeStore*>(this);  // NOLINT(cppcoreguidelines-pro-type-const-cast)
      self->pack();
      self->survey();
      is_packed_.store(true, std::memory_order_release);
    }
  }
  return flat_;
}

void TreeStore::pack() {
  std::vector<Index> order;
  order.reserve(alive_);
  order.push_back(0);
  for (std::size_t i = 0; i < order.size(); ++i) {
    for_each_child(order[i], [&](Index child) { order.push_back(child); });
  }
  std::vector<Index> place(flat_.size(), no_index);
  for (std::size_t i = 0; i < order.size(); ++i) place[order[i]] = static_cast<Index>(i);

  const auto gather = [&](auto& array) {
    std::remove_reference_t<decltype(array)> packed;
    packed.reserve(order.size());
    for (const Index from : order) packed.push_back(array[from]);
    array = std::move(packed);
  };
  for_each_array(flat_, gather);
  gather(name_);
  gather(slot_);
  Index next_child = 1;
  for (Index node = 0; node < order.size(); ++node) {
    index_of_slot_[slot_[node]] = node;
    if (flat_.parent[node] != no_index) flat_.parent[node] = place[flat_.parent[node]];
    flat_.first_child[node] = next_child;
    next_child += flat_.child_count[node];
  }
  links_.reset();
  ++packing_;
  came_from_.clear();
  if (packing_ > 1) came_from_ = std::move(order);
  came_from_.shrink_to_fit();
  extras_.shrink_to_fit();
  index_of_slot_.shrink_to_fit();
  generation_.shrink_to_fit();
}

void TreeStore::tell_parent(Index node) {
  const Traits traits = flat_.traits[node];
  has_percent_edges_ |= traits.percent_edges != 0;
  has_grids_ |= traits.node_kind() == Kind::grid;
  if (flat_.parent[node] == no_index) return;
  Traits& above = flat_.traits[flat_.parent[node]];
  above.odd_children |= is_odd(traits) ? 1U : 0U;
  above.odd_cells |= traits.celled;
  above.stands_on_base |= traits.self_across == static_cast<std::uint64_t>(Across::baseline) ? 1U : 0U;
}

void TreeStore::tell_of_scroller(Index node) {
  if (!flat_.traits[node].scroll_y && !flat_.traits[node].holds_scroller) return;
  flat_.traits[node].holds_scroller = 1;
  for (node = flat_.parent[node]; node != no_index && is_container(kind(node)); node = flat_.parent[node]) {
    if (flat_.traits[node].holds_scroller) return;
    flat_.traits[node].holds_scroller = 1;
  }
}

void TreeStore::survey() {
  has_percent_edges_ = false;
  has_grids_ = false;
  most_children_ = 0;
  for (Index node = 0; node < flat_.size(); ++node) {
    Traits& traits = flat_.traits[node];
    traits.odd_children = 0;
    traits.odd_cells = 0;
    traits.holds_scroller = traits.scroll_y;
    traits.stands_on_base = static_cast<Across>(traits.across) == Across::baseline;
    most_children_ = std::max<std::size_t>(most_children_, flat_.child_count[node]);
    tell_parent(node);
    tell_of_scroller(node);
  }
}

std::size_t TreeStore::memory() const {
  std::size_t bytes = 0;
  const auto count = [&](const auto& array) { bytes += array.capacity() * sizeof(array[0]); };
  for_each_array(flat_, count);
  count(slot_);
  count(index_of_slot_);
  count(generation_);
  count(extras_);
  count(came_from_);
  for (const Extra& extra : extras_) bytes += extra.keys ? sizeof(Keys) : 0;
  return bytes;
}

}  // namespace fond_ladder::inline v0::detail
