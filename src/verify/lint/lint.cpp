// SPDX-License-Identifier: MIT
//
// The ladder is solved once, from size to size, in runs of neighbors, a run at a time on each thread. At each size the
// rules look at every node and note what is odd; whether it is odd always or only at some sizes is known at the end,
// and decides for some of them whether it is worth telling.
#include "fond_ladder/lint.hpp"

#include <algorithm>
#include <array>
#include <map>
#include <set>
#include <string_view>
#include <tuple>

#include "model/key_table.hpp"
#include "model/limits.hpp"
#include "model/number_text.hpp"
#include "model/thousands.hpp"
#include "verify/ladder/container_sizes.hpp"
#include "verify/ladder/workers.hpp"
#include "verify/lint/idle_settings.hpp"
#include "verify/lint/lint_node_ranges.hpp"
#include "verify/lint/lint_sight.hpp"
#include "verify/measure/many_nodes.hpp"

namespace fond_ladder::inline v0 {
namespace {

/// What is odd about one variant.
struct LintedVariant {
  Sightings sightings;
  std::vector<Found> found, remarks;
  std::set<std::string> reached;  // ranges that held at some size
  NodeRangesSeen node_ranges;
};

/// Prepares what rules look at.
class LintWorker {
 public:
  explicit LintWorker(const Variant& variant)
      : solver_(variant.scene, variant.modes),
        seen_(unseen_scene(variant.scene)),
        asleep_(seen_.nodes.size()),
        declaring_(nodes_with_node_ranges(variant.scene.tree)) {}

  void look(const ContainerSize& container_size, bool goes_on, LintedVariant& looked) {
    Sightings& sightings = looked.sightings;
    const Solution solution = solver_.solve(container_size);
    const std::vector<std::string> active = solver_.active(container_size);
    const bool other_form = !active_ || *active_ != active || !declaring_.empty();
    active_ = active;
    looked.reached.insert(active.begin(), active.end());
    looked.node_ranges.see(solution, declaring_);
    see(seen_, solution, other_form);
    sightings.begin(container_size, solution.container().width, goes_on, other_form);
    for (const SeenNode& one : seen_.nodes) {
      if (other_form) take_form(one);
      if (one.placed) sightings.count_placed(one.node);
    }
    look_at_sizes(seen_, sightings);
    look_at_places(seen_, sightings);
    look_at_plans(seen_, sightings);
    look_at_settings(seen_, asleep_, sightings);
  }

 private:
  /// Which of the keys that hold now do nothing on such a node.
  void take_form(const SeenNode& one) {
    auto& asleep = asleep_[seen_.place(one)];
    asleep.clear();
    std::optional<Kind> above;
    if (!seen_.is_root(one)) above = seen_.parent(one).keys().kind;
    const std::vector<bool> many = given_to_many(*seen_.scene, one.node);
    for (std::size_t i = 0; i < key_table().size(); ++i) {
      const KeyEntry& entry = key_table()[i];
      if (!many[i] && is_set(entry, one.keys()) && !acts_on(entry.acts, one.keys().kind, above))
        asleep.push_back(entry.name);
    }
  }

