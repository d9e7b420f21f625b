// SPDX-License-Identifier: MIT
//
// Sizes are solved in runs of neighbours, a run at a time on each thread: a solver that goes from one size to the next
// keeps what does not depend on the container. Then the regions in which something is bent are shared out likewise, and
// what lies behind each turn is asked of two solvers, one on each side of it.
#include "fond_ladder/climb.hpp"

#include <algorithm>
#include <cmath>
#include <map>
#include <ostream>

#include "model/limits.hpp"
#include "model/number_text.hpp"
#include "verify/climb/by_samples.hpp"
#include "verify/climb/causes.hpp"
#include "verify/climb/climb_along.hpp"
#include "verify/climb/told_cause.hpp"
#include "verify/ladder/run_turns.hpp"
#include "verify/ladder/rungs.hpp"
#include "verify/ladder/straight.hpp"
#include "verify/ladder/stretches.hpp"
#include "verify/ladder/workers.hpp"
#include "verify/measure/lists.hpp"
#include "verify/measure/measuring.hpp"

namespace fond_ladder::inline v0 {
namespace {

class Climber {
 public:
  Climber(const ClimbedWay& way, std::vector<Quantity> quantities, const ClimbOptions& options)
      : way_(way),
        scene_(way.scene),
        quantities_(std::move(quantities)),
        measuring_(quantities_),
        options_(options),
        threads_(thread_count(options.threads)) {}

  Climb climb() {
    if (std::optional<Climb> proved = climb_by_stretches()) return std::move(*proved);
    return sample();
  }

  /// At every whole place.
  Climb sample() {
    sizes_ = whole_numbers(way_.span);
    const std::size_t inside = sizes_.size(), ahead = add_beyond();
    solve_all();
    find_turns();
    Climb climbed;
    climbed.sampled = {way_.span};
    climbed.steps.reserve(inside);
    for (std::size_t i = ahead; i < ahead + inside; ++i) {
      climbed.steps.push_back({containers_[i], std::move(values_[i]), sizes_[i]});
    }
    climbed.found = std::move(turns_);
    climbed.quantities = std::move(quantities_);
    return climbed;
  }

 private:
  /// The climb as its stretches prove it; nothing where they cannot.
  std::optional<Climb> climb_by_stretches() {
    const auto hangs = [&](const Quantity& quantity) { return hangs_on_entries(scene_.tree, quantity); };
    if (has_lists(scene_.tree) && std::ranges::any_of(quantities_, hangs)) return {};
    std::vector<Quantity> followed_too = quantities_;
    for (const Measure side : {Measure::width, Measure::height}) followed_too.push_back({scene_.tree.root(), side, {}});
    const Span& span = way_.span;
    const std::vector<double> sizes = whole_numbers(span);
    constexpr double further = 2;  // what happens at the ends is seen
    const Span wider{std::max(way_.possible.from, span.from - further), std::min(span.to + further, way_.possible.to)};
    const std::optional<Followed> followed = follow(way_.trail, followed_too, wider, threads_, options_.progress);
    if (!followed) return {};
    Climb climbed;
    climbed.steps.resize(sizes.size());
    for (std::size_t i = 0; i < sizes.size(); ++i) {
      climbed.steps[i].values.resize(quantities_.size());
      climbed.steps[i].at = sizes[i];
    }
    for (std::size_t q = 0; q < followed_too.size(); ++q) {
      const Runs& runs = followed->runs[q];
      std::size_t at = 0;
      for (std::size_t i = 0; i < sizes.size(); ++i) {
        while (at + 1 < runs.size() && runs[at + 1].from <= sizes[i]) ++at;
        const std::optional<double> value = runs[at].measured_at(sizes[i]);
        Extent& container = climbed.steps[i].container;
        if (q < quantities_.size()) {
          climbed.steps[i].values[q] = value;
        } else {
          (followed_too[q].measure == Measure::width ? container.width : container.height) = value.value_or(0);
        }
      }
      if (q >= quantities_.size()) continue;
      for (Turn& turn : turns_of(runs)) {
        if (turn.to < span.from || turn.at > span.to) continue;
        if (turn.at < span.from) {  // a curve may have begun before the ladder does
          turn.at = span.from;
          turn.before = run_at(runs, span.from).at(span.from);
        }
        if (turn.to > span.to) {
          turn.to = span.to;
          turn.after = run_at(runs, span.to).at(span.to);
        }
        turn.quantity = q;
        turns_.push_back(std::move(turn));
      }
    }
    order_turns();
    for (const std::vector<Span>* spans : {&followed->sampled, &followed->read_sampled}) {
      for (const Span& part : *spans) {
        const Span inside{std::max(part.from, span.from), std::min(part.to, span.to)};
        if (inside.from <= inside.to) climbed.sampled.push_back(inside);
      }
    }
    climbed.sampled = joined(std::move(climbed.sampled));
    drop_doubtful(climbed.sampled);
    decisions_ = followed->decisions;
    if (options_.causes) {
      const std::unique_ptr<Trail> below = way_.trail(), above = way_.trail();
      add_causes(turns_, *below, *above);
    }
    for (Turn& turn : turns_) turn.name = quantities_[turn.quantity].text;
    climbed.found = std::move(turns_);
    climbed.quantities = std::move(quantities_);
    return climbed;
  }

