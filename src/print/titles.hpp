// SPDX-License-Identifier: MIT
#pragma once

#include <string>
#include <vector>

#include "fond_ladder/scene.hpp"

namespace fond_ladder::inline v0 {

/// A container size as it was asked for.
struct AskedSize {
  std::string name;  // of a named size; else empty
  ContainerSize container_size;
  std::vector<std::string> active{};  // ranges and modes that hold there
  std::string with{};                 // what is compared, as in beds.width=200
};

/// `North house console at 1280 x 800 [wide]`
[[nodiscard]] std::string title_of(const Scene& scene, const Solution& solution, const AskedSize& asked);

/// `1280 x 800`
[[nodiscard]] std::string size_text(const Extent& size);

}  // namespace fond_ladder::inline v0
