// SPDX-License-Identifier: MIT
#include "solve/region.hpp"

#include <algorithm>
#include <cmath>

namespace fond_ladder::inline v0::detail {

double Region::area() const {
  double twice = 0;
  for (std::size_t i = 0; i < corners_.size(); ++i) {
    const Point &a = corners_[i], &b = corners_[(i + 1) % corners_.size()];
    twice += (a.x - corners_[0].x) * (b.y - corners_[0].y) - (b.x - corners_[0].x) * (a.y - corners_[0].y);
  }
  return std::abs(twice) / 2;
}

Point Region::middle() const {
  if (corners_.empty()) return {};
  Point sum;
  double twice = 0;
  const Point first = corners_[0];
  for (std::size_t i = 1; i + 1 < corners_.size(); ++i) {
    const Point a{corners_[i].x - first.x, corners_[i].y - first.y},
        b{corners_[i + 1].x - first.x, corners_[i + 1].y - first.y};
    const double part = a.x * b.y - b.x * a.y;
    twice += part;
    sum.x += part * (a.x + b.x) / 3;
    sum.y += part * (a.y + b.y) / 3;
  }
  if (twice == 0) return first;
  return {first.x + sum.x / twice, first.y + sum.y / twice};
}

Region Region::moved(double by_x, double by_y) const {
  Region other = *this;
  for (Point& corner : other.corners_) corner = {corner.x + by_x, corner.y + by_y};
  return other;
}

void Region::keep(double gap, double slope_x, double slope_y) {
  const auto side = [&](const Point& point) { return gap + slope_x * point.x + slope_y * point.y; };
  // Less than a line is wide is not cut off: it would leave slivers of rounding.
  const double thin = 1e-9 * (std::abs(slope_x) + std::abs(slope_y));
  if (std::ranges::none_of(corners_, [&](const Point& corner) { return side(corner) < -thin; })) return;
  room_.clear();
  for (std::size_t i = 0; i < corners_.size(); ++i) {
    const Point &a = corners_[i], &b = corners_[(i + 1) % corners_.size()];
    const double at_a = side(a), at_b = side(b);
    if (at_a >= 0) room_.push_back(a);
    if ((at_a >= 0) == (at_b >= 0)) continue;
    const double share = at_a / (at_a - at_b);
    room_.push_back({a.x + share * (b.x - a.x), a.y + share * (b.y - a.y)});
  }
  corners_.swap(room_);
}

}  // namespace fond_ladder::inline v0::detail
