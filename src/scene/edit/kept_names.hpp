// SPDX-License-Identifier: MIT
#pragma once

// Everything that names nodes by path, in a file whose nodes are moved.

#include <string>
#include <vector>

#include "scene/edit/read_text.hpp"
#include "scene/edit/splices.hpp"

namespace fond_ladder::inline v0::scene {

/// Rewrites the paths of claims and locales where they would no longer name the same node in `after`, the edited tree
/// with the same handles; removes those whose nodes are gone, and adds a sentence about each to `hints`.
void keep_names(const ReadText& now, const Tree& after, Splices& splices, std::vector<std::string>& hints);

}  // namespace fond_ladder::inline v0::scene
