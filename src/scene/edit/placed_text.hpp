// SPDX-License-Identifier: MIT
#pragma once

// The text that an edit changes, with the place of every node. A node without an object of its own is
// written out first, one at a time, and the text is read again; that changes no number and no path.

#include <map>
#include <memory>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "fond_ladder/edit.hpp"
#include "scene/edit/edit_words.hpp"
#include "scene/edit/read_text.hpp"

namespace fond_ladder::inline v0::scene {

/// Where settings of one node of the tree can be written: its own object, or the `with` of a use of a part.
struct Spot {
  ValueId object = no_value;
  std::string inner;  // the path inside the part; empty for the object itself
  friend auto operator<=>(const Spot&, const Spot&) = default;
};

/// Where settings of one copy of a list, or of a node in it, can be written: the item of the list for that copy.
struct ItemSpot {
  ValueId item = no_value;
  std::string inner;  // the path inside the copy; empty for the copy itself
};

/// The text of a node's object, which is all of `alone`, under a name, or with the one that it has where that is empty;
/// one key of it is left out.
[[nodiscard]] std::string under_name(const JsonDocument& alone, const std::string& object, const std::string& name,
                                     std::string_view without);

class PlacedText {
 public:
  PlacedText(std::shared_ptr<const ReadText> text, const Edit& edit, const std::string& file_name)
      : now_(std::move(text)), edit_(edit), file_name_(file_name) {}

  [[nodiscard]] const ReadText& now() const { return *now_; }
  [[nodiscard]] const std::shared_ptr<const ReadText>& shared() const { return now_; }
  [[nodiscard]] const Tree& tree() const { return now_->scene.tree; }
  [[nodiscard]] const JsonDocument& document() const { return now_->document; }
  [[nodiscard]] const Edit& edit() const { return edit_; }
  [[nodiscard]] BadEdit refusal(const std::string& why) const { return BadEdit(shown(edit_) + why); }

  /// The nodes of a path or pattern; copies are also named without their index, all together. Throws BadEdit.
  [[nodiscard]] std::vector<NodeId> nodes_of(const std::string& pattern) const;
  [[nodiscard]] NodeId node_of(const std::string& path) const;
  /// Those of several, each once, in the order of their first naming.
  [[nodiscard]] std::vector<NodeId> nodes_among(const std::vector<std::string>& patterns) const;

  /// The node itself, or the outermost use of a part around it.
  [[nodiscard]] NodeId written_outside(NodeId node) const;
  /// Nothing for a node that is in no list of copies, or in one that does not stand by itself.
  [[nodiscard]] std::optional<ItemSpot> item_of(NodeId node) const;
  /// The list of children of a container, or none.
  [[nodiscard]] ValueId list_of(NodeId container) const;

  // Each of these returns false where something was written out: all values are others then.

  /// Writes the copies that a node is one of as nodes of their own. Always returns false.
  bool write_out_copies(NodeId node);
  /// Replaces a use of a part by the nodes that it makes. Always returns false.
  bool write_out_use(NodeId use);
  /// Whether a node has an object of its own.
  bool stands_alone(NodeId node);
  /// The same, for a container whose children are to be written.
  bool holds_alone(NodeId container);
  /// Writes out the short keys of a `with` or of an item of `copies`, as in "about.text", so that keys can be put among
  /// them.
  bool write_out_dots(ValueId object);
  /// Writes copies that are a list as nodes of their own, if a node is one of them or inside one.
  bool write_out_items(const std::vector<NodeId>& nodes);
  /// Writes into nodes that are about to leave their parent what its `each_child` gives them.
  bool write_out_each(const std::vector<NodeId>& nodes);
  /// Fills the spots of some nodes, if each spot affects no other nodes.
  bool find_spots(const std::vector<NodeId>& nodes, std::map<Spot, NodeId>& spots);

 private:
  [[nodiscard]] Spot spot_of(NodeId node) const;
  [[nodiscard]] NodeId topmost_copy(NodeId node) const;
  [[nodiscard]] std::vector<NodeId> copies_of(NodeId node) const;
  [[nodiscard]] std::vector<std::string_view> keys_of_each(NodeId node) const;
  void go_on_with(std::string text);
  [[nodiscard]] std::string own_texts_of(const std::vector<NodeId>& copies) const;

  std::shared_ptr<const ReadText> now_;
  const Edit& edit_;
  const std::string& file_name_;
};

}  // namespace fond_ladder::inline v0::scene
