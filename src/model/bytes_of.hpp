// SPDX-License-Identifier: MIT
#pragma once

#include <cstddef>

namespace fond_ladder::inline v0::detail {

/// The memory that arrays hold, filled or not.
template <class... Array>
[[nodiscard]] std::size_t bytes_of(const Array&... arrays) {
  return (std::size_t{0} + ... + (arrays.capacity() * sizeof(arrays[0])));
}

}  // namespace fond_ladder::inline v0::detail
