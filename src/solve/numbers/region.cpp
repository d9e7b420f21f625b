// SPDX-License-Identifier: MIT
#include "solve/numbers/region.hpp"

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

double Region::thickness() const {
  double round = 0;
  for (std::size_t i = 0; i < corners_.size(); ++i) {
    const Point &a = corners_[i], &b = corners_[(i + 1) % corners_.size()];
    round += std::hypot(b.x - a.x, b.y - a.y);
  }
  return round > 0 ? 2 * area() / round : 0;
}

Region::Box Region::box() const {
  if (corners_.empty()) return {};
  const auto [left, right] = std::ranges::minmax(corners_, {}, &Point::x);
  const auto [low, high] = std::ranges::minmax(corners_, {}, &Point::y);
  return {left.x, right.x, low.y, high.y};
}

double Region::extent() const {
  const Box around = box();
  return std::max(around.right - around.left, around.high - around.low);
}

bool Region::overlaps(const Region& other) const {
  const Box a = box(), b = other.box();
  return a.left < b.right && b.left < a.right && a.low < b.high && b.low < a.high;
}

bool Region::touches(const Region& other) const {
  const Box a_box = box(), b_box = other.box();
  const double near = 1e-3 + 1e-5 * std::max({a_box.right, a_box.high, b_box.right, b_box.high});
  const auto apart = [&](const Region& one, const Region& two) {
    const Point inside = one.middle();
    for (std::size_t i = 0; i < one.corners_.size(); ++i) {
      const Point &a = one.corners_[i], &b = one.corners_[(i + 1) % one.corners_.size()];
      const double length = std::hypot(b.x - a.x, b.y - a.y);
      if (length < near) continue;
      Point out{(b.y - a.y) / length, (a.x - b.x) / length};
      if ((inside.x - a.x) * out.x + (inside.y - a.y) * out.y > 0) out = {-out.x, -out.y};
      const auto beyond = [&](const Point& point) { return (point.x - a.x) * out.x + (point.y - a.y) * out.y > near; };
      if (std::ranges::all_of(two.corners_, beyond)) return true;
    }
    return false;
  };
  return !apart(*this, other) && !apart(other, *this);
}

bool Region::holds(const Point& point) const {
  const Point inside = middle();
  for (std::size_t i = 0; i < corners_.size(); ++i) {
    const Point &a = corners_[i], &b = corners_[(i + 1) % corners_.size()];
    const auto side = [&](const Point& p) { return (p.x - a.x) * (b.y - a.y) - (p.y - a.y) * (b.x - a.x); };
    if (side(point) * side(inside) < 0) return false;
  }
  return !corners_.empty();
}

std::pair<Region, Region> Region::halves() const {
  const Box around = box();
  const bool wide = around.right - around.left >= around.high - around.low;
  const Point at = middle();
  std::pair<Region, Region> both{*this, *this};
  both.first.keep(wide ? at.x : at.y, wide ? -1 : 0, wide ? 0 : -1);
  both.second.keep(wide ? -at.x : -at.y, wide ? 1 : 0, wide ? 0 : 1);
  return both;
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
  space_.clear();
  for (std::size_t i = 0; i < corners_.size(); ++i) {
    const Point &a = corners_[i], &b = corners_[(i + 1) % corners_.size()];
    const double at_a = side(a), at_b = side(b);
    if (at_a >= 0) space_.push_back(a);
    if ((at_a >= 0) == (at_b >= 0)) continue;
    const double share = at_a / (at_a - at_b);
    space_.push_back({a.x + share * (b.x - a.x), a.y + share * (b.y - a.y)});
  }
  corners_.swap(space_);
}

}  // namespace fond_ladder::inline v0::detail
