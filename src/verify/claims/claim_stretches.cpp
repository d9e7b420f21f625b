// SPDX-License-Identifier: MIT
//
// Linear values are passed to the claim as numbers in motion, so that its own comparisons determine up to where it
// goes on to hold, or to fail; there it is tested again. At each such place it is also tested for that width alone,
// which may belong to neither side. Where something it depends on bends, it is tested at whole widths instead.
//
// A claim that fails is followed twice: with what it may be off, which decides whether it fails, and without, which
// gives the interval. `a.width <= 320` of a width that grows by 1 px fails from above 320.01 on, and that begins
// above 320.
#include "verify/claims/claim_stretches.hpp"

#include <algorithm>
#include <cmath>

#include "solve/numbers/traced_number.hpp"
#include "verify/claims/tester.hpp"

namespace fond_ladder::inline v0 {
namespace {

using detail::TracedNumber;

/// Pixels. What is nearer is one place.
constexpr double one_place = 1e-7;

/// What a claim may be off, in pixels: where numbers move, which are exact, and at one width, where they are rounded.
struct Give {
  double moving, at_one_width;
};

class AlongWidths {
 public:
  AlongWidths(const Claim& claim, const ClaimWay& way, const Interval& span, const Give& within)
      : claim_(claim), way_(way), span_(span), within_(within), places_(way.quantities.size()) {}

  TestedWay test() {
    double at = span_.from;
    while (at < span_.to) {
      const Piece piece = test_from(at);
      take_point(at);
      take(piece);
      at = piece.to;
    }
    take_point(span_.to);
    end_failure(span_.to, true);
    join_touching();
    drop_doubtful(found_.sampled);
    return std::move(found_);
  }

 private:
  struct Piece {
    double from, to;
    Claim::Outcome outcome;
  };

  /// The runs at a width, and the end of the first of them that ends.
  double stand_at(double at) {
    double end = span_.to;
    const auto stand = [&](const Runs& runs, std::size_t& place) {
      while (place + 1 < runs.size() && runs[place + 1].from <= at) ++place;
      if (place + 1 < runs.size()) end = std::min(end, runs[place + 1].from);
    };
    for (std::size_t q = 0; q < places_.size(); ++q) stand(*way_.quantities[q], places_[q]);
    if (way_.height != nullptr) stand(*way_.height, height_place_);
    while (range_place_ < way_.bounds.size() && way_.bounds[range_place_] <= at) ++range_place_;
    if (range_place_ < way_.bounds.size()) end = std::min(end, way_.bounds[range_place_]);
    return end;
  }

  static std::optional<TracedNumber> moving_at(const Run& run, double at) {
    const std::optional<double> value = run.at(at);
    if (!value) return {};
    return TracedNumber(*value, run.slope, 0, run.sampled);
  }

  Piece test_from(double at) {
    Piece piece{at, stand_at(at), {}};
    values_.clear();
    for (std::size_t q = 0; q < places_.size(); ++q)
      values_.push_back(moving_at((*way_.quantities[q])[places_[q]], at));
    TracedNumber width(at, 1), height = way_.other;
    if (way_.height != nullptr) height = moving_at((*way_.height)[height_place_], at).value_or(TracedNumber(0));
    if (way_.along_height) std::swap(width, height);
    detail::DecisionTrace decision_trace;
    {
      const detail::Tracing tracing(decision_trace);
      piece.outcome = detail::Tester<TracedNumber>(claim_.terms(), {width, height, values_, way_.active[range_place_]},
                                                   within_.moving)
                          .test();
    }
    piece.to = std::min(piece.to, std::max(at + one_place, exactly(at + decision_trace.ahead)));
    if (decision_trace.curved || is_sampled(at)) {
      piece.to = std::min(piece.to, std::floor(at) + 1);
      if (decision_trace.curved || piece.outcome.tested) sampled_piece(piece);
    }
    return piece;
  }

  [[nodiscard]] bool is_sampled(double at) const {
    return std::ranges::any_of(*way_.sampled, [&](const Interval& part) { return at >= part.from && at < part.to; });
  }
  void sampled_piece(const Piece& piece) {
    std::vector<Interval>& all = found_.sampled;
    if (!all.empty() && all.back().to >= piece.from) {
      all.back().to = piece.to;
    } else {
      all.push_back({piece.from, piece.to});
    }
  }

  /// At one width of the runs that are stood on, or at their end.
  [[nodiscard]] Claim::Outcome outcome_at(double at) {
    pixels_.clear();
    for (std::size_t q = 0; q < places_.size(); ++q)
      pixels_.push_back((*way_.quantities[q])[places_[q]].measured_at(at));
    double width = at, height = way_.other;
    if (way_.height != nullptr) height = (*way_.height)[height_place_].measured_at(at).value_or(0);
    if (way_.along_height) std::swap(width, height);
    return detail::Tester<double>(claim_.terms(), {width, height, pixels_, way_.active[range_place_]},
                                  within_.at_one_width)
        .test();
  }

