// SPDX-License-Identifier: MIT
#include "verify/lint/lint_sight.hpp"

#include <algorithm>

#include "verify/ladder/rungs.hpp"

namespace fond_ladder::inline v0 {

bool goes_below_zero(const Edges& edges) {
  for (std::size_t side = 0; side < side_words.size(); ++side) {
    const auto edge = edges.given(static_cast<Side>(side));
    if (edge && !edge->is_automatic() && edge->length().amount() < 0) return true;
  }
  return false;
}

void Sightings::begin(double width, bool goes_on) {
  width_ = width;
  goes_on_ = goes_on;
  ++rung_;
}

void Sightings::add(Sighting& sighting) {
  if (sighting.last_rung == rung_) return;  // another pair of the same node
  extend(sighting.widths, width_, goes_on_ && sighting.last_rung + 1 == rung_);
  sighting.last_rung = rung_;
  ++sighting.count;
}

}  // namespace fond_ladder::inline v0
