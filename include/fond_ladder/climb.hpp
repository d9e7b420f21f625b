// SPDX-License-Identifier: MIT
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "fond_ladder/quantity.hpp"
#include "fond_ladder/scene.hpp"

namespace fond_ladder {

/// Quantities at several sizes of the container.
struct Climb {
  struct Step {
    Extent container;                           ///< in pixels
    std::vector<std::optional<double>> values;  ///< one a quantity
  };
  std::vector<std::string> quantities;  ///< as they were written
  std::vector<Step> steps;              ///< in the order asked
};

/// Measures `quantities` (as in "beds.width") at every rung, with one solver. Throws BadQuantity, and as SceneSolver
/// does.
[[nodiscard]] Climb climb(const Scene& scene, const std::vector<Rung>& rungs,
                          const std::vector<std::string>& quantities, const std::vector<std::string>& modes = {});

/// The same at every whole width of a ladder, its ends included, at the smallest of its heights.
[[nodiscard]] Climb climb(const Scene& scene, const Ladder& ladder, const std::vector<std::string>& quantities);

}  // namespace fond_ladder
