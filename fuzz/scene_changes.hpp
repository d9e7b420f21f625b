// SPDX-License-Identifier: MIT
#pragma once

#include <string>
#include <string_view>

namespace fond_ladder::fuzz {

/// A scene's text with one or a few things changed by one who knows JSON and the keys of scenes: keys come, go and take
/// other values, nodes are put into others, twice, or elsewhere. A text that is no JSON comes back as it is.
[[nodiscard]] std::string changed_scene(std::string_view text, unsigned seed);

}  // namespace fond_ladder::fuzz