  SceneSolver solver_;
  Seen seen_;
  std::vector<SleepingKeys> asleep_;  // by place in the list of nodes
  std::vector<NodeId> declaring_;     // node ranges: their forms may differ at every size
  std::optional<std::vector<std::string>> active_;
};

/// Rules that are reported only if they apply at every size at which the node is there.
bool must_be_always(LintRule rule) {
  switch (rule) {
    case LintRule::never_fits:
    case LintRule::nothing_to_fill:
    case LintRule::no_effect:
    case LintRule::empty_area:
    case LintRule::nothing_grows:
    case LintRule::empty_track_gap: return true;
    default: return false;
  }
}

/// Whether a key acts by the kind of its own node alone, whatever its parent.
bool acts_by_itself(Acts acts) {
  constexpr std::array kinds{Kind::row, Kind::column, Kind::grid, Kind::stack, Kind::box, Kind::text, Kind::image};
  return acts != Acts::everywhere && std::ranges::any_of(kinds, [&](Kind kind) { return acts_on(acts, kind, {}); });
}

/// What does on another kind of container what a key cannot do on this one.
std::string other_key_for(std::string_view key, Kind kind) {
  if (key == "place_items" && (kind == Kind::row || kind == Kind::column))
    return "use along or across, which place the children of a " + std::string(word(kind)) + ", or remove it";
  if ((key == "along" || key == "across") && kind == Kind::stack)
    return "use place_items, which places the children of a stack, or remove it";
  if ((key == "along" || key == "across") && kind == Kind::grid)
    return "use place_items for children in cells or place_content for tracks, or remove it";
  return "remove it";
}

Reason idle_words(const IdleSetting& idle, const Scene& scene) {
  const NodeId node = idle.nodes.front(), parent = scene.tree.parent(node);
  const Kind kind = scene.tree.kind(node);
  if (idle.key == "gap" && scene.tree.child_count(node) < 2)
    return {scene.tree.child_count(node) == 0 ? "it has no children" : "it has only one child", "remove it"};
  const KeyEntry* entry = find_key(idle.key);
  const bool by_itself = entry != nullptr && acts_by_itself(entry->acts);
  std::string why = "it has no effect on a " + std::string(word(kind));
  if (parent && !by_itself) why += " in a " + std::string(word(scene.tree.kind(parent)));
  if (!parent && !by_itself) why = "the root always has the size of the container";
  return {why, other_key_for(idle.key, kind)};
}

Finding finding_of(const Scene& scene, NodeId node, const std::string& key, LintRule rule, const Reason& reason,
                   std::vector<Interval> sizes) {
  return {scene.tree.short_path(node), key, rule, reason.why, reason.fix, std::move(sizes), {}, scene.tree.path(node)};
}

/// What is meant and never so.
void look_for_needless(const Scene& scene, LintedVariant& looked) {
  for (const NodeId node : scene.tree.nodes()) {
    const Allowed allow = scene.tree.keys(node).allow;
    for (std::size_t word = 0; allow.any() && word < Allowed::words.size(); ++word) {
      if (!allow.has_word(word) || looked.sightings.allow().contains({node, word})) continue;
      if (!looked.sightings.was_placed(node)) continue;
      const Reason reason{"it is never \"" + std::string(Allowed::words[word]) + "\"", "remove it"};
      looked.found.push_back({node, finding_of(scene, node, "allow." + std::string(Allowed::words[word]),
                                               LintRule::unused_allow, reason, {scene.ladder.width})});
    }
  }
}

void sort_sightings(const Variant& variant, LintedVariant& looked) {
  for (const auto& [place, sighting] : looked.sightings.all()) {
    const auto& [rule, node, key] = place;
    const bool always = looked.sightings.always(place, sighting);
    if (must_be_always(rule) && !always) continue;
    if (rule == LintRule::dormant && always) continue;  // it never acts: reported as having no effect
    // Where it overhangs at other sizes, claims decide whether it may.
    if (rule == LintRule::overlaps_padding && looked.sightings.all().contains({LintRule::never_fits, node, ""}))
      continue;
    if (variant.scene.tree.keys(node).allow.has(rule)) {
      looked.sightings.see_allowed(node, static_cast<std::size_t>(rule));
      continue;
    }
    auto& list = rule == LintRule::dormant ? looked.remarks : looked.found;
    Reason reason = Sightings::reason(sighting);
    if (const std::size_t at = reason.why.find("{others}"); at != std::string::npos && !sighting.others.empty()) {
      const std::vector<NodeId> others(sighting.others.begin(), sighting.others.end());
      reason.why.replace(at, std::string_view("{others}").size(), names_text(variant.scene.tree, others));
    }
    Found& found = list.emplace_back(
        Found{node, finding_of(variant.scene, node, key, rule, reason, joined(sighting.widths)), sighting.worst});
    const std::optional<Interval>& heights = variant.scene.ladder.height;
    for (const double height : sighting.heights) {
      const bool is_end = heights && heights->from < heights->to && (height == heights->from || height == heights->to);
      if (is_end) found.finding.heights.push_back(height);
    }
  }
}

/// Looks at every variant at every size.
std::vector<LintedVariant> look_at_all(const std::vector<Variant>& variants,
                                       const std::vector<ContainerSize>& container_sizes, unsigned threads,
                                       WorkTally& tally) {
  constexpr std::size_t run = 64;
  const std::size_t runs = (container_sizes.size() + run - 1) / run;
  std::vector<LintedVariant> pieces(runs * variants.size());
  in_parallel(threads, pieces.size(), [&] {
    return [&, looker = std::optional<LintWorker>(), looks_at = variants.size()](std::size_t piece) mutable {
      if (looks_at != piece / runs) looker.emplace(variants[looks_at = piece / runs]);
      const std::size_t first = piece % runs * run, behind = std::min(container_sizes.size(), first + run);
      LintedVariant& looked = pieces[piece];
      for (std::size_t i = first; i < behind; ++i) {
        looker->look(container_sizes[i], i > first && follows(container_sizes[i - 1], container_sizes[i]), looked);
      }
      tally.add(behind - first);
    };
  });
  std::vector<LintedVariant> looked(variants.size());
  for (std::size_t piece = 0; piece < pieces.size(); ++piece) {
    looked[piece / runs].sightings.take(std::move(pieces[piece].sightings));
    looked[piece / runs].reached.merge(pieces[piece].reached);
    looked[piece / runs].node_ranges.take(pieces[piece].node_ranges);
  }
  return looked;
}

/// Makes findings of what was seen, and looks for settings that do nothing.
void find_in(const Variant& variant, const std::vector<ContainerSize>& container_sizes, LintedVariant& looked,
             WorkTally& tally) {
  const Scene& scene = variant.scene;
  sort_sightings(variant, looked);
  std::set<std::pair<NodeId, std::string>> reported_idle;
  for (const Found& one : looked.found) {
    if (one.finding.rule == LintRule::no_effect) reported_idle.emplace(one.node, one.finding.key);
  }
  const auto add_idle = [&](const std::vector<NodeId>& nodes, const std::string& key, const Reason& reason) {
    const NodeId node = nodes.front();
    if (reported_idle.contains({node, key})) return;
    if (scene.tree.keys(node).allow.has(LintRule::no_effect))
      return looked.sightings.see_allowed(node, static_cast<std::size_t>(LintRule::no_effect));
    Finding finding = finding_of(scene, node, key, LintRule::no_effect, reason, {scene.ladder.width});
    if (nodes.size() > 1) {
      finding.node = names_text(scene.tree, nodes);
      for (const NodeId one : nodes) finding.nodes.push_back(scene.tree.path(one));
    }
    looked.found.push_back({node, std::move(finding)});
    reported_idle.emplace(node, key);
  };
  for (const IdleSetting& idle : idle_settings(scene))
    add_idle(idle.nodes, std::string(idle.key), idle_words(idle, scene));
  for (const WithoutEffect& one : settings_without_effect(variant, container_sizes, tally))
    add_idle(one.nodes, one.key, one.reason);
  for (const auto& [node, finding] : looked.node_ranges.findings(scene)) {
    looked.sightings.see_allowed(node, static_cast<std::size_t>(finding.rule));
  }
  look_for_needless(scene, looked);
}

/// Puts what was seen in several variants together.
class Gathering {
 public:
  Gathering(const std::vector<Variant>& variants, const std::vector<LintedVariant>& looked)
      : variants_(variants), looked_(looked) {
    for (const NodeId node : variants[0].scene.tree.nodes()) order_.insert({node, order_.size()});
  }

