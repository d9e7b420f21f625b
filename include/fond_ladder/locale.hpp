// SPDX-License-Identifier: MIT
#pragma once

// Other texts for a scene, with a direction and fonts: another language, or longer names.

#include <optional>
#include <string>
#include <string_view>
#include <utility>
#include <vector>

#include "fond_ladder/tree.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

struct Scene;

/// A named set of texts for a scene: another language, or longer names.
struct Locale {
  std::string name;
  std::vector<std::pair<NodeId, std::string>> texts;
  std::optional<Direction> direction{};  ///< reading direction; absent: that of the scene
  std::vector<NamedFont> fonts{};        ///< fonts that replace fonts of the scene by name
};

/// Replaces texts, direction and fonts of a scene by those of a locale. Texts set by a range or mode stay. Throws
/// BadValue for an unknown name, BadFonts if text is measured with fonts and one of them does not exist. Linear in
/// the scene.
void apply_locale(Scene& scene, std::string_view locale);

/// Lengthens every text of a scene by a share of its characters (0.4: 40 %, rounded up), also texts under ranges and
/// modes: by repeating its words, or its letters if it has one word. The same result every time.
void expand_text(Scene& scene, double share);
/// Lengthens one text, in the same way.
[[nodiscard]] std::string expanded_text(std::string_view text, double share);

}  // namespace v0
}  // namespace fond_ladder
