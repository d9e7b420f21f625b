// SPDX-License-Identifier: MIT
#pragma once

// The least of many numbers, or something less, by which one comparison spares many. Of numbers that move, the least
// value and the least of each slope stand for all of them. A comparison counts only where it is clear, and stays so as
// far as other decisions are known to hold; where it does not count, the numbers have to be asked one by one, which
// then decides what it would have decided anyhow.

#include <algorithm>
#include <limits>

#include "solve/moving.hpp"

namespace fond_ladder::inline v0::detail {

template <class N>
class LeastOfMany;

/// Farther apart than rounding goes.
inline constexpr double clearly_apart = 1e-3;

template <>
class LeastOfMany<double> {
 public:
  LeastOfMany() = default;
  explicit LeastOfMany(double number) : value_(number) {}

  void take(const LeastOfMany& more) { value_ = std::min(value_, more.value_); }
  [[nodiscard]] LeastOfMany less(double number) const { return LeastOfMany(value_ - number); }
  /// Whether all of them are clearly above a number. Of none it is so.
  [[nodiscard]] bool is_above(double number) const { return value_ - number > clearly_apart; }

 private:
  double value_ = std::numeric_limits<double>::infinity();
};

template <>
class LeastOfMany<Moving> {
 public:
  LeastOfMany() = default;
  explicit LeastOfMany(const Moving& number)
      : value_(number.value()), slope_(number.slope()), sideways_(number.sideways()), bends_(number.bends()) {}

  void take(const LeastOfMany& more) {
    value_ = std::min(value_, more.value_);
    slope_ = std::min(slope_, more.slope_);
    sideways_ = std::min(sideways_, more.sideways_);
    bends_ |= more.bends_;
  }
  [[nodiscard]] LeastOfMany less(const Moving& number) const {
    LeastOfMany rest = *this;
    rest.value_ -= number.value();
    rest.slope_ -= number.slope();
    rest.sideways_ -= number.sideways();
    rest.bends_ |= number.bends();
    return rest;
  }
  /// Whether all of them are clearly above a number, and stay so as far as the course is known. Decides nothing.
  [[nodiscard]] bool is_above(const Moving& number) const {
    if (value_ == std::numeric_limits<double>::infinity()) return true;  // of none
    const double gap = value_ - number.value();
    if (!(gap > clearly_apart) || bends_ || number.bends() || traced_course == nullptr) return false;
    const double slope = slope_ - number.slope(), sideways = sideways_ - number.sideways();
    if (const Region* region = traced_course->region; region != nullptr) {
      return std::ranges::all_of(region->corners(),
                                 [&](const Point& at) { return gap + slope * at.x + sideways * at.y > clearly_apart; });
    }
    return slope >= 0 || gap > traced_course->ahead * -slope;
  }

 private:
  double value_ = std::numeric_limits<double>::infinity(), slope_ = value_, sideways_ = value_;
  bool bends_ = false;
};

}  // namespace fond_ladder::inline v0::detail
