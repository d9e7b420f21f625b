// SPDX-License-Identifier: MIT
#pragma once

// Every key of a node that is in effect at a size, with its value and where it was set.

#include <string>
#include <vector>

#include "fond_ladder/scene.hpp"
#include "fond_ladder/setting.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// Returns all settings of a node in a container of one size: every key that was set, and the defaults with an effect
/// on it, in the order of the format. For a scene that was not read from a file, every key that is not at its default
/// counts as the node's own. Throws BadNode, and as SceneSolver does. Costs a solve.
[[nodiscard]] std::vector<Setting> settings(const Scene& scene, NodeId node, const ContainerSize& container_size,
                                            const std::vector<std::string>& modes = {});

}  // namespace v0
}  // namespace fond_ladder
