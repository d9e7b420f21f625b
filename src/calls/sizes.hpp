// SPDX-License-Identifier: MIT
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "fond_ladder/scene.hpp"
#include "print/titles.hpp"

namespace fond_ladder::calls {

/// The sizes of repeated `--at`, each `1280x800`, `1280` (the ladder's largest height, by content where it has none),
/// `1280xcontent`, `content` or a named size; without any the named sizes, or else the widest size of the ladder.
/// Throws WrongCall.
[[nodiscard]] std::vector<AskedSize> asked_sizes(const std::vector<std::string>& at, const Ladder& ladder);
/// What `--width` or `--height` asks for: `all`, which is what the ladder has, one size, or a range as `360..1440`.
/// Throws WrongCall; `option` is for the message.
[[nodiscard]] Interval sizes_asked(std::string_view text, std::string_view option,
                                   const std::optional<Interval>& ladder);
/// One number above 0. Throws WrongCall.
[[nodiscard]] double parse_factor(std::string_view text, std::string_view option);
/// A coordinate: any finite number. Throws WrongCall with `message`.
[[nodiscard]] double parse_coordinate(std::string_view text, const std::string& message);
/// `360,640,1024`, at least one. Throws WrongCall.
[[nodiscard]] std::vector<double> parse_sizes(std::string_view text, std::string_view option);
/// The items between the commas, without blanks round them.
[[nodiscard]] std::vector<std::string> split_list(std::string_view text);

}  // namespace fond_ladder::calls
