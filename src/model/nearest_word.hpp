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

/// What to say of a word that is none of `words`, behind the sentence that says so: what it is called here, or the
/// nearest one, or all that would be known.
[[nodiscard]] std::string word_hint(std::string_view typed, std::span<const std::string_view> words,
                                    Vocabulary vocabulary = Vocabulary::names);

}  // namespace v0
}  // namespace fond_ladder
