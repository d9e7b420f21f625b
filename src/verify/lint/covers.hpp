// SPDX-License-Identifier: MIT
#pragma once

// Who lies wholly behind what: a box or an image that is painted later and is not in it. They are kept in the order of
// painting, with a tree of bounds over them: a branch of which no box reaches as far as the one that is asked about is
// passed over, so that most answers take as long as the tree is high.

#include <functional>
#include <limits>
#include <vector>

#include "verify/lint/seen.hpp"

namespace fond_ladder::inline v0 {

/// All that can hide something at one size. Lives as long as what was seen there.
class Covers {
 public:
  explicit Covers(const Seen& seen);

  /// Whether a cover counts.
  using Counts = std::function<bool(const SeenNode& cover)>;
  /// The first that is painted over a placed node and hides all of it, of those that count; nobody where it has no
  /// area.
  [[nodiscard]] const SeenNode* over(const SeenNode& one, const Counts& counts = {}) const;

 private:
  /// How far the boxes below a branch reach: what lies outside on one side is hidden by none of them.
  struct Bounds {
    double left = std::numeric_limits<double>::infinity(), top = left, right = -left, bottom = -left;
    [[nodiscard]] bool may_hide(const Rect& box) const;
    void take(const Bounds& more);
  };
  [[nodiscard]] const SeenNode* find(std::size_t branch, std::size_t first, std::size_t many, std::size_t from,
                                     const Rect& box, const Counts& counts) const;

  const Seen& seen_;
  std::vector<std::size_t> covers_;  // places, in the order of painting
  std::vector<std::size_t> ahead_;   // by place: how many are painted until all that is in it is painted
  std::vector<Bounds> bounds_;       // of a branch b those of 2 b and 2 b + 1, the leaves last
  std::size_t leaves_ = 1;
};

}  // namespace fond_ladder::inline v0
