// SPDX-License-Identifier: MIT
#pragma once

// Some keys with values, as `when` and Tree::set take them. Built from a Node:
// tree.set(notes, box().hidden().explicit_keys());

#include <cstdint>
#include <memory>
#include <string_view>

#include "fond_ladder/keys.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// Some keys with values: the changes to a node while a range applies or a mode is on. A value; copies share their
/// data until one is changed.
class Changes {
 public:
  /// No key.
  Changes() = default;
  /// The keys in which `after` differs from `before`, with the values of `after`.
  Changes(const Keys& before, const Keys& after);

  /// Whether it has no key.
  [[nodiscard]] bool empty() const { return set_bits_ == 0; }
  /// Whether it has the key of that name, as in scene files. Throws BadValue for an unknown key.
  [[nodiscard]] bool sets(std::string_view key) const;
  /// All keys; keys that it does not have are at their defaults.
  [[nodiscard]] const Keys& values() const;
  /// Sets its keys in `keys`, and leaves the others.
  void put_into(Keys& keys) const;

  /// Takes a key, with its value in `from`. Throws BadValue for an unknown key.
  void set(std::string_view key, const Keys& from);

  /// For the library: by the place of a key in its table.
  [[nodiscard]] bool sets(std::size_t key) const { return (set_bits_ >> key & 1U) != 0; }
  /// For the library: the same as say().
  void set_from(std::size_t key, const Keys& from);
  /// For the library: removes a key.
  void undo_at(std::size_t key);
  /// For the library: whether both have the same keys, whatever their values.
  [[nodiscard]] bool sets_same_keys(const Changes& other) const { return set_bits_ == other.set_bits_; }

 private:
  Keys& own_values();

  std::uint64_t set_bits_ = 0;  // one bit a key
  std::shared_ptr<Keys> values_;
};

}  // namespace v0
}  // namespace fond_ladder
