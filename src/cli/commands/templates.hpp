// SPDX-License-Identifier: MIT
#pragma once

#include <array>
#include <string_view>

namespace fond_ladder::cli {

/// A scene to begin from, commented where there is something in it.
struct Template {
  std::string_view kind, about, json;
};

/// Those of examples/templates.
[[nodiscard]] const std::array<Template, 6>& templates();

}  // namespace fond_ladder::cli
