// SPDX-License-Identifier: MIT
#pragma once

#include <string>
#include <vector>

#include "fond_ladder/forms.hpp"
#include "scene/read/faults.hpp"

namespace fond_ladder::inline v0::scene {

/// What nodes can depend on: the ranges and modes of a scene.
struct Conditions {
  std::vector<Range> ranges;
  std::vector<std::string> modes;
  std::vector<std::string> names;  ///< of both
};

/// Reads "ranges" and "modes" of the object `top`.
[[nodiscard]] Conditions read_conditions(const JsonDocument& document, ValueId top, Faults& faults);

}  // namespace fond_ladder::inline v0::scene
