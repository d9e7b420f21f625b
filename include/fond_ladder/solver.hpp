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

/// Arranges trees, and keeps between solves whatever the next one can use: after an edit only what it touches is solved
/// again, at a new container width the content widths stay, at a new height all widths and text lines stay.
///
/// A solver lives on one thread at a time; many solvers may solve one tree at once while nobody edits it. It may be
/// given another tree at any time. Solving throws only what content of one's own throws and, once a solver has seen a
/// tree, allocates nothing (but where a grid turns out to have more tracks than ever before, or nodes take another
/// form). Cost: for a node with c children at most O(c log c), each node visited once by each of four passes. A solver
/// that was moved from throws std::logic_error at every call but assignment.
class Solver {
 public:
  Solver();
  Solver(Solver&& other) noexcept;
  Solver& operator=(Solver&& other) noexcept;
  Solver(const Solver&) = delete;
  Solver& operator=(const Solver&) = delete;
  ~Solver();

  /// Arranges `tree` in a container of the size of `container_size`. Sizes that are no sizes count as 0, larger ones
  /// than 1e9 as 1e9; the notes say so. The result looks into this solver and the tree.
  Solution solve(const Tree& tree, ContainerSize container_size);

  /// Switches a mode of the trees that are solved on or off, from the next solve on. Of a mode that is on and that a
  /// tree does not have, the notes of its solution say so.
  void set_mode(const std::string& name, bool on);

  /// Whether solutions can tell what changed (Solution::changed), from the next solve on. Off until it is asked for:
  /// solving costs a little more then.
  void track_changes(bool follow);

  /// Forgets all results but keeps the memory: the next solve does everything anew. For measurements.
  void reset();

  /// Bytes kept for the tree seen last, space to work in included.
  [[nodiscard]] std::size_t memory() const;
  /// Those of them that are space to work in. It is as large as the longest run of siblings needs (some 220 bytes a
  /// sibling, and more in grids), however many nodes there are, and never smaller again.
  [[nodiscard]] std::size_t scratch_memory() const;

 private:
  [[nodiscard]] detail::Passes& own() const;

  std::unique_ptr<detail::Passes> passes_;
};

}  // namespace v0
}  // namespace fond_ladder
