// SPDX-License-Identifier: MIT
#include "fond_ladder/scene.hpp"

#include <unordered_set>

#include "model/container_size.hpp"

namespace fond_ladder {
namespace {

void require_own_names(const Node& parent) {
  std::unordered_set<std::string_view> seen;
  for (const Node& child : parent.children()) {
    const std::string& name = child.keys().name;
    if (!name.empty() && !seen.insert(name).second) throw BadValue("two siblings are called \"" + name + "\"");
  }
}

Tree plant(const Node& root, double em, Direction direction) {
  Tree tree(root.keys(), em, direction);
  std::vector<std::pair<const Node*, NodeId>> open{{&root, tree.root()}};
  while (!open.empty()) {
    const auto [node, id] = open.back();
    open.pop_back();
    if (node->content()) tree.measure_with(id, node->content());
    require_own_names(*node);
    for (const Node& child : node->children()) open.emplace_back(&child, tree.append(id, node->child_keys(child)));
  }
  return tree;
}

}  // namespace

Scene::Scene(const Node& root, double em, Direction direction) : tree(plant(root, em, direction)) {}

Arrangement solve(const Scene& scene, Rung rung) {
  require_container_size(rung.width);
  require_container_size(rung.height);
  // The solver and the tree live on in the arrangement.
  struct Kept {
    Tree tree;
    Solver solver;
  };
  auto kept = std::make_shared<Kept>(Kept{scene.tree, Solver()});
  const Arrangement seen = kept->solver.solve(kept->tree, rung);
  return seen.kept_alive_by(std::move(kept));
}

}  // namespace fond_ladder
