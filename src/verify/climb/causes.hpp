// SPDX-License-Identifier: MIT
#pragma once

// What lies behind a turn: two arrangements just below and just above it are compared, and what changed its state
// (not just its size) is told in words.

#include <string>
#include <vector>

#include "fond_ladder/quantity.hpp"
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
  bool on_y = false;    ///< only heights and places down can follow from it
};

/// What a cause is looked for of.
struct Turned {
  NodeId node;
  Measure measure = Measure::width;
  bool jumps = false;
};

/// What changed between two arrangements of one scene, from different solvers. `active_below` and `active_above` are
/// the ranges that hold. Ranges come alone: whatever else changed follows from them.
[[nodiscard]] std::vector<Cause> causes_between(const Solution& below, const Solution& above,
                                                const std::vector<std::string>& active_below,
                                                const std::vector<std::string>& active_above);

/// The cause that lies nearest to a node in the tree, the earlier one where several do, vague ones last; empty where
/// there is none. What cannot lead to such a turn is told of nothing: a text that breaks anew makes no width bend.
[[nodiscard]] std::string nearest_cause(const std::vector<Cause>& causes, const Tree& tree, const Turned& turned);

/// Why a node is seen on one side of a turn and not on the other.
[[nodiscard]] std::string sight_cause(const Solution& below, const Solution& above, NodeId node);

/// That a node begins to stick out at a turn, or no longer does.
[[nodiscard]] std::string cut_cause(const Solution& below, const Solution& above, NodeId node);

/// What is decided in a node's arrangement, where nothing more is known of a turn.
[[nodiscard]] std::string decided_in(const Scene& scene, NodeId node);

}  // namespace fond_ladder::inline v0
