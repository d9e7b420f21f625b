// SPDX-License-Identifier: MIT
#include "verify/ladder/rungs.hpp"

#include <algorithm>
#include <cmath>

#include "model/container_size.hpp"
#include "model/limits.hpp"
#include "model/number_text.hpp"

namespace fond_ladder::inline v0 {

void require_climbable(const Span& span) {
  require_container_size(span.from);
  require_container_size(span.to);
  if (span.to - span.from > limits::most_climbed) {
    throw BadValue("a climb takes at most 100,000 sizes; from " + exact(span.from) + " to " + exact(span.to) +
                   " is more: climb a part of it");
  }
}

std::vector<double> whole_numbers(const Span& span) {
  std::vector<double> sizes{span.from};
  for (double size = std::floor(span.from) + 1; size < span.to; size += 1) sizes.push_back(size);
  if (span.to > span.from) sizes.push_back(span.to);
  return sizes;
}

std::vector<std::optional<double>> heights_of(const Ladder& ladder) {
  if (!ladder.height) return {std::nullopt};
  if (ladder.height->to == ladder.height->from) return {ladder.height->from};
  return {ladder.height->from, ladder.height->to};
}

std::vector<std::optional<double>> heights_of(const NamedRung& rung, const Ladder& ladder) {
  if (rung.height) return {rung.height};
  return heights_of(ladder);
}

std::vector<Rung> rungs_of(const Ladder& ladder) {
  require_climbable(ladder.width);
  std::vector<Rung> rungs;
  for (const std::optional<double>& height : heights_of(ladder)) {
    for (const double width : whole_numbers(ladder.width)) rungs.push_back({width, height});
  }
  for (const NamedRung& named : ladder.rungs) {
    for (const std::optional<double>& height : heights_of(named, ladder)) rungs.push_back({named.width, height});
  }
  return rungs;
}

bool follows(const Rung& rung, const Rung& next) {
  return rung.width && next.width && rung.height == next.height && *next.width > *rung.width &&
         *next.width <= *rung.width + 1;
}

void extend(std::vector<Span>& stretches, double width, bool goes_on) {
  if (goes_on && !stretches.empty()) {
    stretches.back().to = width;
  } else {
    stretches.emplace_back(width);
  }
}

std::vector<Span> joined(std::vector<Span> stretches) {
  std::ranges::sort(stretches, {}, &Span::from);
  std::vector<Span> all;
  for (const Span& one : stretches) {
    if (!all.empty() && one.from <= all.back().to + 1) {
      all.back().to = std::max(all.back().to, one.to);
    } else {
      all.push_back(one);
    }
  }
  return all;
}

std::vector<double> united(const std::vector<double>& a, const std::vector<double>& b) {
  std::vector<double> all;
  std::ranges::set_union(a, b, std::back_inserter(all));
  return all;
}

std::string text_of(const std::vector<Span>& stretches) {
  constexpr std::size_t most = 3;
  std::string text;
  for (std::size_t i = 0; i < std::min(most, stretches.size()); ++i) {
    const Span& one = stretches[i];
    text += (i == 0 ? "" : ", ") + rounded(one.from);
    if (one.to > one.from) text += " to " + rounded(one.to);
  }
  if (stretches.size() > most) text += " and " + std::to_string(stretches.size() - most) + " more";
  return text;
}

}  // namespace fond_ladder::inline v0