  /// By size, then by quantity; what happens at one place but for rounding is told at one.
  void order_turns() {
    std::ranges::stable_sort(turns_, {}, &Turn::at);
    constexpr double alike = 1e-7;
    for (std::size_t i = 1; i < turns_.size(); ++i) {
      if (turns_[i].kind != TurnKind::curve && turns_[i].at - turns_[i - 1].at <= alike) {
        turns_[i].at = turns_[i].to = turns_[i - 1].at;
      }
    }
    std::ranges::stable_sort(
        turns_, [](const Turn& a, const Turn& b) { return a.at != b.at ? a.at < b.at : a.quantity < b.quantity; });
  }

  /// Two sizes beyond each end, so that what happens at the ends is seen. Returns how many are ahead.
  std::size_t add_beyond() {
    const Span& span = way_.span;
    std::vector<double> all;
    for (const double size : {span.from - 2, span.from - 1}) {
      if (size >= way_.possible.from) all.push_back(size);
    }
    const std::size_t ahead = all.size();
    all.insert(all.end(), sizes_.begin(), sizes_.end());
    for (const double size : {span.to + 1, span.to + 2}) {
      if (size <= way_.possible.to) all.push_back(size);
    }
    sizes_ = std::move(all);
    return ahead;
  }

  void solve_all() {
    constexpr std::size_t run = 64;
    values_.resize(sizes_.size());
    containers_.resize(sizes_.size());
    WorkTally tally(sizes_.size(), options_.progress);
    in_parallel(threads_, (sizes_.size() + run - 1) / run, [&] {
      return [&, trail = way_.trail()](std::size_t piece) {
        const std::size_t end = std::min(sizes_.size(), (piece + 1) * run);
        for (std::size_t i = piece * run; i < end; ++i) {
          const Solution solution = trail->solve(sizes_[i]);
          values_[i] = measuring_(solution);
          containers_[i] = solution.container();
        }
        tally.add(end - piece * run);
      };
    });
  }

  void find_turns() {
    const Span& span = way_.span;
    const std::vector<BentStretch> regions = bent_regions(sizes_, values_);
    std::vector<std::vector<Turn>> turns(regions.size());
    in_parallel(threads_, regions.size(), [&] {
      return [&, below = way_.trail(), above = way_.trail()](std::size_t piece) {
        std::map<double, Values> sampled;
        turns[piece] = turns_in(regions[piece], sizes_, values_, [&](double size) -> const Values& {
          const auto whole = std::ranges::lower_bound(sizes_, size);
          if (whole != sizes_.end() && *whole == size) return values_[static_cast<std::size_t>(whole - sizes_.begin())];
          const auto [at, is_new] = sampled.try_emplace(size);
          if (is_new) at->second = measuring_(below->solve(size));
          return at->second;
        });
        std::erase_if(turns[piece], [&](const Turn& turn) { return turn.to < span.from || turn.at > span.to; });
        for (Turn& turn : turns[piece]) {  // a curve may have begun before the ladder does
          turn.at = std::max(turn.at, span.from);
          turn.to = std::min(turn.to, span.to);
        }
        if (options_.causes) add_causes(turns[piece], *below, *above);
      };
    });
    for (std::vector<Turn>& of_region : turns) {
      for (Turn& turn : of_region) {
        turn.name = quantities_[turn.quantity].text;
        turns_.push_back(std::move(turn));
      }
    }
  }

  /// The sizes next to a turn, on both its sides.
  [[nodiscard]] std::pair<double, double> sides_of(const Turn& turn) const {
    // What is done only above a size is not before a line has used its tolerance up.
    const double further = turn.includes_at ? 2 : 16;
    const double onward = turn.at + further * limits::line_tolerance * std::max(1.0, std::abs(turn.at));
    const double high = turn.kind == TurnKind::jump && !way_.changes_inside ? onward : turn.at + way_.beside;
    return {std::max(way_.possible.from, turn.at - way_.beside), std::min(high, way_.possible.to)};
  }

