// SPDX-License-Identifier: MIT
#include <algorithm>
#include <map>

#include "fond_ladder/variant.hpp"

namespace fond_ladder::inline v0 {

Scene alone(const Scene& scene, NodeId node) {
  Scene part(Tree(scene.tree.keys(node), scene.tree.em(), scene.tree.direction()));
  part.title = scene.title;
  part.ladder = scene.ladder;
  part.modes = scene.modes;
  std::map<NodeId, NodeId> copies{{node, part.tree.root()}};
  std::vector<NodeId> open{node};
  while (!open.empty()) {
    const NodeId at = open.back();
    open.pop_back();
    for (const NodeId child : scene.tree.children(at)) {
      copies[child] = part.tree.append(copies[at], scene.tree.keys(child));
      if (scene.tree.kind(child) != Kind::text) part.tree.content_from(copies[child], scene.tree.content(child));
      open.push_back(child);
    }
  }
  for (const When& when : scene.whens) {
    const bool is_mode = std::ranges::find(scene.modes, when.name) != scene.modes.end();
    if (is_mode && copies.contains(when.node)) part.whens.push_back({copies[when.node], when.name, when.change});
  }
  return part;
}

}  // namespace fond_ladder::inline v0
