// SPDX-License-Identifier: MIT
#pragma once

#include <vector>

#include "fond_ladder/scene.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// The sizes of a ladder: every whole width, its ends included, at both ends of its heights (by content where it has
/// none), rising, then the named sizes. Throws BadValue for more than 100,000 widths.
[[nodiscard]] std::vector<ContainerSize> sizes_of(const Ladder& ladder);

/// The heights at which a ladder's widths are looked at: both ends of its heights, or none for by content.
[[nodiscard]] std::vector<std::optional<double>> heights_of(const Ladder& ladder);
/// Those of a named size: its own, else those of the ladder.
[[nodiscard]] std::vector<std::optional<double>> heights_of(const NamedSize& container_size, const Ladder& ladder);

/// Throws BadValue for a span of more than 100,000 sizes, or of what is no size.
void require_sweepable(const Interval& span);

/// The whole numbers of a span, its ends included.
[[nodiscard]] std::vector<double> whole_numbers(const Interval& span);

/// Whether `next` is the size that follows `container_size` on a ladder, of the same height.
[[nodiscard]] bool follows(const ContainerSize& container_size, const ContainerSize& next);

/// Adds a width to stretches of widths: to the last one where `goes_on`.
void extend(std::vector<Interval>& stretches, double width, bool goes_on);

/// Intervals for output: in order, merged where they touch or overlap.
[[nodiscard]] std::vector<Interval> joined(std::vector<Interval> stretches);

/// Two rising lists of heights as one.
[[nodiscard]] std::vector<double> united(const std::vector<double>& a, const std::vector<double>& b);

/// `360 to 1440`, `at 820`, several joined by commas, the last ones of many counted.
[[nodiscard]] std::string text_of(const std::vector<Interval>& stretches);

}  // namespace v0
}  // namespace fond_ladder
