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

/// One key of one node: the value that holds, and who says so.
struct Setting {
  std::string key;
  std::string value;  ///< as a scene file would say it; empty where nothing is said and the default is none
  Source source = Source::unsaid;
  std::string name;        ///< of the part, the shared keys, the range or the mode
  bool has_effect = true;  ///< false: it does nothing on this kind of node in this kind of parent
};

/// Every setting of a node that is in force in a container of one size: all that somebody says, and the defaults that
/// act on it, in the order of the format. A scene that no file says so calls every key that is not at its default the
/// node's own. Throws BadNode, and as SceneSolver does.
[[nodiscard]] std::vector<Setting> settings(const Scene& scene, NodeId node, const ContainerSize& container_size,
                                            const std::vector<std::string>& modes = {});

}  // namespace v0
}  // namespace fond_ladder
