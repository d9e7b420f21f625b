// SPDX-License-Identifier: MIT
#pragma once

// A number that knows how it moves. Where the container is dragged by `t` pixels, a size is value + slope * t for as
// long as every decision of the solve stays as it is. Comparing two such numbers is a decision: it holds up to where
// they meet, and the course keeps the nearest of all these places. Two that meet here are told apart by how they move
// on, so that a solve at a turn sees what comes behind it.
//
// Products of two that move, and quotients by one that does, bend, and so does what follows from them: the number says
// so (`bends`), and its slope holds at this place only. Where a decision hangs on such a number, how far it holds is
// not known; then the course is `curved`.

#include <cmath>
#include <cstdint>
#include <limits>

#include "solve/number.hpp"

namespace fond_ladder::inline v0::detail {

/// What the decisions of one solve have in common. One thread traces into one course at a time.
struct Course {
  double ahead = std::numeric_limits<double>::infinity();  ///< how far all decisions hold
  std::uint64_t print = 0;                                 ///< of the decisions, in the order in which they were made
  bool curved = false;                                     ///< a decision hangs on something that bends

  /// Notes a decision with one of a few outcomes that holds for `distance` pixels more.
  void decide(unsigned outcome, double distance) {
    constexpr std::uint64_t mix = 0x9E3779B97F4A7C15;
    print = (print ^ (outcome + 1)) * mix;
    print ^= print >> 29;
    ahead = std::min(ahead, distance);
  }
};

/// The course that this thread traces into.
Course*& traced_course();

class Moving {
 public:
  constexpr Moving(double value = 0, double slope = 0, bool bends = false)  // NOLINT: a number is one
      : value_(value), slope_(slope), bends_(bends) {}

  [[nodiscard]] constexpr double value() const { return value_; }
  [[nodiscard]] constexpr double slope() const { return slope_; }
  [[nodiscard]] constexpr bool bends() const { return bends_; }

  constexpr Moving& operator+=(const Moving& other) {
    value_ += other.value_;
    slope_ += other.slope_;
    bends_ |= other.bends_;
    return *this;
  }
  constexpr Moving& operator-=(const Moving& other) {
    value_ -= other.value_;
    slope_ -= other.slope_;
    bends_ |= other.bends_;
    return *this;
  }
  Moving& operator*=(const Moving& other) { return *this = *this * other; }
  Moving& operator/=(const Moving& other) { return *this = *this / other; }

  friend constexpr Moving operator-(const Moving& a) { return {-a.value_, -a.slope_, a.bends_}; }
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
  /// Below, at or above, from here on: a decision.
  static int order(const Moving& a, const Moving& b);

  double value_, slope_;
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
[[nodiscard]] inline Moving in_px(const Length& length, double em, const Moving& whole) {
  if (!length.is_percent()) return length.in_px(em, 0);
  return {length.in_px(em, whole.value()), length.in_px(em, 1) * whole.slope(), whole.bends()};
}
/// The height, and up to where the content says the same.
[[nodiscard]] OwnContent::Heights measured_height(const OwnContent& content, const Moving& width);
[[nodiscard]] constexpr bool is_unknown(const Moving& whole) {
  return whole.value() < 0;
}
/// Of a whole number from `floor_of`.
[[nodiscard]] constexpr double whole_pixels(const Moving& whole) {
  return whole.value();
}
/// The whole number below, up to where it is another one.
[[nodiscard]] Moving floor_of(const Moving& a);
[[nodiscard]] constexpr bool is_same(const Moving& a, const Moving& b) {
  return a.value() == b.value() && a.slope() == b.slope();
}
[[nodiscard]] constexpr bool sorts_before(const Moving& a, const Moving& b) {
  return a.value() != b.value() ? a.value() < b.value() : a.slope() < b.slope();
}
}  // namespace fond_ladder::inline v0::detail
