// SPDX-License-Identifier: MIT
#pragma once

#include <string>
#include <vector>

#include "fond_ladder/scene.hpp"

namespace fond_ladder::page {

/// The words of scenes as their text shapers measured them, as JSON: each text in each style that it can have, and a
/// zero in each font. Empty where words are measured in fixed metrics. engine/piece_book.hpp reads it.
[[nodiscard]] std::string pieces_text(const std::vector<const Scene*>& scenes);

}  // namespace fond_ladder::page
