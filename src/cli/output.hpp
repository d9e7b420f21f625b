// SPDX-License-Identifier: MIT
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "fond_ladder/scene.hpp"
#include "model/number_text.hpp"
#include "scene/write/json_page.hpp"

namespace fond_ladder::cli {

using scene::json_text;

/// A name as deep as its node; beyond twelve levels the depth is told as a number.
[[nodiscard]] std::string indented(const std::string& name, int depth);
/// A text in lines of at most `widest` columns, broken at blanks; lines behind the first begin with two blanks where
/// `hangs`.
[[nodiscard]] std::string wrapped(const std::string& text, std::size_t widest, bool hangs = false);
/// `[{"from": 360, "to": 640}]`
[[nodiscard]] std::string json_spans(const std::vector<Span>& spans);
/// In quotes where RFC 4180 wants them.
[[nodiscard]] std::string csv_text(std::string_view text);

}  // namespace fond_ladder::cli
