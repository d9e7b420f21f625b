// SPDX-License-Identifier: MIT
#pragma once

#include <optional>
#include <stdexcept>
#include <string>
#include <string_view>

#include "fond_ladder/arrangement.hpp"

namespace fond_ladder {

/// What can be measured of a node. Places are from the root's corner.
enum class Measure : std::uint8_t {
  width,
  height,
  left,
  right,
  top,
  bottom,
  center_x,
  center_y,
  content_width,
  content_height,
  baseline,
  lines,
  line,
  columns,
  rows,
};

/// Thrown for a text that is no quantity, naming the nearest one.
class BadQuantity : public std::invalid_argument {
 public:
  using std::invalid_argument::invalid_argument;
};

/// A measure of a node, as in `beds.width`.
struct Quantity {
  NodeId node;
  Measure measure = Measure::width;
  std::string text;  ///< as it was written
};

/// Reads `path.measure`. Throws BadQuantity.
[[nodiscard]] Quantity parse_quantity(const Tree& tree, std::string_view text);

/// The value in an arrangement, in pixels (lines: a count; line: from 0). None for a node without a place.
[[nodiscard]] std::optional<double> value_of(const Quantity& quantity, const Arrangement& arrangement);

}  // namespace fond_ladder
