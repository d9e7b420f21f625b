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
#include "verify/climb/told_cause.hpp"
#include "verify/ladder/run_turns.hpp"
#include "verify/ladder/rungs.hpp"
#include "verify/ladder/straight.hpp"
#include "verify/ladder/stretches.hpp"
#include "verify/ladder/workers.hpp"
#include "verify/measure/measuring.hpp"

namespace fond_ladder::inline v0 {
namespace {

std::vector<Quantity> parsed(const Tree& tree, const std::vector<std::string>& texts) {
  std::vector<Quantity> all;
  for (const std::string& text : texts) {
    for (Quantity& quantity : parse_quantities(tree, text)) all.push_back(std::move(quantity));
  }
  return all;
}

class Climber {
 public:
  Climber(const Scene& scene, const Ladder& ladder, std::vector<Quantity> quantities, const ClimbOptions& options)
      : scene_(scene),
        ladder_(ladder),
        quantities_(std::move(quantities)),
        measuring_(quantities_),
        options_(options),
        threads_(thread_count(options.threads)) {}

  Climb climb() {
    if (std::optional<Climb> proved = climb_by_stretches(climbed_span())) return std::move(*proved);
    return sample();
  }

  /// At every whole size.
  Climb sample() {
    const Span span = climbed_span();
    sizes_ = whole_sizes(span);
    const std::size_t inside = sizes_.size(), ahead = add_beyond(span);
    solve_all();
    find_turns(span);
    Climb climbed;
    climbed.along_height = options_.along_height;
    climbed.steps.reserve(inside);
    for (std::size_t i = ahead; i < ahead + inside; ++i)
      climbed.steps.push_back({containers_[i], std::move(values_[i])});
    climbed.found = std::move(turns_);
    climbed.quantities = std::move(quantities_);
    return climbed;
  }

 private:
  [[nodiscard]] Span climbed_span() const {
    return options_.along_height ? ladder_.height.value_or(Span()) : ladder_.width;
  }

