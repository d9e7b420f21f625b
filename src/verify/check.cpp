// SPDX-License-Identifier: MIT
//
// The sizes at which claims are tested are listed first: whole widths, range bounds, and the turns of all quantities
// that the claims speak of, with 1/64 of a pixel to both sides. Then they are shared out among threads, each with a
// solver.
#include <algorithm>
#include <cmath>
#include <set>

#include "fond_ladder/claim.hpp"
#include "fond_ladder/climb.hpp"
#include "model/limits.hpp"
#include "verify/workers.hpp"

namespace fond_ladder {
namespace {

class Checker {
 public:
  Checker(const Scene& scene, const std::vector<std::string>& claims, const std::vector<std::string>& modes,
          unsigned threads)
      : scene_(scene), modes_(modes), threads_(thread_count(threads)) {
    claims_.reserve(claims.size());
    for (const std::string& text : claims) claims_.emplace_back(scene, text);
  }

  std::vector<CheckedClaim> check() {
    const Ladder& ladder = scene_.ladder;
    if (ladder.height) {
      add_widths(ladder.height->from);
      if (ladder.height->to > ladder.height->from) add_widths(ladder.height->to);
    } else {
      add_widths({});
    }
    for (const NamedRung& rung : ladder.rungs) rungs_.push_back({rung.size.width, rung.size.height});
    test_all();
    std::vector<CheckedClaim> checked;
    for (std::size_t c = 0; c < claims_.size(); ++c) checked.push_back(gather(c));
    return checked;
  }

 private:
  /// All widths at one height, rising.
  void add_widths(std::optional<double> height) {
    const Span span = scene_.ladder.width;
    Ladder ladder;
    ladder.width = span;
    if (height) ladder.height = Span(*height);
    std::vector<Quantity> quantities;
    for (const Claim& claim : claims_) {
      quantities.insert(quantities.end(), claim.quantities().begin(), claim.quantities().end());
    }
    ClimbOptions options;
    options.modes = modes_;
    options.threads = threads_;
    options.causes = false;
    const Climb climbed = climb_quantities(scene_, ladder, std::move(quantities), options);
    std::set<double> widths;
    for (const Climb::Step& step : climbed.steps) widths.insert(step.container.width);
    const auto add = [&](double width) {
      constexpr double beside = 1.0 / 64;
      for (const double size : {width - beside, width, width + beside}) {
        if (size >= span.from && size <= span.to) widths.insert(size);
      }
    };
    for (const Turn& turn : climbed.turns()) add(turn.at);
    for (const Range& range : scene_.ranges) {
      if (range.from_width) add(*range.from_width);
      if (range.below_width) add(*range.below_width);
    }
    for (const double width : widths) rungs_.push_back({width, height});
  }

  void test_all() {
    constexpr std::size_t run = 64;
    outcomes_.resize(rungs_.size());
    containers_.resize(rungs_.size());
    in_parallel(threads_, (rungs_.size() + run - 1) / run, [&] {
      return [&, solver = SceneSolver(scene_, modes_)](std::size_t piece) mutable {
        for (std::size_t i = piece * run; i < std::min(rungs_.size(), (piece + 1) * run); ++i) {
          const Arrangement arrangement = solver.solve(rungs_[i]);
          const std::vector<std::string> active = solver.active(rungs_[i]);
          containers_[i] = arrangement.container();
          for (const Claim& claim : claims_) outcomes_[i].push_back(claim.test(arrangement, active));
        }
      };
    });
  }

  /// Puts neighbouring sizes at which a claim fails together.
  [[nodiscard]] CheckedClaim gather(std::size_t c) const {
    CheckedClaim checked;
    checked.claim = claims_[c].text();
    double worst = 0;
    bool failed_before = false;
    for (std::size_t i = 0; i < rungs_.size(); ++i) {
      const Claim::Outcome& outcome = outcomes_[i][c];
      checked.rungs += outcome.tested ? 1 : 0;
      const bool fails = outcome.tested && !outcome.holds;
      const bool goes_on =
          failed_before && i > 0 && rungs_[i].height == rungs_[i - 1].height && *rungs_[i].width > *rungs_[i - 1].width;
      failed_before = fails;
      if (!fails) continue;
      const double width = *rungs_[i].width;
      if (!goes_on) checked.failing.push_back({width, width, containers_[i], outcome.values, rungs_[i].height});
      CheckedClaim::Failing& failing = checked.failing.back();
      failing.to = width;
      if (goes_on && outcome.off > worst) {
        failing.worst = containers_[i];
        failing.values = outcome.values;
      }
      worst = goes_on ? std::max(worst, outcome.off) : outcome.off;
    }
    checked.holds = checked.failing.empty() && checked.rungs > 0;
    return checked;
  }

  const Scene& scene_;
  const std::vector<std::string>& modes_;
  unsigned threads_;
  std::vector<Claim> claims_;
  std::vector<Rung> rungs_;
  std::vector<Extent> containers_;
  std::vector<std::vector<Claim::Outcome>> outcomes_;  // by rung, by claim
};

}  // namespace

std::vector<CheckedClaim> check(const Scene& scene, const std::vector<std::string>& claims,
                                const std::vector<std::string>& modes, unsigned threads) {
  return Checker(scene, claims, modes, threads).check();
}

}  // namespace fond_ladder
