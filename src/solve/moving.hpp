// SPDX-License-Identifier: MIT
#pragma once

// A number that knows how it moves. Where the container is dragged by `t` pixels, a size is value + slope * t for as
// long as every decision of the solve stays as it is. Comparing two such numbers is a decision: it holds up to where
// they meet, and the course keeps the nearest of all these places. Two that meet here are told apart by how they move
// on, so that a solve at a turn sees what comes behind it.
//
// Both sides of the container may be dragged at once. Then a number has a second slope, the places where two numbers
// meet are lines in the plane of widths and heights, and what the course keeps is the region within all these lines.
//
// Products of two that move, and quotients by one that does, bend, and so does what follows from them: the number says
// so (`bends`), and its slope holds at this place only. Where a decision hangs on such a number, how far it holds is
// not known; then the course is `curved`.

#include <cmath>
#include <cstdint>
#include <limits>
#include <vector>

#include "fond_ladder/lined_text.hpp"
#include "model/flat.hpp"
#include "solve/number.hpp"
#include "solve/region.hpp"

namespace fond_ladder::inline v0::detail {

/// What the decisions of one solve have in common. One thread traces into one course at a time.
struct Course {
  double ahead = std::numeric_limits<double>::infinity();  ///< how far all decisions hold, one side being dragged
  Region* region = nullptr;  ///< where both are, relative to here: cut down to where all decisions hold
  Index visited = 0;         ///< the node whose step is at work
  Index decider = 0;         ///< the one in whose step the decision was made that holds least far
  std::uint64_t print = 0;   ///< of the decisions, in the order in which they were made
  bool curved = false;       ///< a decision hangs on something that bends
  bool bent = false;         ///< some number bends
  bool opaque = false;       ///< content did not tell how far its answer holds: anything may happen

