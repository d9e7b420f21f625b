// SPDX-License-Identifier: MIT
#include "fond_ladder/length.hpp"

#include <algorithm>
#include <cmath>

#include "fond_ladder/edges.hpp"
#include "model/limits.hpp"

namespace fond_ladder::inline v0 {

Length::Length(double amount, Unit unit) : amount_(amount), unit_(unit) {
  if (!std::isfinite(amount) || std::abs(amount) > limits::largest_length) {
    throw BadValue("a length must be a number from -1e9 to 1e9");
  }
}

double Length::in_px(const FontUnits& units, double whole) const {
  double px = amount_;
  switch (unit_) {
    case Unit::px: break;
    case Unit::em: px *= units.em; break;
    case Unit::ch: px *= units.ch; break;
    case Unit::percent: px = px / 100 * whole; break;
  }
  return std::clamp(px, -limits::largest_length, limits::largest_length);
}

Edge Edges::on(Side physical, bool mirrored) const {
  const bool second_slope = physical == Side::left || physical == Side::right;
  if (const auto own = given(physical)) return *own;
  if (second_slope) {
    const bool starts = (physical == Side::left) != mirrored;
    if (const auto logical = given(starts ? Side::start : Side::end)) return *logical;
  }
  return given(second_slope ? Side::x : Side::y).value_or(Edge(0.0));
}

}  // namespace fond_ladder::inline v0
