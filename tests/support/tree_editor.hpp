// SPDX-License-Identifier: MIT
#pragma once

#include "support/random_scenes.hpp"

namespace fond_ladder::testing {

/// Edits at random of a tree with one range and one mode, and in some scripts node ranges, ties and lists.
class TreeEditor {
 public:
  explicit TreeEditor(std::uint32_t seed) : TreeEditor(RandomScenes(seed), 12) {}
  /// Of a tree of about `size` nodes.
  TreeEditor(const RandomScenes& scenes, std::size_t size);

  [[nodiscard]] const Tree& tree() const { return tree_; }
  RandomScenes& random() { return scenes_; }
  void edit();

 private:
  void rename(NodeId node);
  void edit_node_ranges(NodeId node);
  Tree first_tree(std::size_t size);
  Keys keys(bool container);
  Keys named(Keys keys);
  Node subtree();
  Changes change(bool is_root);
  NodeId any();
  std::size_t place_in(NodeId node);
  template <class Edit>
  void with_place(Edit edit);

  RandomScenes scenes_;
  bool plain_, has_node_ranges_, has_ties_ = false, has_lists_ = false;
  int count_ = 0;
  Tree tree_;
};

}  // namespace fond_ladder::testing
