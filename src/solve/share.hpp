// SPDX-License-Identifier: MIT
#pragma once

#include <span>
#include <vector>

#include "model/bytes_of.hpp"
#include "solve/number.hpp"
#include "solve/share_rounds.hpp"

namespace fond_ladder::inline v0::detail {

/// What one child of a line brings to the sharing of the line's room. Border boxes, in pixels.
template <class N>
struct PortionOf {
  N base = 0;        ///< the size it starts from
  N least = 0;       ///< its minimum, not below its padding and border
  N most = 0;        ///< its maximum, not below `least`
  N grow = 0;        ///< factor of spare room
  N shrink = 0;      ///< factor of missing room
  N inner_base = 0;  ///< base without padding and border, which scales `shrink`
  N size = 0;        ///< the result

  [[nodiscard]] N held(N value) const { return most_of(least_of(value, most), least); }
};

/// A level at which the sum of a line's sizes bends.
template <class N>
struct SharePointOf {
  using Number = N;
  N level;
  N slope;
};

/// Room to work in, kept between calls so that sharing allocates nothing.
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
[[nodiscard]] N wanted_by(std::span<const PortionOf<N>> portions) {
  N wanted = 0;
  for (const PortionOf<N>& portion : portions) wanted += portion.held(portion.base);
  return wanted;
}

/// Shares `room` (inner size without margins and gaps) among the children of one line, who want what `wanted_by` says:
/// sets every `size`, and returns their sum. CSS Flexible Box Layout 1, section 9.7, without its rounds: see share.cpp.
/// Cost O(n log n), O(n) when no limit stops anybody.
template <class N>
N share(std::span<PortionOf<N>> portions, N room, N wanted, ShareScratchOf<N>& scratch);

using Portion = PortionOf<double>;
using ShareScratch = ShareScratchOf<double>;

inline double share(std::span<Portion> portions, double room, ShareScratch& scratch) {
  return share<double>(portions, room, wanted_by<double>(portions), scratch);
}

}  // namespace fond_ladder::inline v0::detail
