// SPDX-License-Identifier: MIT
#pragma once

#include <string>

namespace fond_ladder::inline v0::scene {

/// The scene format as a JSON Schema (draft 2020-12), for editors. It says what JSON Schema can say; what it cannot
/// (names that must exist, areas that must be rectangles) only reading tells.
[[nodiscard]] std::string scene_schema();

}  // namespace fond_ladder::inline v0::scene
