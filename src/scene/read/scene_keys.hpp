// SPDX-License-Identifier: MIT
#pragma once

#include <array>
#include <string_view>

namespace fond_ladder::inline v0::scene {

/// The "format" of the files that are read and written; raised when keys get other names or meanings.
inline constexpr int scene_format = 2;
inline constexpr std::string_view earlier_format =
    "\"format\": 1 is no longer read: its keys had other names; write \"format\": 2 and the keys of docs/format.md";

/// The keys at the top of a scene file, in the order of a tidy one.
inline constexpr std::array<std::string_view, 17> scene_keys{
    "$schema",      "format", "title",   "uses",   "em",    "direction",
    "text_metrics", "fonts",  "ladder",  "ranges", "modes", "touch_target_size",
    "shared",       "parts",  "locales", "claims", "root"};

}  // namespace fond_ladder::inline v0::scene
