// SPDX-License-Identifier: MIT
#pragma once

// The interface of a text that breaks into lines, whatever measures its words. FixedWidthText and SegmentedText are
// two; a toolkit can write its own. Calls are pure and may come from any thread.

#include <optional>
#include <string_view>
#include <vector>

#include "fond_ladder/custom_content.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// Content that is a text in lines of one height, measured by any engine. Solution::text_lines, text overhang,
/// claims, explanations and pictures read its lines and baseline.
///
/// The contract of CustomContent applies: pure, from any thread, pixels of the content alone.
class BreakableText : public CustomContent {
 public:
  struct Line {
    std::string_view text;  ///< without spaces at the end; a view into the object
    double width = 0;       ///< in pixels, the hyphen included
    bool hyphen = false;    ///< whether a hyphen is visible at its end
  };
  [[nodiscard]] ContentKind kind() const override { return ContentKind::text; }
  /// The lines at a width in pixels, with those that `max_lines` drops.
  [[nodiscard]] virtual std::vector<Line> lines_at(double width) const = 0;
  /// The height of every line, in pixels.
  [[nodiscard]] virtual double line_height() const = 0;
  /// The baseline of every line, in pixels below its top.
  [[nodiscard]] virtual double line_baseline() const = 0;
  /// The maximum number of lines; further lines are dropped.
  [[nodiscard]] virtual std::optional<int> max_lines() const = 0;
};

}  // namespace v0
}  // namespace fond_ladder