  /// What the solve decides otherwise at a size, from those that a climb by stretches has met.
  [[nodiscard]] std::string decided_at(double at) const {
    const double near = doubtful(at) * 2;
    const auto decision = std::ranges::lower_bound(decisions_, at - near, {}, &Followed::Decision::at);
    if (decision == decisions_.end() || decision->at > at + near) return "";
    return decided_in(scene_, decision->node);
  }

  void add_causes(std::vector<Turn>& turns, Trail& below, Trail& above) const {
    std::vector<Cause> causes;
    std::optional<std::pair<double, double>> known;
    std::optional<Solution> at_low, at_high;
    for (Turn& turn : turns) {
      if (turn.kind == TurnKind::curve) {
        turn.cause = way_.curve_cause;
        continue;
      }
      const auto sides = sides_of(turn);
      if (known != sides) {
        at_low = below.solve(sides.first);
        at_high = above.solve(sides.second);
        causes = causes_between(*at_low, *at_high, below.active(), above.active(),
                                (turn.at - sides.first) / (sides.second - sides.first), way_.changes_inside);
        known = sides;
      }
      const Quantity& quantity = quantities_[turn.quantity];
      if (quantity.measure == Measure::cut) turn.cause = cut_cause(*at_low, *at_high, quantity.node);
      if (quantity.measure == Measure::shown) turn.cause = sight_cause(*at_low, *at_high, quantity.node);
      const Turned turned{quantity.node, quantity.measure, turn.kind == TurnKind::jump};
      if (turn.cause.empty()) turn.cause = nearest_cause(causes, scene_.tree, turned);
      if (turn.cause.empty()) turn.cause = decided_at(turn.at);
      if (turn.cause.empty() && quantity.measure == Measure::cut)
        turn.cause = "another part of `" + scene_.tree.tail(quantity.node) + "` sticks out most";
    }
  }

  const ClimbedWay& way_;
  const Scene& scene_;
  std::vector<Quantity> quantities_;
  Measuring measuring_;
  const ClimbOptions& options_;
  unsigned threads_;
  std::vector<double> sizes_;
  std::vector<Values> values_;
  std::vector<Extent> containers_;
  std::vector<Turn> turns_;
  std::vector<Followed::Decision> decisions_;
};

}  // namespace

Climb climb(const Scene& scene, const std::vector<Rung>& rungs, const std::vector<std::string>& quantities,
            const std::vector<std::string>& modes) {
  Climb climbed;
  climbed.quantities = parse_quantities(scene.tree, quantities);
  const Measuring measuring(climbed.quantities);
  SceneSolver solver(scene, modes);
  for (const Rung& rung : rungs) {
    const Solution solution = solver.solve(rung);
    climbed.steps.push_back({solution.container(), measuring(solution), solution.container().width});
  }
  return climbed;
}

Climb climb(const Scene& scene, const Ladder& ladder, const std::vector<std::string>& quantities,
            const ClimbOptions& options) {
  return climb_quantities(scene, ladder, parse_quantities(scene.tree, quantities), options);
}

Climb climb_along(const ClimbedWay& way, std::vector<Quantity> quantities, const ClimbOptions& options) {
  return Climber(way, std::move(quantities), options).climb();
}

namespace {

/// How a climb of a ladder does it: proved where it can be, or at every whole size.
using ClimbBy = Climb (Climber::*)();

Climb climb_ladder(const Scene& scene, const Ladder& ladder, std::vector<Quantity> quantities,
                   const ClimbOptions& options, ClimbBy by) {
  const Span span = options.along_height ? ladder.height.value_or(Span()) : ladder.width;
  require_climbable(span);
  const std::optional<double> lowest = ladder.height ? std::optional(ladder.height->from) : std::nullopt;
  const Way way{options.along_height, options.along_height ? std::optional(ladder.width.to) : lowest};
  const ClimbedWay climbed_way{scene,
                               trail_of(scene, options.modes, way),
                               span,
                               {0, limits::largest_length},
                               "sizes in percent shrink or grow together with lengths here",
                               limits::turn_step};
  Climber climber(climbed_way, std::move(quantities), options);
  Climb climbed = (climber.*by)();
  climbed.along_height = options.along_height;
  for (Climb::Step& step : climbed.steps) {
    (options.along_height ? step.container.height : step.container.width) = step.at;
  }
  return climbed;
}

}  // namespace

Climb climb_quantities(const Scene& scene, const Ladder& ladder, std::vector<Quantity> quantities,
                       const ClimbOptions& options) {
  return climb_ladder(scene, ladder, std::move(quantities), options, &Climber::climb);
}

Climb climb_by_samples(const Scene& scene, const Ladder& ladder, std::vector<Quantity> quantities,
                       const ClimbOptions& options) {
  return climb_ladder(scene, ladder, std::move(quantities), options, &Climber::sample);
}

}  // namespace fond_ladder::inline v0
