// SPDX-License-Identifier: MIT
#pragma once

#include <memory>
#include <string>
#include <vector>

#include "fond_ladder/scene.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {
namespace typeset {

/// Words that a scene can show, in a style in which it can show them.
struct StyledWords {
  NodeId node;
  std::shared_ptr<const std::string> text;  ///< one for all styles and locales with that text
  FontStyle style;
  const Locale* locale = nullptr;  ///< that sets the text or the font; null: the scene
};

/// Those of all texts, of what they are under each range and mode alone, and of every locale.
[[nodiscard]] std::vector<StyledWords> styled_words(const Scene& scene);

}  // namespace typeset
}  // namespace v0
}  // namespace fond_ladder
