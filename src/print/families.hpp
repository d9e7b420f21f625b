// SPDX-License-Identifier: MIT
#pragma once

#include <cstddef>
#include <string>
#include <vector>

#include "print/json_writer.hpp"

namespace fond_ladder::inline v0 {

/// The font families of a machine: all, or those with a part in their name.
struct Families {
  std::vector<std::string> names;
  std::size_t all = 0;  ///< how many there are
  std::string part;     ///< that was asked for; empty: none
};
[[nodiscard]] std::string families_text(const Families& families);
void write_families(JsonWriter& json, const Families& families);

}  // namespace fond_ladder::inline v0
