// SPDX-License-Identifier: MIT
#pragma once

// The size that a container gives its root. An absent width or height follows from the content:
// solve(scene, {.width = 390})

#include <optional>

#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// A size of the container, in pixels. An absent side is by content.
struct ContainerSize {
  std::optional<double> width{}, height{};
};

}  // namespace v0
}  // namespace fond_ladder
