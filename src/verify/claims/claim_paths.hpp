// SPDX-License-Identifier: MIT
#pragma once

#include <string_view>
#include <vector>

#include "fond_ladder/scene.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// A place in a claim at which it names nodes.
struct PathInClaim {
  std::string_view path;  ///< part of the claim's text
  std::vector<NodeId> nodes;
  bool is_pattern = false;
};

/// All of them, in the order of the text. Throws BadClaim.
[[nodiscard]] std::vector<PathInClaim> paths_in(const Scene& scene, std::string_view claim);

}  // namespace v0
}  // namespace fond_ladder
