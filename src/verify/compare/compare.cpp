// SPDX-License-Identifier: MIT
//
// Both scenes are solved at the same sizes, one after the other. A node that has the same box in its parent as before
// did not change, whatever happened to the parent: it goes along, and is only counted.
#include "fond_ladder/compare.hpp"

#include <algorithm>
#include <cmath>
#include <map>

#include "model/find_path.hpp"
#include "model/path_numbers.hpp"
#include "verify/compare/count_settings.hpp"
#include "verify/ladder/container_sizes.hpp"
#include "verify/measure/same.hpp"

namespace fond_ladder::inline v0 {
namespace {

/// One node of both scenes, or of one.
struct Pairing {
  NodeId first, second;
  Difference difference{};
  bool changed_by_itself = false;  // at some size not only its parent's place is another
};

/// The nodes of one scene that no other node shares a name with, by that name.
std::map<std::string, NodeId> alone_by_name(const Tree& tree) {
  std::map<std::string, NodeId> found;
  std::map<std::string, int> counts;
  for (const NodeId node : tree.nodes()) {
    const std::string step = tree.segment(node);
    ++counts[step];
    found[step] = node;
  }
  std::erase_if(found, [&](const auto& one) { return counts[one.first] > 1; });
  return found;
}

/// A step as it is.
std::string as_it_is(std::string step) {
  return step;
}
/// A step without a first index: `tag` of `tag[0]`, so that one node that became several is paired with the first of
/// them.
std::string as_first(std::string step) {
  if (step.ends_with("[0]")) step.resize(step.size() - 3);
  return step;
}

std::vector<Pairing> pairings(const Tree& first, const Tree& second) {
  std::map<NodeId, NodeId> partners{{first.root(), second.root()}}, taken{{second.root(), first.root()}};
  for (const auto& read : {as_it_is, as_first}) {
    PathNumbers numbers;
    const auto here = numbers.of(first, read), there = numbers.of(second, read);
    std::map<PathNumbers::Number, NodeId> by_path;
    for (const NodeId node : second.nodes()) by_path.try_emplace(there.at(node), node);
    for (const NodeId node : first.nodes()) {
      const auto at = by_path.find(here.at(node));
      if (at == by_path.end() || taken.contains(at->second) || partners.contains(node)) continue;
      partners[node] = at->second;
      taken[at->second] = node;
    }
  }
  const auto here = alone_by_name(first), there = alone_by_name(second);
  for (const auto& [name, node] : here) {
    const auto at = there.find(name);
    if (at == there.end() || partners.contains(node) || taken.contains(at->second)) continue;
    partners[node] = at->second;
    taken[at->second] = node;
  }
  std::vector<Pairing> all;
  for (const NodeId node : first.nodes()) {
    const auto at = partners.find(node);
    all.push_back({node, at == partners.end() ? NodeId() : at->second});
    if (at == partners.end()) all.back().difference.kind = Difference::Kind::only_first;
  }
  for (const NodeId node : second.nodes()) {
    if (taken.contains(node)) continue;
    all.push_back({NodeId(), node});
    all.back().difference.kind = Difference::Kind::only_second;
  }
  return all;
}

struct Boxes {
  std::optional<Rect> from_root, in_parent;
  bool parent_is_there = true;
};

Boxes boxes_of(const Solution& solution, NodeId node) {
  const NodeId parent = solution.tree().parent(node);
  if (solution.is_placed(node)) return {solution.box(node), solution.relative_box(node)};
  return {{}, {}, !parent || solution.is_placed(parent)};
}

/// How far two boxes are apart; as far as the larger one is large where only one is there.
double distance(const std::optional<Rect>& a, const std::optional<Rect>& b) {
  if (!a && !b) return 0;
  if (!a || !b) {
    const Rect& only = a ? *a : *b;
    return std::max({only.width, only.height, 2 * fit_tolerance});
  }
  return std::max({std::abs(a->x - b->x), std::abs(a->y - b->y), std::abs(a->width - b->width),
                   std::abs(a->height - b->height), std::abs(a->right() - b->right()),
                   std::abs(a->bottom() - b->bottom())});
}

class Comparer {
 public:
  Comparer(const Variant& first, const Variant& second)
      : first_(first),
        second_(second),
        solver_first_(first.scene, first.modes),
        solver_second_(second.scene, second.modes),
        pairings_(pairings(first.scene.tree, second.scene.tree)) {}

