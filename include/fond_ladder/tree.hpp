// SPDX-License-Identifier: MIT
#pragma once

// The nodes that a toolkit keeps alive and edits. Solve it with a Solver.

#include <cstddef>
#include <cstdint>
#include <memory>
#include <stdexcept>
#include <string>
#include <string_view>
#include <vector>

#include "fond_ladder/changes.hpp"
#include "fond_ladder/custom_content.hpp"
#include "fond_ladder/keys.hpp"
#include "fond_ladder/node_id.hpp"
#include "fond_ladder/ranges.hpp"
#include "fond_ladder/text_shaper.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

class Node;
namespace detail {
class TreeStore;
}

/// The keys of a node that change while a range holds or a mode is on.
struct When {
  NodeId node;
  std::string name;  ///< of a range or a mode
  Changes change;
};

/// Thrown for a handle that names no node of the tree, and for an edit that would tear the tree apart.
class BadNode : public std::logic_error {
 public:
  using std::logic_error::logic_error;
};

/// Thrown when a path names no node, or more than one. The message names the nearest path, or those that match.
class BadPath : public std::out_of_range {
 public:
  using std::out_of_range::out_of_range;
};

/// The nodes of a scene, to be kept alive and edited. The order of edits does not matter: equal trees solve to equal
/// numbers, bit for bit.
///
/// Every edit either succeeds or throws and leaves the tree as it was: BadValue for keys out of their domain and for
/// two siblings of one name, BadNode for the rest. Edits cost the children of the containers that they concern; setting
/// the current value is free. Questions change nothing: any number of threads may read and solve one tree
/// while nobody edits it, the first solve after an edit included. A copy has the same handles. A tree that was moved
/// from throws BadNode at every call but assignment.
class Tree {
 public:
  /// A tree of one node. `em` is in pixels and positive.
  explicit Tree(const Keys& root, double em = 16, Direction direction = Direction::ltr);
  /// A tree of all that was written down. What its nodes are under ranges and modes is added to `whens`: these are
  /// named by a scene, or set_conditions. What they are under ranges of their own is in the tree as well. Throws
  /// BadValue, naming the node, for keys out of their domain and for two siblings of one name.
  [[nodiscard]] static Tree from(const Node& root, double em, Direction direction, std::vector<When>& whens);
  /// The same, all its forms being in it. Throws BadValue also for a form under a name that no node's node range has:
  /// the conditions of a container are those of a scene (Scene::live_tree), or are said before the form (`when`).
  [[nodiscard]] static Tree from(const Node& root, double em = 16, Direction direction = Direction::ltr);
  Tree(const Tree& other);
  Tree(Tree&& other) noexcept;
  Tree& operator=(const Tree& other);
  Tree& operator=(Tree&& other) noexcept;
  ~Tree();

  // --- edits -------------------------------------------------------------------------------------------------------

  /// Puts a new node at `position` (at most child_count) among the children of `parent`.
  NodeId insert(NodeId parent, std::size_t position, const Keys& keys);
  /// The same after the last child. Returns the new node.
  NodeId append(NodeId parent, const Keys& keys);
  /// The same of a subtree that was written down, with its contents and forms. All of it is checked before any of it is
  /// put in. Costs what is put in, a few times cheaper than node by node.
  NodeId insert(NodeId parent, std::size_t position, const Node& subtree);
  /// The same after the last child. Returns the root of the subtree.
  NodeId append(NodeId parent, const Node& subtree);
  /// Puts a copy of a node and what is in it at `position` among the children of `parent`, contents shared; user data
  /// are not copied.
  NodeId copy(NodeId node, NodeId parent, std::size_t position);
  /// The same, the copy being called otherwise.
  NodeId copy(NodeId node, NodeId parent, std::size_t position, const std::string& name);
  /// Moves a node with its descendants. `position` is counted without the node.
  void move(NodeId node, NodeId parent, std::size_t position);
  /// Removes a node, not the root, and what is in it.
  void remove(NodeId node);
  /// Removes everything in a node.
  void clear(NodeId node);
  /// Puts `count` children of `parent`, from `first` on, into a new container in their place.
  NodeId group(NodeId parent, std::size_t first, std::size_t count, const Keys& container);
  /// Replaces all keys of a node, its kind included. Children stay, even when a leaf cannot show them.
  void replace_keys(NodeId node, const Keys& keys);
  /// Gives a node the keys that are said, and leaves the others.
  void set(NodeId node, const Changes& said);
  /// The same, as in `set(node, box().width(80))`: what the setters said, a name and words where there are any, and the
  /// kind of another maker than box(). Throws BadValue for what is no key: children, forms, content of its own.
  void set(NodeId node, const Node& said);
  /// Reads the scene the other way round: start becomes the other side everywhere. Linear in the tree.
  void set_direction(Direction direction);
  /// Changes what one em is, in pixels, everywhere. Linear in the tree.
  void set_em(double em);
  /// Measures the words of its texts by a text_shaper, or with none with fixed metrics; contents of the user's own
  /// stay. Linear in the tree.
  void set_text_shaper(std::shared_ptr<const TextShaper> text_shaper);
  /// Stores all nodes in the order in which a solve visits them. Edits do so from time to time; it pays after a large
  /// tree was built node by node. Linear in the tree.
  void compact();
  /// Gives a leaf custom content, shared with the caller; null removes it.
  void set_content(NodeId node, std::shared_ptr<const CustomContent> content);
  /// Tells that the content of a leaf measures differently now, so that the next solve asks it again.
  void content_changed(NodeId node);

