// SPDX-License-Identifier: MIT
#pragma once

#include <string>

#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// A number for people: at most two decimals.
[[nodiscard]] std::string rounded(double number);
/// The shortest text that reads back as the same number.
[[nodiscard]] std::string exact(double number);

}  // namespace v0
}  // namespace fond_ladder
