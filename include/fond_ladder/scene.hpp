// SPDX-License-Identifier: MIT
#pragma once

// A scene, and how to solve one: everything that a scene file holds, as data.
// Solution at_desk = solve(scene, {1280, 800});

#include <memory>
#include <optional>
#include <string>
#include <vector>

#include "fond_ladder/locale.hpp"
#include "fond_ladder/node.hpp"
#include "fond_ladder/ranges.hpp"
#include "fond_ladder/solution.hpp"
#include "fond_ladder/solver.hpp"
#include "fond_ladder/tree.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

namespace detail {
class Origins;
class ListsInView;
}  // namespace detail

/// Container sizes from `from` to `to`, both included, in pixels. A value; `from` is at most `to`.
struct Interval {
  double from = 0, to = 0;
  Interval() = default;
  /// One size.
  Interval(double size) : from(size), to(size) {}  // NOLINT(google-explicit-constructor)
  /// From one size to a larger one.
  Interval(double from_size, double to_size) : from(from_size), to(to_size) {}
  /// Both ends belong to it.
  [[nodiscard]] bool contains(double size) const { return from <= size && size <= to; }
  friend bool operator==(const Interval&, const Interval&) = default;
};

/// A container size with a name. Without a height it has the height of the ladder, else that of its content.
struct NamedSize {
  /// A letter, then letters, digits, `_` and `-`.
  std::string name;
  double width = 0;
  std::optional<double> height{};
};

/// The range of container sizes under test.
struct Ladder {
  /// From 0 to 1e9 pixels.
  Interval width = {360, 1440};
  std::optional<Interval> height{};  ///< by content when absent
  /// In the order of the file; checks test each of them too.
  std::vector<NamedSize> named_sizes{};

  /// The size of a named size: without a height of its own it has the greatest height of the ladder.
  [[nodiscard]] ContainerSize size_of(const NamedSize& container_size) const {
    const std::optional<double> usual = height ? std::optional(height->to) : std::nullopt;
    return {container_size.width, container_size.height ? container_size.height : usual};
  }
};

/// A tree of nodes with its ladder, ranges, modes, locales and claims. A value; copies are independent. Linear to copy.
struct Scene {
  /// Throws BadValue for a key that is out of its domain and for two siblings of one name.
  Scene(const Node& root, double em = 16, Direction direction = Direction::ltr);  // NOLINT(google-explicit-constructor)
  /// A scene of a tree that was built before; no ranges and no modes.
  explicit Scene(Tree nodes) : tree(std::move(nodes)) {}
  /// The tree with all ranges, modes and forms in it, as a toolkit keeps it alive. Linear in the tree. Throws BadValue
  /// as Tree::set_conditions and Tree::when do.
  [[nodiscard]] Tree live_tree() const;
  /// Its title, else the name of its root.
  [[nodiscard]] std::string name() const { return title.empty() ? tree.segment(tree.root()) : title; }

  /// The least that WCAG 2.2, success criterion 2.5.8, asks for.
  static constexpr double usual_touch_target_size = 24;

  /// Shown in answers; see name().
  std::string title;
  /// The container sizes under test.
  Ladder ladder;
  /// Where several hold, later ones win, and modes win over ranges. Names are unique over ranges and modes.
  std::vector<Range> ranges;
  /// Named states that the user of the interface switches.
  std::vector<std::string> modes;
  /// What nodes are under ranges and modes, by handles of `tree`.
  std::vector<When> whens;
  /// Other texts; see apply_locale().
  std::vector<Locale> locales;
  TextMetrics text_metrics = TextMetrics::fixed;  ///< change it with set_words() of fonts.hpp
  std::vector<NamedFont> fonts;                   ///< no name is used twice
  std::vector<std::string> claims;                ///< what must hold at every size of the ladder
  double touch_target_size =
      usual_touch_target_size;  ///< pixels that people need to hit a `touch_target` node, on each axis
  Tree tree;  ///< as it is while no range of the container holds and no mode is on; without these: see live_tree
  std::shared_ptr<const detail::Origins> origins;  ///< where each key was set, of a scene that was read from a file
};

/// Solves one scene at many sizes, and keeps what the next solve can reuse. Where a range begins or ends, the nodes
/// that it changes cost what an edit of them costs. It has a copy of the scene's tree. Use it on one thread at a time.
class SceneSolver {
 public:
  /// `modes` are on all the time. Throws BadValue for a mode that the scene does not have, and for a `when` that names
  /// neither a range nor a mode or says what is out of its domain, and for a list of copies without an entry to copy,
  /// or with more than that.
  explicit SceneSolver(const Scene& scene, const std::vector<std::string>& modes = {});
  SceneSolver(SceneSolver&& other) noexcept;
  SceneSolver& operator=(SceneSolver&& other) noexcept;
  SceneSolver(const SceneSolver&) = delete;
  SceneSolver& operator=(const SceneSolver&) = delete;
  ~SceneSolver();

  /// The result is valid until the next call. Scrollers are scrolled as `positions` say, each within its range: which
  /// entries of a virtualized list are arranged depends on that; they are inserted into the tree of this solver, and
  /// others are removed. Such a scene costs some solves of what is in view. Throws BadValue for a size that is no
  /// number from 0 to 1e9, BadNode for positions of nodes that are not there.
  Solution solve(const ContainerSize& container_size, const std::vector<Solution::ScrolledTo>& positions = {});
  /// The ranges that hold and the modes that are on, in the order in which they beat each other.
  [[nodiscard]] std::vector<std::string> active(const ContainerSize& container_size) const;
  /// The nodes as they are while nothing holds, with what they are else.
  [[nodiscard]] const Tree& tree() const { return tree_; }
  /// Whether there are other nodes at other sizes and positions: entries of lists that are in view.
  [[nodiscard]] bool has_lists() const { return lists_ != nullptr; }

 private:
  Tree tree_;
  Solver solver_;
  std::vector<std::string> modes_;
  std::unique_ptr<detail::ListsInView> lists_;  ///< of a tree that has some
};

/// The arrangement of a scene in a container of one size. It keeps a copy of the tree, so it outlives the scene. To
/// solve many sizes use a SceneSolver, after edits of a tree a Solver. Throws as SceneSolver does.
[[nodiscard]] Solution solve(const Scene& scene, ContainerSize container_size,
                             const std::vector<std::string>& modes = {});

}  // namespace v0
}  // namespace fond_ladder
