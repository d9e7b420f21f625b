// SPDX-License-Identifier: MIT
#pragma once

// Chooses the cause that is reported for a breakpoint of a quantity, or words the breakpoint itself as its cause.

#include <string>
#include <vector>

#include "fond_ladder/quantity.hpp"
#include "verify/sweep/causes.hpp"

namespace fond_ladder::inline v0 {

/// What a cause is looked for of.
struct BreakpointQuery {
  NodeId node;
  Measure measure = Measure::width;
  bool jumps = false;
};

/// The cause nearest to a node in the tree, the earlier one of several, vague ones last; empty if
/// there is none. A cause that cannot lead to such a breakpoint is never returned: other line breaks of a text bend no
/// width.
[[nodiscard]] std::string nearest_cause(const std::vector<Cause>& causes, const Tree& tree,
                                        const BreakpointQuery& turned);

/// Why a node is visible on one side of a breakpoint and not on the other.
[[nodiscard]] std::string sight_cause(const Solution& below, const Solution& above, NodeId node, Measure measure);

/// That a node begins or stops to overhang at a breakpoint.
[[nodiscard]] std::string overhang_cause(const Solution& below, const Solution& above, NodeId node);

/// What changes in the layout of a node, if nothing more is known about a breakpoint.
[[nodiscard]] std::string decided_in(const Scene& scene, NodeId node);

}  // namespace fond_ladder::inline v0
