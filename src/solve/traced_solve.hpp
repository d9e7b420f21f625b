// SPDX-License-Identifier: MIT
#pragma once

// A solve that knows how it goes on: every size and place with its slope, and how far the decisions hold behind which
// these slopes stand. Everything is arranged anew each time; whoever asks for many sizes asks for few of these.

#include <optional>
#include <string>
#include <vector>

#include "model/tree_store.hpp"
#include "solve/frame.hpp"
#include "solve/moving.hpp"

namespace fond_ladder::inline v0::detail {

class TracedSolve {
 public:
  /// Arranges a tree, its container moving as its sides do; an absent side is by content. From here to `course().ahead`
  /// nothing turns: each size and place is value + slope * t, unless the course is curved.
  void run(const TreeStore& store, const Moving& width, const std::optional<Moving>& height,
           const std::vector<std::string>& modes);

  [[nodiscard]] const Course& course() const { return course_; }
  /// What was found, until the next run or edit.
  [[nodiscard]] ViewOf<Moving> view(const TreeStore& store) const { return {store, state_}; }

 private:
  void see_ranges(const TreeStore& store, const Moving& width, const std::optional<Moving>& height,
                  const std::vector<std::string>& modes);

  StateOf<Moving> state_;
  ScratchOf<Moving> scratch_;
  ChangeLog changes_;
  std::vector<bool> holding_;
  Course course_;
};

}  // namespace fond_ladder::inline v0::detail
