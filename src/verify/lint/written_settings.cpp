// SPDX-License-Identifier: MIT
#include "verify/lint/written_settings.hpp"

#include <algorithm>

#include "model/origins.hpp"
#include "verify/measure/many_nodes.hpp"

namespace fond_ladder::inline v0 {
namespace {

using detail::Origins;

/// Whether a node is made by a part, or inside such a node.
bool is_of_part(const Origins& origins, NodeId node, std::uint32_t name) {
  return std::ranges::any_of(origins.of(node), [&](const Origins::Entry& entry) {
    return entry.source == Source::part && entry.name == name;
  });
}

/// The way to a node from the root of the part that makes it; empty for that root itself.
std::string place_in_part(const Scene& scene, NodeId node, std::uint32_t name) {
  std::string place;
  for (NodeId at = node, above = scene.tree.parent(at); above && is_of_part(*scene.origins, above, name);
       at = above, above = scene.tree.parent(at)) {
    const std::string step = scene.tree.segment(at);
    place.insert(0, "/" + step.substr(0, step.find('[')));  // copies are one node of the part
  }
  return place;
}

}  // namespace

WrittenAt written_at(const Scene& scene, NodeId node, std::size_t key) {
  const Origins::Entry* last = nullptr;  // the strongest source
  if (scene.origins) {
    for (const Origins::Entry& entry : scene.origins->of(node)) last = entry.key == key ? &entry : last;
  }
  const Tree& tree = scene.tree;
  if (last == nullptr) return {Source::own, "", tree.path(node)};
  switch (last->source) {
    case Source::each_child: return {last->source, "", path_of_copies(tree, tree.parent(node))};
    case Source::part:
      return {last->source, scene.origins->name_at(last->name), place_in_part(scene, node, last->name)};
    case Source::shared: return {last->source, scene.origins->name_at(last->name), ""};
    case Source::own: return {last->source, "", path_of_copies(tree, node)};
    default: return {last->source, "", tree.path(node)};
  }
}

void WrittenSettings::add(NodeId node, std::size_t key) {
  WrittenAt at = written_at(scene_, node, key);
  const auto [place, is_new] = places_.try_emplace({key, at}, all_.size());
  if (is_new) all_.push_back({key, std::move(at), {}});
  all_[place->second].nodes.push_back(node);
}

}  // namespace fond_ladder::inline v0
