// SPDX-License-Identifier: MIT
#pragma once

#include "scene/trial/changed_text.hpp"
#include "scene/trial/placed_text.hpp"
#include "scene/trial/splices.hpp"

namespace fond_ladder::inline v0::scene {

/// Says a key of nodes, or of what in the file is no node. Returns false where something was written out first. Throws
/// BadTrial.
bool set_keys(PlacedText& text, Splices& splices, ChangedText& changed);

}  // namespace fond_ladder::inline v0::scene
