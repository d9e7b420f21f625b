// SPDX-License-Identifier: MIT
#pragma once

#include <span>
#include <string>
#include <string_view>

#include "fond_ladder/version.hpp"
#include "model/known_elsewhere.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// The possible word that is nearest to `typed`, or what an earlier word is called now, or an empty one when none is
/// near.
[[nodiscard]] std::string_view nearest_word(std::string_view typed, std::span<const std::string_view> words);

/// The advice for a word that is not one of `words`, to append to the message: its name here, or the
/// nearest word, or all known words.
[[nodiscard]] std::string word_hint(std::string_view typed, std::span<const std::string_view> words,
                                    Vocabulary vocabulary = Vocabulary::names);

}  // namespace v0
}  // namespace fond_ladder
