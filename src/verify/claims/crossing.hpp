// SPDX-License-Identifier: MIT
#pragma once

// Boxes against boxes: by how much one overhangs another, or covers a part of it, and between which two edges.

#include <array>
#include <cstddef>

#include "solve/numbers/number.hpp"

namespace fond_ladder::inline v0::detail {

/// In the order in which claims ask for them (edges_asked).
template <class N>
struct BoxEdgesOf {
  N left = 0, right = 0, top = 0, bottom = 0;
};

/// Two edges, by their place among the four: `first` of the first box, `second` of the second.
template <class N>
struct CrossingOf {
  N by = 0;  // not positive: they do not cross
  std::size_t first = 0, second = 0;
};

/// By how much a box overhangs another, on the side where it does most.
template <class N>
CrossingOf<N> overhangs(const BoxEdgesOf<N>& in, const BoxEdgesOf<N>& out) {
  const std::array<N, 4> by{out.left - in.left, in.right - out.right, out.top - in.top, in.bottom - out.bottom};
  std::size_t side = 0;
  for (std::size_t i = 1; i < by.size(); ++i) {
    if (by[i] > by[side]) side = i;
  }
  return {by[side], side, side};
}

/// How deep two boxes lie in each other: how far one would have to move, at the least.
template <class N>
CrossingOf<N> overlap(const BoxEdgesOf<N>& a, const BoxEdgesOf<N>& b) {
  const N wide = min_of(a.right, b.right) - max_of(a.left, b.left),
          high = min_of(a.bottom, b.bottom) - max_of(a.top, b.top);
  const bool is_horizontal = wide <= high;
  const bool a_is_ahead = is_horizontal ? a.left <= b.left : a.top <= b.top;
  const std::size_t near = is_horizontal ? 0 : 2, far = near + 1;
  return {min_of(wide, high), a_is_ahead ? far : near, a_is_ahead ? near : far};
}

}  // namespace fond_ladder::inline v0::detail
