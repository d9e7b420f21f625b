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
    std::vector<std::optional<double>> values;  ///< one a quantity; none where its node has no place
    double at = 0;                              ///< what was dragged: a side of the container, or a setting
  };
  std::vector<Quantity> quantities;  ///< with their texts as they were written; those of a set one by one
  std::vector<Step> steps;           ///< in the order asked
  std::vector<Breakpoint> found;     ///< see breakpoints()
  bool along_height = false;         ///< which side of the container grows
  /// Intervals that were sampled value by value; elsewhere nothing happens between two breakpoints.
  std::vector<Interval> sampled{};
  std::string setting{};  ///< which setting is dragged instead; empty: none, the container grows

  /// All breakpoints, from the smallest size up.
  [[nodiscard]] const std::vector<Breakpoint>& breakpoints() const& { return found; }
  /// Of a temporary by value, so that `for (const Breakpoint& breakpoint : sweep(...).breakpoints())` is sound.
  [[nodiscard]] std::vector<Breakpoint> breakpoints() && { return std::move(found); }
};

/// How a ladder is swept.
struct SweepOptions {
  std::vector<std::string> modes{};
  bool along_height = false;  ///< sweeps the heights of the ladder, at its largest width
  unsigned threads = 0;       ///< 0: one a core; the result is the same whatever it is
  bool causes = true;         ///< finds the cause of each breakpoint
  Progress progress{};        ///< of the sizes
};

/// Measures `quantities` (as in "beds.width", or a set as in "cards/*.width") at every given size, with one solver;
/// finds no breakpoints. Throws BadQuantity, and as SceneSolver does.
[[nodiscard]] Sweep sweep(const Scene& scene, const std::vector<ContainerSize>& container_sizes,
                          const std::vector<std::string>& quantities, const std::vector<std::string>& modes = {});

/// The same for sizes that are written in the call, as in `{{390.0, 844.0}}`.
[[nodiscard]] inline Sweep sweep(const Scene& scene, std::initializer_list<ContainerSize> container_sizes,
                                 const std::vector<std::string>& quantities,
                                 const std::vector<std::string>& modes = {}) {
  return sweep(scene, std::vector<ContainerSize>(container_sizes), quantities, modes);
}

/// The same at every whole size of a ladder, its ends included, with every breakpoint. Sweeps widths at the smallest of
/// the ladder's heights. Costs about what the solves cost; memory: quantities times sizes. Throws BadQuantity, BadValue
/// for a ladder of more than 100,000 sizes, and as SceneSolver does.
[[nodiscard]] Sweep sweep(const Scene& scene, const Ladder& ladder, const std::vector<std::string>& quantities,
                          const SweepOptions& options = {});

/// The same of quantities that are known already.
[[nodiscard]] Sweep sweep_quantities(const Scene& scene, const Ladder& ladder, std::vector<Quantity> quantities,
                                     const SweepOptions& options = {});

}  // namespace v0
}  // namespace fond_ladder
