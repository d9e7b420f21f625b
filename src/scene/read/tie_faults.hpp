// SPDX-License-Identifier: MIT
#pragma once

// Ties of a file to no node, and those that form a circle, as they are while no range holds and no mode is on.

#include <utility>
#include <vector>

#include "fond_ladder/tree.hpp"
#include "scene/read/faults.hpp"

namespace fond_ladder::inline v0::scene {

struct TiedNode {
  NodeId node;
  ValueId place;                                    ///< of its pin
  std::vector<std::pair<Axis, NodeId>> leads_to{};  ///< the siblings that it is tied to, found on the way
};

void refuse_loose_ties(const Tree& tree, std::vector<TiedNode>& tied_nodes, const JsonDocument& document,
                       Faults& faults);

}  // namespace fond_ladder::inline v0::scene
