// SPDX-License-Identifier: MIT
#pragma once

// A number that knows how it moves. Where the container is dragged by `t` pixels, a size is value + slope * t for as
// long as every decision of the solve stays as it is. Comparing two such numbers is a decision: it holds up to where
// they meet, and the decision trace keeps the nearest of these places. Two equal numbers are ordered by their
// slopes, so that a solve at a breakpoint sees what comes after it.
//
// Both sides of the container may be dragged at once. Then a number has a second slope, the places where two numbers
// meet are lines in the plane of widths and heights, and the decision trace keeps the region within all these lines.
//
// Products of two that move, and quotients by one that does, bend, and so does what follows from them: the number has
// `bends` set, and its slope holds at this place only. Where a decision depends on such a number, how far it holds is
// not known; then the trace is `curved`.

#include <cmath>
#include <cstdint>
#include <limits>
#include <vector>

#include "fond_ladder/breakable_text.hpp"
#include "model/flat.hpp"
#include "solve/numbers/number.hpp"
#include "solve/numbers/region.hpp"

namespace fond_ladder::inline v0::detail {

/// Where all decisions of one solve stay valid. A thread traces into one of these at a time.
struct DecisionTrace {
  double ahead = std::numeric_limits<double>::infinity();  ///< how far all decisions hold, one side being dragged
  Region* region = nullptr;  ///< where both are, relative to here: cut down to where all decisions hold
  Index visited = 0;         ///< the node of the current step
  Index decider = 0;         ///< the node in whose step the decision was made that holds least far
  std::uint64_t print = 0;   ///< of the decisions, in the order in which they were made
  bool curved = false;       ///< a decision hangs on something that bends
  bool bent = false;         ///< some number bends
  bool opaque = false;       ///< custom content gave no interval for its answer: anything may happen

  /// Notes a decision with one of a few outcomes. It holds while gap + slope * t (+ sideways * u) is not negative.
  void decide(unsigned outcome, double gap, double slope, double second_slope) {
    note(outcome);
    if (region != nullptr) {
      region->keep(gap, slope, second_slope);
    } else if (slope < 0 && gap < ahead * -slope) {
      ahead = gap / -slope;
      decider = visited;
    }
  }
  /// One that holds wherever the container is dragged.
  void note(unsigned outcome) {
    constexpr std::uint64_t mix = 0x9E3779B97F4A7C15;
    print = (print + outcome + 1) * mix;
  }
};

/// The decision trace of this thread.
#ifdef __wasm__
inline thread_local DecisionTrace* traced_decisions = nullptr;
#else
[[gnu::tls_model("initial-exec")]] inline thread_local DecisionTrace* traced_decisions = nullptr;
#endif

/// Makes a decision trace that of this thread while it lives.
class Tracing {
 public:
  explicit Tracing(DecisionTrace& decision_trace) : before_(traced_decisions) { traced_decisions = &decision_trace; }
  ~Tracing() { traced_decisions = before_; }
  Tracing(const Tracing&) = delete;
  Tracing& operator=(const Tracing&) = delete;

 private:
  DecisionTrace* before_;
};

class TracedNumber {
 public:
  // NOLINTNEXTLINE(google-explicit-constructor): a plain number is one that does not move
  constexpr TracedNumber(double value = 0, double slope = 0, double second_slope = 0, bool bends = false)
      : value_(value), slope_(slope), second_slope_(second_slope), bends_(bends) {}

  [[nodiscard]] constexpr double value() const { return value_; }
  [[nodiscard]] constexpr double slope() const { return slope_; }
  /// The slope by the second side that is dragged.
  [[nodiscard]] constexpr double second_slope() const { return second_slope_; }
  [[nodiscard]] constexpr bool bends() const { return bends_; }
  /// Whether it moves at all.
  [[nodiscard]] constexpr bool moves() const { return !is_level(slope_) || !is_level(second_slope_); }
  /// The same number where the sides are dragged so far; not of one that bends.
  [[nodiscard]] constexpr TracedNumber further(double by, double second_slope) const {
    return {value_ + slope_ * by + second_slope_ * second_slope, slope_, second_slope_, bends_};
  }

  constexpr TracedNumber& operator+=(const TracedNumber& other) {
    value_ += other.value_;
    slope_ += other.slope_;
    second_slope_ += other.second_slope_;
    bends_ |= other.bends_;
    return *this;
  }
  constexpr TracedNumber& operator-=(const TracedNumber& other) {
    value_ -= other.value_;
    slope_ -= other.slope_;
    second_slope_ -= other.second_slope_;
    bends_ |= other.bends_;
    return *this;
  }
  TracedNumber& operator*=(const TracedNumber& other) { return *this = *this * other; }
  TracedNumber& operator/=(const TracedNumber& other) { return *this = *this / other; }

