// SPDX-License-Identifier: MIT
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "fond_ladder/scene.hpp"

namespace fond_ladder::inline v0::scene {

/// Whether copies that are alike are written as one node with a count.
enum class Copies : unsigned char { together, one_by_one };

/// Siblings with all that is in them, as items of a list of children in a file. `each_child` are the keys that their
/// parent gives them: these are written even at their defaults.
[[nodiscard]] std::string node_texts(const Scene& scene, const std::vector<NodeId>& siblings, Copies copies,
                                     const std::vector<std::string_view>& each);

}  // namespace fond_ladder::inline v0::scene
