// SPDX-License-Identifier: MIT
#pragma once

// Every key of a node that is in effect at a size, with its value and where it was set.

#include <string>
#include <vector>

#include "fond_ladder/scene.hpp"
#include "fond_ladder/source.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// One key of one node: the value in effect, and where it was set.
struct Setting {
  std::string key;
  std::string value;  ///< as a scene file writes it; empty for a default without a value
  Source source = Source::by_default;
  std::string name;        ///< of the part, the shared keys, the range or the mode
  bool has_effect = true;  ///< false: the key has no effect on this kind of node in this kind of parent
};

/// Returns all settings of a node in a container of one size: every key that was set, and the defaults with an effect
/// on it, in the order of the format. For a scene that was not read from a file, every key that is not at its default
/// counts as the node's own. Throws BadNode, and as SceneSolver does. Costs a solve.
[[nodiscard]] std::vector<Setting> settings(const Scene& scene, NodeId node, const ContainerSize& container_size,
                                            const std::vector<std::string>& modes = {});

}  // namespace v0
}  // namespace fond_ladder
