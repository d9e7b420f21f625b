// SPDX-License-Identifier: MIT
#include "fond_ladder/node.hpp"

#include <cstddef>
#include <iterator>

#include "model/key_table.hpp"

namespace fond_ladder::inline v0 {

Node::Node(Kind kind, std::string name) {
  keys_.kind = kind;
  keys_.name = std::move(name);
}

Node::~Node() {
  // Taken apart in a loop, so that a deep tree does not exhaust the stack.
  std::vector<Node> open = std::move(children_);
  while (!open.empty()) {
    std::vector<Node> inner = std::move(open.back().children_);
    open.pop_back();
    std::move(inner.begin(), inner.end(), std::back_inserter(open));
  }
}

Node& Node::operator=(Node&& other) noexcept {
  Node taken(std::move(other));
  std::swap(keys_, taken.keys_);
  std::swap(each_, taken.each_);
  std::swap(content_, taken.content_);
  std::swap(set_bits_, taken.set_bits_);
  std::swap(whens_, taken.whens_);
  std::swap(children_, taken.children_);
  return *this;
}

Node& Node::append(std::vector<Node> nodes) {
  std::move(nodes.begin(), nodes.end(), std::back_inserter(children_));
  return *this;
}

Node& Node::give_children(const Node& defaults) {
  each_ = std::make_shared<const Keys>(defaults.keys_);
  return *this;
}

std::uint64_t Node::explicit_bits() const {
  static const std::uint64_t kind = key_bit(&Keys::kind), name = key_bit(&Keys::name), words = key_bit(&Keys::text);
  return set_bits_ | (keys_.kind == Kind::box ? 0 : kind) | (keys_.name.empty() ? 0 : name) |
         (keys_.text.empty() ? 0 : words);
}

Changes Node::explicit_keys() const {
  const std::uint64_t set_bits = explicit_bits();
  Changes all;
  for (std::size_t key = 0; key < key_table().size(); ++key) {
    if ((set_bits >> key & 1U) != 0) all.set_from(key, keys_);
  }
  return all;
}

Node& Node::add_form(const std::string& name, const Node& changes) {
  Changes set_bits = changes.explicit_keys();
  for (const char* key : {"name", "text"}) set_bits.undo_at(place_of(*find_key(key)));
  whens_.emplace_back(name, std::move(set_bits));
  return *this;
}

void Node::mark_set(const void* field) {
  const auto bytes = static_cast<const std::byte*>(field) - reinterpret_cast<const std::byte*>(&keys_);
  set_bits_ |= std::uint64_t{1} << key_at_offset(static_cast<std::size_t>(bytes));
}

void Node::note_changed(const Keys& before) {
  const Changes changed(before, keys_);
  for (std::size_t key = 0; key < key_table().size(); ++key) {
    if (changed.sets(key)) set_bits_ |= std::uint64_t{1} << key;
  }
}

Node& Node::take_content(std::shared_ptr<const CustomContent> content) {
  content_ = std::move(content);
  return *this;
}

Keys Node::child_keys(const Node& child) const {
  Keys keys = child.keys_;
  if (!each_) return keys;
  for (const KeyEntry& entry : key_table()) {
    if (entry.name == "kind" || entry.name == "name" || entry.name == "text") continue;
    if (!is_set(entry, keys)) copy_key(entry, *each_, keys);
  }
  return keys;
}

Node text(std::string name, std::string words) {
  Node node(Kind::text, std::move(name));
  node.keys_.text = std::move(words);
  return node;
}

}  // namespace fond_ladder::inline v0
