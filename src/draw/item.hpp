// SPDX-License-Identifier: MIT
#pragma once

#include <array>
#include <cstddef>

#include "fond_ladder/enums.hpp"
#include "fond_ladder/solution.hpp"

namespace fond_ladder::inline v0::picture {

/// A node on its way into a picture.
struct Item {
  static constexpr std::size_t no_parent = static_cast<std::size_t>(-1);
  NodeId node;
  Kind kind = Kind::box;
  int depth = 0;
  std::size_t parent = no_parent;  ///< among the items
  Rect box;                        ///< as painted
  Rect view;                       ///< what the scrollers above it let be seen
  double zoom = 1;                 ///< pixels of the picture a pixel of the node
  double scale = 1;                ///< by how much it is painted larger than it is arranged
  bool shown = true;               ///< large enough, and among the largest
  bool beyond = false;             ///< not shown because it is outside the picture
};

/// What a picture contains that a legend can explain.
struct Used {
  std::array<bool, words_of<Kind>.size()> kinds{};
  bool padding = false, gap = false, unused_space = false, overhang = false, scrolled = false, track = false,
       zero = false, pin = false, padding_overlap = false, baseline = false;
  void add(const Used& other);
};

}  // namespace fond_ladder::inline v0::picture
