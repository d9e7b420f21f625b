// SPDX-License-Identifier: MIT
#pragma once

// Sweeps a setting instead of the container.

#include <functional>
#include <string>
#include <vector>

#include "fond_ladder/container_size.hpp"
#include "fond_ladder/quantity.hpp"
#include "fond_ladder/scene.hpp"
#include "fond_ladder/sweep.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// A setting of a scene that is dragged, while the container stays as it is.
struct Varied {
  std::string setting;  ///< as it is told: "beds.width"
  Interval values;      ///< of the setting, in the unit in which it is written; any numbers that it may have
  /// The scene with the setting at one of these values. Nothing else of it may depend on the value, and its nodes are
  /// the same, made in one order. What it throws is passed on. Called from one thread.
  std::function<Scene(double)> at;
};

/// How quantities change over the values of a setting, with every breakpoint: `Breakpoint::at` and `Sweep::Step::at`
/// are values of the setting, and slopes are pixels a unit of it. Proved like a sweep of sizes where the setting is a
/// length, but for those of grid tracks, of texts, and beside an aspect; any other setting is looked at step by step:
/// whole numbers, or at least a hundred values of a short span. `options.along_height` and `options.threads` say
/// nothing here. Throws BadValue for more than 100,000 values, for a setting that changes how many nodes there are, and
/// for a size that is invalid.
[[nodiscard]] Sweep sweep_setting(const Varied& varied, const ContainerSize& container_size,
                                  std::vector<Quantity> quantities, const SweepOptions& options = {});
/// The same of quantities by their texts. Throws BadQuantity.
[[nodiscard]] Sweep sweep_setting(const Varied& varied, const ContainerSize& container_size,
                                  const std::vector<std::string>& quantities, const SweepOptions& options = {});

}  // namespace v0
}  // namespace fond_ladder
