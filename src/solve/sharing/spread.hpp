// SPDX-License-Identifier: MIT
#pragma once

#include <cstddef>

#include "fond_ladder/enums.hpp"

namespace fond_ladder::inline v0::detail {

/// Where unused space goes: ahead of the first thing, and between neighbors on top of their gap.
template <class N>
struct SpreadOf {
  N before = 0;
  N between = 0;
};

/// Distributes `unused_space` pixels among `count` things. If there is none, the words that space things
/// out act as start; `center` and `end` stay in force and overhang, unless `never_ahead` (a scrolled axis, where that
/// could not be scrolled to). CSS Box Alignment 3, section 5.3 and 5.4. `stretch` is start here: what stretches has no
/// unused space.
template <class N>
[[nodiscard]] constexpr SpreadOf<N> spread(PlaceContent word, N unused_space, std::size_t count, bool never_ahead) {
  const auto n = static_cast<double>(count);
  if (unused_space <= 0) {
    if (never_ahead) return {};
    if (word == PlaceContent::center) return {unused_space / 2, 0};
    if (word == PlaceContent::end) return {unused_space, 0};
    return {};
  }
  switch (word) {
    case PlaceContent::center: return {unused_space / 2, 0};
    case PlaceContent::end: return {unused_space, 0};
    case PlaceContent::between: return {0, count > 1 ? unused_space / (n - 1) : 0};
    case PlaceContent::around: return {unused_space / n / 2, unused_space / n};
    case PlaceContent::evenly: return {unused_space / (n + 1), unused_space / (n + 1)};
    case PlaceContent::slots: return {0, unused_space / n};
    case PlaceContent::start:
    case PlaceContent::stretch: break;
  }
  return {};
}

using Spread = SpreadOf<double>;

/// The words of Along are the first words of Rest.
[[nodiscard]] constexpr PlaceContent as_rest(Along along) {
  return static_cast<PlaceContent>(along);
}

}  // namespace fond_ladder::inline v0::detail
