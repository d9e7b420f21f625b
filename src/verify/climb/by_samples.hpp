// SPDX-License-Identifier: MIT
#pragma once

#include <vector>

#include "fond_ladder/climb.hpp"

namespace fond_ladder::inline v0 {

/// A climb for which it is known already that nothing can be proved: it solves every whole size.
[[nodiscard]] Climb climb_by_samples(const Scene& scene, const Ladder& ladder, std::vector<Quantity> quantities,
                                     const ClimbOptions& options);

}  // namespace fond_ladder::inline v0
