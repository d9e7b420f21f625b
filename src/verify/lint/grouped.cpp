// SPDX-License-Identifier: MIT
#include <algorithm>
#include <map>
#include <set>
#include <tuple>

#include "verify/ladder/container_sizes.hpp"
#include "verify/lint/lint_sight.hpp"
#include "verify/measure/many_nodes.hpp"

namespace fond_ladder::inline v0 {
namespace {

/// Whether what is odd about a node follows from its having no space where it is.
bool is_for_want_of_space(LintRule rule) {
  return rule == LintRule::outside || rule == LintRule::never_fits || rule == LintRule::overlaps_padding;
}

/// Whether the node is invisible anyway.
bool is_invisible(LintRule rule) {
  return rule == LintRule::outside || rule == LintRule::zero_size || rule == LintRule::behind;
}

/// Whether each interval of some sizes is inside one of the others.
bool are_within(const std::vector<Interval>& sizes, const std::vector<Interval>& others) {
  return std::ranges::all_of(sizes, [&](const Interval& one) {
    return std::ranges::any_of(others,
                               [&](const Interval& other) { return other.from <= one.from && one.to <= other.to; });
  });
}

/// Whether a node goes wholly out of sight at some of the sizes at all of which it overhangs.
bool is_a_stage_of(const Finding& outside, const Finding& other_one) {
  return outside.rule == LintRule::outside && other_one.rule == LintRule::never_fits &&
         are_within(outside.sizes, other_one.sizes) && !are_within(other_one.sizes, outside.sizes);
}

/// What follows from another finding: that an invisible node does not fit, and that what is in it does
/// not.
void drop_what_follows(const Tree& tree, std::vector<Found>& all) {
  std::multimap<NodeId, const Found*> telling;
  for (const Found& one : all) telling.emplace(one.node, &one);
  const auto follows = [&](const Found& one) {
    const LintRule rule = one.finding.rule;
    if (!is_for_want_of_space(rule) && !is_invisible(rule) && rule != LintRule::target_too_small &&
        rule != LintRule::squeezed)
      return false;
    for (NodeId at = one.node; at; at = tree.parent(at)) {
      const auto [first, last] = telling.equal_range(at);
      for (auto other = first; other != last; ++other) {
        const Finding& other_one = other->second->finding;
        if (other->second == &one) continue;
        const bool hides = at == one.node ? is_for_want_of_space(rule) && rule > other_one.rule &&
                                                (is_invisible(other_one.rule) || other_one.rule == LintRule::never_fits)
                                          : is_invisible(other_one.rule);
        // Something goes out of sight edge by edge, and what is in it with it.
        const bool goes_with_it = at != one.node && rule == LintRule::outside && other_one.rule == LintRule::outside;
        if (at == one.node && is_a_stage_of(one.finding, other_one)) return true;
        if (goes_with_it || (hides && are_within(one.finding.sizes, other_one.sizes))) return true;
      }
    }
    return false;
  };
  std::vector<bool> gone;
  for (const Found& one : all) gone.push_back(follows(one));
  std::size_t i = 0;
  std::erase_if(all, [&](const Found&) { return gone[i++]; });
}

/// What nodes of one finding have in common.
using CauseKey = std::tuple<LintRule, std::string, std::string, std::vector<std::string>>;

/// `never_fit` are the nodes that overhang at every size: whether they are cut or wholly outside, the cause is one.
CauseKey cause_of(const Tree& tree, const std::set<NodeId>& never_fit, const Found& one) {
  const NodeId parent = tree.parent(one.node);
  const bool overhangs_or_outside = one.finding.rule == LintRule::outside && never_fit.contains(one.node);
  const LintRule what = overhangs_or_outside ? LintRule::never_fits : one.finding.rule;
  const bool of_siblings = is_for_want_of_space(what) || what == LintRule::squeezed || what == LintRule::zero_size ||
                           what == LintRule::no_effect || what == LintRule::no_area ||
                           what == LintRule::target_too_small || what == LintRule::nothing_to_fill;
  const std::string place = of_siblings && parent
                                ? path_of_copies(tree, parent) + " " + std::string(word(tree.kind(one.node)))
                                : path_of_copies(tree, one.node);
  return {what, one.finding.key, place, one.finding.variants};
}

Finding grouped_failures(const Tree& tree, const std::vector<Found>& group) {
  const auto worst = std::ranges::max_element(
      group, {}, [](const Found& one) { return std::pair(-static_cast<int>(one.finding.rule), one.how_bad); });
  Finding finding = worst->finding;
  std::vector<NodeId> nodes, outside;
  std::set<NodeId> known;
  std::vector<Interval> sizes;
  for (const Found& one : group) {
    if (known.insert(one.node).second) nodes.push_back(one.node);
    if (one.finding.rule == LintRule::outside) outside.push_back(one.node);
    sizes.insert(sizes.end(), one.finding.sizes.begin(), one.finding.sizes.end());
  }
  for (const Found& one : group) finding.heights = united(finding.heights, one.finding.heights);
  finding.sizes = joined(std::move(sizes));
  if (nodes.size() == 1) return finding;
  const bool same_for_all =
      std::ranges::all_of(group, [&](const Found& one) { return one.finding.why == worst->finding.why; });
  finding.why = (same_for_all ? "each: " : "the worst, " + worst->finding.node + ": ") + finding.why;
  if (!outside.empty() && outside.size() < nodes.size()) {  // what is outside overhangs too
    finding.rule = LintRule::never_fits;
    finding.why =
        std::to_string(outside.size()) + " of them, " + tree.short_path(outside.front()) + " the first;" + finding.why;
  }
  finding.node = names_text(tree, nodes);
  for (const NodeId node : nodes) finding.nodes.push_back(tree.path(node));
  return finding;
}

}  // namespace

std::vector<Finding> grouped(const Tree& tree, std::vector<Found> all) {
  std::set<NodeId> never_fit;
  for (const Found& one : all) {
    if (one.finding.rule == LintRule::never_fits) never_fit.insert(one.node);
  }
  drop_what_follows(tree, all);
  std::map<CauseKey, std::size_t> places;
  std::vector<std::vector<Found>> causes;
  for (Found& one : all) {
    const auto [at, is_new] = places.try_emplace(cause_of(tree, never_fit, one), causes.size());
    if (is_new) causes.emplace_back();
    causes[at->second].push_back(std::move(one));
  }
  std::vector<Finding> findings;
  for (const std::vector<Found>& group : causes) findings.push_back(grouped_failures(tree, group));
  return findings;
}

}  // namespace fond_ladder::inline v0
