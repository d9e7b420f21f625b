// SPDX-License-Identifier: MIT
#pragma once

// How the lines of a row or column came about, worked out again from a finished solve for whoever asks: the solve
// itself keeps none of it.

#include <vector>

#include "solve/sharing/share.hpp"
#include "solve/state/solve_context.hpp"

namespace fond_ladder::inline v0::detail {

/// One child of a line. Sizes are those the line counts: of `scale_affects_layout` the painted ones.
template <class N>
struct ChildAccountOf {
  Index node = 0;
  bool weighted = false;      ///< its size is its part by weight
  LineItemOf<N> line_item;    ///< with the size that came out
  SidesOf<N> margin;          ///< in the direction of laying, automatic ones 0
  unsigned auto_margins = 0;  ///< bit 1: ahead, bit 2: behind
};

template <class N>
struct LineAccountOf {
  N inner = 0;    ///< content box of the container along
  N gap = 0;      ///< between two neighbors
  N margins = 0;  ///< of all children
  N factors = 1;  ///< what weights and grows were divided by: `out_of`
  std::vector<ChildAccountOf<N>> children;

  /// What sizes have to share.
  [[nodiscard]] N space() const {
    return inner - margins - gap * static_cast<double>(children.empty() ? 0 : children.size() - 1);
  }
  /// What is left of it (or missing) before anybody grows or shrinks: limits do not count yet.
  [[nodiscard]] N free_space() const {
    N rest = space();
    for (const ChildAccountOf<N>& child : children) rest -= child.line_item.base;
    return rest;
  }
  /// What is left of it when all sizes stand.
  [[nodiscard]] N unused_space() const {
    N rest = space();
    for (const ChildAccountOf<N>& child : children) rest -= child.line_item.size;
    return rest;
  }
};
using ChildAccount = ChildAccountOf<double>;
using LineAccount = LineAccountOf<double>;

/// The lines of a row or column, in the order in which they are laid.
template <class N>
[[nodiscard]] std::vector<LineAccountOf<N>> line_accounts(const ViewOf<N>& view, Index container);

}  // namespace fond_ladder::inline v0::detail
