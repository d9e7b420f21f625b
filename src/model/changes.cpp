// SPDX-License-Identifier: MIT
#include "fond_ladder/changes.hpp"

#include <string>

#include "model/key_table.hpp"

namespace fond_ladder::inline v0 {

namespace {

std::size_t place_of(std::string_view key) {
  const KeyEntry* entry = find_key(key);
  if (entry == nullptr) throw BadValue("there is no key \"" + std::string(key) + "\"");
  return fond_ladder::place_of(*entry);
}

}  // namespace

Changes::Changes(const Keys& before, const Keys& after) {
  for (std::size_t key = 0; key < key_table().size(); ++key) {
    const bool differs = std::visit([&](auto field) { return before.*field != after.*field; }, key_table()[key].field);
    if (differs) set_from(key, after);
  }
}

bool Changes::sets(std::string_view key) const {
  return sets(place_of(key));
}

void Changes::set(std::string_view key, const Keys& from) {
  set_from(place_of(key), from);
}

const Keys& Changes::values() const {
  static const Keys defaults;
  return values_ ? *values_ : defaults;
}

void Changes::put_into(Keys& keys) const {
  for (std::size_t key = 0; key < key_table().size(); ++key) {
    if (sets(key)) copy_key(key_table()[key], *values_, keys);
  }
}

Keys& Changes::own_values() {
  if (!values_ || values_.use_count() > 1) values_ = std::make_shared<Keys>(values());
  return *values_;
}

void Changes::set_from(std::size_t key, const Keys& from) {
  copy_key(key_table()[key], from, own_values());
  set_bits_ |= std::uint64_t{1} << key;
}

void Changes::undo_at(std::size_t key) {
  if (!sets(key)) return;
  reset_key(key_table()[key], own_values());
  set_bits_ &= ~(std::uint64_t{1} << key);
}

}  // namespace fond_ladder::inline v0
