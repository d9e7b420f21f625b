// SPDX-License-Identifier: MIT
#pragma once

#include "fond_ladder/scene.hpp"

namespace fond_ladder::inline v0 {

/// How many keys an author said, kinds, names and texts apart. What is said once for many nodes (by `each_child`, in a
/// part, as shared keys, for all copies) counts once, where the scene knows.
[[nodiscard]] std::size_t count_settings(const Scene& scene);

}  // namespace fond_ladder::inline v0
