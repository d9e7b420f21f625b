// SPDX-License-Identifier: MIT
#pragma once

#include <array>
#include <optional>

#include "solve/frame.hpp"
#include "solve/news.hpp"

namespace fond_ladder::inline v0::detail {

/// The four passes where all but what is in `news` was solved before. Returns how many nodes each visited.
[[nodiscard]] std::array<std::size_t, 4> run_news_passes(Frame& frame, News& news, std::optional<double> width,
                                                         std::optional<double> height);

}  // namespace fond_ladder::inline v0::detail
