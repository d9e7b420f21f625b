// SPDX-License-Identifier: MIT
#pragma once

// Where every node is at one size of the container.
// solve(scene, {1280, 800})["body/map"].width

#include <algorithm>
#include <array>
#include <cstdint>
#include <limits>
#include <memory>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "fond_ladder/container_size.hpp"
#include "fond_ladder/error.hpp"
#include "fond_ladder/tree.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

namespace detail {
struct Passes;
struct Life;
struct TreeLife;
class ScrolledView;
}  // namespace detail

/// Thrown by every question to a solution that is no longer valid: its tree was edited, its solver solved again, or
/// one of them was destroyed.
class StaleSolution : public Error {
 public:
  using Error::Error;
};

/// A border box in pixels, x to the right and y down.
struct Rect {
  double x = 0, y = 0, width = 0, height = 0;
  /// The right edge, in pixels.
  [[nodiscard]] double right() const { return x + width; }
  /// The bottom edge, in pixels.
  [[nodiscard]] double bottom() const { return y + height; }
  /// The width, or the height.
  [[nodiscard]] double size_on(Axis axis) const { return axis == x_axis ? width : height; }
  friend bool operator==(const Rect&, const Rect&) = default;
};

/// Pixels on each side of a box: a thickness, or an overhang.
struct FourSides {
  double top = 0, right = 0, bottom = 0, left = 0;
  /// Whether any side is more than 0.
  [[nodiscard]] bool any() const { return top > 0 || right > 0 || bottom > 0 || left > 0; }
  /// The largest side.
  [[nodiscard]] double most() const { return std::max({top, right, bottom, left}); }
  friend bool operator==(const FourSides&, const FourSides&) = default;
};

/// A width and a height in pixels.
struct Extent {
  double width = 0, height = 0;
  /// The width, or the height.
  [[nodiscard]] double on(Axis axis) const { return axis == x_axis ? width : height; }
  friend bool operator==(const Extent&, const Extent&) = default;
};

/// A value that the solve could not use, and replaced.
struct Warning {
  /// The node with that value.
  NodeId node;
  std::string what;
};

/// Where every node of a tree is, at one size of the container.
///
/// A solution that `solve` returned owns what it needs, and stays valid. One that a Solver returned refers to that
/// solver and its tree: it is valid until the next solve or the next edit of the tree. Asked after that, or when one of
/// them is gone, it throws StaleSolution, in every build; snapshot() returns one that stays valid. Answers come from
/// stored results: each question costs at most the depth of the node or the number of its children, unless its comment
/// says otherwise. Any number of threads may ask at once.
///
/// A node that is hidden, or inside a hidden node or a leaf, has no place: see is_placed(). Its boxes are zeros.
class Solution {
 public:
  /// For the engine, as are passes() and scrolled_view().
  Solution(const Tree& tree, const detail::Passes& passes);
  /// The same arrangement, keeping alive whatever owns the tree and the solver.
  [[nodiscard]] Solution with_owner(std::shared_ptr<const void> owner) const;

  /// A solution that owns all it needs, with a copy of the tree, and stays valid. Linear in the tree.
  [[nodiscard]] Solution snapshot() const;
  /// Whether it is still valid; if not, all questions below throw StaleSolution.
  [[nodiscard]] bool is_valid() const;

  /// The tree that was solved; for a snapshot its copy. Valid as long as this solution.
  [[nodiscard]] const Tree& tree() const;
  /// For the engine.
  [[nodiscard]] const detail::Passes& passes() const;
  /// For the engine.
  [[nodiscard]] detail::ScrolledView scrolled_view() const;
  /// The keys of a node in effect at this size, with ranges and modes applied. Throws BadNode. Linear in its ranges
  /// and modes.
  [[nodiscard]] Keys keys(NodeId node) const;
  /// The kind of a node at this size; ranges and modes may change it. Throws BadNode.
  [[nodiscard]] Kind kind(NodeId node) const;
  /// The ranges that apply and the modes that are on, weakest first.
  [[nodiscard]] std::vector<std::string> active() const;
  /// The node ranges of a node that apply, weakest first. Empty for a node that is not placed.
  [[nodiscard]] std::vector<std::string> node_ranges(NodeId node) const;
  /// A range or mode that changed the keys of a node.
  struct ActiveForm {
    std::string name;  ///< of a range or a mode
    NodeId by{};       ///< the node that declares the range; none for a range of the container and for a mode
    Changes change;
  };
  /// The ranges and modes that change a node, weakest first. Linear in the ranges and modes.
  [[nodiscard]] std::vector<ActiveForm> active_forms(NodeId node) const;
  /// The size of the container in pixels, given or by content.
  [[nodiscard]] Extent container() const;

