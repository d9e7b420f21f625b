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

/// An interval of container sizes from `from` to `to`, both included, in pixels. A value; `from` is at most `to`.
struct Interval {
  double from = 0, to = 0;
  Interval() = default;
  /// One size.
  Interval(double size) : from(size), to(size) {}  // NOLINT(google-explicit-constructor)
  /// From one size to a larger one.
  Interval(double from_size, double to_size) : from(from_size), to(to_size) {}
  /// Whether a size is in the interval.
  [[nodiscard]] bool contains(double size) const { return from <= size && size <= to; }
  friend bool operator==(const Interval&, const Interval&) = default;
};

/// A container size with a name. Without a height it has the height of the ladder, else the height by content.
struct NamedSize {
  /// A letter, then letters, digits, `_` and `-`
  std::string name;
  double width = 0;
  std::optional<double> height{};
};

/// The range of container sizes under test.
struct Ladder {
  /// From 0 to 1e9 pixels.
  Interval width = {360, 1440};
  std::optional<Interval> height{};  ///< absent: by content
  /// In the order of the file. Checks test each of them.
  std::vector<NamedSize> named_sizes{};

  /// The container size of a named size: without a height it has the largest height of the ladder.
  [[nodiscard]] ContainerSize size_of(const NamedSize& container_size) const {
    const std::optional<double> usual = height ? std::optional(height->to) : std::nullopt;
    return {container_size.width, container_size.height ? container_size.height : usual};
  }
};

/// A tree of nodes with its ladder, ranges, modes, locales and claims. A value; copies are independent. Linear to copy.
struct Scene {
  /// Throws BadValue for a key that is out of its domain and for two siblings of one name.
  Scene(const Node& root, double em = 16, Direction direction = Direction::ltr);  // NOLINT(google-explicit-constructor)
  /// The same of a Node that was made into a tree.
  explicit Scene(TreeWithForms made);
  /// A scene of a tree, without ranges and modes.
  explicit Scene(Tree nodes) : tree(std::move(nodes)) {}
  /// The tree with all ranges, modes and forms, for a toolkit that edits it. Linear in the tree. Throws BadValue as
  /// Tree::set_conditions and Tree::when do.
  [[nodiscard]] Tree live_tree() const;
  /// Its title, else the name of its root.
  [[nodiscard]] std::string name() const { return title.empty() ? tree.segment(tree.root()) : title; }

  /// Default of touch_target_size in pixels: the minimum of WCAG 2.2, success criterion 2.5.8.
  static constexpr double usual_touch_target_size = 24;

  /// Shown in answers; see name().
  std::string title;
  /// The container sizes under test.
  Ladder ladder;
  /// If several apply, later ones win, and modes win over ranges. Names are unique among ranges and modes.
  std::vector<Range> ranges;
  /// Named states that the user of the interface switches.
  std::vector<std::string> modes;
  /// The forms of nodes under ranges and modes, by handles of `tree`.
  std::vector<When> whens;
  /// Texts, direction and fonts per language; see apply_locale().
  std::vector<Locale> locales;
  TextMetrics text_metrics = TextMetrics::fixed;  ///< change it with set_text_metrics() of fonts.hpp
  std::vector<NamedFont> fonts;                   ///< names are unique
  std::vector<std::string> claims;                ///< statements about the layout, tested at every size of the ladder
  double touch_target_size =
      usual_touch_target_size;  ///< pixels that people need to hit a `touch_target` node, on each axis
  Tree tree;  ///< the nodes as written, without the forms of ranges and modes of the container; see live_tree
  std::shared_ptr<const detail::Origins> origins;  ///< where each key was set, for a scene that was read from a file
};

/// Solves one scene at many sizes, and keeps for the next solve what that can reuse. If a range begins or ends, the
/// nodes that it changes cost as much as an edit of them. It has a copy of the tree of the scene. Use it on one
/// thread at a time.
class SceneSolver {
 public:
  /// `modes` are on in all solves. Throws BadValue for a mode that the scene does not have, for a form under a name
  /// that is neither a range nor a mode or with a value out of its domain, and for a virtualized list with copies of
  /// no child or of several children.
  explicit SceneSolver(const Scene& scene, const std::vector<std::string>& modes = {});
  SceneSolver(SceneSolver&& other) noexcept;
  SceneSolver& operator=(SceneSolver&& other) noexcept;
  SceneSolver(const SceneSolver&) = delete;
  SceneSolver& operator=(const SceneSolver&) = delete;
  ~SceneSolver();

  /// Solves the scene at one size, with scrollers at `positions`, each limited to its scroll range. The result is
  /// valid until the next call. The entries of virtualized lists that are in view are inserted into the tree of this
  /// solver, others are removed; such a scene costs several solves of the entries in view. Throws BadValue for a size
  /// that is not a number from 0 to 1e9, BadNode for positions of removed nodes.
  Solution solve(const ContainerSize& container_size, const std::vector<Solution::ScrolledTo>& positions = {});
  /// The ranges that apply at a size and the modes that are on, weakest first.
  [[nodiscard]] std::vector<std::string> active(const ContainerSize& container_size) const;
  /// The tree without forms applied, and with its forms as data.
  [[nodiscard]] const Tree& tree() const { return tree_; }
  /// Whether other sizes and scroll positions have other nodes: entries of virtualized lists.
  [[nodiscard]] bool has_lists() const { return lists_ != nullptr; }

 private:
  Tree tree_;
  Solver solver_;
  std::vector<std::string> modes_;
  std::unique_ptr<detail::ListsInView> lists_;  ///< only if the tree has virtualized lists
};

/// Returns the layout of a scene in a container of one size. The result has a copy of the tree, so it outlives the
/// scene. For many sizes use a SceneSolver, for an edited tree a Solver. Throws as SceneSolver does.
[[nodiscard]] Solution solve(const Scene& scene, ContainerSize container_size,
                             const std::vector<std::string>& modes = {});

}  // namespace v0
}  // namespace fond_ladder
