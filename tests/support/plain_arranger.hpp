// SPDX-License-Identifier: MIT
#pragma once

#include <map>

#include "fond_ladder/fond_ladder.hpp"

namespace fond_ladder::testing {

/// The rules of docs/semantics.md, written down once more: recursive, slow, without a thought for speed, sharing no
/// code with the engine. What the engine must agree with. Boxes are from the root's corner.
[[nodiscard]] std::map<NodeId, Rect> arrange_plainly(const Tree& tree, ContainerSize container_size);

}  // namespace fond_ladder::testing
