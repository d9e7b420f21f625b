// SPDX-License-Identifier: MIT
#pragma once

// Covers a region of sizes with cells, each found by looking at one size in it. What a cell leaves of the
// pieces that are still open is cut along the cell's edges into convex pieces again, so that the cells that are found
// and the pieces that are left always make up the whole region: when no piece is left, nothing was left out.

#include <algorithm>
#include <vector>

#include "solve/numbers/region.hpp"

namespace fond_ladder::inline v0::detail {

/// What is thinner is a line, in pixels.
inline constexpr double thin_as_a_line = 1e-6;

/// Appends to `rest` the parts of a convex piece outside of a convex cell, as convex pieces. Returns what
/// they have in common, which may be as good as nothing.
inline Region subtract(Region piece, const Region& cell, std::vector<Region>& rest) {
  const std::vector<Point>& corners = cell.corners();
  const Point inside = cell.middle();
  for (std::size_t i = 0; i < corners.size(); ++i) {
    const Point &a = corners[i], &b = corners[(i + 1) % corners.size()];
    double slope_x = b.y - a.y, slope_y = a.x - b.x;
    const double length = std::max(std::abs(slope_x), std::abs(slope_y));
    if (length == 0) continue;
    slope_x /= length;
    slope_y /= length;
    double gap = -(a.x * slope_x + a.y * slope_y);
    if (gap + inside.x * slope_x + inside.y * slope_y < 0) {
      gap = -gap;
      slope_x = -slope_x;
      slope_y = -slope_y;
    }
    Region outside = piece;
    outside.keep(-gap, -slope_x, -slope_y);
    if (outside.thickness() > thin_as_a_line) rest.push_back(std::move(outside));
    piece.keep(gap, slope_x, slope_y);
    if (piece.thickness() <= thin_as_a_line) break;
  }
  return piece;
}

/// How finely undecided pieces are cut, and how many sizes are looked at before everything that is left
/// counts as such.
struct CoverLimits {
  double grain = 32;  ///< pixels
  std::size_t most_looks = 4000;
};

/// `find(at, cell)` looks at a size; `cell` comes as the whole region, relative to there, and is cut down to where the
/// same is true. It returns whether that is known. `unknown(piece)` gets the pieces of which it is not.
template <class Find, class Unknown>
void cover(const Region& whole, const CoverLimits& limits, Find find, Unknown unknown) {
  std::vector<Region> open{whole}, rest;
  std::size_t looks = 0;
  while (!open.empty()) {
    const Region piece = std::move(open.back());
    open.pop_back();
    const Point at = piece.middle();
    Region cell = whole.moved(-at.x, -at.y);
    const bool spent = looks++ >= limits.most_looks;
    const bool known = !spent && find(at, cell);
    if (known) cell = cell.moved(at.x, at.y);
    if (known && cell.thickness() > thin_as_a_line) {
      rest.clear();
      subtract(piece, cell, rest);
      for (const Region& other : open) {
        if (other.overlaps(cell)) {
          subtract(other, cell, rest);
        } else {
          rest.push_back(other);
        }
      }
      open.swap(rest);
      continue;
    }
    const auto [first, second] = piece.halves();
    if (!spent && piece.extent() > limits.grain) {
      open.push_back(first);
      open.push_back(second);
    } else if (!known) {
      unknown(piece);
    }
  }
}

}  // namespace fond_ladder::inline v0::detail
