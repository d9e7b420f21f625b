// SPDX-License-Identifier: MIT
#include "verify/ladder/run_turns.hpp"

#include <cmath>

#include "model/limits.hpp"

namespace fond_ladder::inline v0 {
namespace {

/// Curves that go on into one another are one.
bool curves_on(const Run& before, const Run& behind) {
  constexpr double alike = 1e-4;
  return before.bends && behind.bends && behind.value && std::abs(before.end - *behind.value) <= alike &&
         std::abs(before.end_slope - behind.slope) <= alike;
}

Turn curve_of(const Run& run) {
  Turn turn;
  turn.kind = TurnKind::curve;
  turn.at = exactly(run.from);
  turn.to = exactly(run.to);
  turn.before = run.value;
  turn.after = run.end;
  turn.slope_before = run.slope;
  turn.slope_after = run.end_slope;
  return turn;
}

/// Where the line of a run comes to, were it longer.
double line_at(const Run& run, double size) {
  return run.bends ? run.end + run.end_slope * (size - run.to) : *run.value + run.slope * (size - run.from);
}

/// Whether a run that is too short to tell goes on from the one before without a jump.
bool leads_on(const Run& before, const Run& brief) {
  if (!before.value || !brief.value) return before.value.has_value() == brief.value.has_value();
  const double slack = limits::least_bend + std::abs(brief.slope) * doubtful(brief.from);
  return std::abs(*brief.value - line_at(before, brief.from)) <= slack;
}

/// What happens where one run meets another, if anything does. `meets` is where the first ends, and those too short to
/// tell that go on from it.
std::optional<Turn> turn_between(const Run& before, const Run& behind, double meets) {
  if (!before.value && !behind.value) return {};
  Turn turn;
  turn.kind = TurnKind::jump;
  turn.at = turn.to = exactly(meets);
  turn.slope_before = !before.value ? 0 : before.bends ? before.end_slope : before.slope;
  turn.slope_after = behind.value ? behind.slope : 0;
  if (before.value) turn.before = line_at(before, turn.at);
  if (behind.value) turn.after = *behind.value + behind.slope * (turn.at - behind.from);
  turn.includes_at = !behind.at_from;
  if (!before.value || !behind.value) return turn;
  const double off = std::abs(*turn.after - *turn.before), steeper = std::abs(turn.slope_after - turn.slope_before);
  const double slack = limits::least_bend + limits::least_relative_bend * std::abs(*turn.after) +
                       (1 + steeper) * (behind.from - meets + doubtful(behind.from));
  if (off > slack) return turn;
  if (steeper <= limits::least_bend || before.bends || behind.bends) return {};
  turn.kind = TurnKind::bend;
  // Exactly where both lines meet.
  const double crossing = before.from + (*behind.value - behind.slope * (behind.from - before.from) - *before.value) /
                                            (before.slope - behind.slope);
  if (std::abs(crossing - behind.from) <= 2 * doubtful(behind.from) + (behind.from - meets)) {
    constexpr double alike = 1e-7;  // what meets at one place is told at one
    if (std::abs(crossing - turn.at) > alike) turn.at = turn.to = crossing;
    turn.before = turn.after = line_at(before, turn.at);
  }
  return turn;
}

/// From one value to another at a size.
Turn jump_at(double at, const std::optional<double>& before, const std::optional<double>& after) {
  Turn turn;
  turn.kind = TurnKind::jump;
  turn.at = turn.to = exactly(at);
  turn.before = before;
  turn.after = after;
  return turn;
}

/// Whether a run is at its beginning what it is neither before nor behind.
bool begins_alone(const Run* before, const Run& run) {
  return run.at_from && (before == nullptr || !is_same(before->at(run.from), *run.at_from));
}

/// There it comes and goes; ahead of the first run it only goes.
void add_what_is_there_alone(const Run* before, const Run& run, std::vector<Turn>& turns) {
  if (before != nullptr) turns.push_back(jump_at(run.from, before->at(run.from), *run.at_from));
  Turn behind = jump_at(run.from, *run.at_from, run.value);
  behind.slope_after = run.slope;
  behind.includes_at = false;
  turns.push_back(std::move(behind));
}

}  // namespace

std::vector<Turn> turns_of(const Runs& runs) {
  std::vector<Turn> turns;
  const Run* before = nullptr;
  constexpr std::size_t none = static_cast<std::size_t>(-1);
  std::size_t curve = none;  // the turn that the run before is told by
  double meets = 0;
  for (const Run& run : runs) {
    if (run.to - run.from <= doubtful(run.from) && &run != &runs.back()) {
      if (before != nullptr && meets == run.from && leads_on(*before, run)) meets = run.to;
      continue;
    }
    if (begins_alone(before, run)) add_what_is_there_alone(before, run, turns);
    if (before != nullptr) {
      if (curves_on(*before, run) && curve != none) {
        Turn& on = turns[curve];
        on.to = exactly(run.to);
        on.after = run.end;
        on.slope_after = run.end_slope;
        before = &run;
        meets = run.to;
        continue;
      }
      if (!begins_alone(before, run)) {
        if (auto turn = turn_between(*before, run, meets)) turns.push_back(std::move(*turn));
      }
      if (curve != none && run.value && !run.bends) turns[curve].slope_after = run.slope;
    }
    curve = none;
    if (run.bends && run.value) {
      curve = turns.size();
      turns.push_back(curve_of(run));
    }
    before = &run;
    meets = run.to;
  }
  return turns;
}

}  // namespace fond_ladder::inline v0
