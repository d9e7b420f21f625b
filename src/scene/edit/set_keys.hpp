// SPDX-License-Identifier: MIT
#pragma once

#include "scene/edit/changed_text.hpp"
#include "scene/edit/placed_text.hpp"
#include "scene/edit/splices.hpp"

namespace fond_ladder::inline v0::scene {

/// Says a key of nodes, or of what in the file is no node. Returns false where something was written out first. Throws
/// BadEdit.
bool set_keys(PlacedText& text, Splices& splices, ChangedText& changed);

}  // namespace fond_ladder::inline v0::scene
