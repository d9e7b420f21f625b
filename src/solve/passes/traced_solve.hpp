// SPDX-License-Identifier: MIT
#pragma once

// A solve that knows how it goes on: every size and place with its slopes, and how far the decisions hold behind which
// these slopes stand. Everything is arranged anew each time; whoever asks for many sizes asks for few of these.

#include <optional>
#include <string>
#include <vector>

#include "model/tree_store.hpp"
#include "solve/numbers/traced_number.hpp"
#include "solve/passes/finished.hpp"
#include "solve/state/dragged_setting.hpp"

namespace fond_ladder::inline v0::detail {

class TracedSolve {
 public:
  /// Arranges a tree, its container moving as its sides do; an absent side is by content. From here to
  /// `decision_trace().ahead` there is no breakpoint: each size and position is value + slope * t, unless the trace is
  /// curved or opaque. With a region, which is relative to here, both sides may be dragged; it is cut down to where
  /// nothing turns.
  void run(const TreeStore& store, const TracedNumber& width, const std::optional<TracedNumber>& height,
           const std::vector<std::string>& modes, Region* region = nullptr);
  /// The same where a setting of that tree is dragged instead of the container; `setting` stays with the results.
  void run(const TreeStore& store, const std::optional<double>& width, const std::optional<double>& height,
           const std::vector<std::string>& modes, DraggedSetting& setting);
  /// Moves the sides on, within the decision trace; for traces without curves.
  void drag(double by, double second_slope = 0);

  [[nodiscard]] const DecisionTrace& decision_trace() const { return decision_trace_; }
  /// What was found, until the next run or edit.
  [[nodiscard]] ViewOf<TracedNumber> view(const TreeStore& store) const { return {store, state_}; }
  [[nodiscard]] const FormRecords& forms() const { return state_.forms; }
  /// The ranges that hold and the modes that are on, by condition of the tree.
  [[nodiscard]] const std::vector<bool>& holding() const { return holding_; }

 private:
  void solve(const TreeStore& store, const std::optional<TracedNumber>& width,
             const std::optional<TracedNumber>& height, const std::vector<std::string>& modes);
  void see_ranges(const TreeStore& store, const std::optional<TracedNumber>& width,
                  const std::optional<TracedNumber>& height, const std::vector<std::string>& modes);

  StateOf<TracedNumber> state_;
  ScratchOf<TracedNumber> scratch_;
  ChangeLog changes_;
  std::vector<bool> holding_;
  DecisionTrace decision_trace_;
};

}  // namespace fond_ladder::inline v0::detail
