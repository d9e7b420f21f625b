// SPDX-License-Identifier: MIT
//
// Claims are tested along all widths (claims_along), which proves them for every real width. Where nothing can be
// proved, they are tested at every whole width instead, on and next to each bound of a range, and at the breakpoints of
// a claim's own quantities.
#include "verify/claims/check_ladder.hpp"

#include <algorithm>
#include <array>
#include <cmath>
#include <map>
#include <set>
#include <utility>

#include "fond_ladder/check.hpp"
#include "fond_ladder/claim.hpp"
#include "fond_ladder/sweep.hpp"
#include "model/limits.hpp"
#include "verify/claims/arranged_claim.hpp"
#include "verify/claims/claims_along.hpp"
#include "verify/claims/explain.hpp"
#include "verify/ladder/container_sizes.hpp"
#include "verify/ladder/workers.hpp"
#include "verify/measure/measuring.hpp"
#include "verify/sweep/by_samples.hpp"

namespace fond_ladder::inline v0 {
namespace {

using Failing = CheckedClaim::Failing;

/// Pixels. How close to a bound or a breakpoint claims are tested.
constexpr double beside = limits::breakpoint_step;

/// One size at which claims are tested.
struct TestedSize {
  ContainerSize container_size;
  Extent container;
  Values values;                           // of all quantities
  std::vector<std::string> active;         // ranges and modes
  std::vector<std::size_t> claims{};       // those that it is for; empty: all
  bool of_entries = false;                 // it is for claims about lists in view, and for no others
  std::vector<Claim::Outcome> outcomes{};  // of those, one a claim
};

class Checker {
 public:
  Checker(const Variant& variant, const std::vector<std::string>& claims, unsigned threads, const Progress& progress)
      : variant_(variant),
        scene_(variant.scene),
        threads_(thread_count(threads)),
        progress_(progress),
        solver_(scene_, variant.modes),
        explainer_(scene_, solver_),
        claims_(read_claims(scene_, claims)),
        along_(scene_, variant.modes, claims_) {}

  std::vector<CheckedClaim> check() {
    for (const Claim& claim : claims_) checked_.emplace_back().claim = claim.text();
    const Ladder& ladder = scene_.ladder;
    std::vector<std::optional<double>> heights = heights_of(ladder);
    for (const double height : heights_at_bounds()) heights.emplace_back(height);
    for (std::size_t i = 0; i < heights.size(); ++i) {
      test_widths(heights[i], [&](double share) {
        if (progress_) progress_((static_cast<double>(i) + share) / static_cast<double>(heights.size()));
      });
    }
    for (const NamedSize& named : ladder.named_sizes) {
      for (const std::optional<double>& height : heights_of(named, ladder)) {
        container_sizes_.push_back(to_solve({named.width, height}));
        if (any_claim(true)) add_of_entries({named.width, height});
      }
    }
    test_sizes();
    for (std::size_t c = 0; c < claims_.size(); ++c) explainer_.explain(claims_[c], checked_[c].failing);
    return std::move(checked_);
  }

 private:
  [[nodiscard]] TestedSize to_solve(const ContainerSize& container_size) const {
    return {container_size, {}, {}, solver_.active(container_size), {}};
  }

  /// On and next to each bound of a range on one side of the container, inside of a span: its ends are tested anyway.
  [[nodiscard]] std::set<double> sizes_at_bounds(const Interval& span, std::optional<double> Range::*from,
                                                 std::optional<double> Range::*below) const {
    std::set<double> sizes;
    for (const Range& range : scene_.ranges) {
      for (const std::optional<double>& bound : {range.*from, range.*below}) {
        for (const double size : {bound.value_or(0) - beside, bound.value_or(0), bound.value_or(0) + beside}) {
          if (bound && size > span.from && size < span.to) sizes.insert(size);
        }
      }
    }
    return sizes;
  }
  [[nodiscard]] std::set<double> heights_at_bounds() const {
    const std::optional<Interval>& heights = scene_.ladder.height;
    return heights ? sizes_at_bounds(*heights, &Range::from_height, &Range::below_height) : std::set<double>();
  }

  [[nodiscard]] bool any_claim(bool about_entries) const {
    for (std::size_t c = 0; c < claims_.size(); ++c) {
      if (along_.is_about_entries(c) == about_entries) return true;
    }
    return false;
  }
  void add_of_entries(const ContainerSize& container_size) {
    container_sizes_.emplace_back(to_solve(container_size)).of_entries = true;
  }

