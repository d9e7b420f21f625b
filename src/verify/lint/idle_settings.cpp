// SPDX-License-Identifier: MIT
#include "verify/lint/idle_settings.hpp"

#include <algorithm>
#include <array>
#include <map>

#include "model/key_table.hpp"
#include "model/origins.hpp"
#include "verify/lint/written_settings.hpp"

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

/// The one kind that a node is in every form; none where it changes.
std::optional<Kind> only_kind(const Kinds& kinds) {
  if (std::ranges::count(kinds, true) != 1) return {};
  return static_cast<Kind>(std::ranges::find(kinds, true) - kinds.begin());
}

/// Whether nothing under ranges and modes sets one of some keys of a node.
class SetByWhen {
 public:
  explicit SetByWhen(const Scene& scene) {
    for (const When& when : scene.whens) whens_[when.node].push_back(&when.change);
  }
  [[nodiscard]] bool sets(NodeId node, std::string_view key) const {
    const auto found = whens_.find(node);
    return found != whens_.end() && std::ranges::any_of(found->second, [&](const Changes* change) {
             return change->sets(place_of(*find_key(key)));
           });
  }

 private:
  std::map<NodeId, std::vector<const Changes*>> whens_;
};

/// A size along a row or column beside a weight, and gaps between what is not there: lines where there is one,
/// neighbors where there is one child or none.
std::vector<std::string_view> beaten_keys(const Tree& tree, NodeId node, const Keys& keys, std::optional<Kind> kind,
                                          std::optional<Kind> above, const SetByWhen& later) {
  const auto is_line = [](std::optional<Kind> of) { return of == Kind::row || of == Kind::column; };
  std::vector<std::string_view> beaten;
  const bool has_weight = keys.weight && !keys.pin && !later.sets(node, "weight") && !later.sets(node, "pin");
  if (has_weight && is_line(above)) {
    const Axis along = above == Kind::row ? x_axis : y_axis;
    const Sizing& size = keys.size_on(along);
    if (size.way() == Sizing::Way::by_length || size.way() == Sizing::Way::by_content)
      beaten.emplace_back(along == x_axis ? "width" : "height");
  }
  const bool has_gap = keys.gap.x.amount() != 0 || keys.gap.y.amount() != 0;
  if (is_line(kind) && has_gap && tree.child_count(node) < 2 && !keys.virtualized.on) {
    beaten.emplace_back("gap");
  } else if (is_line(kind) && !keys.wrap && !later.sets(node, "wrap") && keys.gap.x != keys.gap.y) {
    const bool row = kind == Kind::row;
    if ((row ? keys.gap.y : keys.gap.x).amount() != 0) beaten.emplace_back(row ? "gap.y" : "gap.x");
  }
  return beaten;
}

}  // namespace

std::vector<bool> given_to_many(const Scene& scene, NodeId node) {
  std::vector<bool> given(key_table().size());
  if (!scene.origins) return given;
  for (const auto& entry : scene.origins->of(node)) {
    given[entry.key] = entry.source == Source::each_child || entry.source == Source::shared;
  }
  return given;
}

std::vector<IdleSetting> idle_settings(const Scene& scene) {
  const KindsOf kinds_of(scene);
  const SetByWhen later(scene);
  std::vector<IdleSetting> idle;
  std::map<std::pair<std::string_view, WrittenAt>, std::size_t> places;
  const auto add = [&](NodeId node, std::string_view key, const KeyEntry& entry) {
    const auto [at, is_new] = places.try_emplace({key, written_at(scene, node, place_of(entry))}, idle.size());
    if (is_new) idle.push_back({{}, key});
    idle[at->second].nodes.push_back(node);
  };
  for (const NodeId node : scene.tree.nodes()) {
    const Keys keys = scene.tree.keys(node);
    const Kinds kinds = kinds_of(node);
    const NodeId parent = scene.tree.parent(node);
    const Kinds parents = parent ? kinds_of(parent) : Kinds{};
    const std::vector<bool> given = given_to_many(scene, node);
    for (const KeyEntry& entry : key_table()) {
      if (given[place_of(entry)]) continue;
      if (is_set(entry, keys) && !ever_acts(entry.acts, kinds, parent ? &parents : nullptr))
        add(node, entry.name, entry);
    }
    const std::optional<Kind> above = parent ? only_kind(parents) : std::nullopt;
    for (const std::string_view key : beaten_keys(scene.tree, node, keys, only_kind(kinds), above, later)) {
      const KeyEntry* entry = find_key(key.substr(0, key.find('.')));
      if (!given[place_of(*entry)]) add(node, key, *entry);
    }
  }
  return idle;
}

}  // namespace fond_ladder::inline v0
