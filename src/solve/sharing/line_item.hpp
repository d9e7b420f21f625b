// SPDX-License-Identifier: MIT
#pragma once

#include "solve/numbers/number.hpp"

namespace fond_ladder::inline v0::detail {

/// What one child of a line brings to the sharing of the line's space. Border boxes, in pixels.
template <class N>
struct LineItemOf {
  N base = 0;        ///< the size it starts from
  N least = 0;       ///< its minimum, not below its padding and border
  N most = 0;        ///< its maximum, not below `least`
  N grow = 0;        ///< factor of unused space
  N shrink = 0;      ///< factor of missing space
  N inner_base = 0;  ///< base without padding and border, which scales `shrink`
  N size = 0;        ///< the result

  [[nodiscard]] N clamp(N value) const { return max_of(min_of(value, most), least); }
};

}  // namespace fond_ladder::inline v0::detail
