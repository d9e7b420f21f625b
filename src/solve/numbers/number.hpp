// SPDX-License-Identifier: MIT
#pragma once

// What the passes count sizes in. A solve counts in pixels (double); a traced one in pixels that know how they move
// with the container (moving.hpp). The passes are written once, for a number N: they add, subtract, compare, multiply
// by factors, and ask the functions below, which are the standard library's for pixels.

#include <algorithm>
#include <array>
#include <cmath>
#include <limits>
#include <type_traits>
#include <utility>
#include <vector>

#include "fond_ladder/breakable_text.hpp"
#include "fond_ladder/length.hpp"
#include "model/limits.hpp"
#include "model/measured.hpp"

namespace fond_ladder::inline v0::detail {

[[nodiscard]] constexpr double max_of(double a, double b) {
  return std::max(a, b);
}
[[nodiscard]] constexpr double min_of(double a, double b) {
  return std::min(a, b);
}
[[nodiscard]] inline double magnitude(double a) {
  return std::abs(a);
}
[[nodiscard]] constexpr double whole_pixels(double whole) {
  return whole;
}
[[nodiscard]] inline double floor_of(double a) {
  return std::floor(a);
}
/// An order without ties for sorting, which must not depend on how numbers move; then what was decided by it.
[[nodiscard]] constexpr bool sorts_before(double a, double b) {
  return a < b;
}
template <class Items, class Before>
void decide_order(Items& items, Before before) {
  if constexpr (!std::is_same_v<typename std::remove_cvref_t<decltype(items[0])>::Number, double>) {
    // Neighbors that are the same here stand as they will a little further on.
    for (std::size_t i = 1; i < items.size(); ++i) {
      for (std::size_t at = i; at > 0 && before(items[at], items[at - 1]); --at) std::swap(items[at], items[at - 1]);
    }
  }
}
// Where speed is worth the size: not in the page, whose engine is to be small.
#ifdef FOND_LADDER_SMALL
#define FOND_LADDER_INLINED
#else
#define FOND_LADDER_INLINED [[gnu::always_inline]]
#endif

/// Whether all of some conditions hold, or any: each is asked, and none of them is a branch.
template <class... Bool>
[[nodiscard]] constexpr bool all_true(Bool... conditions) {
  return (static_cast<unsigned>(static_cast<bool>(conditions)) & ...) != 0;
}
template <class... Bool>
[[nodiscard]] constexpr bool any_true(Bool... conditions) {
  return (static_cast<unsigned>(static_cast<bool>(conditions)) | ...) != 0;
}
// Most conditions of a solve are as good as random, and a branch that is missed costs as much as thirty instructions.
// The next four decide without one. Their function argument is always called for pixels, where the call decides
// nothing; for other numbers only if it matters.
namespace by_flag {
inline constexpr double infinite = std::numeric_limits<double>::infinity();
inline constexpr std::array<double, 2> lowered{0, -infinite}, raised{0, infinite}, part{0, 1}, sign{1, -1};
}  // namespace by_flag
/// The larger one, but `a` where `free` holds.
template <class N, class Floor>
[[nodiscard]] N most_unless(bool free, const N& a, const Floor& floor) {
  if constexpr (std::is_same_v<N, double>) {
    return max_of(a, floor() + by_flag::lowered[free]);
  } else {
    return free ? a : max_of(a, floor());
  }
}
/// The smaller one, but `a` where `free` holds.
template <class N, class Cap>
[[nodiscard]] N least_unless(bool free, const N& a, const Cap& cap) {
  if constexpr (std::is_same_v<N, double>) {
    return min_of(a, cap() + by_flag::raised[free]);
  } else {
    return free ? a : min_of(a, cap());
  }
}
/// `a()`, which is finite, where `holds`; else 0.
template <class N, class A>
[[nodiscard]] N only_if(bool holds, const A& a) {
  if constexpr (std::is_same_v<N, double>) {
    return a() * by_flag::part[holds];
  } else {
    return holds ? N(a()) : N(0);
  }
}
/// A size that is given, but as if it were not where `holds`.
template <class N>
[[nodiscard]] N unless(bool holds, const N& given) {
  if constexpr (std::is_same_v<N, double>) {
    return given + by_flag::lowered[holds];
  } else {
    return holds ? N(-1) : given;
  }
}
template <class N>
[[nodiscard]] N either(bool first, const N& a, const N& b) {
  if constexpr (std::is_same_v<N, double>) {
    return by_flag::sign[first] < 0 ? a : b;  // a comparison of numbers is no branch where one of flags is
  } else {
    return first ? a : b;
  }
}
/// A length in pixels; `whole` is 100 %.
[[nodiscard]] inline double in_px(const Length& length, const FontUnits& units, double whole) {
  return length.in_px(units, whole);
}
/// The height that content asks for in a width.
[[nodiscard]] inline CustomContent::Heights measured_height(const Measured& measured, double width) {
  return measured.height_for(width);
}
/// The lines of a text in a width.
[[nodiscard]] inline std::vector<BreakableText::Line> lines_of(const BreakableText& text, double width) {
  return text.lines_at(width);
}
/// Whether a number is larger than another one by more than a tolerance, which is there for rounding alone: of numbers
/// in motion the edge is where the two meet, not where the tolerance is used up.
[[nodiscard]] constexpr bool exceeds(double a, double b, double tolerance) {
  return a - b > tolerance;
}
/// How much longer than the space a line may be.
[[nodiscard]] inline double line_slack(double space) {
  return limits::line_tolerance * std::max(1.0, space);
}
/// The whole number below a quotient, `slack` being what rounding may have taken of `a`.
[[nodiscard]] inline double floor_of_quotient(double a, double b, double slack) {
  return std::floor((a + slack) / b);
}
/// A number as it is here, which decides nothing.
[[nodiscard]] constexpr double in_pixels(double a) {
  return a;
}
/// Whether two numbers are the same to the last bit, which decides nothing.
[[nodiscard]] constexpr bool is_same(double a, double b) {
  return a == b;
}
/// Sorts by a member, from the smallest to the largest.
template <class Items, class Member>
void sort_by(Items& items, Member member) {
  std::sort(items.begin(), items.end(),
            [&](const auto& a, const auto& b) { return sorts_before(a.*member, b.*member); });
  decide_order(items, [&](const auto& a, const auto& b) { return a.*member < b.*member; });
}
/// The largest first.
template <class Items, class Member>
void sort_falling_by(Items& items, Member member) {
  std::sort(items.begin(), items.end(),
            [&](const auto& a, const auto& b) { return sorts_before(b.*member, a.*member); });
  decide_order(items, [&](const auto& a, const auto& b) { return b.*member < a.*member; });
}

}  // namespace fond_ladder::inline v0::detail
