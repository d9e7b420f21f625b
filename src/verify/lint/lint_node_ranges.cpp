// SPDX-License-Identifier: MIT
#include "verify/lint/lint_node_ranges.hpp"

#include <algorithm>

#include "model/limits.hpp"
#include "model/number_text.hpp"
#include "model/tree_store.hpp"
#include "verify/claims/claim_tokens.hpp"

namespace fond_ladder::inline v0 {
namespace {

/// Nodes that declare the same ranges.
struct Alike {
  std::vector<Range> ranges;
  std::vector<NodeId> nodes;
};

std::vector<Alike> declared_alike(const Tree& tree) {
  std::vector<Alike> all;
  for (const NodeId node : nodes_with_node_ranges(tree)) {
    const std::vector<Range>& own = *tree.store().node_ranges_of(node);
    auto found = std::ranges::find(all, own, &Alike::ranges);
    if (found == all.end()) found = all.insert(all.end(), {own, {}});
    found->nodes.push_back(node);
  }
  return all;
}

/// Whether a node is one of some others, or inside one of them.
bool lies_in(const Tree& tree, NodeId node, const std::vector<NodeId>& others) {
  for (; node; node = tree.parent(node)) {
    if (std::ranges::find(others, node) != others.end()) return true;
  }
  return false;
}

/// Whether a `when` in these nodes, or a claim, uses a node range of theirs.
bool is_used(const Scene& scene, const Alike& group, const Range& range) {
  const auto speaks = [&](const When& when) {
    return when.name == range.name && lies_in(scene.tree, when.node, group.nodes);
  };
  const auto claims = [&](const std::string& claim) {
    return std::ranges::any_of(detail::tokens_of(claim),
                               [&](const detail::Token& token) { return token.text.ends_with("." + range.name); });
  };
  return std::ranges::any_of(scene.whens, speaks) || std::ranges::any_of(scene.claims, claims);
}

std::string widths_text(double least, double most) {
  return most - least < limits::same_to_people ? rounded(least) + " wide"
                                               : rounded(least) + " to " + rounded(most) + " wide";
}

}  // namespace

std::vector<NodeId> nodes_with_node_ranges(const Tree& tree) {
  std::vector<NodeId> declaring;
  if (!tree.store().forms().has_node_ranges()) return declaring;
  for (const NodeId node : tree.nodes()) {
    if (tree.store().node_ranges_of(node) != nullptr) declaring.push_back(node);
  }
  return declaring;
}

void NodeRangesSeen::see(const Solution& solution, const std::vector<NodeId>& declaring) {
  for (const NodeId node : declaring) {
    if (!solution.is_placed(node)) continue;
    const double width = solution.relative_box(node).width;
    const std::vector<std::string> active = solution.node_ranges(node);
    take(node, {width, width, {active.begin(), active.end()}});
  }
}

void NodeRangesSeen::take(const NodeRangesSeen& others) {
  for (const auto& [node, widths] : others.seen_) take(node, widths);
}

void NodeRangesSeen::take(NodeId node, const Widths& widths) {
  const auto [known, is_new] = seen_.try_emplace(node, widths);
  if (is_new) return;
  known->second.least = std::min(known->second.least, widths.least);
  known->second.most = std::max(known->second.most, widths.most);
  known->second.active.insert(widths.active.begin(), widths.active.end());
}

std::vector<std::pair<NodeId, Finding>> NodeRangesSeen::findings(const Scene& scene) const {
  std::vector<std::pair<NodeId, Finding>> all;
  for (const Alike& group : declared_alike(scene.tree)) {
    Widths together;
    bool placed = false;
    for (const NodeId node : group.nodes) {
      const auto widths = seen_.find(node);
      if (widths == seen_.end()) continue;
      const Widths& own = widths->second;
      together.least = placed ? std::min(together.least, own.least) : own.least;
      together.most = placed ? std::max(together.most, own.most) : own.most;
      together.active.insert(own.active.begin(), own.active.end());
      placed = true;
    }
    const bool varies = together.most - together.least >= limits::same_to_people;
    const NodeId first = group.nodes.front();
    const auto add = [&](const std::string& key, LintRule rule, std::string why, std::string fix) {
      all.emplace_back(first, Finding{scene.tree.short_path(first),
                                      key,
                                      rule,
                                      std::move(why),
                                      std::move(fix),
                                      {scene.ladder.width},
                                      {},
                                      scene.tree.path(first)});
    };
    const std::string it_is = group.nodes.size() == 1 ? "it is " : "like every node with the same ranges, it is ";
    if (placed && !varies) {
      add("ranges", LintRule::no_effect,
          it_is + rounded(together.least) + " wide at every size, so its node ranges never change",
          "let its width depend on its parent, or remove the ranges");
    }
    for (const Range& range : group.ranges) {
      const std::string key = "ranges." + range.name;
      if (!range.from_width && !range.below_width) {
        add(key, LintRule::always_holds, "it has no bounds, so it includes every width",
            "add from_width or below_width");
      } else if (!is_used(scene, group, range)) {
        add(key, LintRule::unused, "no \"when\" in it and no claim uses this range", "remove it");
      } else if (placed && varies && !together.active.contains(range.name)) {
        add(key, LintRule::never_holds,
            it_is + widths_text(together.least, together.most) + " in this ladder: never " + bounds_text(range),
            "move the bound, widen the ladder, or remove the range");
      }
    }
  }
  return all;
}

}  // namespace fond_ladder::inline v0
