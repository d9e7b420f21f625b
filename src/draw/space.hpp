// SPDX-License-Identifier: MIT
#pragma once

#include <vector>

#include "fond_ladder/solution.hpp"

namespace fond_ladder::inline v0::picture {

/// What of a node is not filled by its children, from the corner of its border box.
struct Space {
  std::vector<Rect> padding;
  std::vector<Rect> gaps;
  std::vector<Rect> unused_space;
  std::vector<Rect> tracks;  ///< of a grid: each column as high, each row as wide as all tracks are
};

/// Splits the space between the children of a container into the gaps that its author asked for and the unused space.
/// Along an axis the gap comes first, whatever the alignment made of the rest. Empty cells of a grid
/// are neither: they belong to its tracks.
[[nodiscard]] Space space_of(const Solution& solution, NodeId node);

/// The padding box, from the corner of the border box.
[[nodiscard]] Rect padding_box(const Solution& solution, NodeId node);
/// The content box, from the corner of the border box.
[[nodiscard]] Rect content_box(const Solution& solution, NodeId node);

}  // namespace fond_ladder::inline v0::picture
