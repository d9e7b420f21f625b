// SPDX-License-Identifier: MIT
#pragma once

// Where a setting comes from: the node's own key, a part, shared keys, a range, an edit, …

#include <array>
#include <cstdint>
#include <string_view>

#include "fond_ladder/enums.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// Where the value of a key comes from. A later source wins over an earlier one.
enum class Source : std::uint8_t {
  by_default,  ///< the default of the key
  each_child,  ///< `each_child` of the parent
  part,        ///< the part that the node is an instance of
  shared,      ///< shared keys, taken over with `like`
  with,        ///< `with` of an instance
  own,         ///< the node itself
  copies,      ///< an item of `copies`
  range,       ///< `when` of a range
  mode,        ///< `when` of a mode
  edited,      ///< an edit
};
template <>
inline constexpr std::array<std::string_view, 10> words_of<Source>{"default", "each_child", "part",  "shared", "with",
                                                                   "own",     "copies",     "range", "mode",   "edit"};

}  // namespace v0
}  // namespace fond_ladder
