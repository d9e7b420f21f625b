// SPDX-License-Identifier: MIT
//
// A `when` is a function, and says nothing of what it does. Two nodes that differ in every key are given to it: a key
// in which they agree afterwards was set, and so was one that is no longer what it was.
#include "solve/forms.hpp"

#include <type_traits>

namespace fond_ladder {
namespace {

template <class T>
void differ(T& value) {
  if constexpr (std::is_same_v<T, std::optional<Pin>>) {
    value = Pin{};
  } else if constexpr (std::is_same_v<T, std::optional<Cell>>) {
    value = Cell{};
  } else if constexpr (std::is_same_v<T, std::string> || std::is_same_v<T, std::vector<std::string>>) {
    value.assign(1, {'x'});
  } else if constexpr (std::is_same_v<T, bool>) {
    value = !value;
  } else if constexpr (std::is_enum_v<T>) {
    value = static_cast<T>(value == T{} ? 1 : 0);
  } else if constexpr (std::is_same_v<T, RestOn>) {
    value = Rest::slots;
  } else if constexpr (std::is_same_v<T, Align>) {
    value.x = Across::center;
  } else if constexpr (std::is_same_v<T, Self>) {
    value.across = Across::center;
  } else if constexpr (std::is_same_v<T, Order>) {
    value.rank = 7;
  } else if constexpr (std::is_same_v<T, CellSpan>) {
    value.columns = 7;
  } else if constexpr (std::is_same_v<T, Pair>) {
    value.x = 7;
  } else {
    value = T(7);
  }
}

}  // namespace

std::vector<const KeyEntry*> keys_said(const std::function<void(Keys&)>& change) {
  static const Keys one;
  static const Keys other = [] {
    Keys keys;
    for (const KeyEntry& entry : key_table()) std::visit([&](auto field) { differ(keys.*field); }, entry.field);
    return keys;
  }();
  Keys changed_one = one, changed_other = other;
  change(changed_one);
  change(changed_other);
  std::vector<const KeyEntry*> said;
  for (const KeyEntry& entry : key_table()) {
    const bool is_said = std::visit(
        [&](auto field) {
          return changed_one.*field == changed_other.*field || changed_one.*field != one.*field ||
                 changed_other.*field != other.*field;
        },
        entry.field);
    if (is_said) said.push_back(&entry);
  }
  return said;
}

}  // namespace fond_ladder