  /// Tests claims about lists in view at whole widths, and on and next to the bounds of ranges.
  void test_entries(std::optional<double> height) {
    if (!any_claim(true)) return;
    const Interval span = scene_.ladder.width;
    require_sweepable(span);
    std::set<double> widths = sizes_at_bounds(span, &Range::from_width, &Range::below_width);
    for (const double width : whole_numbers(span)) widths.insert(width);
    for (const double width : widths) add_of_entries({width, height});
    for (std::size_t c = 0; c < claims_.size(); ++c) {
      if (along_.is_about_entries(c)) checked_[c].sampled.push_back(span);
    }
    test_sizes();
  }

  /// At all widths of one height.
  void test_widths(std::optional<double> height, const Progress& progress) {
    test_entries(height);
    if (!any_claim(false)) return;
    require_sweepable(scene_.ladder.width);
    const auto found = along_.test({{false, height}, scene_.ladder.width}, threads_, progress);
    if (!found) return sample_widths(height, progress);
    for (std::size_t c = 0; c < claims_.size(); ++c) {
      if (!along_.is_about_entries(c)) take(found->ways[c], c, height, found->height);
    }
  }

  /// What was found along the widths of one height.
  void take(const TestedWay& tested, std::size_t c, std::optional<double> height, const Runs& by_content) {
    CheckedClaim& checked = checked_[c];
    checked.tests += tested.tested;
    std::ranges::copy(tested.sampled, std::back_inserter(checked.sampled));
    for (FailingStretch one : tested.failing) {
      if (one.thin && !fails_by_itself(one, height, claims_[c])) continue;
      Failing& failing = checked.failing.emplace_back();
      failing.from = one.from;
      failing.to = one.to;
      failing.includes_from = one.includes_from;
      failing.includes_to = one.includes_to;
      failing.off = one.off;
      failing.worst = {one.worst, height ? *height : run_at(by_content, one.worst).measured_at(one.worst).value_or(0)};
      failing.limit = {one.limit, failing.worst.height};
      failing.height = height;
    }
  }

  /// Whether a claim fails in a stretch that is as short as what rounding may put apart, when a size in it is solved.
  [[nodiscard]] bool fails_by_itself(const FailingStretch& one, std::optional<double> height, const Claim& claim) {
    return std::ranges::any_of(std::array{one.worst, (one.from + one.to) / 2, one.from, one.to}, [&](double width) {
      return explainer_.fails_at({width, height}, claim);
    });
  }

  /// Tests at whole widths, where nothing can be proved.
  void sample_widths(std::optional<double> height, const Progress& progress) {
    for (std::size_t c = 0; c < claims_.size(); ++c) {
      if (!along_.is_about_entries(c)) checked_[c].sampled.push_back(scene_.ladder.width);
    }
    const Interval span = scene_.ladder.width;
    Ladder ladder;
    ladder.width = span;
    if (height) ladder.height = Interval(*height);
    SweepOptions options;
    options.modes = variant_.modes;
    options.threads = threads_;
    options.causes = false;
    options.progress = progress;
    Sweep swept = sweep_by_samples(scene_, ladder, along_.quantities(), options);
    std::map<double, std::set<std::size_t>> between;  // sizes that are not whole, and the claims they are for
    const auto add = [&](double width, const std::vector<std::size_t>& claims) {
      for (const double size : {width - beside, width, width + beside}) {
        if (size >= span.from && size <= span.to) between[size].insert(claims.begin(), claims.end());
      }
    };
    for (const Breakpoint& breakpoint : swept.breakpoints()) add(breakpoint.at, along_.claims_of(breakpoint.quantity));
    std::vector<std::size_t> all(claims_.size());
    for (std::size_t c = 0; c < all.size(); ++c) all[c] = c;
    for (const Range& range : scene_.ranges) {
      if (range.from_width) add(*range.from_width, all);
      if (range.below_width) add(*range.below_width, all);
    }
    auto next = between.begin();
    const auto add_up_to = [&](double below) {
      for (; next != between.end() && next->first <= below; ++next) {
        if (next->first == below) continue;  // tested anyway
        TestedSize& container_size = container_sizes_.emplace_back(to_solve({next->first, height}));
        container_size.claims.assign(next->second.begin(), next->second.end());
      }
    };
    for (Sweep::Step& step : swept.steps) {
      add_up_to(step.container.width);
      TestedSize& container_size = container_sizes_.emplace_back(to_solve({step.container.width, height}));
      container_size.container = step.container;
      container_size.values = std::move(step.values);
    }
    add_up_to(span.to);
    test_sizes();
  }

