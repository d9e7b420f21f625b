// SPDX-License-Identifier: MIT
#pragma once

#include <string>
#include <vector>

#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// The parts of a sum for people, so that they add up to `rounded(sum)` as they are printed: those that rounding cut
/// most are rounded the other way. Of parts that do not come to the sum each is rounded by itself.
[[nodiscard]] std::vector<std::string> rounded_parts(const std::vector<double>& parts, double sum);

}  // namespace v0
}  // namespace fond_ladder
