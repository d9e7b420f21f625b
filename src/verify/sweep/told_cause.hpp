// SPDX-License-Identifier: MIT
#pragma once

// Which of the causes of a turn is told of a quantity, and what is told where the quantity itself says it.

#include <string>
#include <vector>

#include "fond_ladder/quantity.hpp"
#include "verify/sweep/causes.hpp"

namespace fond_ladder::inline v0 {

/// What a cause is looked for of.
struct Turned {
  NodeId node;
  Measure measure = Measure::width;
  bool jumps = false;
};

/// The cause that lies nearest to a node in the tree, the earlier one where several do, vague ones last; empty where
/// there is none. What cannot lead to such a turn is told of nothing: a text that breaks anew makes no width bend.
[[nodiscard]] std::string nearest_cause(const std::vector<Cause>& causes, const Tree& tree, const Turned& turned);

/// Why a node is seen on one side of a turn and not on the other.
[[nodiscard]] std::string sight_cause(const Solution& below, const Solution& above, NodeId node, Measure measure);

/// That a node begins to overhang at a turn, or no longer does.
[[nodiscard]] std::string overhang_cause(const Solution& below, const Solution& above, NodeId node);

/// What is decided in a node's arrangement, where nothing more is known of a turn.
[[nodiscard]] std::string decided_in(const Scene& scene, NodeId node);

}  // namespace fond_ladder::inline v0
