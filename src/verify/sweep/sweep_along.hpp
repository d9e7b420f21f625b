// SPDX-License-Identifier: MIT
#pragma once

#include <string>
#include <vector>

#include "fond_ladder/sweep.hpp"
#include "verify/ladder/trail.hpp"

namespace fond_ladder::inline v0 {

/// Something that is dragged, and how far.
struct SweptWay {
  const Scene& scene;  ///< the names of its nodes are printed
  MakeTrail trail;
  Interval span;                ///< of places
  Interval possible;            ///< where there are arrangements
  std::string curve_cause;      ///< why what follows a curve does
  double beside;                ///< how far from a turn its cause is looked for
  bool changes_inside = false;  ///< a node that keeps its size may have breakpoints inside
};

/// Sweeps it; places and slopes are those of the way.
[[nodiscard]] Sweep sweep_along(const SweptWay& way, std::vector<Quantity> quantities, const SweepOptions& options);

}  // namespace fond_ladder::inline v0
