// SPDX-License-Identifier: MIT
#pragma once

// What a sweep found, as a table, as CSV and as JSON.

#include <iosfwd>
#include <string>
#include <vector>

#include "print/json_writer.hpp"
#include "print/sweep_summary.hpp"
#include "print/titles.hpp"

namespace fond_ladder::inline v0 {

/// A sweep, the columns of it that are shown, and the rows.
struct ShownSweep {
  const Scene& scene;
  Ladder ladder;
  Sweep swept;
  std::vector<std::size_t> columns{};
  std::vector<Sweep::Step> rows{};
  AskedSize at{};      ///< where a setting was dragged
  std::string unit{};  ///< of the setting
};

/// `North house console from 360 to 1440 wide, 800 high`, `… with beds.width from 100 to 400 at 1280 x 800`
[[nodiscard]] std::string headline(const ShownSweep& shown);
/// `list scrolled to its end` if scroll positions were given; else empty.
[[nodiscard]] std::string scrolled_words(const ShownSweep& shown);

/// The breakpoints of the shown columns.
[[nodiscard]] std::vector<const Breakpoint*> shown_breakpoints(const ShownSweep& shown);

/// The shown sizes and the breakpoints; `telling`, for a sweep of everything: which other quantities behave like the
/// columns.
void print_swept(const ShownSweep& shown, const std::vector<Telling>& telling, std::ostream& out);
/// Some steps of it, those shown or all.
void print_swept_csv(const ShownSweep& shown, const std::vector<Sweep::Step>& steps, std::ostream& out);
/// The fields of an answer: which side or setting was swept, the shown sizes, and the breakpoints.
void write_swept(JsonWriter& json, const ShownSweep& shown);

}  // namespace fond_ladder::inline v0