  /// What becomes of the claim at one width exactly, between what is left and right of it.
  void take_point(double at) {
    stand_at(at);
    const Claim::Outcome outcome = outcome_at(at);
    found_.tested += outcome.tested ? 1 : 0;
    const bool fails = outcome.tested && !outcome.holds;
    if (fails && !failing_) begin_failure(at, true);
    if (fails) see_off(outcome.off, at, at, at);
    if (!fails) end_failure(at, false);
  }
  void take(const Piece& piece) {
    found_.tested += piece.outcome.tested ? 1 : 0;
    const bool fails = piece.outcome.tested && !piece.outcome.holds;
    if (!fails) return end_failure(piece.from, true);
    if (!failing_) begin_failure(piece.from, false);
    // Of numbers that run straight it is worst at an end, which may be where its condition ceases to hold.
    constexpr double next_to_an_end = 0.01;
    const double inward = std::min(next_to_an_end, (piece.to - piece.from) / 2);
    const double begins = outcome_at(piece.from + inward).off, ends = outcome_at(piece.to - inward).off;
    if (std::abs(ends - begins) <= limits::report_tolerance) {
      const double inside = whole_inside(piece);
      see_off(begins, inside, inside, piece.to);
    } else if (ends > begins) {
      see_off(ends, piece.to - inward, piece.to, piece.to);
    } else {
      see_off(begins, piece.from + inward, piece.from, piece.to);
    }
  }

  /// A whole width inside a piece; its middle where there is none.
  static double whole_inside(const Piece& piece) {
    const double whole = std::floor(piece.from) + 1;
    return whole < piece.to ? whole : (piece.from + piece.to) / 2;
  }

  void begin_failure(double at, bool with) { failing_ = FailingStretch{at, at, with, true, false, -1, at, at}; }
  /// A width of its own is reported rather than one beside an open end where it fails as much.
  void see_off(double off, double at, double limit, double to) {
    FailingStretch& one = *failing_;
    one.to = to;
    const bool is_worse = off > one.off + limits::report_tolerance,
               is_as_bad = off >= one.off - limits::report_tolerance && at == limit && one.worst != one.limit;
    if (!is_worse && !is_as_bad) return;
    one.off = off;
    one.worst = at;
    one.limit = limit;
  }
  void end_failure(double at, bool with) {
    if (!failing_) return;
    failing_->to = at;
    failing_->includes_to = with;
    found_.failing.push_back(*failing_);
    failing_.reset();
  }

  /// Stretches between which there is nothing are one.
  void join_touching() {
    std::vector<FailingStretch> joined;
    for (FailingStretch& one : found_.failing) {
      const bool is_stretch = one.from < one.to;
      one.from = exactly(one.from);
      one.to = exactly(one.to);
      const double apart = joined.empty() ? span_.to : one.from - joined.back().to;
      const bool touches = apart > 0 ? apart <= one_place : one.includes_from || joined.back().includes_to;
      if (!joined.empty() && touches && is_stretch) {
        take_in(joined.back(), one);
      } else {
        one.thin = is_stretch && one.to - one.from <= doubtful(one.to);
        if (one.from == one.to) one.includes_from = one.includes_to = true;
        joined.push_back(one);
      }
    }
    found_.failing = std::move(joined);
  }
  static void take_in(FailingStretch& one, const FailingStretch& next) {
    one.to = next.to;
    one.includes_to = next.includes_to;
    if (next.off <= one.off + limits::report_tolerance) return;
    one.off = next.off;
    one.worst = next.worst;
    one.limit = next.limit;
  }

  const Claim& claim_;
  const ClaimWay& way_;
  const Interval& span_;
  Give within_;
  std::vector<std::size_t> places_;  // by quantity: the run that is stood on
  std::size_t height_place_ = 0, range_place_ = 0;
  std::vector<std::optional<TracedNumber>> values_;
  std::vector<std::optional<double>> pixels_;
  std::optional<FailingStretch> failing_;
  TestedWay found_;
};

/// The stretches with their exact ends: those of `exact` that have something in common with one that fails.
std::vector<FailingStretch> with_exact_ends(const std::vector<FailingStretch>& failing,
                                            const std::vector<FailingStretch>& exact) {
  std::vector<FailingStretch> merged;
  std::vector<bool> is_merged(failing.size());
  std::size_t first = 0;
  for (const FailingStretch& whole : exact) {
    FailingStretch one = whole;
    one.off = -1;
    while (first < failing.size() && failing[first].to < whole.from) ++first;
    for (std::size_t i = first; i < failing.size() && failing[i].from <= whole.to; ++i) {
      is_merged[i] = true;
      if (failing[i].off <= one.off + limits::report_tolerance) continue;
      one.off = failing[i].off;
      one.worst = std::clamp(failing[i].worst, whole.from, whole.to);
      one.limit = std::clamp(failing[i].limit, whole.from, whole.to);
      one.thin = failing[i].thin && whole.thin;
    }
    if (one.off >= 0) merged.push_back(one);
  }
  for (std::size_t i = 0; i < failing.size(); ++i) {  // never wrong by more than rounding, and yet by what may be off
    if (!is_merged[i]) merged.push_back(failing[i]);
  }
  std::ranges::stable_sort(merged, {}, &FailingStretch::from);
  return merged;
}

}  // namespace

TestedWay test_along(const Claim& claim, const ClaimWay& way, const Interval& span) {
  const detail::ClaimTerms& terms = claim.terms();
  TestedWay found = AlongWidths(claim, way, span, {terms.within, terms.within}).test();
  if (found.failing.empty() || terms.has_within) return found;
  constexpr double rounding = 1e-8;
  found.failing = with_exact_ends(found.failing, AlongWidths(claim, way, span, {0, rounding}).test().failing);
  return found;
}

}  // namespace fond_ladder::inline v0
