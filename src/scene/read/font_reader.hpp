// SPDX-License-Identifier: MIT
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "fond_ladder/typesetter.hpp"
#include "scene/read/faults.hpp"
#include "scene/read/used_files.hpp"

namespace fond_ladder::inline v0::scene {

/// The fonts of a scene and of the files that it uses.
struct ReadFonts {
  std::vector<NamedFont> fonts;
  std::vector<ValueId> places;  ///< of each, where it is said
  std::vector<Clash> clashes;
};

/// Reads objects of fonts, the weakest first: one beats another of that name in those before it. Files are looked for
/// beside the scene file that names them.
[[nodiscard]] ReadFonts read_fonts(const JsonDocument& document, const std::vector<ValueId>& objects, Faults& faults);

/// Refuses the names of fonts that nodes say and none of these is.
void refuse_unknown_fonts(const JsonDocument& document, const std::vector<std::string>& names, Faults& faults);

}  // namespace fond_ladder::inline v0::scene
