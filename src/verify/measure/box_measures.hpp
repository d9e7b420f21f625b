// SPDX-License-Identifier: MIT
#pragma once

#include <optional>

#include "fond_ladder/quantity.hpp"

namespace fond_ladder::inline v0 {

/// What follows from a node's box, from the root's corner, alone; none for other measures.
[[nodiscard]] inline std::optional<double> measure_of_box(const Rect& box, Measure measure) {
  switch (measure) {
    case Measure::width: return box.width;
    case Measure::height: return box.height;
    case Measure::left: return box.x;
    case Measure::right: return box.right();
    case Measure::top: return box.y;
    case Measure::bottom: return box.bottom();
    case Measure::middle_x: return box.x + box.width / 2;
    case Measure::middle_y: return box.y + box.height / 2;
    default: return {};
  }
}

}  // namespace fond_ladder::inline v0
