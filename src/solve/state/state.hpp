// SPDX-License-Identifier: MIT
#pragma once

// What a solver keeps between solves: one array a result, parallel to the arrays of the tree.

#include <array>
#include <cstdint>
#include <memory>
#include <vector>

#include "model/bytes_of.hpp"
#include "model/flat.hpp"
#include "solve/sharing/grid_scratch.hpp"
#include "solve/sharing/share.hpp"
#include "solve/state/form_records.hpp"

namespace fond_ladder::inline v0::detail {

/// Per node, between the passes. A type of its own, and not a plain byte, so that storing one is known to change
/// nothing else.
enum class NodeFlag : std::uint16_t {
  none = 0,
  starts_line = 1,        ///< the first of its line in a wrapping container
  needs_widths = 2,       ///< edited while it had no place, or never laid
  needs_heights = 4,      ///< visited by the second pass, not yet by the fourth
  edges_moved = 8,        ///< a padding in percent came out differently
  odd_widths = 16,        ///< its content measured widths that are no sizes
  odd_heights = 32,       ///< its content measured heights that are no sizes
  in_dirty = 64,          ///< is in the list of dirty nodes of the solve at work
  keeps_line = 128,       ///< a column: see kept_line.hpp
  stiff_line = 256,       ///< the same, and nothing in it could shrink
  change_recorded = 512,  ///< its box before this solve is written down
  holds_ties = 2048,      ///< some child is tied to its siblings: they are laid together
  declares = 1024,        ///< it has node ranges, or had: see node_ranges.hpp
};
constexpr unsigned bits(NodeFlag flag) {
  return static_cast<unsigned>(flag);
}
constexpr NodeFlag operator|(NodeFlag a, NodeFlag b) {
  return static_cast<NodeFlag>(bits(a) | bits(b));
}
constexpr NodeFlag operator&(NodeFlag a, NodeFlag b) {
  return static_cast<NodeFlag>(bits(a) & bits(b));
}
constexpr NodeFlag without(NodeFlag flags, NodeFlag gone) {
  return static_cast<NodeFlag>(bits(flags) & ~bits(gone));
}

/// The number of a node in the list of a pass; a type of its own for the same reason.
enum class Visit : Index {};

class DraggedSetting;

template <class N>
struct StateOf {
  std::vector<N> min_content, max_content;    ///< widths by content, border box
  std::array<std::vector<N>, 2> size, place;  ///< border box; place from the parent's border box
  std::vector<N> need, baseline;              ///< height by content, and first baseline from the top
  std::vector<N> least_height;                ///< kept only for trees that scroll, where `holds_scroller`
  std::vector<NodeFlag> flags;
  std::vector<GridPlace> cells;              ///< kept only for trees with grids
  std::vector<EdgeSpaceOf<N>> resolved;      ///< by Extra; kept only for trees with percent edges
  std::vector<EdgeSpaceOf<N>> own_resolved;  ///< by record of `forms`, where these do not hold it: not for pixels
  DraggedSetting* dragged = nullptr;         ///< what is dragged instead of the container: not for pixels

  std::vector<std::uint32_t> handles;  ///< of the nodes here, kept only if changes are tracked
  FormRecords forms;                   ///< kept only for trees with nodes in other forms

  std::vector<Visit> visits;  ///< nodes of the pass at work, parents first
};

/// Calls `each(array)` for every array of numbers that is parallel to the arrays of the tree.
template <class StateType, class Each>
void for_each_number(StateType& state, Each each) {
  for (auto* array : {&state.min_content, &state.max_content, &state.size[0], &state.size[1], &state.place[0],
                      &state.place[1], &state.need, &state.baseline}) {
    each(*array);
  }
}
/// The same for all results of every tree.
template <class StateType, class Each>
void for_each_result(StateType& state, Each each) {
  for_each_number(state, each);
  each(state.flags);
}

/// One wrapped line of a container, in the order in which children are laid.
template <class N>
struct LineOf {
  std::uint32_t first = 0, count = 0;
  N size = 0;    ///< across
  N ascent = 0;  ///< of its baseline children, from the line's start
  N at = 0;      ///< where it begins across, from the start of the content box
};

/// Working memory to follow ties: children that wait for one another, with the tie that comes next, and a mark for each
/// child.
struct TieWalk {
  std::vector<std::pair<Index, std::size_t>> way;
  std::vector<std::uint8_t> marks;
};

/// Working memory for the visit of one container, as large as the longest run of siblings so far; it never shrinks.
template <class N>
struct ScratchOf {
  std::vector<Index> flow, upwards;  ///< one that is not simply all children; 0, 1, 2…
  TieWalk ties;
  std::vector<LineItemOf<N>> line_items;
  std::vector<LineOf<N>> lines;
  ShareScratchOf<N> sharing;
  GridScratchOf<N> grid;

  [[nodiscard]] std::size_t memory() const {
    return bytes_of(flow, upwards, ties.way, ties.marks, line_items, lines) + sharing.memory() + grid.memory();
  }
};
using State = StateOf<double>;
using Line = LineOf<double>;
using Scratch = ScratchOf<double>;

/// A box in its parent before a solve; none where the node had no place then.
struct BoxBefore {
  Index node = no_index;
  std::array<double, 2> place{}, size{};
  bool had_place = true;
};

/// What a solve changed, for whoever follows changes.
struct ChangeLog {
  bool wanted = false;
  bool everything = true;  ///< all nodes may be new: nothing was kept of the solve before
  std::vector<BoxBefore> boxes;
};

}  // namespace fond_ladder::inline v0::detail
