// SPDX-License-Identifier: MIT
#pragma once

#include <optional>
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
  /// Prints each against a full solve of the same tree, and the bytes of a node; returns the same as JSON.
  [[nodiscard]] std::string report(const Compared& compared) const;

 private:
  void ask(Compared& compared);
  void solve() { solver_.solve(tree_, {800, 600}); }
  static double styled_bytes();

  Tree tree_;
  Solver solver_, watching_;
  NodeId list_;
  std::optional<Solution> moved_;
  Tree texts_, small_, with_mode_;
  Solver of_texts_, of_small_, of_mode_;
};

}  // namespace fond_ladder::bench
