// SPDX-License-Identifier: MIT
#pragma once

#include <pango/pango.h>

#include <functional>
#include <string_view>
#include <vector>

#include "fond_ladder/segmented_text.hpp"

namespace fond_ladder::inline v0::typeset {

/// A layout's text in pieces, and how high its lines are.
struct LayoutPieces {
  std::vector<TextSegment> pieces;
  double ascent = 0, descent = 0;  ///< of the fonts that it takes, in pixels; 0 where it has no letters
};

/// Called for each run of characters that is set in one font, with whether it contains a box for a
/// character that no font has.
using FontSeen = std::function<void(std::string_view characters, PangoFont* font, bool has_boxes)>;

/// Reads a layout at no width. Cost: its characters, and shaping where it was not shaped yet.
[[nodiscard]] LayoutPieces pieces_in(PangoLayout* layout, const FontSeen& seen = {});

}  // namespace fond_ladder::inline v0::typeset
