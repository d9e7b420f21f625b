// SPDX-License-Identifier: MIT
#pragma once

#include <span>
#include <vector>

#include "model/bytes_of.hpp"
#include "solve/sharing/line_item.hpp"
#include "solve/sharing/share_rounds.hpp"

namespace fond_ladder::inline v0::detail {

/// A level at which the sum of a line's sizes bends.
template <class N>
struct SharePointOf {
  using Number = N;
  N level;
  N slope;
};

/// Working memory, kept between calls so that sharing allocates nothing.
template <class N>
struct ShareScratchOf {
  std::vector<SharePointOf<N>> points;
  ShrinkRoundsOf<N> rounds;

  void reserve(std::size_t most_children) {
    points.reserve(2 * most_children);
    rounds.reserve(most_children);
  }
  [[nodiscard]] std::size_t memory() const { return bytes_of(points) + rounds.memory(); }
};

/// What the children of a line take before anything is shared.
template <class N>
[[nodiscard]] N wanted_by(std::span<const LineItemOf<N>> line_items) {
  N wanted = 0;
  for (const LineItemOf<N>& line_item : line_items) wanted += line_item.clamp(line_item.base);
  return wanted;
}

/// Shares `space` (inner size without margins and gaps) among the children of one line, by what `wanted_by` returns:
/// sets every `size`, and returns their sum. CSS Flexible Box Layout 1, section 9.7, without its rounds: see share.cpp.
/// Cost O(n log n), O(n) if no limit stops a child.
template <class N>
N share(std::span<LineItemOf<N>> line_items, N space, N wanted, ShareScratchOf<N>& scratch);

using LineItem = LineItemOf<double>;
using ShareScratch = ShareScratchOf<double>;

inline double share(std::span<LineItem> line_items, double space, ShareScratch& scratch) {
  return share<double>(line_items, space, wanted_by<double>(line_items), scratch);
}

}  // namespace fond_ladder::inline v0::detail
