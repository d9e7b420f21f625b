// SPDX-License-Identifier: MIT
#pragma once

#include <vector>

#include "model/flat.hpp"

namespace fond_ladder::inline v0::detail {

/// A place in a pool: one that was given back, else a new one behind the others.
template <class Pool>
Index take_place(Pool& pool, std::vector<Index>& free_places) {
  if (free_places.empty()) {
    pool.emplace_back();
    return static_cast<Index>(pool.size() - 1);
  }
  const Index place = free_places.back();
  free_places.pop_back();
  return place;
}

}  // namespace fond_ladder::inline v0::detail