  /// The scroll position of a node on each axis, in pixels from the start of its content; `scroll_end` or more means
  /// the end.
  struct ScrolledTo {
    NodeId node;
    double x = 0, y = 0;
    friend auto operator<=>(const ScrolledTo&, const ScrolledTo&) = default;
  };
  /// A position at the end of any scroll range.
  static constexpr double scroll_end = std::numeric_limits<double>::infinity();
  /// Returns the same layout with these scroll positions, each limited to its scroll range. Boxes from the corner of
  /// the root, painted boxes, baselines and hit tests change; sizes and boxes relative to the parent do not. Children
  /// of a scroller move by their `scroll_ratio`. The result is valid as long as this solution. Throws BadValue for
  /// NaN, BadNode for a removed node.
  [[nodiscard]] Solution scrolled(const std::vector<ScrolledTo>& positions) const;
  /// Whether this solution has scroll positions.
  [[nodiscard]] bool is_scrolled() const { return scrolled_ != nullptr; }
  /// The scroll position of a scroller on each axis, in pixels; 0 for other nodes.
  [[nodiscard]] Extent scroll_position(NodeId node) const;

  /// Whether a node has a box: it is not hidden, not in a hidden node, and not in a leaf. Costs the depth.
  [[nodiscard]] bool is_placed(NodeId node) const;
  /// The border box of a node, from the corner of the root. Throws BadNode for a removed node. Costs the depth, at
  /// most 32 levels.
  [[nodiscard]] Rect box(NodeId node) const;
  /// The border box of a node, from the corner of the border box of its parent. Constant time.
  [[nodiscard]] Rect relative_box(NodeId node) const;
  /// The box, from the corner of the root, of the one node named by a path or the end of a path. Throws BadPath.
  [[nodiscard]] Rect operator[](std::string_view path) const;
  /// All boxes from the corner of the root, in the order of `nodes`. Nodes that are not placed have no entry. Linear
  /// time.
  struct NodeBox {
    NodeId node;
    Rect box;
    int depth = 0;
  };
  /// Placed nodes only.
  [[nodiscard]] std::vector<NodeBox> boxes() const;

  /// A node whose box in its parent differs from the solve before, with both boxes. `before` is absent if the node
  /// was not placed before (new or hidden), `now` if it is not placed any more. If a subtree is hidden or shown, only
  /// its topmost node is reported; of a new subtree every node; removed nodes are not reported.
  struct Change {
    NodeId node;
    std::optional<Rect> before, now;
  };
  /// The changed boxes, in no order, if the solver tracks changes. After its first solve, and after a change of tree,
  /// direction or em, these are all nodes, without boxes before. Costs the length of the list.
  [[nodiscard]] std::vector<Change> changed() const;

  /// The size of the content box of a container: the space inside its padding and border.
  [[nodiscard]] Extent content_box_size(NodeId container) const;
  /// The padding of a node in pixels, percentages resolved.
  [[nodiscard]] FourSides padding(NodeId node) const;
  /// The border of a node in pixels, as painted, even if it takes no space.
  [[nodiscard]] FourSides border(NodeId node) const;
  /// The margin of a node in pixels; may be negative; an automatic side is 0.
  [[nodiscard]] FourSides margin(NodeId node) const;
  /// The gaps of a container in pixels.
  [[nodiscard]] Extent gap(NodeId container) const;
  /// The preferred size of a node in pixels: its set size, else the size by content, within its limits. A node with a
  /// weight reports the size by content.
  [[nodiscard]] Extent preferred_size(NodeId node) const;
  /// By how much a node overhangs the padding box of its parent on each side, in pixels; 0 on axes on which the
  /// parent scrolls.
  [[nodiscard]] FourSides overhang(NodeId node) const;
  /// The same for the box after `scale` of the node, about its center. Constant time.
  [[nodiscard]] FourSides painted_overhang(NodeId node) const;
  /// By how much a node in the flow overlaps the padding of its parent on each side, in pixels; 0 on axes on which
  /// the parent scrolls. Never more than the padding. A part outside the parent, or due to a negative margin, does
  /// not count.
  [[nodiscard]] FourSides padding_overlap(NodeId node) const;
  /// One line of a text. Boxes are from the corner of the border box of the text, in pixels.
  struct TextLine {
    std::string_view text;  ///< a view into the tree
    Rect box;
    double baseline = 0;
    bool dropped = false;              ///< by `max_lines`
    bool hyphen = false;               ///< whether a hyphen is visible at its end
    const FontStyle* style = nullptr;  ///< set only if a text shaper measured the text; points into the tree
  };
  /// The lines of a text at its width. Throws BadNode. Linear in the text.
  [[nodiscard]] std::vector<TextLine> text_lines(NodeId text) const;
  /// By how much the lines of a text overhang its box on each side, in pixels; lines dropped by `max_lines` count at
  /// the bottom.
  [[nodiscard]] FourSides text_overhang(NodeId text) const;
  /// By how much the lines of a text overlap its own padding, in pixels.
  [[nodiscard]] FourSides text_padding_overlap(NodeId text) const;
  /// The larger of both on each side: the source of the measure `overhang`.
  [[nodiscard]] FourSides full_overhang(NodeId node) const;
  /// The larger of both on each side: the source of the measure `padding_overlap`.
  [[nodiscard]] FourSides full_padding_overlap(NodeId node) const;
  /// The largest overhang of a node, its text and its descendants on any side, without what `allow` accepts. Linear
  /// in the descendants.
  [[nodiscard]] double max_overhang(NodeId node) const;
  /// The size of the content of a node, padding included: for a scroller the larger of its view and the furthest
  /// margin edge of its children plus the end padding. CSS Overflow 3, section 2.2.
  [[nodiscard]] Extent content_size(NodeId node) const;
  /// How far a scroller can scroll on each axis, in pixels; 0 on other axes.
  [[nodiscard]] Extent scroll_range(NodeId node) const;
  /// A virtualized list: only some of its entries were arranged, and its length, padding included, is estimated from
  /// them.
  struct PartOfList {
    NodeId list;
    std::uint32_t entries = 0, arranged = 0;
    Axis axis{};  ///< axis along which the entries are placed
    double length = 0;
  };
  /// The virtualized lists among the placed nodes, in the order of `nodes`. Linear in the tree.
  [[nodiscard]] std::vector<PartOfList> estimated_lists() const;
  /// The number of lines of a text, or of the children of a row or column.
  [[nodiscard]] int lines(NodeId node) const;
  /// The line of a child in a row or column, from 1; 0 for a child on no line.
  [[nodiscard]] int line(NodeId node) const;
  /// A column or row of a grid. `at` is the left or top edge, in pixels from the corner of the root, also in right-
  /// to-left grids.
  struct TrackBox {
    double at = 0, size = 0;
    double unstretched = 0;  ///< size before tracks of automatic size share the free space
    double share = 0;        ///< factor before `fr`; 0: no factor
    NodeId
        set_by{};  ///< the child whose content set the size of the track; none if lengths, shares or unused space did
  };
  /// The tracks of both axes; empty for nodes that are not grids.
  struct GridTracks {
    std::vector<TrackBox> columns, rows;
  };
  /// The tracks of a grid from the start edge. Costs what sizing the tracks costs.
  [[nodiscard]] GridTracks tracks(NodeId grid) const;
  /// The first baseline, in pixels from the top of the root. CSS Box Alignment 3, section 9.1.
  [[nodiscard]] double baseline(NodeId node) const;

