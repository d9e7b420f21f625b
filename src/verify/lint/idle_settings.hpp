// SPDX-License-Identifier: MIT
#pragma once

#include <string_view>
#include <vector>

#include "fond_ladder/scene.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// A setting that does nothing, whatever the size: on no kind that its node takes, in no kind of parent, does its key
/// act, or another setting of the node beats it. Keys that came by `each_child` or as shared ones are not counted: they
/// are meant for several nodes. One that a part writes once is one setting, however often the part is used.
struct IdleSetting {
  std::vector<NodeId> nodes;  // at least one
  std::string_view key;
};

/// All of a scene, parents first, a node's in the order of the format. Solves nothing.
[[nodiscard]] std::vector<IdleSetting> idle_settings(const Scene& scene);

/// By the place of a key in the table: whether it was given to many nodes at once, by `each_child` or as a shared key.
/// Such a key need not act on every one.
[[nodiscard]] std::vector<bool> given_to_many(const Scene& scene, NodeId node);

}  // namespace v0
}  // namespace fond_ladder
