// SPDX-License-Identifier: MIT
#pragma once

#include <array>
#include <string_view>

namespace fond_ladder::cli {

/// A scene to begin from, commented where there is something in it.
struct Start {
  std::string_view kind, about, json;
};

/// Those of examples/starts.
[[nodiscard]] const std::array<Start, 6>& starts();

}  // namespace fond_ladder::cli
