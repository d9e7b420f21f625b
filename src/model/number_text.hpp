// SPDX-License-Identifier: MIT
#pragma once

#include <string>

namespace fond_ladder {

/// A number for people: at most two decimals.
[[nodiscard]] std::string rounded(double number);
/// The shortest text that reads back as the same number.
[[nodiscard]] std::string exact(double number);

}  // namespace fond_ladder
