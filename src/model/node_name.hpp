// SPDX-License-Identifier: MIT
#pragma once

#include <algorithm>
#include <string_view>

namespace fond_ladder::inline v0 {

/// Whether `name` may name a node: a letter, then letters, digits, `_` and `-`.
[[nodiscard]] inline bool is_node_name(std::string_view name) {
  const auto is_letter = [](char c) { return (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z'); };
  const auto may_follow = [&](char c) { return is_letter(c) || (c >= '0' && c <= '9') || c == '_' || c == '-'; };
  return !name.empty() && is_letter(name.front()) && std::ranges::all_of(name, may_follow);
}

}  // namespace fond_ladder::inline v0
