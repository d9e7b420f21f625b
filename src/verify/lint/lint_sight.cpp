// SPDX-License-Identifier: MIT
#include "verify/lint/lint_sight.hpp"

#include <algorithm>

#include "verify/ladder/rungs.hpp"

namespace fond_ladder::inline v0 {

void Sightings::begin(const Rung& rung, double width, bool goes_on) {
  width_ = width;
  height_ = rung.height;
  goes_on_ = goes_on;
  ++rung_;
}

void Sightings::add(Sighting& sighting) {
  if (sighting.last_rung == rung_) return;  // another pair of the same node
  extend(sighting.widths, width_, goes_on_ && sighting.last_rung + 1 == rung_);
  if (height_) sighting.heights.insert(*height_);
  sighting.last_rung = rung_;
  ++sighting.count;
}

}  // namespace fond_ladder::inline v0
