// SPDX-License-Identifier: MIT
#include "print/families.hpp"

#include <fmt/format.h>

#include "model/json_text.hpp"
#include "model/printable.hpp"

namespace fond_ladder::inline v0 {

std::string families_text(const Families& families) {
  const auto counted = [](std::size_t count) {
    return count == 1 ? "1 font family" : fmt::format("{} font families", count);
  };
  std::string text = families.part.empty()
                         ? counted(families.all) + " on this machine\n"
                         : fmt::format("{} of {} on this machine with \"{}\" in the name\n",
                                       counted(families.names.size()), families.all, printable(families.part));
  if (families.names.empty()) return text;
  text += '\n';
  for (const std::string& family : families.names) text += "  " + printable(family) + "\n";
  const std::string one = families.part.empty() ? "sans-serif" : families.names.front();
  text += fmt::format(R"(
in a scene: "text_metrics": "fonts", "fonts": {{"body": {{"family": {}}}}}
)",
                      printable(json_text(one)));
  return text + "sans-serif, serif and monospace work too: each is the family that this machine uses for it\n";
}

void write_families(JsonWriter& json, const Families& families) {
  json.texts("families", families.names);
}

}  // namespace fond_ladder::inline v0
