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
      if (scene.tree.kind(child) != Kind::text) part.tree.set_content(copies[child], scene.tree.content(child));
      open.push_back(child);
    }
  }
  const auto is_own = [&](const When& when) {  // the range of a node on the way up to the new root
    for (NodeId at = when.node; at; at = at == node ? NodeId{} : scene.tree.parent(at)) {
      const std::vector<Range> own = scene.tree.keys(at).ranges;
      if (std::ranges::find(own, when.name, &Range::name) != own.end()) return true;
    }
    return false;
  };
  for (const When& when : scene.whens) {
    if (!copies.contains(when.node)) continue;
    const bool is_mode = std::ranges::find(scene.modes, when.name) != scene.modes.end();
    if (is_mode || is_own(when)) part.whens.push_back({copies[when.node], when.name, when.change});
  }
  return part;
}

}  // namespace fond_ladder::inline v0
