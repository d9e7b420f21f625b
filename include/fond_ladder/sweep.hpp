// SPDX-License-Identifier: MIT
#pragma once

// Measures quantities at every size of a ladder, and finds every breakpoint with its cause.
// Sweep swept = sweep(scene, {.width = {360, 1440}, .height = 800}, {"beds.width"});

#include <initializer_list>
#include <optional>
#include <string>
#include <utility>
#include <vector>

#include "fond_ladder/breakpoint.hpp"
#include "fond_ladder/quantity.hpp"
#include "fond_ladder/scene.hpp"
#include "fond_ladder/variant.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// Quantities at several sizes of the container.
struct Sweep {
  struct Step {
    Extent container;                           ///< in pixels
    std::vector<std::optional<double>> values;  ///< one per quantity; none if its node is not placed
    double at = 0;                              ///< the size of the side that varies, or the value of the setting
  };
  std::vector<Quantity> quantities;  ///< with their texts as written; those of a set one by one
  std::vector<Step> steps;           ///< in the order of the call
  std::vector<Breakpoint> found;     ///< see breakpoints()
  bool along_height = false;         ///< whether the height varies, not the width
  /// Intervals that were sampled value by value; elsewhere nothing changes between two breakpoints.
  std::vector<Interval> sampled{};
  std::string setting{};  ///< the setting that varies; empty: the container does

  /// All breakpoints, from the smallest size up.
  [[nodiscard]] const std::vector<Breakpoint>& breakpoints() const& { return found; }
  /// Returned by value for a temporary, so that `for (const Breakpoint& breakpoint : sweep(...).breakpoints())` is
  /// valid.
  [[nodiscard]] std::vector<Breakpoint> breakpoints() && { return std::move(found); }
};

/// Options of a sweep.
struct SweepOptions {
  std::vector<std::string> modes{};
  bool along_height = false;  ///< sweeps the heights of the ladder, at its largest width
  unsigned threads = 0;       ///< 0: one per core; the result is the same for any number
  bool causes = true;         ///< finds the cause of each breakpoint
  Progress progress{};        ///< of the sizes
};

/// Measures `quantities` (as in "beds.width", or a set as in "cards/*.width") at every given size, with one solver,
/// without breakpoints. Throws BadQuantity, and as SceneSolver does.
[[nodiscard]] Sweep sweep(const Scene& scene, const std::vector<ContainerSize>& container_sizes,
                          const std::vector<std::string>& quantities, const std::vector<std::string>& modes = {});

/// The same for sizes in the call, as in `{{390.0, 844.0}}`.
[[nodiscard]] inline Sweep sweep(const Scene& scene, std::initializer_list<ContainerSize> container_sizes,
                                 const std::vector<std::string>& quantities,
                                 const std::vector<std::string>& modes = {}) {
  return sweep(scene, std::vector<ContainerSize>(container_sizes), quantities, modes);
}

/// Measures at every whole size of a ladder, its ends included, and finds every breakpoint. Sweeps widths at the
/// smallest of the ladder's heights. Costs about as much as the solves; memory: quantities times sizes. Throws
/// BadQuantity, BadValue for a ladder of more than 100,000 sizes, and as SceneSolver does.
[[nodiscard]] Sweep sweep(const Scene& scene, const Ladder& ladder, const std::vector<std::string>& quantities,
                          const SweepOptions& options = {});

/// The same for quantities that were read before.
[[nodiscard]] Sweep sweep_quantities(const Scene& scene, const Ladder& ladder, std::vector<Quantity> quantities,
                                     const SweepOptions& options = {});

}  // namespace v0
}  // namespace fond_ladder