  /// The climb as its stretches prove it; nothing where they cannot.
  std::optional<Climb> climb_by_stretches(const Span& span) {
    std::vector<Quantity> followed_too = quantities_;
    followed_too.push_back({scene_.tree.root(), options_.along_height ? Measure::width : Measure::height, {}});
    const std::vector<double> sizes = whole_sizes(span);
    constexpr double further = 2;  // what happens at the ends is seen
    const Span wider{std::max(0.0, span.from - further), std::min(span.to + further, limits::largest_length)};
    const Rung beside = rung_at(span.from);
    const Way way{options_.along_height, options_.along_height ? beside.width : beside.height};
    const std::optional<Followed> followed =
        follow(scene_, options_.modes, way, followed_too, wider, threads_, options_.progress);
    if (!followed) return {};
    Climb climbed;
    climbed.along_height = options_.along_height;
    climbed.steps.resize(sizes.size());
    for (std::size_t i = 0; i < sizes.size(); ++i) {
      climbed.steps[i].values.resize(quantities_.size());
      (options_.along_height ? climbed.steps[i].container.height : climbed.steps[i].container.width) = sizes[i];
    }
    for (std::size_t q = 0; q < followed_too.size(); ++q) {
      const Runs& runs = followed->runs[q];
      std::size_t at = 0;
      for (std::size_t i = 0; i < sizes.size(); ++i) {
        while (at + 1 < runs.size() && runs[at + 1].from <= sizes[i]) ++at;
        const std::optional<double> value = runs[at].at(sizes[i]);
        Extent& container = climbed.steps[i].container;
        if (q < quantities_.size()) {
          climbed.steps[i].values[q] = value;
        } else {
          (options_.along_height ? container.width : container.height) = value.value_or(0);
        }
      }
      if (q == quantities_.size()) break;
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
    decisions_ = followed->decisions;
    if (options_.causes) {
      SceneSolver below(scene_, options_.modes), above(scene_, options_.modes);
      add_causes(turns_, below, above);
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
  std::size_t add_beyond(const Span& span) {
    std::vector<double> all;
    for (const double size : {span.from - 2, span.from - 1}) {
      if (size >= 0) all.push_back(size);
    }
    const std::size_t ahead = all.size();
    all.insert(all.end(), sizes_.begin(), sizes_.end());
    for (const double size : {span.to + 1, span.to + 2}) {
      if (size <= limits::largest_length) all.push_back(size);
    }
    sizes_ = std::move(all);
    return ahead;
  }

  [[nodiscard]] Rung rung_at(double size) const {
    if (options_.along_height) return {ladder_.width.to, size};
    return {size, ladder_.height ? std::optional(ladder_.height->from) : std::nullopt};
  }

  void solve_all() {
    constexpr std::size_t run = 64;
    values_.resize(sizes_.size());
    containers_.resize(sizes_.size());
    WorkTally tally(sizes_.size(), options_.progress);
    in_parallel(threads_, (sizes_.size() + run - 1) / run, [&] {
      return [&, solver = SceneSolver(scene_, options_.modes)](std::size_t piece) mutable {
        const std::size_t end = std::min(sizes_.size(), (piece + 1) * run);
        for (std::size_t i = piece * run; i < end; ++i) {
          const Solution solution = solver.solve(rung_at(sizes_[i]));
          values_[i] = measuring_(solution);
          containers_[i] = solution.container();
        }
        tally.add(end - piece * run);
      };
    });
  }

  void find_turns(const Span& span) {
    const std::vector<BentStretch> regions = bent_regions(sizes_, values_);
    std::vector<std::vector<Turn>> turns(regions.size());
    in_parallel(threads_, regions.size(), [&] {
      return [&, below = SceneSolver(scene_, options_.modes),
              above = SceneSolver(scene_, options_.modes)](std::size_t piece) mutable {
        std::map<double, Values> sampled;
        turns[piece] = turns_in(regions[piece], sizes_, values_, [&](double size) -> const Values& {
          const auto whole = std::ranges::lower_bound(sizes_, size);
          if (whole != sizes_.end() && *whole == size) return values_[static_cast<std::size_t>(whole - sizes_.begin())];
          const auto [at, is_new] = sampled.try_emplace(size);
          if (is_new) at->second = measuring_(below.solve(rung_at(size)));
          return at->second;
        });
        std::erase_if(turns[piece], [&](const Turn& turn) { return turn.to < span.from || turn.at > span.to; });
        for (Turn& turn : turns[piece]) {  // a curve may have begun before the ladder does
          turn.at = std::max(turn.at, span.from);
          turn.to = std::min(turn.to, span.to);
        }
        if (options_.causes) add_causes(turns[piece], below, above);
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
  [[nodiscard]] static std::pair<double, double> sides_of(const Turn& turn) {
    const double low = std::max(0.0, turn.at - limits::turn_step);
    const double onward = turn.at + 2 * limits::line_tolerance * std::max(1.0, turn.at);
    return {low, turn.kind == TurnKind::jump ? onward : std::min(turn.at + limits::turn_step, limits::largest_length)};
  }

  /// What the solve decides otherwise at a size, from those that a climb by stretches has met.
  [[nodiscard]] std::string decided_at(double at) const {
    const double near = doubtful(at) * 2;
    const auto decision = std::ranges::lower_bound(decisions_, at - near, {}, &Followed::Decision::at);
    if (decision == decisions_.end() || decision->at > at + near) return "";
    return decided_in(scene_, decision->node);
  }

  void add_causes(std::vector<Turn>& turns, SceneSolver& below, SceneSolver& above) const {
    std::vector<Cause> causes;
    std::optional<std::pair<double, double>> known;
    std::optional<Solution> at_low, at_high;
    for (Turn& turn : turns) {
      if (turn.kind == TurnKind::curve) {
        turn.cause = "sizes in percent shrink or grow together with lengths here";
        continue;
      }
      const auto sides = sides_of(turn);
      if (known != sides) {
        const Rung low = rung_at(sides.first), high = rung_at(sides.second);
        at_low = below.solve(low);
        at_high = above.solve(high);
        causes = causes_between(*at_low, *at_high, below.active(low), above.active(high));
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

  const Scene& scene_;
  const Ladder& ladder_;
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
  climbed.quantities = parsed(scene.tree, quantities);
  const Measuring measuring(climbed.quantities);
  SceneSolver solver(scene, modes);
  for (const Rung& rung : rungs) {
    const Solution solution = solver.solve(rung);
    climbed.steps.push_back({solution.container(), measuring(solution)});
  }
  return climbed;
}

Climb climb(const Scene& scene, const Ladder& ladder, const std::vector<std::string>& quantities,
            const ClimbOptions& options) {
  return climb_quantities(scene, ladder, parsed(scene.tree, quantities), options);
}

Climb climb_quantities(const Scene& scene, const Ladder& ladder, std::vector<Quantity> quantities,
                       const ClimbOptions& options) {
  return Climber(scene, ladder, std::move(quantities), options).climb();
}

Climb climb_by_samples(const Scene& scene, const Ladder& ladder, std::vector<Quantity> quantities,
                       const ClimbOptions& options) {
  return Climber(scene, ladder, std::move(quantities), options).sample();
}

}  // namespace fond_ladder::inline v0