  [[nodiscard]] std::vector<Found> gather(std::vector<Found> LintedVariant::*list) const {
    std::vector<Gathered> all;
    std::map<std::tuple<NodeId, LintRule, std::string_view>, std::size_t> places;
    for (std::size_t v = 0; v < looked_.size(); ++v) {
      for (const Found& one : looked_[v].*list) {
        const auto [known, is_new] = places.try_emplace({one.node, one.finding.rule, one.finding.key}, all.size());
        if (is_new) {
          all.push_back({one.node, one.finding, {v}, one.how_bad});
        } else {
          add(v, one, all[known->second]);
        }
      }
    }
    std::erase_if(all, [&](const Gathered& one) { return acts_somewhere(one); });
    const std::vector<std::string> names = names_of(labels_of(variants_)).own;
    std::vector<std::tuple<LintRule, std::size_t, std::size_t>> order;
    for (std::size_t i = 0; i < all.size(); ++i) order.emplace_back(all[i].finding.rule, order_.at(all[i].node), i);
    std::ranges::sort(order);
    std::vector<Found> findings;
    for (const auto& place : order) {
      Gathered& one = all[std::get<2>(place)];
      one.finding.sizes = joined(std::move(one.finding.sizes));
      if (one.in.size() < variants_.size()) {
        for (const std::size_t v : one.in) one.finding.variants.push_back(names[v].empty() ? "as it is" : names[v]);
      }
      findings.push_back({one.node, std::move(one.finding), one.how_bad});
    }
    return findings;
  }

