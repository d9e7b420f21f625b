// SPDX-License-Identifier: MIT
#include "verify/ladder/container_sizes.hpp"

#include <algorithm>
#include <cmath>

#include "model/limits.hpp"
#include "model/number_text.hpp"
#include "model/sound_container.hpp"

namespace fond_ladder::inline v0 {

void require_sweepable(const Interval& span) {
  require_container_size(span.from);
  require_container_size(span.to);
  if (span.to - span.from > limits::most_swept) {
    throw BadValue("a sweep takes at most 100,000 sizes; from " + exact(span.from) + " to " + exact(span.to) +
                   " is more; sweep a part of the range");
  }
}

std::vector<double> whole_numbers(const Interval& span) {
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

std::vector<std::optional<double>> heights_of(const NamedSize& container_size, const Ladder& ladder) {
  if (container_size.height) return {container_size.height};
  return heights_of(ladder);
}

std::vector<ContainerSize> sizes_of(const Ladder& ladder) {
  require_sweepable(ladder.width);
  std::vector<ContainerSize> container_sizes;
  for (const std::optional<double>& height : heights_of(ladder)) {
    for (const double width : whole_numbers(ladder.width)) container_sizes.push_back({width, height});
  }
  for (const NamedSize& named : ladder.named_sizes) {
    for (const std::optional<double>& height : heights_of(named, ladder))
      container_sizes.push_back({named.width, height});
  }
  return container_sizes;
}

bool follows(const ContainerSize& container_size, const ContainerSize& next) {
  return container_size.width && next.width && container_size.height == next.height &&
         *next.width > *container_size.width && *next.width <= *container_size.width + 1;
}

void extend(std::vector<Interval>& stretches, double width, bool goes_on) {
  if (goes_on && !stretches.empty()) {
    stretches.back().to = width;
  } else {
    stretches.emplace_back(width);
  }
}

std::vector<Interval> joined(std::vector<Interval> stretches) {
  std::ranges::sort(stretches, {}, &Interval::from);
  std::vector<Interval> all;
  for (const Interval& one : stretches) {
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

std::string text_of(const std::vector<Interval>& stretches) {
  constexpr std::size_t most = 3;
  std::string text;
  for (std::size_t i = 0; i < std::min(most, stretches.size()); ++i) {
    const Interval& one = stretches[i];
    text += (i == 0 ? "" : ", ") + rounded(one.from);
    if (one.to > one.from) text += " to " + rounded(one.to);
  }
  if (stretches.size() > most) text += " and " + std::to_string(stretches.size() - most) + " more";
  return text;
}

}  // namespace fond_ladder::inline v0
