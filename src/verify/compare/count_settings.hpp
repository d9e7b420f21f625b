// SPDX-License-Identifier: MIT
#pragma once

#include "fond_ladder/scene.hpp"

namespace fond_ladder::inline v0 {

/// The number of keys that an author wrote, kinds, names and texts excluded. A key for many nodes (by `each_child`, in
/// a part, as shared keys, for all copies) counts once, if the scene has that information.
[[nodiscard]] std::size_t count_settings(const Scene& scene);

}  // namespace fond_ladder::inline v0
