// SPDX-License-Identifier: MIT
#pragma once

#include <string_view>
#include <vector>

#include "fond_ladder/scene.hpp"

namespace fond_ladder {

/// A setting that does nothing, whatever the size: on no kind that its node takes, in no kind of parent, does its key
/// act. Keys that came by `each` or as shared ones are not counted: they are meant for several nodes.
struct IdleSetting {
  NodeId node;
  std::string_view key;
};

/// All of a scene, parents first, a node's in the order of the format. Solves nothing.
[[nodiscard]] std::vector<IdleSetting> idle_settings(const Scene& scene);

}  // namespace fond_ladder
