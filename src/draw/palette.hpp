// SPDX-License-Identifier: MIT
#pragma once

// The inks of a picture: a calm tint per kind, a step darker per level, all light enough for dark letters and far
// apart in lightness from their lines to be distinguished without color. One warning ink, used for nothing else.

#include <array>

#include "draw/pen.hpp"

namespace fond_ladder::inline v0::picture {

inline constexpr Ink paper{1, 1, 1};
inline constexpr Ink letters_ink{0.13, 0.15, 0.18};
inline constexpr Ink quiet_ink{0.36, 0.40, 0.45};
inline constexpr Ink warning_ink{0.79, 0.20, 0.07};

constexpr Ink faded(Ink ink, double alpha) {
  ink.alpha = alpha;
  return ink;
}

constexpr Ink darker(const Ink& ink, double share) {
  return {ink.red * share, ink.green * share, ink.blue * share, ink.alpha};
}

constexpr Ink tint_of(Kind kind, int depth) {
  constexpr std::array<Ink, words_of<Kind>.size()> tints{{
      {0.87, 0.92, 0.97},  // row
      {0.91, 0.95, 0.87},  // column
      {0.97, 0.93, 0.82},  // grid
      {0.93, 0.89, 0.97},  // stack
      {0.81, 0.89, 0.89},  // box
      {0.99, 0.98, 0.94},  // text
      {0.94, 0.88, 0.85},  // image
  }};
  return darker(tints[static_cast<std::size_t>(kind)], 1 - 0.025 * (depth % 4));
}

/// For the lines of a node: its outline, and its hatching when faded.
constexpr Ink line_of(Kind kind, int depth) {
  return darker(tint_of(kind, depth), 0.5);
}

}  // namespace fond_ladder::inline v0::picture
