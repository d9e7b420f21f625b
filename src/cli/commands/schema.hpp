// SPDX-License-Identifier: MIT
#pragma once

#include <string_view>

namespace fond_ladder::cli {

/// The JSON Schema of scene files, as share/fond_ladder has it: for editors.
[[nodiscard]] std::string_view scene_schema();

/// What a new scene calls that file, beside itself.
inline constexpr std::string_view schema_file = "scene.schema.json";

}  // namespace fond_ladder::cli
