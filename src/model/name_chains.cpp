// SPDX-License-Identifier: MIT
#include "model/name_chains.hpp"

#include <algorithm>

#include "model/bytes_of.hpp"
#include "model/take_place.hpp"

namespace fond_ladder::inline v0::detail {

NameChains::NameChains(const NameChains& other)
    : numbers_(other.numbers_), names_(other.names_), free_numbers_(other.free_numbers_), links_(other.links_) {
  for (const auto& [name, number] : numbers_) names_[number].text = &name;
}

Index NameChains::number_of(std::string_view name) const {
  if (name.empty()) return no_index;
  const auto found = numbers_.find(std::string(name));
  return found == numbers_.end() ? no_index : found->second;
}

std::size_t NameChains::memory() const {
  std::size_t bytes = bytes_of(links_, names_, free_numbers_) + numbers_.bucket_count() * sizeof(void*);
  for (const auto& entry : numbers_) bytes += sizeof(entry) + sizeof(void*) + entry.first.capacity();
  return bytes;
}

Index NameChains::enter(Index slot, const std::string& text) {
  const auto [entry, is_new] = numbers_.try_emplace(text, 0);
  if (is_new) {
    entry->second = take_place(names_, free_numbers_);
    names_[entry->second].text = &entry->first;
  }
  if (slot >= links_.size()) links_.resize(slot + 1);
  Name& name = names_[entry->second];
  links_[slot] = {name.first, no_index};
  if (name.first != no_index) links_[name.first].before = slot;
  name.first = slot;
  ++name.uses;
  return entry->second;
}

void NameChains::leave(Index slot, Index number) {
  Name& name = names_[number];
  const Link link = links_[slot];
  (link.before == no_index ? name.first : links_[link.before].next) = link.next;
  if (link.next != no_index) links_[link.next].before = link.before;
  links_[slot] = {};
  if (--name.uses > 0) return;
  numbers_.erase(numbers_.find(*name.text));
  name = {};
  free_numbers_.push_back(number);
}

}  // namespace fond_ladder::inline v0::detail
