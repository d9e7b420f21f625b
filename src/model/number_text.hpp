// SPDX-License-Identifier: MIT
#pragma once

#include <string>

namespace fond_ladder {

/// A number for people: at most two decimals.
[[nodiscard]] std::string rounded(double number);

}  // namespace fond_ladder