  friend constexpr TracedNumber operator-(const TracedNumber& a) {
    return {-a.value_, -a.slope_, -a.second_slope_, a.bends_};
  }
  friend constexpr TracedNumber operator+(TracedNumber a, const TracedNumber& b) { return a += b; }
  friend constexpr TracedNumber operator-(TracedNumber a, const TracedNumber& b) { return a -= b; }
  friend TracedNumber operator*(const TracedNumber& a, const TracedNumber& b);
  friend TracedNumber operator/(const TracedNumber& a, const TracedNumber& b);

  friend bool operator<(const TracedNumber& a, const TracedNumber& b) { return order(a, b) < 0; }
  friend bool operator>(const TracedNumber& a, const TracedNumber& b) { return order(a, b) > 0; }
  friend bool operator<=(const TracedNumber& a, const TracedNumber& b) { return order(a, b) <= 0; }
  friend bool operator>=(const TracedNumber& a, const TracedNumber& b) { return order(a, b) >= 0; }
  friend bool operator==(const TracedNumber& a, const TracedNumber& b) { return order(a, b) == 0; }

 private:
  /// Rounding of slopes.
  [[nodiscard]] static constexpr bool is_level(double slope) { return slope <= 1e-10 && slope >= -1e-10; }
  /// Below, at or above, from here on: a decision. Most numbers are well apart, and move towards each other or not.
  static int order(const TracedNumber& a, const TracedNumber& b) {
    constexpr double well_apart = 1e-3, finite = 1e12;
    const double gap = a.value_ - b.value_, size = gap < 0 ? -gap : gap;
    DecisionTrace* decision_trace = traced_decisions;
    if (!(size > well_apart && size < finite) || a.bends_ || b.bends_ || decision_trace == nullptr)
      return closely(a, b);
    const int side = gap < 0 ? -1 : 1;
    decision_trace->decide(static_cast<unsigned>(side + 1), size, side * (a.slope_ - b.slope_),
                           side * (a.second_slope_ - b.second_slope_));
    return side;
  }
  static int closely(const TracedNumber& a, const TracedNumber& b);
  static TracedNumber endless_times(const TracedNumber& a, const TracedNumber& b);

  double value_, slope_, second_slope_;
  bool bends_;
};

[[nodiscard]] inline TracedNumber max_of(const TracedNumber& a, const TracedNumber& b) {
  return a < b ? b : a;
}
[[nodiscard]] inline TracedNumber min_of(const TracedNumber& a, const TracedNumber& b) {
  return b < a ? b : a;
}
[[nodiscard]] inline TracedNumber magnitude(const TracedNumber& a) {
  return a < 0 ? -a : a;
}
[[nodiscard]] inline TracedNumber in_px(const Length& length, const FontUnits& units, const TracedNumber& whole) {
  if (!length.is_percent()) return length.in_px(units, 0);
  const double share = length.in_px(units, 1);
  return {length.in_px(units, whole.value()), share * whole.slope(), share * whole.second_slope(), whole.bends()};
}
/// Where two numbers move past each other at once, the edge is where they meet; where they hardly do, or not at all, a
/// tolerance decides as it does of pixels.
[[nodiscard]] bool exceeds(const TracedNumber& a, const TracedNumber& b, double tolerance);
[[nodiscard]] inline double line_slack(const TracedNumber& space) {
  return line_slack(space.value());
}
[[nodiscard]] TracedNumber floor_of_quotient(const TracedNumber& a, const TracedNumber& b, double slack);
/// The height, and up to where the content returns the same.
[[nodiscard]] CustomContent::Heights measured_height(const Measured& measured, const TracedNumber& width);
/// The lines of a text, and up to where they are the same.
[[nodiscard]] std::vector<BreakableText::Line> lines_of(const BreakableText& text, const TracedNumber& width);
/// Where two meet, rounding may leave a little less than nothing of their difference.
[[nodiscard]] constexpr bool is_unknown(const TracedNumber& whole) {
  return whole.value() < -0.5;
}
[[nodiscard]] constexpr double in_pixels(const TracedNumber& a) {
  return a.value();
}
/// Of a whole number from `floor_of`.
[[nodiscard]] constexpr double whole_pixels(const TracedNumber& whole) {
  return whole.value();
}
/// The whole number below, up to where it is another one.
[[nodiscard]] TracedNumber floor_of(const TracedNumber& a);
[[nodiscard]] constexpr bool is_same(const TracedNumber& a, const TracedNumber& b) {
  return a.value() == b.value() && a.slope() == b.slope() && a.second_slope() == b.second_slope();
}
[[nodiscard]] constexpr bool sorts_before(const TracedNumber& a, const TracedNumber& b) {
  if (a.value() != b.value()) return a.value() < b.value();
  return a.slope() != b.slope() ? a.slope() < b.slope() : a.second_slope() < b.second_slope();
}
}  // namespace fond_ladder::inline v0::detail
