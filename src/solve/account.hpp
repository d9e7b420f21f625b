// SPDX-License-Identifier: MIT
#pragma once

// How the lines of a row or column came about, worked out again from a finished solve for whoever asks: the solve
// itself keeps none of it.

#include <vector>

#include "solve/frame.hpp"
#include "solve/share.hpp"

namespace fond_ladder::inline v0::detail {

/// One child of a line. Sizes are those the line counts: of `scale_counts` the painted ones.
struct ChildAccount {
  Index node = 0;
  bool weighted = false;      ///< its size is its part by weight
  Portion portion;            ///< with the size that came out
  Sides margin;               ///< in the direction of laying, automatic ones 0
  unsigned auto_margins = 0;  ///< bit 1: ahead, bit 2: behind
};

struct LineAccount {
  double inner = 0;    ///< content box of the container along
  double gap = 0;      ///< between two neighbours
  double margins = 0;  ///< of all children
  double factors = 1;  ///< what weights and grows were divided by: `out_of`
  std::vector<ChildAccount> children;

  /// What sizes have to share.
  [[nodiscard]] double room() const {
    return inner - margins - gap * static_cast<double>(children.empty() ? 0 : children.size() - 1);
  }
  /// What is left of it (or missing) before anybody grows or shrinks: limits do not count yet.
  [[nodiscard]] double free_room() const {
    double rest = room();
    for (const ChildAccount& child : children) rest -= child.portion.base;
    return rest;
  }
  /// What is left of it when all sizes stand.
  [[nodiscard]] double spare() const {
    double rest = room();
    for (const ChildAccount& child : children) rest -= child.portion.size;
    return rest;
  }
};

/// The lines of a row or column, in the order in which they are laid.
[[nodiscard]] std::vector<LineAccount> line_accounts(const View& view, Index container);

}  // namespace fond_ladder::inline v0::detail
