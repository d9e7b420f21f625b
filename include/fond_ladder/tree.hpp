// SPDX-License-Identifier: MIT
#pragma once

// The nodes that a toolkit keeps alive and edits. Solve it with a Solver.

#include <cstddef>
#include <cstdint>
#include <memory>
#include <string>
#include <string_view>
#include <vector>

#include "fond_ladder/changes.hpp"
#include "fond_ladder/custom_content.hpp"
#include "fond_ladder/error.hpp"
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

/// The keys of a node that change while a range applies or a mode is on.
struct When {
  NodeId node;
  std::string name;  ///< of the range or mode
  Changes change;
};

/// Thrown for a handle that is not a node of the tree, and for an edit that would leave no tree.
class BadNode : public Error {
 public:
  using Error::Error;
};

/// Thrown for a path that names no node or more than one. The message has the nearest path, or the nodes that match.
class BadPath : public Error {
 public:
  using Error::Error;
};

struct TreeWithForms;

/// The nodes of a scene, for programs that keep and edit them. Equal trees solve to equal numbers, bit for bit,
/// whatever the order of edits.
///
/// Every edit succeeds, or throws and leaves the tree unchanged: BadValue for keys out of their domain and for two
/// siblings of one name, BadNode otherwise. An edit costs the children of its containers; setting a current value is
/// free. Const calls may come from any number of threads while none edits the tree, also for the first solve after
/// an edit. A copy has the same handles. A moved-from tree throws BadNode at every call but assignment.
class Tree {
 public:
  /// A tree of one node. `em` is in pixels and positive.
  explicit Tree(const Keys& root, double em = 16, Direction direction = Direction::ltr);
  /// A tree of a Node with all its descendants, and the forms of its nodes; those under node ranges are in the tree
  /// too. Throws BadValue, naming the node, for keys out of their domain and for two siblings of one name.
  [[nodiscard]] static TreeWithForms with_forms(const Node& root, double em = 16, Direction direction = Direction::ltr);
  /// The same for a Node whose forms use only its node ranges. Throws BadValue also for a form under another name:
  /// ranges and modes of the container belong to a scene (Scene::live_tree), or are declared by set_conditions()
  /// before the form.
  [[nodiscard]] static Tree from(const Node& root, double em = 16, Direction direction = Direction::ltr);
  Tree(const Tree& other);
  Tree(Tree&& other) noexcept;
  Tree& operator=(const Tree& other);
  Tree& operator=(Tree&& other) noexcept;
  ~Tree();

  // --- edits -------------------------------------------------------------------------------------------------------

  /// Inserts a new node at `position` (at most child_count) among the children of `parent`. Returns its handle.
  NodeId insert(NodeId parent, std::size_t position, const Keys& keys);
  /// Appends a new node to the children of `parent`. Returns its handle.
  NodeId append(NodeId parent, const Keys& keys);
  /// Inserts a Node with its descendants, contents and forms, and returns its handle. All is checked before anything
  /// is inserted. Linear in the subtree, and several times faster than node by node.
  NodeId insert(NodeId parent, std::size_t position, const Node& subtree);
  /// Appends a Node with its descendants to the children of `parent`. Returns its handle.
  NodeId append(NodeId parent, const Node& subtree);
  /// Inserts a copy of a node and its descendants at `position` among the children of `parent`. Contents are shared,
  /// user data is not copied. Returns its handle.
  NodeId copy(NodeId node, NodeId parent, std::size_t position);
  /// The same, with another name for the copy.
  NodeId copy(NodeId node, NodeId parent, std::size_t position, const std::string& name);
  /// Moves a node with its descendants. `position` does not count the node itself.
  void move(NodeId node, NodeId parent, std::size_t position);
  /// Removes a node and its descendants. Throws BadNode for the root.
  void remove(NodeId node);
  /// Removes all children of a node.
  void clear(NodeId node);
  /// Moves `count` children of `parent`, from `first` on, into a new container in their place. Returns its handle.
  NodeId group(NodeId parent, std::size_t first, std::size_t count, const Keys& container);
  /// Replaces all keys of a node, its kind included. Children stay, even in a leaf, which does not show them.
  void replace_keys(NodeId node, const Keys& keys);
  /// Sets some keys of a node, and leaves the others.
  void set(NodeId node, const Changes& changes);
  /// The same, as in `set(node, box().width(80))`: the keys that were set, the name and the text if there is one, and
  /// the kind unless the maker is box(). Throws BadValue for anything else: children, forms, custom content.
  void set(NodeId node, const Node& changes);
  /// Changes the reading direction, which swaps start and end in all nodes. Linear in the tree.
  void set_direction(Direction direction);
  /// Changes the size of one em, in pixels, in all nodes. Linear in the tree.
  void set_em(double em);
  /// Measures all texts with a text shaper, or with fixed metrics for null. Custom content stays. Linear in the tree.
  void set_text_shaper(std::shared_ptr<const TextShaper> text_shaper);
  /// Stores all nodes in the order in which a solve visits them. Edits do so from time to time; call it after
  /// building a large tree node by node. Linear in the tree.
  void compact();
  /// Gives a leaf custom content, shared with the caller; null removes it.
  void set_content(NodeId node, std::shared_ptr<const CustomContent> content);
  /// Reports that the content of a leaf has another size now; the next solve measures it again.
  void content_changed(NodeId node);

