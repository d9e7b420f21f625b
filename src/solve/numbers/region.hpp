// SPDX-License-Identifier: MIT
#pragma once

// A convex region in the plane of widths and heights of a container, or none of it.

#include <utility>
#include <vector>

#include "fond_ladder/version.hpp"

namespace fond_ladder::inline v0::detail {

struct Point {
  double x = 0, y = 0;  ///< width and height, or what they are dragged by
};

class Region {
 public:
  Region() = default;
  /// By its corners, in the order in which they are met going round.
  explicit Region(std::vector<Point> corners) : corners_(std::move(corners)) {}

  [[nodiscard]] const std::vector<Point>& corners() const { return corners_; }
  [[nodiscard]] double area() const;
  /// A point well inside: the middle of its area.
  [[nodiscard]] Point middle() const;
  /// How thick it is, as a strip of its area and length would be.
  [[nodiscard]] double thickness() const;
  /// The longer side of the box around it.
  [[nodiscard]] double extent() const;
  /// Whether the boxes around two regions have more than an edge in common.
  [[nodiscard]] bool overlaps(const Region& other) const;
  /// Whether nothing is between two regions but what lines hold by their tolerance.
  [[nodiscard]] bool touches(const Region& other) const;
  [[nodiscard]] bool holds(const Point& point) const;
  /// Its parts on both sides of a line through its middle, across its longer side.
  [[nodiscard]] std::pair<Region, Region> halves() const;
  /// The box around it.
  struct Box {
    double left = 0, right = 0, low = 0, high = 0;
  };
  [[nodiscard]] Box box() const;
  /// The same region, seen from another point.
  [[nodiscard]] Region moved(double by_x, double by_y) const;

  /// Keeps the part where gap + x * slope_x + y * slope_y is not negative.
  void keep(double gap, double slope_x, double slope_y);

 private:
  std::vector<Point> corners_;
  std::vector<Point> space_;  // to cut in
};

}  // namespace fond_ladder::inline v0::detail
