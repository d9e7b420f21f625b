// SPDX-License-Identifier: MIT
#pragma once

// What the page has to know of a scene to show it, as JSON for its script.

#include <string>

#include "page/engine/shown_scene.hpp"

namespace fond_ladder::page {

/// Its name, file, ladder, ranges, modes, locales, claims and nodes, and what was changed.
[[nodiscard]] std::string description(ShownScene& shown);
/// What holds in the last arrangement, and how each container that has a place lays its children.
[[nodiscard]] std::string signs(const ShownScene& shown);

/// What can be scrolled in the last arrangement, as JSON: places in the description, positions, how far each goes.
[[nodiscard]] std::string scrollers(const ShownScene& shown);

}  // namespace fond_ladder::page
