// SPDX-License-Identifier: MIT
#pragma once

// What names nodes by path, in a file whose nodes come to lie elsewhere.

#include <string>
#include <vector>

#include "scene/edit/read_text.hpp"
#include "scene/edit/splices.hpp"

namespace fond_ladder::inline v0::scene {

/// Rewrites the paths of claims and locales where they would no longer name the same node in `after`, the tree as it
/// will be, under the same handles; takes out those whose nodes are gone, and tells of it in `hints`.
void keep_names(const ReadText& now, const Tree& after, Splices& splices, std::vector<std::string>& hints);

}  // namespace fond_ladder::inline v0::scene
