// SPDX-License-Identifier: MIT
#pragma once

#include <string>
#include <vector>

namespace fond_ladder::inline v0 {

/// One thing that is bounded.
struct Bound {
  std::string of;    ///< a group: sizes, scenes, claims…
  std::string what;  ///< as in "nodes of a scene"
  std::string most;  ///< as in "16,777,215"
  std::string why;   ///< a part of a sentence
};
/// All that is bounded, as model/limits.hpp has it, but for tolerances.
[[nodiscard]] std::vector<Bound> bounds();

/// The same for a terminal.
[[nodiscard]] std::string limits_text();

}  // namespace fond_ladder::inline v0
