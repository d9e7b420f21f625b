// SPDX-License-Identifier: MIT
#pragma once

// A claim over a whole way from a small container to a large one: where it fails, proved between the sizes at which
// something is looked at.

#include <string>
#include <vector>

#include "fond_ladder/claim.hpp"
#include "verify/ladder/stretches.hpp"

namespace fond_ladder::inline v0 {

/// What a claim hangs on, along widths.
struct ClaimWay {
  std::vector<const Runs*> quantities;         ///< in the order of the claim's
  const Runs* height = nullptr;                ///< of the container, where it is by content
  double fixed_height = 0;                     ///< else
  const std::vector<Span>* sampled = nullptr;  ///< where decisions of the solve are not known to hold
  /// Widths at which other ranges hold, rising; and which ranges and modes do from each of them on, those of the
  /// beginning of the way first.
  std::vector<double> bounds{};
  std::vector<std::vector<std::string>> active{};
};

/// Neighbouring widths at which a claim fails.
struct FailingStretch {
  double from = 0, to = 0;
  bool with_from = true, with_to = true;
  bool thin = false;  ///< no longer than lines and ranges hold by their tolerance
  double worst = 0;   ///< a width at which it fails most: a whole one where there is one near
};

struct TestedWay {
  std::size_t tested = 0;  ///< sizes and stretches at which its condition holds
  std::vector<FailingStretch> failing;
  std::vector<Span> sampled;
};

[[nodiscard]] TestedWay test_along(const Claim& claim, const ClaimWay& way, const Span& span);

}  // namespace fond_ladder::inline v0
