// SPDX-License-Identifier: MIT
#pragma once

// What can be asked of a node, by name: `beds.width`, `cards/*.height`, `count(cards/*)`.
// value_of(parse_quantity(tree, "beds.width"), solution)

#include <optional>
#include <stdexcept>
#include <string>
#include <string_view>
#include <vector>

#include "fond_ladder/solution.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// What can be measured of a node. Places are from the root's corner.
enum class Measure : std::uint8_t {
  width,
  height,
  left,
  right,
  top,
  bottom,
  middle_x,
  middle_y,
  content_width,
  content_height,
  baseline,
  lines,
  line,
  columns,
  rows,
  per_line,       ///< the most children on one line
  unused_space,   ///< what is left along; negative where things do not fit
  overhang,       ///< the most that overhangs the parent on any side, or of a text its own words
  overhang_left,  ///< the same on one side
  overhang_right,
  overhang_top,
  overhang_bottom,
  overflow_x,       ///< of a container: the largest overhang of a direct child, left or right; where it scrolls, 0
  overflow_y,       ///< the same, above or below
  padding_overlap,  ///< the most that lies in the padding of the parent on any side, or of a text's words in its own
                    ///< padding
  reachable,        ///< 1 or 0, also of hidden nodes: it has a size, and is not covered or clipped once it is scrolled
                    ///< to; never depends on a scroll position
  in_view,          ///< 1 or 0, also of hidden nodes: the same, with every scroller left where it is
  node_range,       ///< 1 or 0: whether a node range of the node holds, written by the name of that range
  max_overhang,     ///< the largest overhang of a node and all that is in it; what `fits` asks for, no word of its own
  count,            ///< how many of some nodes have a place, as `count(cards/*)` asks; of no single node
};

/// As quantities and claims write it; of a node range no more than that it is one.
[[nodiscard]] std::string_view word_of(Measure measure);

/// Whether it is a number of things, and no length.
[[nodiscard]] bool is_count(Measure measure);

/// Thrown for a text that is no quantity, naming the nearest one.
class BadQuantity : public std::invalid_argument {
 public:
  using std::invalid_argument::invalid_argument;
};

/// A measure of a node, as in `beds.width`, or how many of some nodes there are, as in `count(cards/*)`.
struct Quantity {
  NodeId node;  ///< where some are counted, the first of them
  Measure measure = Measure::width;
  std::string text;               ///< as it was written
  std::vector<NodeId> counted{};  ///< where some are counted: all of them
  std::string range{};            ///< of a node range: its name
  /// Where scrollers are scrolled to while a place, or what is seen, is measured; as they are when empty.
  std::vector<Solution::ScrolledTo> scrolled{};
  /// Whether it is another one where scrollers are scrolled elsewhere.
  [[nodiscard]] bool moves_with_scrolling() const;
  /// What is measured, as it is written behind the node.
  [[nodiscard]] std::string_view word() const {
    return measure == Measure::node_range ? std::string_view(range) : word_of(measure);
  }
};

/// The node of a path, or all nodes that match a pattern: see parse_quantities. Throws BadQuantity.
[[nodiscard]] std::vector<NodeId> nodes_named(const Tree& tree, std::string_view pattern);
/// The measure that stands behind the last dot: one of the words for them, or the name of a node range of the nodes
/// before it. Throws BadQuantity.
[[nodiscard]] Measure measure_named(const Tree& tree, std::string_view text);

/// Reads `path.measure`, or `count(pattern)`. Throws BadQuantity.
[[nodiscard]] Quantity parse_quantity(const Tree& tree, std::string_view text);

/// Reads `pattern.measure`, where `*` stands for any one step of a path, and `name[*]` for all copies: the quantities
/// of all nodes that match, in the order of the file. Without a star as parse_quantity. Throws BadQuantity, also when
/// nothing matches.
[[nodiscard]] std::vector<Quantity> parse_quantities(const Tree& tree, std::string_view text);
/// The same of several texts, one behind the other.
[[nodiscard]] std::vector<Quantity> parse_quantities(const Tree& tree, const std::vector<std::string>& texts);

/// The value in an arrangement, in pixels (lines: a count; line: from 1, as people count). None for a node without a
/// place.
[[nodiscard]] std::optional<double> value_of(const Quantity& quantity, const Solution& solution);

}  // namespace v0
}  // namespace fond_ladder
