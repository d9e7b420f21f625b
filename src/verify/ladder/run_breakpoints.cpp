// SPDX-License-Identifier: MIT
#include "verify/ladder/run_breakpoints.hpp"

#include <cmath>

#include "model/limits.hpp"

namespace fond_ladder::inline v0 {
namespace {

/// Curves that go on into one another are one.
bool curves_on(const Run& before, const Run& behind) {
  constexpr double tolerance = 1e-4;
  return before.bends && behind.bends && behind.value && std::abs(before.end - *behind.value) <= tolerance &&
         std::abs(before.end_slope - behind.slope) <= tolerance;
}

Breakpoint curve_of(const Run& run) {
  Breakpoint breakpoint;
  breakpoint.kind = BreakpointKind::curve;
  breakpoint.at = exactly(run.from);
  breakpoint.to = exactly(run.to);
  breakpoint.before = run.value;
  breakpoint.after = run.end;
  breakpoint.slope_before = run.slope;
  breakpoint.slope_after = run.end_slope;
  return breakpoint;
}

/// Where the line of a run comes to, were it longer.
double line_at(const Run& run, double size) {
  return run.bends ? run.end + run.end_slope * (size - run.to) : *run.value + run.slope * (size - run.from);
}

/// Whether a run that is too short to report goes on from the one before without a jump.
bool leads_on(const Run& before, const Run& brief) {
  if (!before.value || !brief.value) return before.value.has_value() == brief.value.has_value();
  const double slack = limits::least_bend + std::abs(brief.slope) * doubtful(brief.from);
  return std::abs(*brief.value - line_at(before, brief.from)) <= slack;
}

/// What happens where one run meets another, if anything does. `meets` is where the first ends, and those too short to
/// report that go on from it.
std::optional<Breakpoint> breakpoint_between(const Run& before, const Run& behind, double meets) {
  if (!before.value && !behind.value) return {};
  Breakpoint breakpoint;
  breakpoint.kind = BreakpointKind::jump;
  breakpoint.at = breakpoint.to = exactly(meets);
  breakpoint.slope_before = !before.value ? 0 : before.bends ? before.end_slope : before.slope;
  breakpoint.slope_after = behind.value ? behind.slope : 0;
  if (before.value) breakpoint.before = line_at(before, breakpoint.at);
  if (behind.value) breakpoint.after = *behind.value + behind.slope * (breakpoint.at - behind.from);
  breakpoint.includes_at = !behind.at_from;
  if (!before.value || !behind.value) return breakpoint;
  const double off = std::abs(*breakpoint.after - *breakpoint.before),
               steeper = std::abs(breakpoint.slope_after - breakpoint.slope_before);
  const double slack = limits::least_bend + limits::least_relative_bend * std::abs(*breakpoint.after) +
                       (1 + steeper) * (behind.from - meets + doubtful(behind.from));
  if (off > slack) return breakpoint;
  if (steeper <= limits::least_bend || before.bends || behind.bends) return {};
  breakpoint.kind = BreakpointKind::bend;
  // Exactly where both lines meet.
  const double crossing = before.from + (*behind.value - behind.slope * (behind.from - before.from) - *before.value) /
                                            (before.slope - behind.slope);
  if (std::abs(crossing - behind.from) <= 2 * doubtful(behind.from) + (behind.from - meets)) {
    constexpr double tolerance = 1e-7;  // breakpoints within this distance are one
    if (std::abs(crossing - breakpoint.at) > tolerance) breakpoint.at = breakpoint.to = crossing;
    breakpoint.before = breakpoint.after = line_at(before, breakpoint.at);
  }
  return breakpoint;
}

/// From one value to another at a size.
Breakpoint jump_at(double at, const std::optional<double>& before, const std::optional<double>& after) {
  Breakpoint breakpoint;
  breakpoint.kind = BreakpointKind::jump;
  breakpoint.at = breakpoint.to = exactly(at);
  breakpoint.before = before;
  breakpoint.after = after;
  return breakpoint;
}

/// Whether a run is at its beginning what it is neither before nor behind.
bool begins_alone(const Run* before, const Run& run) {
  return run.at_from && (before == nullptr || !is_same(before->at(run.from), *run.at_from));
}

/// There it comes and goes; ahead of the first run it only goes.
void add_what_is_there_alone(const Run* before, const Run& run, std::vector<Breakpoint>& breakpoints) {
  if (before != nullptr) breakpoints.push_back(jump_at(run.from, before->at(run.from), *run.at_from));
  Breakpoint behind = jump_at(run.from, *run.at_from, run.value);
  behind.slope_after = run.slope;
  behind.includes_at = false;
  breakpoints.push_back(std::move(behind));
}

}  // namespace

std::vector<Breakpoint> breakpoints_of(const Runs& runs) {
  std::vector<Breakpoint> breakpoints;
  const Run* before = nullptr;
  constexpr std::size_t none = static_cast<std::size_t>(-1);
  std::size_t curve = none;  // the breakpoint at which the run before ends
  double meets = 0;
  for (const Run& run : runs) {
    if (run.to - run.from <= doubtful(run.from) && &run != &runs.back()) {
      if (before != nullptr && meets == run.from && leads_on(*before, run)) meets = run.to;
      continue;
    }
    if (begins_alone(before, run)) add_what_is_there_alone(before, run, breakpoints);
    if (before != nullptr) {
      if (curves_on(*before, run) && curve != none) {
        Breakpoint& on = breakpoints[curve];
        on.to = exactly(run.to);
        on.after = run.end;
        on.slope_after = run.end_slope;
        before = &run;
        meets = run.to;
        continue;
      }
      if (!begins_alone(before, run)) {
        if (auto breakpoint = breakpoint_between(*before, run, meets)) breakpoints.push_back(std::move(*breakpoint));
      }
      if (curve != none && run.value && !run.bends) breakpoints[curve].slope_after = run.slope;
    }
    curve = none;
    if (run.bends && run.value) {
      curve = breakpoints.size();
      breakpoints.push_back(curve_of(run));
    }
    before = &run;
    meets = run.to;
  }
  return breakpoints;
}

}  // namespace fond_ladder::inline v0
