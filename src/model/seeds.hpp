// SPDX-License-Identifier: MIT
#pragma once

// A subtree that is to be put into a tree in one go: level by level, the children of each node side by side.

#include <deque>
#include <memory>
#include <string>
#include <utility>
#include <vector>

#include "fond_ladder/node.hpp"
#include "model/flat.hpp"

namespace fond_ladder::inline v0::detail {

struct Seed {
  const Keys* keys = nullptr;
  const std::shared_ptr<const CustomContent>* content = nullptr;  ///< of one's own; null for none
  Index first_child = 0, child_count = 0;                         ///< in the list
  std::uint64_t set_bits = 0;                                     ///< the keys that may differ from their defaults
};

struct SeedForm {
  Index seed = 0;
  std::string name;
  Changes change;
};

class Seeds {
 public:
  /// One node; its keys must outlive this. Throws BadValue for a key out of its domain.
  explicit Seeds(const Keys& keys);
  /// Those of a builder, which has to live on. Throws BadValue, naming the node, for a key out of its domain and for
  /// two siblings of one name.
  explicit Seeds(const Node& root);
  /// None yet; add() takes them level by level, as TreeStore::seeds_of does.
  Seeds() = default;

  /// Adds a node with keys that are sound, and custom content or null. Its children are to be set by the caller.
  Seed& add(Keys keys, const std::shared_ptr<const CustomContent>& own_content);
  /// Adds a form of the node that was added last.
  void add_form(const std::string& name, const Changes& change);
  [[nodiscard]] Seed& operator[](std::size_t i) { return all_[i]; }

  /// Calls the first of them, of a tree, otherwise. Throws BadValue for what is no name.
  void call(const std::string& name);
  [[nodiscard]] const std::vector<Seed>& all() const { return all_; }
  [[nodiscard]] const std::vector<SeedForm>& forms() const { return forms_; }
  /// Whether some node among them has a node range of that name.
  [[nodiscard]] bool has_own_range(const std::string& name) const;

 private:
  void require_sound(const Seed& seed) const;
  /// The steps from the root of the seeds down to one.
  [[nodiscard]] std::string path_of(const Seed& seed) const;

  std::vector<Seed> all_;
  std::vector<SeedForm> forms_;
  std::deque<Keys> own_keys_;  // where those of a builder's node are not what is planted
  std::deque<std::shared_ptr<const CustomContent>> contents_;
};

}  // namespace fond_ladder::inline v0::detail