  /// The children of a container in layout order.
  [[nodiscard]] std::vector<NodeId> laid_order(NodeId container) const;
  /// The same, line by line. A row or column without `wrap`, a stack and a grid have one line.
  [[nodiscard]] std::vector<std::vector<NodeId>> laid_lines(NodeId container) const;
  /// A node as it is painted.
  struct Painted {
    NodeId node;
    Rect box;  ///< as painted, see `painted_box`
    int depth = 0;
    double scale = 1;  ///< factor of `scale`, ancestors included
  };
  /// All placed nodes in paint order, the furthest back first. Linear time.
  [[nodiscard]] std::vector<Painted> painted() const;
  /// The box as painted, with `scale` of the node and of its ancestors applied about their centers; from the corner
  /// of the root.
  [[nodiscard]] Rect painted_box(NodeId node) const;
  /// The nodes whose painted box contains a point (right and bottom edges excluded), frontmost first. Linear in the
  /// tree.
  [[nodiscard]] std::vector<NodeId> hit_test(double x, double y) const;

  /// Where a dropped node would go.
  struct DropTarget {
    NodeId parent;
    /// Index among the children of `parent` in the order of the file, without the dragged node, as Tree::move takes
    /// it.
    std::size_t place = 0;
    /// The rectangle that marks the position, from the corner of the root: a line without thickness between neighbors
    /// of a row or column, the next free cell of a grid, the content box of a stack.
    Rect indicator;
  };
  /// Where `node` (or a new node, if it is none) goes when it is dropped at a point: into the innermost container
  /// that is visible there and is neither a leaf nor inside `node`; between the neighbors around the point, on the
  /// nearest line of a wrapping row or column. Absent outside the root. Among neighbors with an `order`, the node
  /// goes beside the nearest one in layout order. Linear in the tree.
  [[nodiscard]] std::optional<DropTarget> drop_target(double x, double y, NodeId node = {}) const;

  /// All boxes in whole device pixels, as multiples of 1/density for `density` device pixels per pixel. Each edge is
  /// rounded on its own, so boxes that touch still touch. Linear time.
  [[nodiscard]] std::vector<NodeBox> snapped(double density) const;

  /// Values that the solve replaced, such as NaN sizes of custom content. Linear time.
  [[nodiscard]] std::vector<Warning> warnings() const;
  /// Nodes visited by each of the four passes of the solve.
  [[nodiscard]] std::array<std::size_t, 4> visited() const;

 private:
  const detail::Passes* passes_;
  std::shared_ptr<const detail::TreeLife> tree_life_;
  std::shared_ptr<const detail::Life> solver_life_;
  std::uint64_t tree_changes_, solver_changes_;
  std::shared_ptr<const void> owner_;
  std::shared_ptr<const std::vector<ScrolledTo>> scrolled_;
};

}  // namespace v0
}  // namespace fond_ladder
