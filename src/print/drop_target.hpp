// SPDX-License-Identifier: MIT
#pragma once

// Where a node that is dropped at a point would come to stand, and what moves by that.

#include <optional>
#include <ostream>
#include <string>
#include <vector>

#include "print/json_writer.hpp"
#include "print/measure.hpp"

namespace fond_ladder::inline v0 {

struct DropTargetShown {
  Point at;
  NodeId dragged{};                                 ///< none: a new node
  std::optional<Solution::DropTarget> drop_target;  ///< none outside of the root
  std::string refusal;                              ///< why it cannot be dropped there: a child of that name is there
  std::optional<Rect> box;                          ///< of what is dragged, after the drop
  /// Nodes that are elsewhere after the drop, what is dragged left out; absent boxes had or have no place.
  struct Move {
    NodeId node;
    std::optional<Rect> before, now;
  };
  std::vector<Move> moves;
};

/// Looks for the drop target in an arrangement, and arranges the scene as it would be behind it. What is dragged is not
/// the root.
[[nodiscard]] DropTargetShown drop_target_of(const SolvedScene& measured, const Point& at, NodeId dragged,
                                             const std::vector<std::string>& modes);

void print_drop_target(const SolvedScene& measured, const DropTargetShown& shown, std::ostream& out);
void write_drop_target(JsonWriter& json, const SolvedScene& measured, const DropTargetShown& shown);

}  // namespace fond_ladder::inline v0
