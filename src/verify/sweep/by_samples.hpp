// SPDX-License-Identifier: MIT
#pragma once

#include <vector>

#include "fond_ladder/sweep.hpp"

namespace fond_ladder::inline v0 {

/// A sweep for which it is known already that nothing can be proved: it solves every whole size.
[[nodiscard]] Sweep sweep_by_samples(const Scene& scene, const Ladder& ladder, std::vector<Quantity> quantities,
                                     const SweepOptions& options);

}  // namespace fond_ladder::inline v0
