// SPDX-License-Identifier: MIT
#pragma once

// Several nodes in few words, for sentences that are about all of them.

#include <string>
#include <vector>

#include "fond_ladder/tree.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// The path of a node without the indexes of copies: what is the same for all copies of one node, and for what is at
/// the same place in each.
[[nodiscard]] std::string path_of_copies(const Tree& tree, NodeId node);

/// The shortest pattern that the paths of some nodes at one depth match, with the step above where they differ:
/// `shelf/pot[*]`, `cards/*/about`. Of one node its tail.
[[nodiscard]] std::string common_pattern(const Tree& tree, const std::vector<NodeId>& nodes);
/// The same of at least two paths.
[[nodiscard]] std::string common_pattern(const std::vector<std::string>& paths);

/// `oak, fern`
[[nodiscard]] std::string listed_names(const Tree& tree, const std::vector<NodeId>& nodes);
/// `oak`; `oak, fern`; `12 images (shelf/*)`.
[[nodiscard]] std::string names_text(const Tree& tree, const std::vector<NodeId>& nodes);

}  // namespace v0
}  // namespace fond_ladder
