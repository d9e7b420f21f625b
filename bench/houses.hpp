// SPDX-License-Identifier: MIT
#pragma once

#include <string>
#include <vector>

#include "fond_ladder/scene.hpp"

namespace fond_ladder::bench {

/// A scene of 300 nodes as people write them: eight glasshouses with beds, a map, seed cards and wrapping labels. Its
/// ladder has 1,080 widths at one height.
[[nodiscard]] Scene houses();

/// Fifty claims about it of all kinds, nearly all of which hold.
[[nodiscard]] std::vector<std::string> house_claims();

}  // namespace fond_ladder::bench
