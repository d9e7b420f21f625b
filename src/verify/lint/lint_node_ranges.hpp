// SPDX-License-Identifier: MIT
#pragma once

// What nodes with node ranges went through over the ladder: how wide they were, and which ranges held. Nodes that
// declare the same ranges, as the uses of a part do, are looked at together: a range that one of them reaches is of
// use.

#include <map>
#include <set>
#include <string>
#include <utility>
#include <vector>

#include "fond_ladder/lint.hpp"

namespace fond_ladder::inline v0 {

class NodeRangesSeen {
 public:
  /// Takes in those nodes of an arrangement that have node ranges.
  void see(const Solution& solution, const std::vector<NodeId>& declaring);
  void take(const NodeRangesSeen& others);
  /// Ranges that never hold or that are never used, and nodes whose width is not known to decide: each with
  /// the first node that has these ranges. Allowed ones are among them.
  [[nodiscard]] std::vector<std::pair<NodeId, Finding>> findings(const Scene& scene) const;

 private:
  struct Widths {
    double least = 0, most = 0;
    std::set<std::string> active;
  };
  void take(NodeId node, const Widths& widths);

  std::map<NodeId, Widths> seen_;
};

/// The nodes of a scene that have node ranges, in the order of the file.
[[nodiscard]] std::vector<NodeId> nodes_with_node_ranges(const Tree& tree);

/// The bounds of a range, as `from width 640, below width 1200`.
[[nodiscard]] std::string bounds_text(const Range& range);

}  // namespace fond_ladder::inline v0
