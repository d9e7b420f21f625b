// SPDX-License-Identifier: MIT
#pragma once

#include <array>
#include <string_view>

namespace fond_ladder::inline v0::scene {

/// The keys at the top of a scene file, in the order of a tidy one.
inline constexpr std::array<std::string_view, 17> scene_keys{
    "$schema", "format", "scene",      "uses",   "em",    "direction", "words",  "fonts", "ladder",
    "ranges",  "modes",  "touch_size", "shared", "parts", "wordings",  "claims", "root"};

}  // namespace fond_ladder::inline v0::scene
