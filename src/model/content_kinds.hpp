// SPDX-License-Identifier: MIT
#pragma once

// Content as the class that its kind() names. Each returns null for other content and for none.

#include "fond_ladder/breakable_text.hpp"
#include "fond_ladder/fixed_width_text.hpp"
#include "fond_ladder/text_shaper.hpp"

namespace fond_ladder::inline v0::detail {

[[nodiscard]] inline const BreakableText* as_text(const CustomContent* content) {
  const bool is_text = content != nullptr && content->kind() != ContentKind::custom;
  return is_text ? static_cast<const BreakableText*>(content) : nullptr;
}
[[nodiscard]] inline const FixedWidthText* as_fixed_width_text(const CustomContent* content) {
  const bool is_fixed = content != nullptr && content->kind() == ContentKind::fixed_width_text;
  return is_fixed ? static_cast<const FixedWidthText*>(content) : nullptr;
}
[[nodiscard]] inline const ShapedText* as_shaped_text(const CustomContent* content) {
  const bool is_shaped = content != nullptr && content->kind() == ContentKind::shaped_text;
  return is_shaped ? static_cast<const ShapedText*>(content) : nullptr;
}

}  // namespace fond_ladder::inline v0::detail
