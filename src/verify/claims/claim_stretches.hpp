// SPDX-License-Identifier: MIT
#pragma once

// A claim over a whole way from a small container to a large one: where it fails, proved between the sizes at which
// something is looked at.

#include <string>
#include <vector>

#include "fond_ladder/claim.hpp"
#include "verify/ladder/stretches.hpp"

namespace fond_ladder::inline v0 {

/// What a claim hangs on, along a line of sizes.
struct ClaimWay {
  std::vector<const Runs*> quantities;             ///< in the order of the claim's
  bool along_height = false;                       ///< heights of the container are gone through, not widths
  double other = 0;                                ///< its other side, where that is given
  const Runs* height = nullptr;                    ///< its height, where that is by content
  const std::vector<Interval>* sampled = nullptr;  ///< where decisions of the solve are not known to hold
  /// Sizes at which other ranges hold, rising; and which ranges and modes do from each of them on, those of the
  /// beginning of the way first.
  std::vector<double> bounds{};
  std::vector<std::vector<std::string>> active{};
};

/// Neighboring sizes at which a claim fails. Its ends are where the claim would cease to hold exactly; that it fails
/// is decided by what it may be off.
struct FailingStretch {
  double from = 0, to = 0;
  bool includes_from = true, includes_to = true;
  bool thin = false;  ///< no longer than lines and ranges hold by their tolerance
  double off = 0;     ///< by how much it fails at worst
  double worst = 0;   ///< where: a size at which it fails
  double limit = 0;   ///< the same, or the open end that is next to it, where that would be still worse
};

struct TestedWay {
  std::size_t tested = 0;  ///< sizes and stretches at which its condition holds
  std::vector<FailingStretch> failing;
  std::vector<Interval> sampled;
};

[[nodiscard]] TestedWay test_along(const Claim& claim, const ClaimWay& way, const Interval& span);

}  // namespace fond_ladder::inline v0
