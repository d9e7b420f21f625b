// SPDX-License-Identifier: MIT
#include "solve/passes/traced_solve.hpp"

#include "solve/passes/node_ranges.hpp"
#include "solve/passes/run_all.hpp"

namespace fond_ladder::inline v0::detail {
namespace {

/// A side on which a range bounds the container: whether it is below the bound from here on, and up to where it stays
/// so. Returns the side as it is seen a little further on.
double looked_at(const NodeForms& forms, const TracedNumber& side, std::optional<double> Range::*from,
                 std::optional<double> Range::*below) {
  double seen = side.value();
  for (const Range& range : forms.ranges()) {
    for (const std::optional<double>& bound : {range.*from, range.*below}) {
      if (!bound) continue;
      const bool is_below = side < *bound;
      if (is_below == (seen < *bound)) continue;
      seen = is_below ? std::nextafter(*bound, 0.0) : *bound;
    }
  }
  return seen;
}

}  // namespace

void TracedSolve::run(const TreeStore& store, const TracedNumber& width, const std::optional<TracedNumber>& height,
                      const std::vector<std::string>& modes, Region* region) {
  decision_trace_ = {};
  decision_trace_.region = region;
  state_.dragged = nullptr;
  solve(store, width, height, modes);
}

void TracedSolve::run(const TreeStore& store, const std::optional<double>& width, const std::optional<double>& height,
                      const std::vector<std::string>& modes, DraggedSetting& setting) {
  decision_trace_ = {};
  state_.dragged = &setting;
  const auto still = [](const std::optional<double>& side) {
    return side ? std::optional(TracedNumber(*side)) : std::nullopt;
  };
  solve(store, still(width), still(height), modes);
}

void TracedSolve::solve(const TreeStore& store, const std::optional<TracedNumber>& width,
                        const std::optional<TracedNumber>& height, const std::vector<std::string>& modes) {
  const Tracing tracing(decision_trace_);
  clear_results(state_, store.flat().size());
  make_room(state_, scratch_, store);
  see_ranges(store, width, height, modes);
  SolveContextOf<TracedNumber> context(store, state_, scratch_, changes_);
  NodeRangesOf<TracedNumber> node_ranges(context, state_);
  if (state_.forms.has_scopes()) context.node_ranges = &node_ranges;
  run_all<TracedNumber>(context, store.flat(), width, height);
}

/// Puts the forms in that hold from here on.
void TracedSolve::see_ranges(const TreeStore& store, const std::optional<TracedNumber>& width,
                             const std::optional<TracedNumber>& height, const std::vector<std::string>& modes) {
  const NodeForms& forms = store.forms();
  ContainerSize container_size;
  if (width) container_size.width = looked_at(forms, *width, &Range::from_width, &Range::below_width);
  if (height) container_size.height = looked_at(forms, *height, &Range::from_height, &Range::below_height);
  forms.find_holding(container_size, modes, holding_);
  if (forms.empty()) return state_.forms.end();
  state_.forms.begin(store, holding_);
  state_.own_resolved.assign(state_.forms.own.size(), {});
  if (state_.dragged == nullptr) return;
  if (!state_.dragged->begin_forms(state_.forms)) decision_trace_.opaque = true;
}

void TracedSolve::drag(double by, double second_slope) {
  if (state_.dragged != nullptr) state_.dragged->drag(by);
  const auto drag_all = [&](std::vector<TracedNumber>& numbers) {
    for (TracedNumber& number : numbers) number = number.further(by, second_slope);
  };
  for_each_number(state_, drag_all);
  for (std::vector<EdgeSpaceOf<TracedNumber>>* edges : {&state_.resolved, &state_.own_resolved}) {
    for (EdgeSpaceOf<TracedNumber>& one : *edges) {
      for (std::array<SidesOf<TracedNumber>, 2>* both : {&one.margin, &one.inset}) {
        for (SidesOf<TracedNumber>& sides : *both) {
          sides = {sides.before.further(by, second_slope), sides.after.further(by, second_slope)};
        }
      }
    }
  }
}

}  // namespace fond_ladder::inline v0::detail
