// SPDX-License-Identifier: MIT
#pragma once

#include <algorithm>
#include <span>
#include <vector>

#include "solve/share_rounds.hpp"

namespace fond_ladder::inline v0::detail {

/// What one child of a line brings to the sharing of the line's room. Border boxes, in pixels.
struct Portion {
  double base = 0;        ///< the size it starts from
  double least = 0;       ///< its minimum, not below its padding and border
  double most = 0;        ///< its maximum, not below `least`
  double grow = 0;        ///< factor of spare room
  double shrink = 0;      ///< factor of missing room
  double inner_base = 0;  ///< base without padding and border, which scales `shrink`
  double size = 0;        ///< the result

  [[nodiscard]] double held(double value) const { return std::max(std::min(value, most), least); }
};

/// A level at which the sum of a line's sizes bends.
struct SharePoint {
  double level;
  double slope;
};

/// Room to work in, kept between calls so that sharing allocates nothing.
struct ShareScratch {
  std::vector<SharePoint> points;
  ShrinkRounds rounds;

  void reserve(std::size_t most_children) {
    points.reserve(2 * most_children);
    rounds.reserve(most_children);
  }
};

/// Shares `room` (inner size without margins and gaps) among the children of one line: sets every `size`, and returns
/// their sum. CSS Flexible Box Layout 1, section 9.7, without its rounds: see share.cpp. Cost O(n log n), O(n) when no
/// limit stops anybody.
double share(std::span<Portion> portions, double room, ShareScratch& scratch);

}  // namespace fond_ladder::inline v0::detail
