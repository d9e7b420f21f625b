// SPDX-License-Identifier: MIT
//
// Sizes are solved in runs of neighbors, a run at a time on each thread: a solver that goes from one size to the next
// keeps what does not depend on the container. Then the regions in which something is bent are shared out likewise, and
// the cause of each breakpoint is found by two solvers, one on each side of it.
#include "fond_ladder/sweep.hpp"

#include <algorithm>
#include <cmath>
#include <map>
#include <ostream>

#include "model/limits.hpp"
#include "model/number_text.hpp"
#include "verify/ladder/container_sizes.hpp"
#include "verify/ladder/run_breakpoints.hpp"
#include "verify/ladder/straight.hpp"
#include "verify/ladder/stretches.hpp"
#include "verify/ladder/workers.hpp"
#include "verify/measure/lists.hpp"
#include "verify/measure/measuring.hpp"
#include "verify/sweep/by_samples.hpp"
#include "verify/sweep/causes.hpp"
#include "verify/sweep/nearest_cause.hpp"
#include "verify/sweep/sweep_along.hpp"

namespace fond_ladder::inline v0 {
namespace {

class Sweeper {
 public:
  Sweeper(const SweptWay& way, std::vector<Quantity> quantities, const SweepOptions& options)
      : way_(way),
        scene_(way.scene),
        quantities_(std::move(quantities)),
        measuring_(quantities_),
        options_(options),
        threads_(thread_count(options.threads)) {}

  Sweep sweep() {
    if (std::optional<Sweep> proved = sweep_by_stretches()) return std::move(*proved);
    return sample();
  }

  /// At every whole place.
  Sweep sample() {
    sizes_ = whole_numbers(way_.span);
    const std::size_t inside = sizes_.size(), ahead = add_beyond();
    solve_all();
    find_breakpoints();
    Sweep swept;
    swept.sampled = {way_.span};
    swept.steps.reserve(inside);
    for (std::size_t i = ahead; i < ahead + inside; ++i) {
      swept.steps.push_back({containers_[i], std::move(values_[i]), sizes_[i]});
    }
    swept.found = std::move(breakpoints_);
    swept.quantities = std::move(quantities_);
    return swept;
  }

 private:
  /// The sweep as its stretches prove it; nothing where they cannot.
  std::optional<Sweep> sweep_by_stretches() {
    const auto hangs = [&](const Quantity& quantity) { return hangs_on_entries(scene_.tree, quantity); };
    if (has_lists(scene_.tree) && std::ranges::any_of(quantities_, hangs)) return {};
    std::vector<Quantity> followed_too = quantities_;
    for (const Measure side : {Measure::width, Measure::height}) followed_too.push_back({scene_.tree.root(), side, {}});
    const Interval& span = way_.span;
    const std::vector<double> sizes = whole_numbers(span);
    constexpr double further = 2;  // what happens at the ends is seen
    const Interval wider{std::max(way_.possible.from, span.from - further),
                         std::min(span.to + further, way_.possible.to)};
    const std::optional<Followed> followed = follow(way_.trail, followed_too, wider, threads_, options_.progress);
    if (!followed) return {};
    Sweep swept;
    swept.steps.resize(sizes.size());
    for (std::size_t i = 0; i < sizes.size(); ++i) {
      swept.steps[i].values.resize(quantities_.size());
      swept.steps[i].at = sizes[i];
    }
    for (std::size_t q = 0; q < followed_too.size(); ++q) {
      const Runs& runs = followed->runs[q];
      std::size_t at = 0;
      for (std::size_t i = 0; i < sizes.size(); ++i) {
        while (at + 1 < runs.size() && runs[at + 1].from <= sizes[i]) ++at;
        const std::optional<double> value = runs[at].measured_at(sizes[i]);
        Extent& container = swept.steps[i].container;
        if (q < quantities_.size()) {
          swept.steps[i].values[q] = value;
        } else {
          (followed_too[q].measure == Measure::width ? container.width : container.height) = value.value_or(0);
        }
      }
      if (q >= quantities_.size()) continue;
      for (Breakpoint& breakpoint : breakpoints_of(runs)) {
        if (breakpoint.to < span.from || breakpoint.at > span.to) continue;
        if (breakpoint.at < span.from) {  // a curve may have begun before the ladder does
          breakpoint.at = span.from;
          breakpoint.before = run_at(runs, span.from).at(span.from);
        }
        if (breakpoint.to > span.to) {
          breakpoint.to = span.to;
          breakpoint.after = run_at(runs, span.to).at(span.to);
        }
        breakpoint.quantity = q;
        breakpoints_.push_back(std::move(breakpoint));
      }
    }
    order_breakpoints();
    for (const std::vector<Interval>* spans : {&followed->sampled, &followed->read_sampled}) {
      for (const Interval& part : *spans) {
        const Interval inside{std::max(part.from, span.from), std::min(part.to, span.to)};
        if (inside.from <= inside.to) swept.sampled.push_back(inside);
      }
    }
    swept.sampled = joined(std::move(swept.sampled));
    drop_doubtful(swept.sampled);
    decisions_ = followed->decisions;
    if (options_.causes) {
      const std::unique_ptr<Trail> below = way_.trail(), above = way_.trail();
      add_causes(breakpoints_, *below, *above);
    }
    for (Breakpoint& breakpoint : breakpoints_) breakpoint.name = quantities_[breakpoint.quantity].text;
    swept.found = std::move(breakpoints_);
    swept.quantities = std::move(quantities_);
    return swept;
  }

