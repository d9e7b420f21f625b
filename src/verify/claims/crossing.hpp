// SPDX-License-Identifier: MIT
#pragma once

// Boxes against boxes: by how much one sticks out of another, or covers a part of it, and between which two edges.

#include <algorithm>
#include <array>
#include <cstddef>

namespace fond_ladder::inline v0::detail {

/// In the order in which claims ask for them (edges_asked).
struct BoxEdges {
  double left = 0, right = 0, top = 0, bottom = 0;
};

/// Two edges, by their place among the four: `first` of the first box, `second` of the second.
struct Crossing {
  double by = 0;  // not positive: they do not cross
  std::size_t first = 0, second = 0;
};

/// By how much a box sticks out of another, on the side where it does most.
inline Crossing sticks_out(const BoxEdges& in, const BoxEdges& out) {
  const std::array<double, 4> by{out.left - in.left, in.right - out.right, out.top - in.top, in.bottom - out.bottom};
  const auto side = static_cast<std::size_t>(std::ranges::max_element(by) - by.begin());
  return {by[side], side, side};
}

/// How deep two boxes lie in each other: how far one would have to move, at the least.
inline Crossing overlap(const BoxEdges& a, const BoxEdges& b) {
  const double wide = std::min(a.right, b.right) - std::max(a.left, b.left),
               high = std::min(a.bottom, b.bottom) - std::max(a.top, b.top);
  const bool a_is_ahead = wide <= high ? a.left <= b.left : a.top <= b.top;
  const std::size_t near = wide <= high ? 0 : 2, far = near + 1;
  return {std::min(wide, high), a_is_ahead ? far : near, a_is_ahead ? near : far};
}

}  // namespace fond_ladder::inline v0::detail
