// SPDX-License-Identifier: MIT
#pragma once

// `--text-metrics`: what the texts of a scene are measured with, whatever its file says.

#include <optional>
#include <string>
#include <vector>

#include "calls/command.hpp"
#include "fond_ladder/scene.hpp"
#include "fond_ladder/variant.hpp"

namespace fond_ladder::calls {

/// None: what the file says.
using AskedWords = std::optional<TextMetrics>;

/// What the values of `--text-metrics` name, in their order; none of them: the file. Throws WrongCall.
[[nodiscard]] std::vector<AskedWords> words_asked(const std::vector<std::string>& typed);
/// The same where there can be one only.
[[nodiscard]] AskedWords one_words_asked(const std::vector<std::string>& typed);

/// As fond_ladder::variant_of, the words measured as is asked. Throws BadScene for fonts that are not there; `file` is
/// the scene's.
[[nodiscard]] Variant variant_in(const Scene& scene, AskedWords words, const std::string& locale,
                                 const std::vector<std::string>& modes, double longer, const std::string& file);

}  // namespace fond_ladder::calls
