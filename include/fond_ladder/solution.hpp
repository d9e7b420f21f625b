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
#include <stdexcept>
#include <string>
#include <string_view>
#include <vector>

#include "fond_ladder/container_size.hpp"
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

/// Thrown by questions to a solution that is no longer valid: its tree was edited, its solver solved again, or one of
/// them is gone.
class StaleSolution : public std::logic_error {
 public:
  using std::logic_error::logic_error;
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

/// Pixels on each side of a box: a thickness, or by how much something overhangs.
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

/// Something odd that a solve met and went on from.
struct Warning {
  /// The node that it is about.
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

  /// The tree that was solved; of a snapshot its copy.
  [[nodiscard]] const Tree& tree() const;
  /// For the engine.
  [[nodiscard]] const detail::Passes& passes() const;
  /// For the engine.
  [[nodiscard]] detail::ScrolledView scrolled_view() const;
  /// The keys of a node in effect at this size, with ranges and modes applied.
  [[nodiscard]] Keys keys(NodeId node) const;
  /// The kind of a node at this size; ranges and modes may change it.
  [[nodiscard]] Kind kind(NodeId node) const;
  /// The ranges that held and the modes that were on, in the order in which they beat each other.
  [[nodiscard]] std::vector<std::string> active() const;
  /// The node ranges of a node that held, the strongest last. None of a node without a place.
  [[nodiscard]] std::vector<std::string> node_ranges(NodeId node) const;
  /// A range or mode that changed the keys of a node.
  struct HeldForm {
    std::string name;  ///< of a range or a mode
    NodeId by{};       ///< whose node range it is; none for those of the container, and modes
    Changes change;
  };
  /// In the order in which they apply, the strongest last. Linear in the ranges and modes.
  [[nodiscard]] std::vector<HeldForm> held_forms(NodeId node) const;
  /// The size of the container, whether it was given or came from the content.
  [[nodiscard]] Extent container() const;

  /// How far a scroller is scrolled on each axis, in pixels from where its content begins; `scroll_end` or more for the
  /// end.
  struct ScrolledTo {
    NodeId node;
    double x = 0, y = 0;
    friend auto operator<=>(const ScrolledTo&, const ScrolledTo&) = default;
  };
  /// A position at the end, whatever the range.
  static constexpr double scroll_end = std::numeric_limits<double>::infinity();
  /// The same arrangement with scrollers scrolled, each within its range: boxes from the root's corner, painted boxes,
  /// baselines and what is under a point are told where they are then; sizes and places in the parent stay. What a
  /// scroller holds moves by its `scroll_ratio`. Holds as long as this one. Throws BadValue for a position that is no
  /// number.
  [[nodiscard]] Solution scrolled(const std::vector<ScrolledTo>& positions) const;
  /// Whether this solution has scroll positions.
  [[nodiscard]] bool is_scrolled() const { return scrolled_ != nullptr; }
  /// Where a scroller is scrolled to, on each axis.
  [[nodiscard]] Extent scroll_position(NodeId node) const;

  /// Whether a node has a box: it is not hidden, not in a hidden node, and not in a leaf. Costs the depth.
  [[nodiscard]] bool is_placed(NodeId node) const;
  /// From the root's corner. Throws BadNode for a handle of a removed node.
  [[nodiscard]] Rect box(NodeId node) const;
  /// From the corner of the parent's border box.
  [[nodiscard]] Rect relative_box(NodeId node) const;
  /// The box from the root's corner of the one node that a path, or its tail, names. Throws BadPath.
  [[nodiscard]] Rect operator[](std::string_view path) const;
  /// All boxes from the root's corner, in the order of `nodes`, in linear time. Nodes without a place give none.
  struct NodeBox {
    NodeId node;
    Rect box;
    int depth = 0;
  };
  /// Placed nodes only.
  [[nodiscard]] std::vector<NodeBox> boxes() const;

  /// A node whose box in its parent is another one than in the solve before, with both; `before` is absent where it had
  /// none (new, or hidden then), `now` where it has none (hidden). Of what came, went or was hidden with its parent
  /// only the topmost is told, of a new subtree all; removed nodes are not.
  struct Change {
    NodeId node;
    std::optional<Rect> before, now;
  };
  /// What changed, for a solver that follows changes; in no order. After its first solve, and where nothing could be
  /// kept (another tree, another direction or em), these are all nodes, without boxes before. Costs the list alone.
  [[nodiscard]] std::vector<Change> changed() const;

