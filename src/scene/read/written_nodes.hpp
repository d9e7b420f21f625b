// SPDX-License-Identifier: MIT
#pragma once

#include <cstddef>
#include <vector>

#include "fond_ladder/scene.hpp"
#include "scene/read/faults.hpp"
#include "scene/read/used_files.hpp"

namespace fond_ladder::inline v0::scene {

/// The place of a node of a tree in the file that it was read from.
struct WrittenNode {
  ValueId value = no_value;  ///< its object, in a part or outside of parts
  int copy = -1;             ///< which copy of that, or none
};

/// Those of all nodes of a tree, by the number of their handle.
class WrittenNodes {
 public:
  void note(NodeId node, WrittenNode written) {
    if (node.value >= places_.size()) places_.resize(node.value + std::size_t{1});
    places_[node.value] = written;
  }
  [[nodiscard]] WrittenNode of(NodeId node) const { return places_[node.value]; }

 private:
  std::vector<WrittenNode> places_;
};

/// Reads a scene, and where its nodes stand. Throws BadScene with all faults, those of the files that it uses included.
[[nodiscard]] Scene read_scene(const JsonDocument& document, const UsedFiles& used, Faults& faults,
                               WrittenNodes* written = nullptr);

}  // namespace fond_ladder::inline v0::scene
