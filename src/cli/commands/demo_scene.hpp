// SPDX-License-Identifier: MIT
#pragma once

#include <string_view>

namespace fond_ladder::cli {

/// The shipped console scene, as JSON.
[[nodiscard]] std::string_view demo_scene();

}  // namespace fond_ladder::cli