  // --- forms -------------------------------------------------------------------------------------------------------

  /// The ranges of container sizes and the modes under which nodes may be different; solvers see which of them hold.
  /// Later ones beat earlier ones, modes beat ranges. Throws BadValue when a name is used twice, or one is gone that a
  /// node still goes by. Costs the nodes that have forms.
  void set_conditions(std::vector<Range> ranges, std::vector<std::string> modes);
  /// As set by set_conditions(). Valid until the next edit.
  [[nodiscard]] const std::vector<Range>& ranges() const;
  /// As set by set_conditions(). Valid until the next edit.
  [[nodiscard]] const std::vector<std::string>& modes() const;
  /// What a node is while a range holds or a mode is on, instead of what was said of that before; no changes: the same.
  /// Throws BadValue for a name that is neither a range nor a mode, and for values out of their domain.
  void when(NodeId node, const std::string& name, const Changes& change);
  /// All that was said by `when`, of one node or of all.
  [[nodiscard]] std::vector<When> whens(NodeId node) const;
  /// Of all nodes, in the order of nodes(). Linear in the tree.
  [[nodiscard]] std::vector<When> whens() const;

  // --- questions ---------------------------------------------------------------------------------------------------

  /// How many nodes there are, the root included. Constant.
  [[nodiscard]] std::size_t size() const;
  /// One em in pixels.
  [[nodiscard]] double em() const;
  /// The reading direction.
  [[nodiscard]] Direction direction() const;
  /// Null where words are measured with fixed metrics.
  [[nodiscard]] const std::shared_ptr<const TextShaper>& text_shaper() const;
  /// What the lengths of a node with these keys are multiples of.
  [[nodiscard]] FontUnits units(const Keys& keys) const;
  /// It stays the same handle as long as the tree lives.
  [[nodiscard]] NodeId root() const;
  /// Whether a handle is a node of this tree. Constant; never throws.
  [[nodiscard]] bool contains(NodeId node) const;
  /// As they were set, without ranges and modes: see Solution::keys. Throws BadNode.
  [[nodiscard]] Keys keys(NodeId node) const;
  /// As it was set. Throws BadNode. Constant.
  [[nodiscard]] Kind kind(NodeId node) const;
  /// None for the root.
  [[nodiscard]] NodeId parent(NodeId node) const;
  /// Constant.
  [[nodiscard]] std::size_t child_count(NodeId node) const;
  /// In the order of the file. Linear in their number.
  [[nodiscard]] std::vector<NodeId> children(NodeId node) const;
  /// The child at a place, from 0. Throws BadNode when there are not that many. Constant.
  [[nodiscard]] NodeId child(NodeId node, std::size_t place) const;
  /// The place of a node among its siblings, from 0. Constant.
  [[nodiscard]] std::size_t index_of(NodeId node) const;
  /// A number of the user's own for a node, such as a pointer to a widget; 0 until it is set. Setting it changes
  /// nothing that is solved, and leaves solutions as they are.
  void set_user_data(NodeId node, std::uintptr_t data);
  /// As set by set_user_data(). Constant.
  [[nodiscard]] std::uintptr_t user_data(NodeId node) const;
  /// The content that is measured for a leaf: its own, its words as the text_shaper or fixed metrics measure them, or
  /// null.
  [[nodiscard]] std::shared_ptr<const CustomContent> content(NodeId node) const;
  /// Parents before children, children in the order of the file.
  [[nodiscard]] std::vector<NodeId> nodes() const;

  /// A node's last step: its name, or its kind and its place among its siblings, as in `row#0`.
  [[nodiscard]] std::string segment(NodeId node) const;
  /// The steps from the root down, joined by `/`.
  [[nodiscard]] std::string path(NodeId node) const;
  /// The shortest tail of its path that names a node alone: its name, where no other node has it.
  [[nodiscard]] std::string short_path(NodeId node) const;
  /// All nodes whose path is `path` or ends in it; those whose whole path it is come alone.
  [[nodiscard]] std::vector<NodeId> matches(std::string_view path) const;
  /// The one node that `path`, or a tail of a path, names. Throws BadPath when there is none or more than one.
  [[nodiscard]] NodeId at(std::string_view path) const;

  /// Bytes that the tree keeps: its nodes, their keys, names, plain texts and forms. Linear in the tree.
  [[nodiscard]] std::size_t memory() const;
  /// Those of them that names take: each name once, however many nodes are called so.
  [[nodiscard]] std::size_t names_memory() const;

  /// For the engine.
  [[nodiscard]] const detail::TreeStore& store() const;

 private:
  explicit Tree(std::unique_ptr<detail::TreeStore> store);
  detail::TreeStore& own();

  std::unique_ptr<detail::TreeStore> store_;
};

}  // namespace v0
}  // namespace fond_ladder