  /// Tests the claims at the sizes listed, and forgets those. Each thread takes some claims from size to size: values
  /// that are at hand serve all of them.
  void test_sizes() {
    solve_missing();
    const std::size_t groups = std::min<std::size_t>(threads_, claims_.size());
    in_parallel(threads_, groups, [&] {
      return [&](std::size_t group) {
        std::vector<ClaimProgress> progress(claims_.size());
        for (const TestedSize& container_size : container_sizes_) {
          for (std::size_t c = group; c < claims_.size(); c += groups) test(container_size, c, progress[c]);
        }
      };
    });
    container_sizes_.clear();
  }

  void solve_missing() {
    std::vector<std::size_t> missing;
    for (std::size_t i = 0; i < container_sizes_.size(); ++i) {
      if (container_sizes_[i].values.empty() || container_sizes_[i].of_entries) missing.push_back(i);
    }
    constexpr std::size_t run = 16;
    const Measuring measuring(along_.quantities());
    in_parallel(threads_, (missing.size() + run - 1) / run, [&] {
      return [&, solver = SceneSolver(scene_, variant_.modes)](std::size_t piece) mutable {
        for (std::size_t i = piece * run; i < std::min(missing.size(), (piece + 1) * run); ++i) {
          TestedSize& container_size = container_sizes_[missing[i]];
          if (container_size.of_entries) {
            solve_entries(solver, container_size);
            continue;
          }
          const Solution solution = solver.solve(container_size.container_size);
          container_size.container = solution.container();
          container_size.values = measuring(solution);
        }
      };
    });
  }

  void solve_entries(SceneSolver& solver, TestedSize& container_size) const {
    container_size.outcomes.resize(claims_.size());
    for (std::size_t c = 0; c < claims_.size(); ++c) {
      if (!along_.is_about_entries(c)) continue;
      const ArrangedClaim arranged = arranged_claim(scene_, claims_[c], solver, container_size.container_size);
      container_size.outcomes[c] = arranged.test();
      container_size.container = arranged.solution.container();
    }
  }

  /// How a claim fared up to a size.
  struct ClaimProgress {
    Values own{};  // its values, kept for their space
    const TestedSize* failed_before = nullptr;
  };

  /// Tests a claim at a size, and puts neighboring sizes at which it fails together.
  void test(const TestedSize& container_size, std::size_t c, ClaimProgress& progress) {
    if (along_.is_about_entries(c) != container_size.of_entries) return;
    if (!container_size.claims.empty() && !std::ranges::binary_search(container_size.claims, c)) return;
    const std::vector<std::size_t>& places = along_.places(c);
    progress.own.resize(places.size());
    for (std::size_t i = 0; i < places.size(); ++i) progress.own[i] = container_size.values[places[i]];
    const Claim::Outcome outcome =
        container_size.of_entries ? container_size.outcomes[c]
                                  : claims_[c].test({container_size.container, progress.own, container_size.active});
    CheckedClaim& checked = checked_[c];
    checked.tests += outcome.tested ? 1 : 0;
    const TestedSize* before = std::exchange(progress.failed_before, nullptr);
    if (!outcome.tested || outcome.holds) return;
    progress.failed_before = &container_size;
    const bool goes_on = before != nullptr && follows(before->container_size, container_size.container_size);
    const double width = *container_size.container_size.width;
    if (!goes_on) {
      Failing& begun = checked.failing.emplace_back();
      begun.from = width;
      begun.height = container_size.container_size.height;
    }
    Failing& failing = checked.failing.back();
    failing.to = width;
    if (goes_on && outcome.off <= failing.off) return;
    failing.off = outcome.off;
    failing.worst = failing.limit = container_size.container;
  }

  const Variant& variant_;
  const Scene& scene_;
  unsigned threads_;
  const Progress& progress_;
  SceneSolver solver_;
  Explainer explainer_;
  std::vector<Claim> claims_;
  ClaimsAlong along_;
  std::vector<TestedSize> container_sizes_;  // the sizes of one height, or the named ones
  std::vector<CheckedClaim> checked_;
};

}  // namespace

std::vector<CheckedClaim> check_ladder(const Variant& variant, const std::vector<std::string>& claims, unsigned threads,
                                       const Progress& progress) {
  return Checker(variant, claims, threads, progress).check();
}

}  // namespace fond_ladder::inline v0
