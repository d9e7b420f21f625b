// SPDX-License-Identifier: MIT
#pragma once

// Solves a tree again and again, and re-solves only what an edit affects. One per window; one thread at a time.
// Solver solver; const Solution now = solver.solve(tree, {1280, 800});

#include <memory>
#include <string>

#include "fond_ladder/solution.hpp"
#include "fond_ladder/tree.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// Solves trees, and keeps for the next solve what that can reuse. After an edit, only what it affects is solved
/// again; at another width, sizes by content stay; at another height, all widths and text lines stay.
///
/// Use a solver on one thread at a time; several solvers may solve one tree at the same time while none edits it. A
/// solver may be given another tree at any time. A solve throws only what custom content throws. A repeated solve of
/// a tree allocates nothing, unless a grid gets more tracks than before or a range begins or ends. Cost: at most O(c
/// log c) for a node with c children; each of four passes visits each node once. A moved-from solver throws
/// Error at every call but assignment.
class Solver {
 public:
  Solver();
  Solver(Solver&& other) noexcept;
  Solver& operator=(Solver&& other) noexcept;
  Solver(const Solver&) = delete;
  Solver& operator=(const Solver&) = delete;
  ~Solver();

  /// Solves `tree` in a container of this size, in pixels. NaN and negative sizes count as 0, sizes above 1e9 as 1e9;
  /// Solution::notes reports them. The result refers to this solver and to the tree: see Solution.
  Solution solve(const Tree& tree, ContainerSize container_size);

  /// Turns a mode on or off, from the next solve on. Solution::notes reports a mode that the tree does not have.
  void set_mode(const std::string& name, bool on);

  /// Whether solutions report changed boxes (Solution::changed), from the next solve on. Default: off. Costs a little
  /// per solve.
  void track_changes(bool follow);

  /// Drops all results but keeps the memory: the next solve is a full one. For measurements.
  void reset();

  /// Bytes kept for the last tree, working memory included.
  [[nodiscard]] std::size_t memory() const;
  /// Bytes of working memory: some 220 per node of the longest run of siblings, more in grids. It never shrinks.
  [[nodiscard]] std::size_t scratch_memory() const;

 private:
  [[nodiscard]] detail::Passes& own() const;

  std::unique_ptr<detail::Passes> passes_;
};

}  // namespace v0
}  // namespace fond_ladder
