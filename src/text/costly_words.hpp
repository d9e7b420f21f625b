// SPDX-License-Identifier: MIT
#pragma once

#include <string>

namespace fond_ladder::inline v0::typeset {

/// Why a text would take out of all proportion to be shaped, for a message; empty where it would not. UTF-8 as Pango
/// takes it. Cost: its bytes.
[[nodiscard]] std::string why_costly(const std::string& text);

}  // namespace fond_ladder::inline v0::typeset
