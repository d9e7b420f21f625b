// SPDX-License-Identifier: MIT
#pragma once

// The patterns and shapes of helper marks, as geometry. Patterns differ by their shape alone, and stay aligned
// over the whole picture, so that neighboring areas join without a seam.

#include <vector>

#include "draw/pen.hpp"

namespace fond_ladder::inline v0::picture {

[[nodiscard]] Rect common(const Rect& a, const Rect& b);
[[nodiscard]] Rect grown(const Rect& area, double by);
[[nodiscard]] bool is_empty(const Rect& area);
/// Within a hundredth of a pixel.
[[nodiscard]] bool is_inside(const Rect& area, const Rect& window);
[[nodiscard]] bool meet(const Rect& a, const Rect& b);

/// Up to four pieces of `area` that lie outside `window`.
[[nodiscard]] std::vector<Rect> beyond(const Rect& area, const Rect& window);

/// Slanting lines through `area`, `step` pixels apart.
[[nodiscard]] std::vector<Segment> hatch_lines(const Rect& area, Hatch way, double step);
/// Level lines through `area`, to be dotted.
[[nodiscard]] std::vector<Segment> rows_of_dots(const Rect& area, double step);
/// A line with a bar at both ends.
[[nodiscard]] std::vector<Segment> tie(Point from, Point to);

}  // namespace fond_ladder::inline v0::picture