  /// The content box of a container: what is left inside its padding and border.
  [[nodiscard]] Extent content_box_size(NodeId container) const;
  /// In pixels, percentages resolved. A border is told as thick as it is painted, even where it does not count; a
  /// margin that is automatic is 0.
  [[nodiscard]] FourSides padding(NodeId node) const;
  /// As painted, also where it takes no space.
  [[nodiscard]] FourSides border(NodeId node) const;
  /// May be negative; an automatic side is 0.
  [[nodiscard]] FourSides margin(NodeId node) const;
  /// The gaps of a container in pixels.
  [[nodiscard]] Extent gap(NodeId container) const;
  /// What a node asked for: its size where one is given, else its content's, within its limits. A share that follows
  /// from a weight asks for its content.
  [[nodiscard]] Extent preferred_size(NodeId node) const;
  /// What overhangs the padding box of the parent, on axes on which the parent does not scroll.
  [[nodiscard]] FourSides overhang(NodeId node) const;
  /// The same of the box as `scale` of the node enlarges it about its center. Constant time.
  [[nodiscard]] FourSides painted_overhang(NodeId node) const;
  /// How much of a node in the flow lies in the padding of its parent, on axes on which the parent does not scroll:
  /// never more than the padding, and nothing of what lies wholly outside. What the node's own margin brings there,
  /// below zero, is left out.
  [[nodiscard]] FourSides padding_overlap(NodeId node) const;
  /// One line of a text. Places are from the corner of the text's own border box.
  struct TextLine {
    std::string_view text;  ///< part of the tree
    Rect box;
    double baseline = 0;
    bool dropped = false;              ///< by `max_lines`
    bool hyphen = false;               ///< one is shown behind the text: it ends where a soft hyphen stands
    const FontStyle* style = nullptr;  ///< of words that a text_shaper has set; part of the tree
  };
  /// The lines of a text, in whatever its words are measured, as they are broken at its width.
  [[nodiscard]] std::vector<TextLine> text_lines(NodeId text) const;
  /// What a text's own words and lines overhang it, and what `max_lines` drops.
  [[nodiscard]] FourSides text_overhang(NodeId text) const;
  /// What of a text's own words lies in its own padding.
  [[nodiscard]] FourSides text_padding_overlap(NodeId text) const;
  /// Both together, side by side the larger: what the measures `overhang` and `padding_overlap` are the largest of.
  [[nodiscard]] FourSides full_overhang(NodeId node) const;
  /// The same of padding overlap.
  [[nodiscard]] FourSides full_padding_overlap(NodeId node) const;
  /// The most that a node, its own words, or anything in it is cut on any side, but for what is meant to be. Linear in
  /// what is in it.
  [[nodiscard]] double max_overhang(NodeId node) const;
  /// The size of what lies in a node, its padding box included: for a scroller the larger of its view and the furthest
  /// margin edge of its children plus end padding. CSS Overflow 3, section 2.2.
  [[nodiscard]] Extent content_size(NodeId node) const;
  /// How far a scroller can scroll on each axis; 0 on an axis on which it does not.
  [[nodiscard]] Extent scroll_range(NodeId node) const;
  /// A list of which only some entries were arranged (`virtualized`), and how long it is, its padding included: an
  /// estimate from those entries.
  struct PartOfList {
    NodeId list;
    std::uint32_t entries = 0, arranged = 0;
    Axis axis{};  ///< along which it lays them
    double length = 0;
  };
  /// Those among the placed nodes, in the order of `nodes`. Linear in the tree.
  [[nodiscard]] std::vector<PartOfList> estimated_lists() const;
  /// Lines of a text, or of the children of a row or column.
  [[nodiscard]] int lines(NodeId node) const;
  /// The line on which a child of a row or column stands, from 1; 0 for what stands on none.
  [[nodiscard]] int line(NodeId node) const;
  /// A column or row of a grid. `at` is from the root's corner; of a right-to-left column too it is the left edge.
  struct TrackBox {
    double at = 0, size = 0;
    double unstretched = 0;  ///< before tracks of automatic size share what is left over
    double share = 0;        ///< the factor before `fr`; 0 for none
    NodeId
        set_by{};  ///< the child whose content the track is as large as; none where lengths, shares or unused space say
  };
  /// The tracks of both axes; empty of nodes that are not grids.
  struct GridTracks {
    std::vector<TrackBox> columns, rows;
  };
  /// The tracks of a grid, in their order from the start; none of any other node. Costs what sizing them costs.
  [[nodiscard]] GridTracks tracks(NodeId grid) const;
  /// First baseline, from the root's corner downwards. CSS Box Alignment 3, section 9.1.
  [[nodiscard]] double baseline(NodeId node) const;

  /// Children in the order in which they are laid.
  [[nodiscard]] std::vector<NodeId> laid_order(NodeId container) const;
  /// The same, line by line. A row or column that does not wrap, a stack and a grid have one line.
  [[nodiscard]] std::vector<std::vector<NodeId>> laid_lines(NodeId container) const;
  /// A node as it is painted.
  struct Painted {
    NodeId node;
    Rect box;  ///< as painted: see `painted_box`
    int depth = 0;
    double scale = 1;  ///< how much larger the node is painted, ancestors included
  };
  /// All placed nodes, the furthest back first, in linear time.
  [[nodiscard]] std::vector<Painted> painted() const;
  /// The box as it is painted: `scale` of the node and of what it lies in applied, around their centers.
  [[nodiscard]] Rect painted_box(NodeId node) const;
  /// The nodes whose painted box holds a point (right and bottom edges excluded), the front-most first.
  [[nodiscard]] std::vector<NodeId> hit_test(double x, double y) const;

  /// Where a dropped node would go.
  struct DropTarget {
    NodeId parent;
    /// Among the children of `parent` in the order of the file, as Tree::move takes it: the node taken out before.
    std::size_t place = 0;
    /// What shows it, from the root's corner: between neighbors of a row or column a line without thickness, in a grid
    /// the next free cell, in a stack its content box.
    Rect indicator;
  };
  /// Where `node` (or a new node, for none) would come to stand if it were let go at a point: in the innermost
  /// container that is seen there and neither lies in the node nor is a leaf, between the neighbors that the point
  /// lies between, of a wrapped row or column on the nearest line. None outside the root. Where neighbors say an
  /// `order`, the node comes beside the one that is laid there. Linear in the tree.
  [[nodiscard]] std::optional<DropTarget> drop_target(double x, double y, NodeId node = {}) const;

  /// All boxes in whole device pixels at `density` device pixels a pixel, as multiples of 1/density: every edge goes to
  /// the nearest one, so that boxes that touched still touch and no pixel is lost between them.
  [[nodiscard]] std::vector<NodeBox> snapped(double density) const;

  /// Values that the solve replaced, such as sizes that are not numbers. Linear time.
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