  void look(const ContainerSize& container_size, bool goes_on) {
    const Solution a = solver_first_.solve(container_size), b = solver_second_.solve(container_size);
    for (Pairing& pair : pairings_) {
      if (pair.difference.kind != Difference::Kind::changed) continue;
      const Boxes before = boxes_of(a, pair.first), after = boxes_of(b, pair.second);
      const double off = distance(before.from_root, after.from_root);
      if (off <= fit_tolerance) continue;
      const bool with_parent = !before.parent_is_there || !after.parent_is_there;
      pair.changed_by_itself |= !with_parent && distance(before.in_parent, after.in_parent) > fit_tolerance;
      Difference& difference = pair.difference;
      const double width = a.container().width;
      const bool continues = goes_on && !difference.sizes.empty() && difference.sizes.back().to == last_width_;
      extend(difference.sizes, width, continues);
      if (off <= difference.max_difference) continue;
      difference.max_difference = off;
      difference.worst = a.container();
      difference.first = before.from_root;
      difference.second = after.from_root;
    }
    last_width_ = a.container().width;
  }

  Comparison compare() {
    Comparison comparison;
    comparison.first = first_.name;
    comparison.second = second_.name;
    comparison.settings_first = count_settings(first_.scene);
    comparison.settings_second = count_settings(second_.scene);
    fold_those_that_go_along();
    for (Pairing& pair : pairings_) {
      const bool differs = pair.difference.kind != Difference::Kind::changed || !pair.difference.sizes.empty();
      if (!differs) {
        ++comparison.unchanged;
      } else if (pair.difference.kind != Difference::Kind::changed || pair.changed_by_itself) {
        const Tree& tree = pair.first ? first_.scene.tree : second_.scene.tree;
        const NodeId node = pair.first ? pair.first : pair.second;
        pair.difference.name = tree.short_path(node);
        pair.difference.path = tree.path(node);
        pair.difference.sizes = joined(std::move(pair.difference.sizes));
        comparison.differences.push_back(std::move(pair.difference));
      }
    }
    return comparison;
  }

 private:
  /// Counts each node that only goes along at the nearest node above that does not.
  void fold_those_that_go_along() {
    const Tree& tree = first_.scene.tree;
    std::map<NodeId, std::size_t> places;
    for (std::size_t i = 0; i < pairings_.size(); ++i) {
      if (pairings_[i].first) places[pairings_[i].first] = i;
    }
    for (Pairing& pair : pairings_) {
      if (pair.difference.kind != Difference::Kind::changed || pair.difference.sizes.empty() || pair.changed_by_itself)
        continue;
      NodeId above = tree.parent(pair.first);
      while (above && !pairings_[places[above]].changed_by_itself) above = tree.parent(above);
      if (above) {
        ++pairings_[places[above]].difference.moved_with_parent;
      } else {
        pair.changed_by_itself = true;  // moved into another container, at the same place in it
      }
    }
  }

  const Variant& first_;
  const Variant& second_;
  SceneSolver solver_first_, solver_second_;
  std::vector<Pairing> pairings_;
  double last_width_ = 0;
};

}  // namespace

Comparison compare(const Variant& first, const Variant& second, const CompareOptions& options) {
  for (const Variant* one : {&first, &second}) detail::require_short_paths(one->scene.tree.store());
  Comparer comparer(first, second);
  const std::vector<ContainerSize>& asked = options.container_sizes;
  const std::vector<ContainerSize> all = asked.empty() ? sizes_of(first.scene.ladder) : asked;
  for (std::size_t i = 0; i < all.size(); ++i) {
    comparer.look(all[i], i > 0 && follows(all[i - 1], all[i]));
    if (options.progress) options.progress(static_cast<double>(i + 1) / static_cast<double>(all.size()));
  }
  Comparison comparison = comparer.compare();
  comparison.sizes = all.size();
  comparison.widths = {1e9, 0};
  for (const ContainerSize& container_size : all) {
    const double width = container_size.width.value_or(0);
    comparison.widths = {std::min(comparison.widths.from, width), std::max(comparison.widths.to, width)};
  }
  return comparison;
}

}  // namespace fond_ladder::inline v0
