// SPDX-License-Identifier: MIT
#pragma once

#include <cstdint>
#include <string_view>

#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// What kind of word was looked for.
enum class Vocabulary : std::uint8_t { names, keys, range_keys, words, measures, functions };

/// What a word of the open standards, or a plain English one, is called here, as a part of a sentence; empty for
/// others. Only these: property names and values of the W3C's layout modules, and everyday words.
[[nodiscard]] std::string_view known_elsewhere(std::string_view typed, Vocabulary vocabulary);

}  // namespace v0
}  // namespace fond_ladder
