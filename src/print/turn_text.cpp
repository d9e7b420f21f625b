// SPDX-License-Identifier: MIT
#include <ostream>

#include "fond_ladder/turn.hpp"
#include "model/number_text.hpp"

namespace fond_ladder::inline v0 {

std::ostream& operator<<(std::ostream& out, const Turn& turn) {
  const auto text = [](const std::optional<double>& value) { return value ? rounded(*value) : std::string("hidden"); };
  out << (turn.includes_at ? "at " : "above ") << rounded(turn.at) << ": " << turn.name;
  switch (turn.kind) {
    case TurnKind::jump: out << " jumps from " << text(turn.before) << " to " << text(turn.after); break;
    case TurnKind::bend:
      out << " bends at " << text(turn.after) << ", its slope from " << rounded(turn.slope_before) << " to "
          << rounded(turn.slope_after);
      break;
    case TurnKind::curve: out << " follows a curve up to " << rounded(turn.to); break;
  }
  if (!turn.cause.empty()) out << ": " << turn.cause;
  return out;
}

}  // namespace fond_ladder::inline v0
