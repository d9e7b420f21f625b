// SPDX-License-Identifier: MIT
#pragma once

// A container size at which a quantity leaves its straight line, as sweeps report it:
// for (const Breakpoint& one : sweep(scene, ladder, {"map.width"}).breakpoints()) std::cout << one << '\n';

#include <array>
#include <cstddef>
#include <iosfwd>
#include <optional>
#include <string>

#include "fond_ladder/enums.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// How a quantity leaves its straight line: its slope changes, its value changes, or it follows a curve for a while.
enum class BreakpointKind : std::uint8_t {
  bend,   ///< its slope changes
  jump,   ///< its value changes
  curve,  ///< it follows a curve, up to `to`
};
template <>
inline constexpr std::array<std::string_view, 3> words_of<BreakpointKind>{"bend", "jump", "curve"};

/// A container size in pixels at which a quantity leaves its straight line: exact, or within 1/64 of a pixel next to
/// a curve. The new value applies from `at` on, or only above it.
struct Breakpoint {
  double at = 0;
  bool includes_at = true;   ///< whether a jump has happened at exactly `at`
  double to = 0;             ///< the end of a curve; else the same as `at`
  std::size_t quantity = 0;  ///< index among the quantities asked for
  std::string name;          ///< the quantity, as asked for
  BreakpointKind kind = BreakpointKind::bend;
  std::optional<double> before{}, after{};   ///< just below and at `at` (for a curve: at its ends); absent: hidden
  double slope_before = 0, slope_after = 0;  ///< pixels per pixel of the container
  std::string why;                           ///< the cause; empty if none was found
};

/// `at 640: beds.width jumps from 328 to 240: narrow ends`
std::ostream& operator<<(std::ostream& out, const Breakpoint& breakpoint);

}  // namespace v0
}  // namespace fond_ladder
