// SPDX-License-Identifier: MIT
#include "fond_ladder/scene.hpp"

namespace fond_ladder::inline v0 {
namespace {

Tree plant(const Node& root, double em, Direction direction, std::vector<When>& whens) {
  Tree tree(root.keys(), em, direction);
  std::vector<std::pair<const Node*, NodeId>> open{{&root, tree.root()}};
  while (!open.empty()) {
    const auto [node, id] = open.back();
    open.pop_back();
    for (const auto& [name, change] : node->whens()) whens.push_back({id, name, change});
    if (node->content()) tree.content_from(id, node->content());
    for (const Node& child : node->children()) open.emplace_back(&child, tree.append(id, node->child_keys(child)));
  }
  tree.pack();
  return tree;
}

}  // namespace

Scene::Scene(const Node& root, double em, Direction direction) : tree(plant(root, em, direction, whens)) {}

}  // namespace fond_ladder::inline v0
