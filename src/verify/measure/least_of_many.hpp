// SPDX-License-Identifier: MIT
#pragma once

// The least of many numbers, or something less, by which one comparison spares many. Of numbers that move, the least
// value, and of each slope the least and the largest stand for all of them: ahead the least takes most away, and back,
// where a region is on both sides, the largest does. A comparison counts only where it is clear, and stays so as
// far as other decisions are known to hold; where it does not count, the numbers have to be compared one by one, which
// then decides what it would have decided anyhow.

#include <algorithm>
#include <limits>

#include "solve/numbers/traced_number.hpp"

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
class LeastOfMany<TracedNumber> {
 public:
  LeastOfMany() = default;
  explicit LeastOfMany(const TracedNumber& number)
      : value_(number.value()), slope_(number.slope()), second_slope_(number.second_slope()), bends_(number.bends()) {}

  void take(const LeastOfMany& more) {
    value_ = std::min(value_, more.value_);
    slope_.take(more.slope_);
    second_slope_.take(more.second_slope_);
    bends_ |= more.bends_;
  }
  [[nodiscard]] LeastOfMany less(const TracedNumber& number) const {
    LeastOfMany rest = *this;
    rest.value_ -= number.value();
    rest.slope_.shift(-number.slope());
    rest.second_slope_.shift(-number.second_slope());
    rest.bends_ |= number.bends();
    return rest;
  }
  /// Whether all of them are clearly above a number, and stay so within the decision trace. Makes no decision.
  [[nodiscard]] bool is_above(const TracedNumber& number) const {
    if (value_ == std::numeric_limits<double>::infinity()) return true;  // of none
    const LeastOfMany over = less(number);
    if (!(over.value_ > clearly_apart) || over.bends_ || traced_decisions == nullptr) return false;
    if (const Region* region = traced_decisions->region; region != nullptr) {
      return std::ranges::all_of(region->corners(), [&](const Point& at) {
        return over.value_ + over.slope_.least_by(at.x) + over.second_slope_.least_by(at.y) > clearly_apart;
      });
    }
    return over.slope_.least >= 0 || over.value_ > traced_decisions->ahead * -over.slope_.least;
  }

 private:
  /// Between which the slopes of all lie.
  struct Slopes {
    Slopes() = default;
    explicit Slopes(double slope) : least(slope), most(slope) {}
    double least = std::numeric_limits<double>::infinity(), most = -least;

    void take(const Slopes& more) {
      least = std::min(least, more.least);
      most = std::max(most, more.most);
    }
    void shift(double by) {
      least += by;
      most += by;
    }
    /// What dragging so far, or back, changes at the least.
    [[nodiscard]] double least_by(double drag) const { return drag < 0 ? most * drag : least * drag; }
  };

  double value_ = std::numeric_limits<double>::infinity();
  Slopes slope_, second_slope_;
  bool bends_ = false;
};

}  // namespace fond_ladder::inline v0::detail
