// SPDX-License-Identifier: MIT
#pragma once

// The causes of a breakpoint: two layouts, just below and just above it, are compared, and what changed its state
// (not just its size) is put into words.

#include <string>
#include <vector>

#include "fond_ladder/scene.hpp"

namespace fond_ladder::inline v0 {

/// A change of state between two sizes of the container, the smaller first.
struct Cause {
  NodeId node;        // which changed
  NodeId container;   // the container that arranges it; the node itself if it arranges its own content
  std::string words;  // {node}, {in} and {by} are names, which are filled in when the cause is reported
  NodeId by{};
  /// The higher, the vaguer: it is reported only if nothing better is known.
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
