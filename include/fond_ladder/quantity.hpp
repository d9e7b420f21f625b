// SPDX-License-Identifier: MIT
#pragma once

// Measures of nodes by name: `beds.width`, `cards/*.height`, `count(cards/*)`.
// value_of(parse_quantity(tree, "beds.width"), solution)

#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "fond_ladder/error.hpp"
#include "fond_ladder/solution.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// A measure of a node. Positions are from the corner of the root, in pixels.
enum class Measure : std::uint8_t {
  width,            ///< width of the border box
  height,           ///< height of the border box
  left,             ///< left edge
  right,            ///< right edge
  top,              ///< top edge
  bottom,           ///< bottom edge
  middle_x,         ///< middle between left and right edge
  middle_y,         ///< middle between top and bottom edge
  content_width,    ///< width of the content, as Solution::content_size
  content_height,   ///< height of the content
  baseline,         ///< first baseline, from the top of the root
  lines,            ///< number of lines of a text, row or column
  line,             ///< line of a child in its row or column, from 1
  columns,          ///< number of columns of a grid
  rows,             ///< number of rows of a grid
  per_line,         ///< the most children on one line
  unused_space,     ///< free space along that no child takes; negative if the children overhang
  overhang,         ///< the largest overhang of the node or its text on any side
  overhang_left,    ///< the same on the left
  overhang_right,   ///< the same on the right
  overhang_top,     ///< the same at the top
  overhang_bottom,  ///< the same at the bottom
  overflow_x,       ///< of a container: the largest overhang of a direct child to the left or right; 0 if it scrolls
  overflow_y,       ///< the same, above or below
  padding_overlap,  ///< the largest overlap with the padding of the parent, or of the text with its own padding
  /// 1 or 0, also of hidden nodes: it has a size, and is neither covered nor clipped once it is scrolled to; does not
  /// depend on a scroll position
  reachable,
  in_view,     ///< 1 or 0, also of hidden nodes: the same at the present scroll position
  node_range,  ///< 1 or 0: whether a node range applies, written as the name of that range
  /// the largest overhang of a node and its descendants: what `fits` compares; it has no name in claims
  max_overhang,
  count,  ///< the number of placed nodes, written as `count(cards/*)`
};

/// The measure as quantities and claims write it; for a node range only "node range".
[[nodiscard]] std::string_view word_of(Measure measure);

/// Whether the measure is a count, not a length.
[[nodiscard]] bool is_count(Measure measure);

/// Thrown for a text that is not a quantity. The message has the nearest one.
class BadQuantity : public Error {
 public:
  using Error::Error;
};

/// A measure of a node, as in `beds.width`, or how many of some nodes there are, as in `count(cards/*)`.
struct Quantity {
  NodeId node;  ///< of a count: the first counted node
  Measure measure = Measure::width;
  std::string text;               ///< as written
  std::vector<NodeId> counted{};  ///< of a count: all counted nodes
  std::string range{};            ///< of a node range: its name
  /// Scroll positions for the measurement; empty: as they are.
  std::vector<Solution::ScrolledTo> scrolled{};
  /// Whether the value can depend on scroll positions.
  [[nodiscard]] bool moves_with_scrolling() const;
  /// The measure as written after the dot.
  [[nodiscard]] std::string_view word() const {
    return measure == Measure::node_range ? std::string_view(range) : word_of(measure);
  }
};

/// The node of a path, or all nodes that match a pattern: see parse_quantities. Throws BadQuantity.
[[nodiscard]] std::vector<NodeId> nodes_named(const Tree& tree, std::string_view pattern);
/// Reads the measure after the last dot: its name, or the name of a node range of the nodes before it. Throws
/// BadQuantity.
[[nodiscard]] Measure measure_named(const Tree& tree, std::string_view text);

/// Reads `path.measure`, or `count(pattern)`. Throws BadQuantity.
[[nodiscard]] Quantity parse_quantity(const Tree& tree, std::string_view text);

/// Reads `pattern.measure`, where `*` stands for any segment of a path and `name[*]` for all copies. Returns the
/// quantities of all matching nodes, in the order of the file; without a star as parse_quantity. Throws BadQuantity,
/// also if no node matches.
[[nodiscard]] std::vector<Quantity> parse_quantities(const Tree& tree, std::string_view text);
/// The same for several texts, in order.
[[nodiscard]] std::vector<Quantity> parse_quantities(const Tree& tree, const std::vector<std::string>& texts);

/// The value in a solution: pixels, a count for `lines`, from 1 for `line`. Absent for a node that is not placed.
[[nodiscard]] std::optional<double> value_of(const Quantity& quantity, const Solution& solution);

}  // namespace v0
}  // namespace fond_ladder
