// SPDX-License-Identifier: MIT
#pragma once

// Nodes that are different by their own width, wherever they are put. Going up, such a node counts as it is while none
// of its node ranges hold, so that its width never follows from them. Going down, its width is laid by its parent; then
// its ranges are decided, once, and where other ones hold than before, it and all in it take another form, and are
// measured anew from below: pass 1 runs again inside that node alone, and what others see of its widths stays. Those
// with node ranges that lie inside start again as if none applied, and are decided later in the same pass. So a
// node in n such nodes is measured at most n times more, and n is at most 8.
//
// In a tree that was solved before, a node with node ranges decides again if its width changed, and only if the
// outcome differs is anything in it touched. An edit inside begins the outermost such node anew, from how it counts.
//
// Tests: node_ranges_test.cpp (against plain_solver.cpp; visits counted; edited trees against fresh ones).

#include "solve/state/solve_context.hpp"

namespace fond_ladder::inline v0::detail {

template <class N>
class NodeRangesOf {
 public:
  NodeRangesOf(SolveContextOf<N>& context, StateOf<N>& state)
      : context_(context), store_(context.store), state_(state) {}

  /// Before the first pass: shows paddings as they count outward.
  void begin() { state_.forms.show_plain_insets(); }
  /// Marks all nodes with node ranges if nothing is known of the previous solve; else every node that is entered.
  void mark_all();
  /// Whether a change of a node means that it, and all in it, begins anew: edits are known by `arrived` and `edited`.
  [[nodiscard]] bool is_concerned(Index node, bool arrived, bool edited) const;
  /// Makes a node and all in it what they are while no node ranges hold, and measures what is in it.
  void renew(Index node);
  /// In pass 2, once the width of a node is known, and before what is in it is laid. Returns whether that is another.
  bool arrive(Index node) { return context_.has(node, NodeFlag::declares) && decide(node); }
  /// Records the nodes that had a place in a node that changed, and have none now.
  void record_removed(Index node);
  /// After pass 2.
  void end() { state_.forms.show_own_insets(); }
  /// Nodes that were measured beyond those of pass 1.
  [[nodiscard]] std::size_t visited() const { return visited_; }

 private:
  bool decide(Index node);
  void enter(Index node, std::uint32_t active);

  SolveContextOf<N>& context_;
  const TreeStore& store_;
  StateOf<N>& state_;
  std::size_t visited_ = 0;
};

}  // namespace fond_ladder::inline v0::detail
