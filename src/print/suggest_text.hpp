// SPDX-License-Identifier: MIT
#pragma once

#include <string>
#include <vector>

#include "fond_ladder/scene.hpp"

namespace fond_ladder::inline v0 {

/// Suggested claims, ready to be pasted into a scene file, below a comment. `scope` names the forms of the scene in
/// which they hold, if there are several.
[[nodiscard]] std::string suggestion(const std::vector<std::string>& claims, const Ladder& ladder,
                                     const std::string& scope);

}  // namespace fond_ladder::inline v0
