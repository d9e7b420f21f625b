// SPDX-License-Identifier: MIT
#pragma once

#include <cstdint>

namespace fond_ladder::inline v0 {
class Tree;
}

namespace fond_ladder::inline v0::detail {

/// Outlives a tree or a solver, for holders of references into it: the number of its last change; numbers are unique.
struct Life {
  static constexpr std::uint64_t ended = ~std::uint64_t{0};
  std::uint64_t changes = 0;
};

struct TreeLife : Life {
  const Tree* tree = nullptr;  ///< where it is now
};

}  // namespace fond_ladder::inline v0::detail
