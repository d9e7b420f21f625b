// SPDX-License-Identifier: MIT
#pragma once

#include <cstddef>
#include <map>
#include <string>
#include <utility>

#include "fond_ladder/tree.hpp"

namespace fond_ladder::inline v0 {

/// Numbers that stand for paths, also of several trees: nodes have the same where the steps down to them read the same.
/// A path of n levels costs one look-up more than that of its parent, where its text would be n steps long.
class PathNumbers {
 public:
  using Number = std::size_t;
  /// Of every node; `read(step)` is how a step is read.
  template <class Read>
  [[nodiscard]] std::map<NodeId, Number> of(const Tree& tree, const Read& read) {
    std::map<NodeId, Number> all;
    for (const NodeId node : tree.nodes()) {  // parents first
      const NodeId parent = tree.parent(node);
      const Number above = parent ? all.at(parent) : 0;
      all[node] = known_.try_emplace({above, read(tree.segment(node))}, known_.size() + 1).first->second;
    }
    return all;
  }

 private:
  std::map<std::pair<Number, std::string>, Number> known_;  // by the number of the parent, 0 of none, and the step
};

}  // namespace fond_ladder::inline v0
