// SPDX-License-Identifier: MIT
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "fond_ladder/scene.hpp"

namespace fond_ladder::cli {

/// A container size as it was asked for on the command line.
struct AskedSize {
  std::string name;  // of a named rung; else empty
  Rung rung;
};

/// `1280x800`, `1280`, `content` or the name of a rung. Throws WrongCall.
[[nodiscard]] AskedSize parse_at(std::string_view text, const Ladder& ladder);
/// What is measured when nothing is asked: the named rungs, or else the widest size of the ladder.
[[nodiscard]] std::vector<AskedSize> default_sizes(const Ladder& ladder);
/// `360..1440`, or one size. Throws WrongCall; `option` is for the message.
[[nodiscard]] Span parse_span(std::string_view text, std::string_view option);
/// `360,640,1024`. Throws WrongCall.
[[nodiscard]] std::vector<double> parse_sizes(std::string_view text, std::string_view option);
/// The items between the commas, without blanks round them.
[[nodiscard]] std::vector<std::string> split_list(std::string_view text);

}  // namespace fond_ladder::cli
