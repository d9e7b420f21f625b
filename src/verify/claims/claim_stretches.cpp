// SPDX-License-Identifier: MIT
//
// Values that run straight are told to the claim as numbers that move, so that its own comparisons say up to where it
// goes on to hold, or to fail; there it is asked again. At each such place it is also asked for that very width, which
// may belong to neither side. Where something bends that it hangs on, it is asked at whole widths instead.
#include "verify/claims/claim_stretches.hpp"

#include <algorithm>
#include <cmath>

#include "solve/moving.hpp"
#include "verify/claims/tester.hpp"

namespace fond_ladder::inline v0 {
namespace {

using detail::Moving;

/// Pixels. What is nearer is one place.
constexpr double one_place = 1e-7;

class AlongWidths {
 public:
  AlongWidths(const Claim& claim, const ClaimWay& way, const Span& span)
      : claim_(claim), way_(way), span_(span), places_(way.quantities.size()) {}

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
    tell_as_people_do();
    drop_doubtful(found_.sampled);
    return std::move(found_);
  }

 private:
  struct Piece {
    double from, to;
    Claim::Outcome outcome;
    double off_at_end = 0;
  };

  /// The runs that a width lies on, and the end of the first of them that ends.
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

  static std::optional<Moving> moving_at(const Run& run, double at) {
    const std::optional<double> value = run.at(at);
    if (!value) return {};
    return Moving(*value, run.slope, 0, run.sampled);
  }

  Piece test_from(double at) {
    Piece piece{at, stand_at(at), {}, 0};
    values_.clear();
    for (std::size_t q = 0; q < places_.size(); ++q)
      values_.push_back(moving_at((*way_.quantities[q])[places_[q]], at));
    Moving height = way_.fixed_height;
    if (way_.height != nullptr) height = moving_at((*way_.height)[height_place_], at).value_or(Moving(0));
    detail::Course course;
    {
      const detail::Tracing tracing(course);
      piece.outcome =
          detail::Tester<Moving>(claim_.terms(), {Moving(at, 1), height, values_, way_.active[range_place_]}).test();
    }
    piece.to = std::min(piece.to, std::max(at + one_place, exactly(at + course.ahead)));
    if (course.curved || is_sampled(at)) {
      piece.to = std::min(piece.to, std::floor(at) + 1);
      if (course.curved || piece.outcome.tested) sampled_piece(piece);
    }
    if (piece.outcome.tested && !piece.outcome.holds) piece.off_at_end = outcome_at(piece.to).off;
    return piece;
  }

  /// A width that somebody wrote, where rounding put it beside.
  static double exactly(double width) {
    const double steps = 1e5, round = std::round(width * steps) / steps;
    constexpr double near = 1e-9;
    return std::abs(round - width) <= near * std::max(1.0, width / 1000) ? round : width;
  }

  [[nodiscard]] bool is_sampled(double at) const {
    return std::ranges::any_of(*way_.sampled, [&](const Span& part) { return at >= part.from && at < part.to; });
  }
  void sampled_piece(const Piece& piece) {
    std::vector<Span>& all = found_.sampled;
    if (!all.empty() && all.back().to >= piece.from) {
      all.back().to = piece.to;
    } else {
      all.push_back({piece.from, piece.to});
    }
  }

  /// At one width of the runs that are stood on, or at their end.
  [[nodiscard]] Claim::Outcome outcome_at(double at) {
    pixels_.clear();
    for (std::size_t q = 0; q < places_.size(); ++q) pixels_.push_back((*way_.quantities[q])[places_[q]].at(at));
    const double height = way_.height == nullptr ? way_.fixed_height : (*way_.height)[height_place_].at(at).value_or(0);
    return claim_.test({{at, height}, pixels_, way_.active[range_place_]});
  }

  /// What becomes of the claim at one width exactly, between what is left and right of it.
  void take_point(double at) {
    stand_at(at);
    const Claim::Outcome outcome = outcome_at(at);
    found_.tested += outcome.tested ? 1 : 0;
    const bool fails = outcome.tested && !outcome.holds;
    if (fails && !failing_) begin_failure(at, true);
    if (fails) see_off(outcome.off, at, at);
    if (!fails) end_failure(at, false);
  }
  void take(const Piece& piece) {
    found_.tested += piece.outcome.tested ? 1 : 0;
    const bool fails = piece.outcome.tested && !piece.outcome.holds;
    if (!fails) return end_failure(piece.from, true);
    if (!failing_) begin_failure(piece.from, false);
    const double worst = whole_near(piece, piece.off_at_end > piece.outcome.off);
    see_off(outcome_at(worst).off, worst, piece.to);
  }

  /// A whole width inside a piece, next to its beginning or its end; one inside it where there is none.
  static double whole_near(const Piece& piece, bool end) {
    const double whole = end ? std::ceil(piece.to) - 1 : std::floor(piece.from) + 1;
    if (!end && std::floor(piece.from) == piece.from) return piece.from;
    return whole > piece.from && whole < piece.to ? whole : (piece.from + piece.to) / 2;
  }

  void begin_failure(double at, bool with) {
    failing_ = FailingStretch{at, at, with, true, false, at};
    worst_off_ = -1;
  }
  void see_off(double off, double at, double to) {
    failing_->to = to;
    if (off <= worst_off_ + limits::told_tolerance) return;
    worst_off_ = off;
    failing_->worst = at;
  }
  void end_failure(double at, bool with) {
    if (!failing_) return;
    failing_->to = at;
    failing_->with_to = with;
    found_.failing.push_back(*failing_);
    failing_.reset();
  }

  /// What a line's tolerance alone makes hold next to where it breaks is not told; what it makes fail, between sizes at
  /// which all is well, is for the checker to look at.
  void tell_as_people_do() {
    std::vector<FailingStretch> told;
    for (FailingStretch& one : found_.failing) {
      const bool is_stretch = one.from < one.to;
      one.from = std::min(span_.to, as_people_say(one.from));
      one.to = std::max(one.from, std::min(span_.to, as_people_say(one.to)));
      if (!told.empty() && one.from - told.back().to <= doubtful(one.from) && is_stretch) {
        told.back().to = one.to;
        told.back().with_to = one.with_to;
      } else {
        one.thin = is_stretch && one.to - one.from <= doubtful(one.to);
        told.push_back(one);
      }
    }
    found_.failing = std::move(told);
  }

  const Claim& claim_;
  const ClaimWay& way_;
  const Span& span_;
  std::vector<std::size_t> places_;  // by quantity: the run that is stood on
  std::size_t height_place_ = 0, range_place_ = 0;
  std::vector<std::optional<Moving>> values_;
  std::vector<std::optional<double>> pixels_;
  std::optional<FailingStretch> failing_;
  double worst_off_ = 0;
  TestedWay found_;
};

}  // namespace

TestedWay test_along(const Claim& claim, const ClaimWay& way, const Span& span) {
  return AlongWidths(claim, way, span).test();
}

}  // namespace fond_ladder::inline v0
