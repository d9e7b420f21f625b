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

struct LandingShown {
  Point at;
  NodeId carried{};                          ///< none: a new node
  std::optional<Solution::Landing> landing;  ///< none outside of the root
  std::string refused;                       ///< why it cannot be dropped there: a child of that name is there
  std::optional<Rect> box;                   ///< of what is carried, after the drop
  /// Nodes that are elsewhere after the drop, what is carried left out; absent boxes had or have no place.
  struct Move {
    NodeId node;
    std::optional<Rect> before, now;
  };
  std::vector<Move> moves;
};

/// Looks for the landing in an arrangement, and arranges the scene as it would be behind it. What is carried is not the
/// root.
[[nodiscard]] LandingShown landing_of(const SolvedScene& measured, const Point& at, NodeId carried,
                                      const std::vector<std::string>& modes);

void print_landing(const SolvedScene& measured, const LandingShown& shown, std::ostream& out);
void write_landing(JsonWriter& json, const SolvedScene& measured, const LandingShown& shown);

}  // namespace fond_ladder::inline v0
