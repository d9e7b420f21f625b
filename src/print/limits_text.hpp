// SPDX-License-Identifier: MIT
#pragma once

#include <string>
#include <vector>

namespace fond_ladder::inline v0 {

/// One thing that is bounded.
struct Bound {
  std::string of;    ///< a group: sizes, scenes, claims…; last what nothing is refused beyond
  std::string what;  ///< as in "nodes of a scene"
  std::string most;  ///< as in "16,777,215"
  std::string why;   ///< a part of a sentence
};
/// What is bounded of what people write and read, as model/limits.hpp has it; tolerances, and how far the engine looks
/// within one step of its work, are not in it.
[[nodiscard]] std::vector<Bound> bounds();

/// The same for a terminal.
[[nodiscard]] std::string limits_text();

}  // namespace fond_ladder::inline v0
