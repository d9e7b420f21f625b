// SPDX-License-Identifier: MIT
#pragma once

// A scene at one size, as rules about what is seen look at it: nodes in the order of the file, boxes from the root's
// corner, with what overhangs them.

#include <functional>
#include <memory>
#include <optional>
#include <string>
#include <string_view>
#include <utility>
#include <vector>

#include "fond_ladder/scene.hpp"
#include "verify/measure/same.hpp"

namespace fond_ladder::inline v0 {

/// One node at one size. Placed ones have a box.
struct SeenNode {
  NodeId node;
  std::size_t parent = 0;  // its place in the list; that of the root is its own
  bool placed = false;
  Rect box{};                              // from the root's corner
  Rect ink{};                              // with all that is in it and overhangs it, on axes that no container scrolls
  std::size_t end = 0;                     // behind the last node in it
  bool is_empty = true;                    // holds no child
  std::shared_ptr<const Keys> in_force{};  // in force while the ranges that hold do; nodes with equal keys share them
  bool has_name = false;                   // names apart

  [[nodiscard]] const Keys& keys() const { return *in_force; }
};

/// A scene at one size.
struct Seen {
  const Scene* scene = nullptr;
  const Solution* solution = nullptr;
  std::vector<SeenNode> nodes;  // parents first, each followed by all that is in it

  [[nodiscard]] const SeenNode& parent(const SeenNode& one) const { return nodes[one.parent]; }
  [[nodiscard]] bool is_root(const SeenNode& one) const { return &one == nodes.data(); }
  [[nodiscard]] std::string name(NodeId node) const { return scene->tree.short_path(node); }
  /// Calls `each(child)` for the placed children of a node, in the order of the file.
  template <class Each>
  void for_each_child(const SeenNode& parent, const Each& each) const {
    for (std::size_t i = place(parent) + 1; i < parent.end; i = nodes[i].end) {
      if (nodes[i].placed) each(nodes[i]);
    }
  }
  [[nodiscard]] std::size_t place(const SeenNode& one) const { return static_cast<std::size_t>(&one - nodes.data()); }
};

/// All nodes of a scene, the root first, with nothing seen of them yet.
[[nodiscard]] Seen unseen_scene(const Scene& scene);
/// Takes the places of an arrangement in, and the keys where the nodes have another form than before. Lives as long as
/// the solution.
void see(Seen& seen, const Solution& solution, bool other_form);

// --- what may be wrong with one node -------------------------------------------------------------------------------

/// Whether some side is a length below zero.
[[nodiscard]] bool goes_below_zero(const Edges& edges);
/// What runs into padding, on sides on which nothing overhangs: overhang includes it.
[[nodiscard]] FourSides only_inside(const FourSides& into, const FourSides& overhang);
[[nodiscard]] bool has_area(const Rect& box);
/// Whether a container of a kind lays its children along an axis.
[[nodiscard]] inline bool lays_along(Kind kind, Axis axis) {
  return kind == (axis == x_axis ? Kind::row : Kind::column);
}

/// Whether it has no size on an axis on which its parent has one, and that is not intended.
[[nodiscard]] bool is_nothing(const Seen& seen, const SeenNode& one, Axis axis);

/// A given size that is not kept, though neither `shrink` nor a minimum permits less.
struct Squeezed {
  double given = 0, got = 0;
};
[[nodiscard]] std::optional<Squeezed> squeezed(const Seen& seen, const SeenNode& one, Axis axis);

/// Calls `each(first, second)`, in the order of the file, for all children of a node whose ink overlaps, while
/// pairs are `left`. Returns whether those were all.
bool for_each_meeting(const Seen& seen, const SeenNode& parent, std::size_t& left,
                      const std::function<void(const SeenNode&, const SeenNode&)>& each);

}  // namespace fond_ladder::inline v0
