// SPDX-License-Identifier: MIT
#include <ostream>

#include "fond_ladder/breakpoint.hpp"
#include "model/number_text.hpp"

namespace fond_ladder::inline v0 {

std::ostream& operator<<(std::ostream& out, const Breakpoint& breakpoint) {
  const auto text = [](const std::optional<double>& value) { return value ? rounded(*value) : std::string("hidden"); };
  out << (breakpoint.includes_at ? "at " : "above ") << rounded(breakpoint.at) << ": " << breakpoint.name;
  switch (breakpoint.kind) {
    case BreakpointKind::jump:
      out << " jumps from " << text(breakpoint.before) << " to " << text(breakpoint.after);
      break;
    case BreakpointKind::bend:
      out << " bends at " << text(breakpoint.after) << ", its slope from " << rounded(breakpoint.slope_before) << " to "
          << rounded(breakpoint.slope_after);
      break;
    case BreakpointKind::curve: out << " follows a curve up to " << rounded(breakpoint.to); break;
  }
  if (!breakpoint.why.empty()) out << ": " << breakpoint.why;
  return out;
}

}  // namespace fond_ladder::inline v0
