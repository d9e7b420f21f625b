// SPDX-License-Identifier: MIT
#pragma once

#include <string>

#include "fond_ladder/text_shaper.hpp"

namespace fond_ladder::page {

/// What the page knows a font by: its family or its file; no font is the machine's sans.
[[nodiscard]] inline std::string font_key(const NamedFont* font) {
  if (font == nullptr) return "";
  return font->file.empty() ? "family " + font->family : "file " + font->file;
}

}  // namespace fond_ladder::page
