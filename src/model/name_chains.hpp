// SPDX-License-Identifier: MIT
#pragma once

// Names and their nodes: the handles (slots) of nodes with one name are chained. An unused name is freed.

#include <string>
#include <string_view>
#include <unordered_map>
#include <vector>

#include "model/flat.hpp"

namespace fond_ladder::inline v0::detail {

class NameChains {
 public:
  NameChains() = default;
  NameChains(const NameChains& other);
  NameChains& operator=(const NameChains&) = delete;
  NameChains(NameChains&&) = delete;
  NameChains& operator=(NameChains&&) = delete;
  ~NameChains() = default;

  /// The number of a name that somebody has; `no_index` for others, and for the empty one.
  [[nodiscard]] Index number_of(std::string_view name) const;
  [[nodiscard]] std::string_view text(Index number) const { return *names_[number].text; }
  [[nodiscard]] std::size_t uses(Index number) const { return names_[number].uses; }
  /// How many different names there are.
  [[nodiscard]] std::size_t count() const { return numbers_.size(); }
  /// Calls `each(slot)` for all that have it, in no order, until it returns false.
  template <class Each>
  void for_each_slot(Index number, Each each) const {
    for (Index slot = names_[number].first; slot != no_index; slot = links_[slot].next) {
      if (!each(slot)) return;
    }
  }

  /// Gives a slot, which has none, a name, and returns its number.
  Index enter(Index slot, const std::string& name);
  /// Takes it from the slot again.
  void leave(Index slot, Index number);

  void shrink() { links_.shrink_to_fit(); }
  [[nodiscard]] std::size_t memory() const;

 private:
  struct Name {
    const std::string* text = nullptr;  // in `numbers_`
    std::uint32_t uses = 0;
    Index first = no_index;  // slot
  };
  struct Link {
    Index next = no_index, before = no_index;
  };

  std::unordered_map<std::string, Index> numbers_;
  std::vector<Name> names_;  // by number
  std::vector<Index> free_numbers_;
  std::vector<Link> links_;  // by slot
};

}  // namespace fond_ladder::inline v0::detail
