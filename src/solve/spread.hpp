// SPDX-License-Identifier: MIT
#pragma once

#include <cstddef>

#include "fond_ladder/words.hpp"

namespace fond_ladder::inline v0::detail {

/// Where spare room goes: ahead of the first thing, and between neighbours on top of their gap.
template <class N>
struct SpreadOf {
  N before = 0;
  N between = 0;
};

/// Distributes `spare` pixels among `count` things. With nothing or less to spare, the words that space things out are
/// start; `center` and `end` stay true and stick out, unless `never_ahead` (a scrolled axis, where nobody could scroll
/// there). CSS Box Alignment 3, section 5.3 and 5.4. `stretch` is start here: whoever stretches has no spare room left.
template <class N>
[[nodiscard]] constexpr SpreadOf<N> spread(Rest word, N spare, std::size_t count, bool never_ahead) {
  const auto n = static_cast<double>(count);
  if (spare <= 0) {
    if (never_ahead) return {};
    if (word == Rest::center) return {spare / 2, 0};
    if (word == Rest::end) return {spare, 0};
    return {};
  }
  switch (word) {
    case Rest::center: return {spare / 2, 0};
    case Rest::end: return {spare, 0};
    case Rest::between: return {0, count > 1 ? spare / (n - 1) : 0};
    case Rest::around: return {spare / n / 2, spare / n};
    case Rest::evenly: return {spare / (n + 1), spare / (n + 1)};
    case Rest::slots: return {0, spare / n};
    case Rest::start:
    case Rest::stretch: break;
  }
  return {};
}

using Spread = SpreadOf<double>;

/// The words of Along are the first words of Rest.
[[nodiscard]] constexpr Rest as_rest(Along along) {
  return static_cast<Rest>(along);
}

}  // namespace fond_ladder::inline v0::detail
