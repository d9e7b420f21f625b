// SPDX-License-Identifier: MIT
#pragma once

#include <string>

#include "compared.hpp"
#include "fond_ladder/fond_ladder.hpp"

namespace fond_ladder::bench {

/// A window that a toolkit keeps alive: a bar, and a list of 100,000 rows of three nodes. Each piece of work edits and
/// solves; two edits that undo each other count as one.
class LiveWindow {
 public:
  LiveWindow();
  void add_to(Compared& compared);
  /// Prints each against a full solve of the same tree, and returns the same as JSON.
  static std::string report(const Compared& compared);

 private:
  void solve() { solver_.solve(tree_, {800, 600}); }

  Tree tree_;
  Solver solver_;
  NodeId list_;
};

}  // namespace fond_ladder::bench
