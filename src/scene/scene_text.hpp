// SPDX-License-Identifier: MIT
#pragma once

#include <string>
#include <string_view>

namespace fond_ladder::scene {

/// The text of a scene file. Throws BadScene when there is none, or more of it than a scene may have.
[[nodiscard]] std::string text_of_file(const std::string& path);
/// Throws BadScene for a text that is too long, or empty.
void require_text(std::string_view text, const std::string& file_name);

}  // namespace fond_ladder::scene
