// SPDX-License-Identifier: MIT
#pragma once

// What a climb found, as a table, as CSV and as JSON.

#include <iosfwd>
#include <string>
#include <vector>

#include "print/climb_summary.hpp"
#include "print/json_writer.hpp"
#include "print/titles.hpp"

namespace fond_ladder::inline v0 {

/// A climb, the columns of it that are shown, and the rows.
struct ShownClimb {
  const Scene& scene;
  Ladder ladder;
  Climb climbed;
  std::vector<std::size_t> columns{};
  std::vector<Climb::Step> rows{};
  AskedSize at{};      ///< where a setting was dragged
  std::string unit{};  ///< of the setting
};

/// `North house console from 360 to 1440 wide, 800 high`, `… with beds.width from 100 to 400 at 1280 x 800`
[[nodiscard]] std::string headline(const ShownClimb& shown);
/// `list scrolled to its end`, where places are told so; else empty.
[[nodiscard]] std::string scrolled_words(const ShownClimb& shown);

/// The turns of the columns that are shown.
[[nodiscard]] std::vector<const Turn*> shown_turns(const ShownClimb& shown);

/// The shown sizes and the turns; `telling` of a climb of everything: which others behave like the columns.
void print_climbed(const ShownClimb& shown, const std::vector<Telling>& telling, std::ostream& out);
/// Some steps of it, those shown or all.
void print_climbed_csv(const ShownClimb& shown, const std::vector<Climb::Step>& steps, std::ostream& out);
/// The fields of an answer: which side or setting was climbed, the shown sizes, and the turns.
void write_climbed(JsonWriter& json, const ShownClimb& shown);

}  // namespace fond_ladder::inline v0
