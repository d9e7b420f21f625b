// SPDX-License-Identifier: MIT
#pragma once

#include "scene/edit/changed_text.hpp"
#include "scene/edit/placed_text.hpp"
#include "scene/edit/splices.hpp"

namespace fond_ladder::inline v0::scene {

/// Moves, gathers, removes and adds nodes. Returns false where something was written out first. Throws BadEdit.
bool nest_nodes(PlacedText& text, Splices& splices, ChangedText& changed);

}  // namespace fond_ladder::inline v0::scene
