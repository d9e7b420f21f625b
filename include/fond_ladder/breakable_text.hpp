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

/// Content that is a text set in lines of one height, whoever measures its words. `Solution::words`, the cut of words,
/// Claims, explanations and pictures read it for `lines` and `baseline`.
///
/// What CustomContent promises holds here too: pure, from any thread, pixels of the content alone.
class BreakableText : public CustomContent {
 public:
  struct Line {
    std::string_view text;  ///< without the spaces at its end; part of the object
    double width = 0;       ///< in pixels, the hyphen included
    bool hyphen = false;    ///< one is shown behind the text: it ends where a soft hyphen stands
  };
  /// The lines at `width` pixels, those that `max_lines` drops included.
  [[nodiscard]] virtual std::vector<Line> lines_at(double width) const = 0;
  /// Of every line, in pixels.
  [[nodiscard]] virtual double line_height() const = 0;
  /// Of every line, below its top.
  [[nodiscard]] virtual double line_baseline() const = 0;
  /// Further lines are dropped.
  [[nodiscard]] virtual std::optional<int> max_lines() const = 0;
};

}  // namespace v0
}  // namespace fond_ladder
