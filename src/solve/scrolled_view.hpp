// SPDX-License-Identifier: MIT
#pragma once

// A finished solve in which scrollers are scrolled: the view, and by how much places in it are moved.

#include <vector>

#include "fond_ladder/solution.hpp"
#include "solve/placed.hpp"

namespace fond_ladder::inline v0::detail {

class ScrolledView : public View {
 public:
  ScrolledView(const Tree& tree, const Passes& passes, const std::vector<Solution::ScrolledTo>* positions);

  /// From the parent's border box, moved by what the parent is scrolled.
  [[nodiscard]] double place(Index node, Axis axis) const {
    const double still = View::place(node, axis);
    return scrolled_.empty() ? still : still + movement(node, axis);
  }

 private:
  [[nodiscard]] double movement(Index node, Axis axis) const;

  struct Scrolled {
    Index node;
    std::array<double, 2> moved;  // what moves with it, to the right and down
  };
  std::vector<Scrolled> scrolled_;
};

}  // namespace fond_ladder::inline v0::detail
