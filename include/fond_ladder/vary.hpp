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

/// A setting of a scene that is varied, while the container keeps its size.
struct Varied {
  std::string setting;  ///< its name for output: "beds.width"
  Interval values;      ///< of the setting, in its own unit; any numbers
  /// Returns the scene with the setting at one of these values. Nothing else in it may depend on the value, and its
  /// nodes must be the same, made in the same order. Exceptions are passed on. Called from one thread.
  std::function<Scene(double)> at;
};

/// Sweeps quantities over the values of a setting, and finds every breakpoint: `Breakpoint::at` and `Sweep::Step::at`
/// are values of the setting, and slopes are pixels per unit of it. Proved like a sweep of sizes if the setting is a
/// length, except for lengths of grid tracks and texts, and beside an aspect ratio; other settings are sampled step by
/// step: whole numbers, or at least a hundred values of a short interval. `options.along_height` and `options.threads`
/// have no effect. Throws BadValue for more than 100,000 values, for a setting that changes the number of nodes, and
/// for a size that is invalid.
[[nodiscard]] Sweep sweep_setting(const Varied& varied, const ContainerSize& container_size,
                                  std::vector<Quantity> quantities, const SweepOptions& options = {});
/// The same for quantities as texts. Throws BadQuantity.
[[nodiscard]] Sweep sweep_setting(const Varied& varied, const ContainerSize& container_size,
                                  const std::vector<std::string>& quantities, const SweepOptions& options = {});

}  // namespace v0
}  // namespace fond_ladder
