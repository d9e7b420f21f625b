// SPDX-License-Identifier: MIT
#pragma once

// The value of `--vary`: a setting, and the values it takes in turn.

#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "fond_ladder/scene.hpp"

namespace fond_ladder::calls {

struct AskedVary {
  std::string setting;              // beds.width
  std::vector<std::string> values;  // as they are written; none where there is a span
  std::optional<Interval> span;     // of numbers
  std::string unit;                 // behind them: em, % or nothing

  /// A number of the span as it is written in a scene.
  [[nodiscard]] std::string text_of(double value) const;
};

/// `beds.width=100..400`, `bar.padding=1em..3em`, `body.along=start,center,"end"`. Throws WrongCall.
[[nodiscard]] AskedVary parse_vary(const std::string& text);
/// Of those that take values side by side. Throws WrongCall for a span.
[[nodiscard]] AskedVary parse_values(const std::string& text);

}  // namespace fond_ladder::calls