 private:
  struct Gathered {
    NodeId node;
    Finding finding;
    std::vector<std::size_t> in;  // variants
    double how_bad = 0;
  };

  static void add(std::size_t variant, const Found& found, Gathered& known) {
    const Finding& finding = found.finding;
    known.in.push_back(variant);
    known.how_bad = std::max(known.how_bad, found.how_bad);
    known.finding.sizes.insert(known.finding.sizes.end(), finding.sizes.begin(), finding.sizes.end());
    known.finding.heights = united(known.finding.heights, finding.heights);
  }

  /// A setting that does nothing in some variants, and something in another; what is meant is needed in one.
  [[nodiscard]] bool acts_somewhere(const Gathered& one) const {
    if (one.finding.rule != LintRule::no_effect && one.finding.rule != LintRule::unused_allow) return false;
    for (std::size_t v = 0; v < looked_.size(); ++v) {
      const bool is_idle = std::ranges::find(one.in, v) != one.in.end();
      if (!is_idle && looked_[v].sightings.was_placed(one.node)) return true;
    }
    return false;
  }

  const std::vector<Variant>& variants_;
  const std::vector<LintedVariant>& looked_;
  std::map<NodeId, std::size_t> order_;
};

}  // namespace

Lint lint(const std::vector<Variant>& variants, const LintOptions& options) {
  const Scene& scene = variants.at(0).scene;
  const std::vector<ContainerSize> container_sizes = sizes_of(scene.ladder);
  WorkTally tally(2 * container_sizes.size() * variants.size(),
                  options.progress);  // half for examining sizes, half for removing settings
  std::vector<LintedVariant> looked = look_at_all(variants, container_sizes, thread_count(options.threads), tally);
  in_parallel(thread_count(options.threads), variants.size(),
              [&] { return [&](std::size_t v) { find_in(variants[v], container_sizes, looked[v], tally); }; });
  const Gathering gathering(variants, looked);
  Lint answer;
  const std::vector<VariantLabel> labels = labels_of(variants);
  answer.title = scene.name() + text_of(labels);
  answer.about = lines_about(labels);
  const std::vector<NodeId> nodes = scene.tree.nodes();
  const auto ends_looks = std::ranges::find_if(nodes, [&](NodeId node) {
    return std::ranges::any_of(looked,
                               [&](const LintedVariant& one) { return one.sightings.too_many().contains(node); });
  });
  if (ends_looks != nodes.end()) {
    answer.not_examined = "lint examines the first " + in_thousands(static_cast<double>(limits::most_meetings)) +
                          " overlapping pairs of siblings per size; from " + scene.tree.short_path(*ends_looks) +
                          " on there are more";
  }
  answer.widths = scene.ladder.width;
  answer.sizes_examined = container_sizes.size();
  answer.findings = grouped(scene.tree, gathering.gather(&LintedVariant::found));
  answer.remarks = grouped(scene.tree, gathering.gather(&LintedVariant::remarks));
  const std::vector<Finding> idle = idle_definitions(scene);
  const auto is_reported = [&](const Range& range) {
    return std::ranges::any_of(idle, [&](const Finding& one) { return one.key == "ranges" && one.node == range.name; });
  };
  for (const Range& range : scene.ranges) {
    const auto reaches = [&](const LintedVariant& one) { return one.reached.contains(range.name); };
    if (is_reported(range) || std::ranges::any_of(looked, reaches)) continue;
    answer.findings.push_back({range.name, "ranges", LintRule::never_holds,
                               "no size of the ladder is in it (" + bounds_text(range) + ")",
                               "widen the ladder, or remove the range", std::vector<Interval>{scene.ladder.width}});
  }
  answer.findings.insert(answer.findings.end(), idle.begin(), idle.end());
  NodeRangesSeen node_ranges;
  for (const LintedVariant& one : looked) node_ranges.take(one.node_ranges);
  for (auto& [node, finding] : node_ranges.findings(scene)) {
    if (!scene.tree.keys(node).allow.has(finding.rule)) answer.findings.push_back(std::move(finding));
  }
  std::ranges::stable_sort(answer.findings, {}, &Finding::rule);
  return answer;
}

Lint lint(const Variant& variant) {
  return lint(std::vector<Variant>{variant});
}

}  // namespace fond_ladder::inline v0
