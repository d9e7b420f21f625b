// SPDX-License-Identifier: MIT
#include "verify/lint/idle_settings.hpp"

#include <algorithm>
#include <array>
#include <map>

#include "model/key_table.hpp"
#include "model/origins.hpp"

namespace fond_ladder::inline v0 {
namespace {

using Kinds = std::array<bool, words_of<Kind>.size()>;

/// The kinds that a node takes in any form.
class KindsOf {
 public:
  explicit KindsOf(const Scene& scene) : tree_(scene.tree) {
    for (const When& when : scene.whens) {
      Keys keys = tree_.keys(when.node);
      when.change.put_into(keys);
      others_[when.node][static_cast<std::size_t>(keys.kind)] = true;
    }
  }
  [[nodiscard]] Kinds operator()(NodeId node) const {
    const auto found = others_.find(node);
    Kinds kinds = found == others_.end() ? Kinds{} : found->second;
    kinds[static_cast<std::size_t>(tree_.kind(node))] = true;
    return kinds;
  }

 private:
  const Tree& tree_;
  std::map<NodeId, Kinds> others_;
};

bool ever_acts(Acts acts, const Kinds& kinds, const Kinds* parents) {
  for (std::size_t i = 0; i < kinds.size(); ++i) {
    if (!kinds[i]) continue;
    if (parents == nullptr && acts_on(acts, static_cast<Kind>(i), {})) return true;
    for (std::size_t k = 0; parents != nullptr && k < parents->size(); ++k) {
      if ((*parents)[k] && acts_on(acts, static_cast<Kind>(i), static_cast<Kind>(k))) return true;
    }
  }
  return false;
}

}  // namespace

std::vector<bool> given_to_many(const Scene& scene, NodeId node) {
  std::vector<bool> given(key_table().size());
  if (!scene.origins) return given;
  for (const auto& said : scene.origins->of(node)) {
    given[said.key] = said.source == Source::each || said.source == Source::shared;
  }
  return given;
}

std::vector<IdleSetting> idle_settings(const Scene& scene) {
  const KindsOf kinds_of(scene);
  std::vector<IdleSetting> idle;
  for (const NodeId node : scene.tree.nodes()) {
    const Keys keys = scene.tree.keys(node);
    const Kinds kinds = kinds_of(node);
    const NodeId parent = scene.tree.parent(node);
    const Kinds parents = parent ? kinds_of(parent) : Kinds{};
    const std::vector<bool> given = given_to_many(scene, node);
    for (const KeyEntry& entry : key_table()) {
      if (given[place_of(entry)]) continue;
      if (is_said(entry, keys) && !ever_acts(entry.acts, kinds, parent ? &parents : nullptr))
        idle.push_back({node, entry.name});
    }
  }
  return idle;
}

}  // namespace fond_ladder::inline v0
