// SPDX-License-Identifier: MIT
#pragma once

// Claims over a whole rectangle of widths and heights: where they fail, as convex regions with exact edges, and the
// boundaries of the layout.

#include <string>
#include <vector>

#include "fond_ladder/check.hpp"
#include "fond_ladder/claim.hpp"
#include "fond_ladder/variant.hpp"
#include "solve/numbers/region.hpp"

namespace fond_ladder::inline v0 {

/// A rectangle of sizes, in pixels.
struct SizeRectangle {
  Interval widths, heights;
};

/// A claim over a rectangle of sizes.
struct ClaimInPlane {
  bool tested = false;
  std::vector<detail::Region> failing;  ///< they have no area in common
  std::vector<detail::Region> sampled;  ///< where it was only looked at some sizes, as something bends
  struct Off {
    std::size_t piece = 0;  ///< of those failing
    detail::Point at;       ///< a size inside
    detail::Point limit;    ///< the corner next to it, where it fails most, if that belongs to the piece
    double by = 0;
  };
  std::vector<Off> worst;  ///< one a failing region
};

/// A stretch of a line on both sides of which things are arranged otherwise.
struct BreakpointLine {
  detail::Point from, to;
};

struct InPlane {
  std::vector<ClaimInPlane> claims;
  std::vector<BreakpointLine> breakpoints;
  std::size_t cells = 0;    ///< regions in each of which all runs straight
  std::size_t sampled = 0;  ///< pieces of the rest, which were only looked at in some places
  double area = 0;          ///< of them all: what was asked for
};

/// Tests all sizes of a rectangle. Finds boundaries if they are asked for. Throws BadValue for a rectangle with a
/// side of more than 100,000 pixels.
[[nodiscard]] InPlane look_in_plane(const Scene& scene, const std::vector<std::string>& modes,
                                    const std::vector<Claim>& claims, const SizeRectangle& area, bool breakpoints,
                                    unsigned threads, const Progress& progress);

/// The results of claims over a rectangle, with the reasons in the first few regions of each. Its last width and
/// height, and lines on which ranges are bounded, are examined separately: what is true on a line alone is in no
/// region.
[[nodiscard]] std::vector<CheckedClaim> checked_in_plane(const Variant& variant, const std::vector<Claim>& claims,
                                                         const SizeRectangle& area, const InPlane& found,
                                                         unsigned threads);

/// Puts regions that touch together: for each the number of its group, from 0 in the order of the first of them.
[[nodiscard]] std::vector<std::size_t> grouped(const std::vector<detail::Region>& regions);

}  // namespace fond_ladder::inline v0
