// SPDX-License-Identifier: MIT
#pragma once

// Who lies wholly behind what: a box or an image that is painted later and is not in it.

#include <functional>
#include <vector>

#include "verify/lint/seen.hpp"
#include "verify/measure/box_tree.hpp"

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
  const Seen& seen_;
  std::vector<std::size_t> covering_;  // places, in the order of painting
  std::vector<std::size_t> ahead_;     // by place: how many are painted until all that is in it is painted
  detail::BoxTree<Rect> boxes_;
};

}  // namespace fond_ladder::inline v0
