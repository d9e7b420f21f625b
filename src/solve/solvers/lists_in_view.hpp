// SPDX-License-Identifier: MIT
#pragma once

// Which entries of lists are arranged (entries.hpp): found solve by solve in a tree of one's own, from nothing but the
// container, the scroll positions and the actual sizes of entries, so that a size gives the same however it was come
// to.

#include <cstdint>
#include <vector>

#include "fond_ladder/solver.hpp"
#include "fond_ladder/tree.hpp"

namespace fond_ladder::inline v0::detail {

class ListsInView {
 public:
  /// Finds the lists of a tree: a list of copies holds the first of them, or becomes one that does. Throws BadValue for
  /// one that holds something else beside it.
  explicit ListsInView(Tree& tree);

  [[nodiscard]] bool empty() const { return lists_.empty(); }

  /// Arranges the tree that has these lists, with scrollers scrolled; what is in view is inserted, the rest removed.
  [[nodiscard]] Solution arrange(Tree& tree, Solver& solver, const ContainerSize& container_size,
                                 const std::vector<Solution::ScrolledTo>& positions);

 private:
  /// Entries that are arranged beside the first: from one number up to another.
  struct Run {
    std::uint32_t from = 1, behind = 1;
    friend bool operator==(const Run&, const Run&) = default;
  };
  struct List {
    NodeId node, first;
    std::uint32_t entries = 0;
    bool copied = false;
    std::vector<NodeId> others;  ///< of copies: those of the run; else all entries but the first
    Run run{};
    bool at_end = false;  ///< its view is at its end, in this call of `arrange`
  };
  void find_lists(Tree& tree, NodeId top);
  void add_list(Tree& tree, NodeId node);
  [[nodiscard]] static Run wanted_run(const Solution& solution, List& list,
                                      const std::vector<Solution::ScrolledTo>& positions);
  void take_run(Tree& tree, std::size_t which, Run run);
  void copy_run(Tree& tree, std::size_t which, Run run);

  std::vector<List> lists_;
};

}  // namespace fond_ladder::inline v0::detail
