// SPDX-License-Identifier: MIT
#pragma once

// Nodes by the last step of their paths, so that a path is found without walking the tree. Made when somebody asks for
// a path first, dropped by edits that change a name, a kind or the structure. It keeps handles, which packing leaves
// alone.

#include <span>
#include <string_view>
#include <utility>
#include <vector>

#include "fond_ladder/tree.hpp"

namespace fond_ladder::inline v0::detail {

class TreeStore;

class PathIndex {
 public:
  /// Cost: O(n log n) of the tree.
  explicit PathIndex(const TreeStore& store);

  /// The nodes whose last step it is, in the order of the file: those of that name, or, as `row#0` says it, the unnamed
  /// ones of that kind and place.
  [[nodiscard]] std::span<const std::pair<std::uint64_t, NodeId>> with_step(const TreeStore& store,
                                                                            std::string_view step) const;

 private:
  std::vector<std::pair<std::uint64_t, NodeId>> by_step_;  // sorted by what the step is
};

}  // namespace fond_ladder::inline v0::detail
