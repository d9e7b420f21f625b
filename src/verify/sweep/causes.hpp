// SPDX-License-Identifier: MIT
#pragma once

// The causes of a breakpoint: two layouts, just below and just above it, are compared, and what changed its state
// (not just its size) is told in words.

#include <string>
#include <vector>

#include "fond_ladder/scene.hpp"

namespace fond_ladder::inline v0 {

/// A change of state between two sizes of the container, the smaller first.
struct Cause {
  NodeId node;        // which changed
  NodeId container;   // in whose arrangement; the node itself where it is its own
  std::string words;  // {node}, {in} and {by} stand for names, which are only put in where the cause is told
  NodeId by{};
  /// The higher, the more of what happens it is true of: it is told only where nothing better is.
  unsigned vagueness = 0;
  bool breaks = false;  ///< whatever follows from it jumps: lines that are other ones, tracks that come or go
  bool forms = false;   ///< anything may follow from it: the node is another one
  bool on_y = false;    ///< only heights and places down can follow from it
};

/// What changed between two arrangements of one scene, from different solvers. `active_below` and `active_above` are
/// the ranges that hold. Ranges come alone: whatever else changed follows from them. The breakpoint is between the two
/// sizes, by a `share` of the way from the smaller to the larger. With `everywhere`, in what kept its size too: keys
/// are others.
[[nodiscard]] std::vector<Cause> causes_between(const Solution& below, const Solution& above,
                                                const std::vector<std::string>& active_below,
                                                const std::vector<std::string>& active_above, double share,
                                                bool everywhere = false);

}  // namespace fond_ladder::inline v0