  /// By size, then by quantity; breakpoints that differ by rounding are one.
  void order_breakpoints() {
    std::ranges::stable_sort(breakpoints_, {}, &Breakpoint::at);
    constexpr double tolerance = 1e-7;
    for (std::size_t i = 1; i < breakpoints_.size(); ++i) {
      if (breakpoints_[i].kind != BreakpointKind::curve && breakpoints_[i].at - breakpoints_[i - 1].at <= tolerance) {
        breakpoints_[i].at = breakpoints_[i].to = breakpoints_[i - 1].at;
      }
    }
    std::ranges::stable_sort(breakpoints_, [](const Breakpoint& a, const Breakpoint& b) {
      return a.at != b.at ? a.at < b.at : a.quantity < b.quantity;
    });
  }

  /// Two sizes beyond each end, so that what happens at the ends is seen. Returns how many are ahead.
  std::size_t add_beyond() {
    const Interval& span = way_.span;
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

  void find_breakpoints() {
    const Interval& span = way_.span;
    const std::vector<BentStretch> regions = bent_regions(sizes_, values_);
    std::vector<std::vector<Breakpoint>> breakpoints(regions.size());
    in_parallel(threads_, regions.size(), [&] {
      return [&, below = way_.trail(), above = way_.trail()](std::size_t piece) {
        std::map<double, Values> sampled;
        breakpoints[piece] = breakpoints_in(regions[piece], sizes_, values_, [&](double size) -> const Values& {
          const auto whole = std::ranges::lower_bound(sizes_, size);
          if (whole != sizes_.end() && *whole == size) return values_[static_cast<std::size_t>(whole - sizes_.begin())];
          const auto [at, is_new] = sampled.try_emplace(size);
          if (is_new) at->second = measuring_(below->solve(size));
          return at->second;
        });
        std::erase_if(breakpoints[piece], [&](const Breakpoint& breakpoint) {
          return breakpoint.to < span.from || breakpoint.at > span.to;
        });
        for (Breakpoint& breakpoint : breakpoints[piece]) {  // a curve may have begun before the ladder does
          breakpoint.at = std::max(breakpoint.at, span.from);
          breakpoint.to = std::min(breakpoint.to, span.to);
        }
        if (options_.causes) add_causes(breakpoints[piece], *below, *above);
      };
    });
    for (std::vector<Breakpoint>& of_region : breakpoints) {
      for (Breakpoint& breakpoint : of_region) {
        breakpoint.name = quantities_[breakpoint.quantity].text;
        breakpoints_.push_back(std::move(breakpoint));
      }
    }
  }

  /// The sizes just below and just above a breakpoint.
  [[nodiscard]] std::pair<double, double> sides_of(const Breakpoint& breakpoint) const {
    // What is done only above a size is not before a line has used its tolerance up.
    const double further = breakpoint.includes_at ? 2 : 16;
    const double onward = breakpoint.at + further * limits::line_tolerance * std::max(1.0, std::abs(breakpoint.at));
    const double high =
        breakpoint.kind == BreakpointKind::jump && !way_.changes_inside ? onward : breakpoint.at + way_.beside;
    return {std::max(way_.possible.from, breakpoint.at - way_.beside), std::min(high, way_.possible.to)};
  }

  /// What the solve decides otherwise at a size, from those that a sweep by stretches has met.
  [[nodiscard]] std::string decided_at(double at) const {
    const double near = doubtful(at) * 2;
    const auto decision = std::ranges::lower_bound(decisions_, at - near, {}, &Followed::Decision::at);
    if (decision == decisions_.end() || decision->at > at + near) return "";
    return decided_in(scene_, decision->node);
  }

  void add_causes(std::vector<Breakpoint>& breakpoints, Trail& below, Trail& above) const {
    std::vector<Cause> causes;
    std::optional<std::pair<double, double>> known;
    std::optional<Solution> at_low, at_high;
    for (Breakpoint& breakpoint : breakpoints) {
      if (breakpoint.kind == BreakpointKind::curve) {
        breakpoint.why = way_.curve_cause;
        continue;
      }
      const auto sides = sides_of(breakpoint);
      if (known != sides) {
        at_low = below.solve(sides.first);
        at_high = above.solve(sides.second);
        causes = causes_between(*at_low, *at_high, below.active(), above.active(),
                                (breakpoint.at - sides.first) / (sides.second - sides.first), way_.changes_inside);
        known = sides;
      }
      const Quantity& quantity = quantities_[breakpoint.quantity];
      if (quantity.measure == Measure::overhang) breakpoint.why = overhang_cause(*at_low, *at_high, quantity.node);
      if (quantity.measure == Measure::reachable || quantity.measure == Measure::in_view)
        breakpoint.why = sight_cause(*at_low, *at_high, quantity.node, quantity.measure);
      const BreakpointQuery turned{quantity.node, quantity.measure, breakpoint.kind == BreakpointKind::jump};
      if (breakpoint.why.empty()) breakpoint.why = nearest_cause(causes, scene_.tree, turned);
      if (breakpoint.why.empty()) breakpoint.why = decided_at(breakpoint.at);
      if (breakpoint.why.empty() && quantity.measure == Measure::overhang)
        breakpoint.why = "another part of `" + scene_.tree.short_path(quantity.node) + "` overhangs most";
    }
  }

  const SweptWay& way_;
  const Scene& scene_;
  std::vector<Quantity> quantities_;
  Measuring measuring_;
  const SweepOptions& options_;
  unsigned threads_;
  std::vector<double> sizes_;
  std::vector<Values> values_;
  std::vector<Extent> containers_;
  std::vector<Breakpoint> breakpoints_;
  std::vector<Followed::Decision> decisions_;
};

}  // namespace

Sweep sweep(const Scene& scene, const std::vector<ContainerSize>& container_sizes,
            const std::vector<std::string>& quantities, const std::vector<std::string>& modes) {
  Sweep swept;
  swept.quantities = parse_quantities(scene.tree, quantities);
  const Measuring measuring(swept.quantities);
  SceneSolver solver(scene, modes);
  for (const ContainerSize& container_size : container_sizes) {
    const Solution solution = solver.solve(container_size);
    swept.steps.push_back({solution.container(), measuring(solution), solution.container().width});
  }
  return swept;
}

Sweep sweep(const Scene& scene, const Ladder& ladder, const std::vector<std::string>& quantities,
            const SweepOptions& options) {
  return sweep_quantities(scene, ladder, parse_quantities(scene.tree, quantities), options);
}

Sweep sweep_along(const SweptWay& way, std::vector<Quantity> quantities, const SweepOptions& options) {
  return Sweeper(way, std::move(quantities), options).sweep();
}

namespace {

/// How a sweep of a ladder does it: proved where it can be, or at every whole size.
using SweepBy = Sweep (Sweeper::*)();

Sweep sweep_ladder(const Scene& scene, const Ladder& ladder, std::vector<Quantity> quantities,
                   const SweepOptions& options, SweepBy by) {
  const Interval span = options.along_height ? ladder.height.value_or(Interval()) : ladder.width;
  require_sweepable(span);
  const std::optional<double> lowest = ladder.height ? std::optional(ladder.height->from) : std::nullopt;
  const Way way{options.along_height, options.along_height ? std::optional(ladder.width.to) : lowest};
  const SweptWay swept_way{scene,
                           trail_of(scene, options.modes, way),
                           span,
                           {0, limits::largest_length},
                           "sizes in percent shrink or grow together with lengths here",
                           limits::breakpoint_step};
  Sweeper sweeper(swept_way, std::move(quantities), options);
  Sweep swept = (sweeper.*by)();
  swept.along_height = options.along_height;
  for (Sweep::Step& step : swept.steps) {
    (options.along_height ? step.container.height : step.container.width) = step.at;
  }
  return swept;
}

}  // namespace

Sweep sweep_quantities(const Scene& scene, const Ladder& ladder, std::vector<Quantity> quantities,
                       const SweepOptions& options) {
  return sweep_ladder(scene, ladder, std::move(quantities), options, &Sweeper::sweep);
}

Sweep sweep_by_samples(const Scene& scene, const Ladder& ladder, std::vector<Quantity> quantities,
                       const SweepOptions& options) {
  return sweep_ladder(scene, ladder, std::move(quantities), options, &Sweeper::sample);
}

}  // namespace fond_ladder::inline v0
