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

/// A named set of replacement texts: another language, longer names.
struct Locale {
  std::string name;
  std::vector<std::pair<NodeId, std::string>> texts;
  std::optional<Direction> direction{};  ///< in which this locale is read; absent: that of the scene
  std::vector<NamedFont> fonts{};        ///< that it brings: they stand in for those of the scene by these names
};

/// Puts the texts of a locale into the scene, turns its direction and takes its fonts. Texts that a range or mode says
/// stay. Throws BadValue for a name that no locale has, BadFonts where words are measured with fonts and there is one
/// that is not there.
void apply_locale(Scene& scene, std::string_view locale);

/// Makes every text of the scene longer by a share of its characters (0.4: by 40 %, rounded up), those of ranges and
/// modes included: by its own words once more, or where it has only one, by its own letters. The same every time.
void expand_text(Scene& scene, double share);
/// The same of one text.
[[nodiscard]] std::string expanded_text(std::string_view text, double share);

}  // namespace v0
}  // namespace fond_ladder
