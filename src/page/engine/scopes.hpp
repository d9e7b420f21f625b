// SPDX-License-Identifier: MIT
#pragma once

#include <string_view>

#include "fond_ladder/settings.hpp"
#include "page/engine/handle.hpp"
#include "page/engine/shown_scene.hpp"

namespace fond_ladder::page {

/// The sources of a node's settings in the last arrangement; none for a node that exists only there, as entries of
/// lists.
[[nodiscard]] std::vector<Setting> sources(const ShownScene& shown, NodeId node);

/// For which nodes a key of a node can be given another value, by where it comes from: a part, shared keys, what a
/// parent gives each, a range that holds, copies. The node alone first. `sources` are the node's.
[[nodiscard]] std::vector<Scope> scopes(const ShownScene& shown, NodeId node, std::string_view key,
                                        const std::vector<Setting>& sources);

}  // namespace fond_ladder::page
