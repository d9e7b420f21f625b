// SPDX-License-Identifier: MIT
#pragma once

// How quantities run over a whole way from a small container to a large one, proved: between the sizes at which some
// decision of the solve is another one, every size and place runs straight.

#include <optional>
#include <string>
#include <utility>
#include <vector>

#include "fond_ladder/quantity.hpp"
#include "fond_ladder/scene.hpp"
#include "fond_ladder/variant.hpp"
#include "verify/ladder/trail.hpp"

namespace fond_ladder::inline v0 {

/// A part of the way over which a quantity runs in one manner. `t` pixels behind its beginning it is value + slope * t;
/// or it bends, and is known at some sizes.
struct Run {
  double from = 0, to = 0;
  std::optional<double> value{};  ///< none where its node has no place
  double slope = 0;
  bool sampled = false;                              ///< it hangs on something that bends, and is known at some sizes
  bool bends = false;                                ///< it follows a curve; value and slope are those at the beginning
  std::vector<std::pair<double, double>> samples{};  ///< of one that bends: sizes inside, rising, and the values there
  double end = 0, end_slope = 0;                     ///< the same at its end

  /// The value at `from` itself, where that is none of the run's: what jumps there does so behind it.
  std::optional<std::optional<double>> at_from{};

  /// At a size of the run as it goes on; its end is the limit from below, its beginning that from above.
  [[nodiscard]] std::optional<double> at(double size) const;
  /// What is measured at a size of the run.
  [[nodiscard]] std::optional<double> measured_at(double size) const {
    return at_from && size == from ? *at_from : at(size);
  }
};
/// All runs of a quantity, from the beginning of the way to its end without a gap; the last one has no length where the
/// quantity is another one at the very end.
using Runs = std::vector<Run>;

/// Whether something measured is what was expected, or neither is there.
[[nodiscard]] bool is_same(const std::optional<double>& value, const std::optional<double>& expected);

/// The run at a size: where two meet, the later one.
[[nodiscard]] const Run& run_at(const Runs& runs, double size);

/// Puts the runs of the next part of a way behind those of the first.
void append(Runs& runs, Runs&& more);

struct Followed {
  std::vector<Runs> runs;  ///< of the quantities, in their order
  struct Decision {
    double at = 0;
    NodeId node;  ///< the node in whose arrangement another decision is made from there on
  };
  std::vector<Decision> decisions;     ///< rising
  std::vector<Interval> sampled;       ///< where decisions hang on something that bends: there nothing is proved
  std::vector<Interval> read_sampled;  ///< where only what is read off for some quantity does
};

/// Follows quantities over places from one up to a larger one, in parts that are the same for any number of threads;
/// 0: one per core. None if nothing can be proved: custom content that does not return how far its answers hold,
/// or more decisions than it would take solves to sample all sizes.
[[nodiscard]] std::optional<Followed> follow(const MakeTrail& make_trail, const std::vector<Quantity>& quantities,
                                             const Interval& span, unsigned threads, const Progress& progress);

/// Within this of a place where something breaks, lines of the solve hold by their tolerance what does not fit.
[[nodiscard]] double doubtful(double size);
/// Removes intervals of that length or less: nothing can be said about their inside.
void drop_doubtful(std::vector<Interval>& stretches);
/// A size that somebody wrote, where rounding put it beside.
[[nodiscard]] double exactly(double size);

}  // namespace fond_ladder::inline v0
