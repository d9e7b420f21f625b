// SPDX-License-Identifier: MIT
#pragma once

#include <array>
#include <string_view>

namespace fond_ladder::cli {

/// A commented scene to begin from.
struct Start {
  std::string_view kind, about, json;
};

/// Those of examples/starts.
[[nodiscard]] const std::array<Start, 5>& starts();

}  // namespace fond_ladder::cli
