// SPDX-License-Identifier: MIT
#include "support/tree_editor.hpp"

namespace fond_ladder::testing {

TreeEditor::TreeEditor(const RandomScenes& scenes, std::size_t size)
    : scenes_(scenes), plain_(scenes_.chance(40)), has_node_ranges_(scenes_.chance(40)), tree_(first_tree(size)) {
  tree_.set_conditions({Range{.name = "narrow", .below_width = 250}}, {"open"});
  if (has_node_ranges_) scenes_.add_node_ranges(tree_);
  has_ties_ = scenes_.chance(30);
  if (has_ties_) scenes_.add_ties(tree_);
  has_lists_ = scenes_.chance(30);
  if (has_lists_) scenes_.add_lists(tree_);
}

void TreeEditor::edit() {
  const NodeId node = any();
  const bool is_root = node == tree_.root(), container = is_container(tree_.kind(node));
  if (has_node_ranges_ && scenes_.chance(25)) return edit_node_ranges(node);
  if (has_ties_ && scenes_.chance(15)) return rename(node);
  if (has_ties_ && scenes_.chance(10)) return scenes_.add_ties(tree_);
  if (has_lists_ && scenes_.chance(10)) return scenes_.add_lists(tree_);
  switch (scenes_.below(14)) {
    case 0:
      if (container) tree_.insert(node, place_in(node), named(keys(false)));
      return;
    case 1:
      if (container) tree_.append(node, subtree());
      return;
    case 2:
      if (!is_root && tree_.size() > 5) tree_.remove(node);
      return;
    case 3:
      if (!is_root && scenes_.chance(30)) tree_.clear(node);
      return;
    case 4:
    case 5: return with_place([&](NodeId parent, std::size_t place) { tree_.move(node, parent, place); });
    case 6:
      if (tree_.size() > 30 || is_root) return;
      return with_place([&](NodeId parent, std::size_t place) { tree_.copy(node, parent, place); });
    case 7:
      if (container && tree_.child_count(node) > 1) {
        Keys box = named(keys(true));
        box.kind = scenes_.chance(50) ? Kind::row : Kind::column;
        tree_.group(node, place_in(node) / 2, 1, box);
      }
      return;
    case 8: return tree_.set(node, box().min_width(scenes_.below(60)).grow(scenes_.below(2)));
    case 9: return tree_.set(node, box().hidden(!is_root && scenes_.chance(50)));
    case 10: return tree_.when(node, scenes_.chance(50) ? "narrow" : "open", change(is_root));
    case 11: return tree_.when(node, scenes_.chance(50) ? "narrow" : "open", {});
    case 12:
      if (scenes_.chance(5)) tree_.set_em(8 + scenes_.below(3) * 4);
      if (scenes_.chance(5)) tree_.set_direction(scenes_.chance(50) ? Direction::rtl : Direction::ltr);
      return;
    default: {
      Keys own = keys(is_root);
      own.name = tree_.keys(node).name;
      if (is_root) own.hidden = false;
      tree_.replace_keys(node, own);
    }
  }
}

/// Ties lead to whoever has that name now.
void TreeEditor::rename(NodeId node) {
  Keys keys = tree_.keys(node);
  const std::string name = "t" + std::to_string(scenes_.below(4));
  try {
    keys.name = name;
    tree_.replace_keys(node, keys);
  } catch (const BadValue&) {  // a sibling has it
  }
}
void TreeEditor::edit_node_ranges(NodeId node) {
  const double bound = 20 + scenes_.below(300);
  if (scenes_.chance(30)) {
    tree_.set(node, box().ranges({Range{.name = "tight", .below_width = bound}}));
  } else if (scenes_.chance(20)) {
    Keys plain = tree_.keys(node);
    plain.ranges.clear();
    tree_.replace_keys(node, plain);
  } else {
    try {
      tree_.when(node, "tight", scenes_.chance(80) ? change(node == tree_.root()) : Changes());
    } catch (const BadValue&) {  // nobody has such a range, or its parent reads the key
    }
  }
}
Tree TreeEditor::first_tree(std::size_t size) {
  if (!plain_) return scenes_.tree(size);
  Keys list;
  list.kind = Kind::column;
  list.name = "list";
  Tree tree(list);
  for (int i = 0; i < 8; ++i) tree.append(tree.root(), named(keys(false)));
  return tree;
}
Keys TreeEditor::keys(bool container) {
  if (!plain_) return scenes_.keys(!container && scenes_.chance(60));
  Keys own;
  own.kind = container || scenes_.chance(30) ? (scenes_.chance(50) ? Kind::row : Kind::column) : Kind::box;
  if (own.kind == Kind::box) own.natural_size = {scenes_.below(40) + 0.1, scenes_.below(20) + 0.1};
  if (scenes_.chance(10)) own.height = scenes_.below(50);
  if (scenes_.chance(10)) own.max_height = scenes_.below(30);
  if (scenes_.chance(5)) own.grow = 1;
  if (scenes_.chance(5)) own.shrink = 0;
  if (scenes_.chance(10)) own.gap = 0.3;
  if (scenes_.chance(5)) own.padding = 3;
  return own;
}
Keys TreeEditor::named(Keys keys) {
  keys.name = "x" + std::to_string(++count_);
  return keys;
}
Node TreeEditor::subtree() {
  const auto one = [&](bool container) {
    const Keys own = named(keys(container));
    return row().with([&](Keys& all) { all = own; });
  };
  return one(true).children(one(false), one(true).children(one(false)));
}
Changes TreeEditor::change(bool is_root) {
  Keys other = keys(scenes_.chance(50));
  if (is_root) other.hidden = false;
  Changes value(Keys(), other);
  return value;
}
NodeId TreeEditor::any() {
  const auto nodes = tree_.nodes();
  return nodes[static_cast<std::size_t>(scenes_.below(static_cast<int>(nodes.size())))];
}
std::size_t TreeEditor::place_in(NodeId node) {
  return static_cast<std::size_t>(scenes_.below(static_cast<int>(tree_.child_count(node)) + 1));
}
template <class Edit>
void TreeEditor::with_place(Edit edit) {
  const NodeId parent = any();
  if (!is_container(tree_.kind(parent))) return;
  try {
    edit(parent, place_in(parent));
  } catch (const BadNode&) {   // into itself, or beyond the last place once it was taken out
  } catch (const BadValue&) {  // beside one of its name
  }
}

}  // namespace fond_ladder::testing
