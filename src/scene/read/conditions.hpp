// SPDX-License-Identifier: MIT
#pragma once

#include <string>
#include <vector>

#include "fond_ladder/ranges.hpp"
#include "scene/read/faults.hpp"
#include "scene/read/used_files.hpp"

namespace fond_ladder::inline v0::scene {

/// What nodes can depend on: the ranges and modes of a scene and of the files that it uses.
struct Conditions {
  std::vector<Range> ranges;
  std::vector<std::string> modes;
  std::vector<std::string> names;          ///< of both
  std::vector<std::string> of_used_files;  ///< those that the scene itself does not declare
  std::vector<Clash> clashes;
};

/// Reads "ranges" and "modes" of some objects, the weakest first: a range beats one of that name in those before it.
[[nodiscard]] Conditions read_conditions(const JsonDocument& document, const std::vector<ValueId>& tops,
                                         Faults& faults);

}  // namespace fond_ladder::inline v0::scene