  /// Notes a decision with one of a few outcomes. It holds while gap + slope * t (+ sideways * u) is not negative.
  void decide(unsigned outcome, double gap, double slope, double sideways) {
    note(outcome);
    if (region != nullptr) {
      region->keep(gap, slope, sideways);
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

/// The course that this thread traces into.
#ifdef __wasm__
inline thread_local Course* traced_course = nullptr;
#else
[[gnu::tls_model("initial-exec")]] inline thread_local Course* traced_course = nullptr;
#endif

/// Traces into a course while it lives.
class Tracing {
 public:
  explicit Tracing(Course& course) : before_(traced_course) { traced_course = &course; }
  ~Tracing() { traced_course = before_; }
  Tracing(const Tracing&) = delete;
  Tracing& operator=(const Tracing&) = delete;

 private:
  Course* before_;
};

class Moving {
 public:
  constexpr Moving(double value = 0, double slope = 0, double sideways = 0, bool bends = false)  // NOLINT: one is one
      : value_(value), slope_(slope), sideways_(sideways), bends_(bends) {}

  [[nodiscard]] constexpr double value() const { return value_; }
  [[nodiscard]] constexpr double slope() const { return slope_; }
  /// The slope by the second side that is dragged.
  [[nodiscard]] constexpr double sideways() const { return sideways_; }
  [[nodiscard]] constexpr bool bends() const { return bends_; }
  /// Whether it moves at all.
  [[nodiscard]] constexpr bool moves() const { return !is_level(slope_) || !is_level(sideways_); }
  /// The same number where the sides are dragged so far; not of one that bends.
  [[nodiscard]] constexpr Moving further(double by, double sideways) const {
    return {value_ + slope_ * by + sideways_ * sideways, slope_, sideways_, bends_};
  }

  constexpr Moving& operator+=(const Moving& other) {
    value_ += other.value_;
    slope_ += other.slope_;
    sideways_ += other.sideways_;
    bends_ |= other.bends_;
    return *this;
  }
  constexpr Moving& operator-=(const Moving& other) {
    value_ -= other.value_;
    slope_ -= other.slope_;
    sideways_ -= other.sideways_;
    bends_ |= other.bends_;
    return *this;
  }
  Moving& operator*=(const Moving& other) { return *this = *this * other; }
  Moving& operator/=(const Moving& other) { return *this = *this / other; }

  friend constexpr Moving operator-(const Moving& a) { return {-a.value_, -a.slope_, -a.sideways_, a.bends_}; }
  friend constexpr Moving operator+(Moving a, const Moving& b) { return a += b; }
  friend constexpr Moving operator-(Moving a, const Moving& b) { return a -= b; }
  friend Moving operator*(const Moving& a, const Moving& b);
  friend Moving operator/(const Moving& a, const Moving& b);

  friend bool operator<(const Moving& a, const Moving& b) { return order(a, b) < 0; }
  friend bool operator>(const Moving& a, const Moving& b) { return order(a, b) > 0; }
  friend bool operator<=(const Moving& a, const Moving& b) { return order(a, b) <= 0; }
  friend bool operator>=(const Moving& a, const Moving& b) { return order(a, b) >= 0; }
  friend bool operator==(const Moving& a, const Moving& b) { return order(a, b) == 0; }

 private:
  /// Rounding of slopes.
  [[nodiscard]] static constexpr bool is_level(double slope) { return slope <= 1e-10 && slope >= -1e-10; }
  /// Below, at or above, from here on: a decision. Most numbers are well apart, and move towards each other or not.
  static int order(const Moving& a, const Moving& b) {
    constexpr double well_apart = 1e-3, finite = 1e12;
    const double gap = a.value_ - b.value_, size = gap < 0 ? -gap : gap;
    Course* course = traced_course;
    if (!(size > well_apart && size < finite) || a.bends_ || b.bends_ || course == nullptr) return closely(a, b);
    const int side = gap < 0 ? -1 : 1;
    course->decide(static_cast<unsigned>(side + 1), size, side * (a.slope_ - b.slope_),
                   side * (a.sideways_ - b.sideways_));
    return side;
  }
  static int closely(const Moving& a, const Moving& b);
  static Moving endless_times(const Moving& a, const Moving& b);

  double value_, slope_, sideways_;
  bool bends_;
};

[[nodiscard]] inline Moving most_of(const Moving& a, const Moving& b) {
  return a < b ? b : a;
}
[[nodiscard]] inline Moving least_of(const Moving& a, const Moving& b) {
  return b < a ? b : a;
}
[[nodiscard]] inline Moving magnitude(const Moving& a) {
  return a < 0 ? -a : a;
}
[[nodiscard]] inline Moving in_px(const Length& length, const FontUnits& units, const Moving& whole) {
  if (!length.is_percent()) return length.in_px(units, 0);
  const double share = length.in_px(units, 1);
  return {length.in_px(units, whole.value()), share * whole.slope(), share * whole.sideways(), whole.bends()};
}
/// Where two numbers move past each other at once, the edge is where they meet; where they hardly do, or not at all, a
/// tolerance decides as it does of pixels.
[[nodiscard]] bool exceeds(const Moving& a, const Moving& b, double tolerance);
[[nodiscard]] inline double line_slack(const Moving& space) {
  return line_slack(space.value());
}
[[nodiscard]] Moving floor_of_quotient(const Moving& a, const Moving& b, double slack);
/// The height, and up to where the content says the same.
[[nodiscard]] OwnContent::Heights measured_height(const Measured& measured, const Moving& width);
/// The lines of a text, and up to where they are the same.
[[nodiscard]] std::vector<LinedText::Line> lines_of(const LinedText& text, const Moving& width);
/// Where two meet, rounding may leave a little less than nothing of their difference.
[[nodiscard]] constexpr bool is_unknown(const Moving& whole) {
  return whole.value() < -0.5;
}
[[nodiscard]] constexpr double in_pixels(const Moving& a) {
  return a.value();
}
/// Of a whole number from `floor_of`.
[[nodiscard]] constexpr double whole_pixels(const Moving& whole) {
  return whole.value();
}
/// The whole number below, up to where it is another one.
[[nodiscard]] Moving floor_of(const Moving& a);
[[nodiscard]] constexpr bool is_same(const Moving& a, const Moving& b) {
  return a.value() == b.value() && a.slope() == b.slope() && a.sideways() == b.sideways();
}
[[nodiscard]] constexpr bool sorts_before(const Moving& a, const Moving& b) {
  if (a.value() != b.value()) return a.value() < b.value();
  return a.slope() != b.slope() ? a.slope() < b.slope() : a.sideways() < b.sideways();
}
}  // namespace fond_ladder::inline v0::detail
