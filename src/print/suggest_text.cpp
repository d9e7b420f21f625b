// SPDX-License-Identifier: MIT
#include "print/suggest_text.hpp"

#include <fmt/format.h>

#include "model/json_text.hpp"
#include "model/number_text.hpp"
#include "model/printable.hpp"

namespace fond_ladder::inline v0 {

std::string suggestion(const std::vector<std::string>& claims, const Ladder& ladder, const std::string& scope) {
  if (claims.empty()) return "nothing to suggest: the scene already claims everything that looks intended\n";
  std::vector<std::string> quoted;
  for (const std::string& claim : claims) quoted.push_back(json_text(claim));
  return fmt::format("// {} from {} to {} wide{}; keep what you intend\n\"claims\": [\n  {}\n]\n",
                     claims.size() == 1 ? "1 claim that holds" : fmt::format("{} claims that hold", claims.size()),
                     exact(ladder.width.from), exact(ladder.width.to), printable(scope), fmt::join(quoted, ",\n  "));
}

}  // namespace fond_ladder::inline v0