  // --- forms -------------------------------------------------------------------------------------------------------

  /// Declares the ranges of container sizes and the modes that forms may use. Later ranges win over earlier ones,
  /// modes over ranges. Throws BadValue for a name that is used twice, and if a form uses a name that is gone. Linear
  /// in the nodes with forms.
  void set_conditions(std::vector<Range> ranges, std::vector<std::string> modes);
  /// The ranges set by set_conditions(). Valid until the next edit.
  [[nodiscard]] const std::vector<Range>& ranges() const;
  /// The modes set by set_conditions(). Valid until the next edit.
  [[nodiscard]] const std::vector<std::string>& modes() const;
  /// Sets the keys that change while a range applies or a mode is on, in place of those set before; empty changes
  /// remove them. Throws BadValue for a name that is neither a range nor a mode, and for values out of their domain.
  void when(NodeId node, const std::string& name, const Changes& change);
  /// The forms set by when(): those of one node, strongest last.
  [[nodiscard]] std::vector<When> whens(NodeId node) const;
  /// The forms of all nodes, in the order of nodes(). Linear in the tree.
  [[nodiscard]] std::vector<When> whens() const;

  // --- questions ---------------------------------------------------------------------------------------------------

  /// How many nodes there are, the root included. Constant.
  [[nodiscard]] std::size_t size() const;
  /// One em in pixels.
  [[nodiscard]] double em() const;
  /// The reading direction.
  [[nodiscard]] Direction direction() const;
  /// The text shaper of the tree; null for fixed metrics.
  [[nodiscard]] const std::shared_ptr<const TextShaper>& text_shaper() const;
  /// The units of lengths of a node with these keys: pixels per em and per ch.
  [[nodiscard]] FontUnits units(const Keys& keys) const;
  /// The root; its handle never changes.
  [[nodiscard]] NodeId root() const;
  /// Whether a handle is a node of this tree. Constant; never throws.
  [[nodiscard]] bool contains(NodeId node) const;
  /// The keys of a node without ranges and modes; see also Solution::keys. Throws BadNode.
  [[nodiscard]] Keys keys(NodeId node) const;
  /// The kind of a node without ranges and modes. Throws BadNode. Constant time.
  [[nodiscard]] Kind kind(NodeId node) const;
  /// The parent of a node; none for the root.
  [[nodiscard]] NodeId parent(NodeId node) const;
  /// The number of children. Constant time.
  [[nodiscard]] std::size_t child_count(NodeId node) const;
  /// The children in the order of the file. Linear in their number.
  [[nodiscard]] std::vector<NodeId> children(NodeId node) const;
  /// The child at an index from 0. Throws BadNode if there are fewer children. Constant time.
  [[nodiscard]] NodeId child(NodeId node, std::size_t place) const;
  /// The index of a node among its siblings, from 0. Constant time.
  [[nodiscard]] std::size_t index_of(NodeId node) const;
  /// A number of the caller's for a node, such as a pointer to a widget; 0 by default. It does not affect layout, and
  /// setting it leaves solutions valid.
  void set_user_data(NodeId node, std::uintptr_t data);
  /// The number set by set_user_data(). Constant time.
  [[nodiscard]] std::uintptr_t user_data(NodeId node) const;
  /// The content that is measured for a leaf: its custom content, or its text in fonts or fixed metrics; null if
  /// there is none.
  [[nodiscard]] std::shared_ptr<const CustomContent> content(NodeId node) const;
  /// All nodes, parents before children, children in the order of the file.
  [[nodiscard]] std::vector<NodeId> nodes() const;

  /// The last segment of the path of a node: its name, or its kind and its index among its siblings, as in `row#0`.
  [[nodiscard]] std::string segment(NodeId node) const;
  /// The path of a node: the segments from the root down, joined by `/`.
  [[nodiscard]] std::string path(NodeId node) const;
  /// The shortest end of the path that names only this node.
  [[nodiscard]] std::string short_path(NodeId node) const;
  /// All nodes whose path is `path` or ends in it. If it is the whole path of some, only these.
  [[nodiscard]] std::vector<NodeId> matches(std::string_view path) const;
  /// The one node that a path, or the end of a path, names. Throws BadPath for none or several.
  [[nodiscard]] NodeId at(std::string_view path) const;

  /// Bytes that the tree uses: nodes, keys, names, texts in fixed metrics and forms. Linear in the tree.
  [[nodiscard]] std::size_t memory() const;
  /// Bytes of these that names use. A name counts once, however many nodes have it.
  [[nodiscard]] std::size_t names_memory() const;

  /// For the engine.
  [[nodiscard]] const detail::TreeStore& store() const;

 private:
  explicit Tree(std::unique_ptr<detail::TreeStore> store);
  detail::TreeStore& own();

  std::unique_ptr<detail::TreeStore> store_;
};

/// A tree as a Node describes it, with the forms of its nodes as data: names of ranges and modes belong to a scene.
struct TreeWithForms {
  Tree tree;
  std::vector<When> whens;
};

}  // namespace v0
}  // namespace fond_ladder
