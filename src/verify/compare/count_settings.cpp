// SPDX-License-Identifier: MIT
#include "verify/compare/count_settings.hpp"

#include <set>
#include <tuple>

#include "model/key_table.hpp"
#include "model/origins.hpp"
#include "model/path_numbers.hpp"

namespace fond_ladder::inline v0 {
namespace {

/// A step with a copy's index taken away, so that all copies have the same.
std::string without_index(const std::string& step) {
  return step.substr(0, step.find('['));
}

}  // namespace

std::size_t count_settings(const Scene& scene) {
  using Place = std::tuple<Source, std::string, std::string>;  // source, place, key
  std::set<Place> places;
  const auto counts = [](std::string_view key) { return key != "kind" && key != "name" && key != "text"; };
  const auto table = key_table();
  const auto paths = PathNumbers().of(scene.tree, without_index);
  std::size_t nodes = 0;
  for (const NodeId node : scene.tree.nodes()) {
    ++nodes;
    const Keys keys = scene.tree.keys(node);
    std::vector<Source> sources(table.size(), Source::own);
    std::vector<std::string> at(table.size(), std::to_string(paths.at(node)));
    if (scene.origins) {
      for (const auto& entry : scene.origins->of(node)) {
        sources[entry.key] = entry.source;
        const std::string& name = scene.origins->name_at(entry.name);
        if (entry.source == Source::each_child) at[entry.key] = std::to_string(paths.at(scene.tree.parent(node)));
        if (entry.source == Source::shared) at[entry.key] = name;
        if (entry.source == Source::copies) at[entry.key] = std::to_string(nodes);  // an item is of one copy
        if (entry.source == Source::part) at[entry.key] = name + "/" + without_index(scene.tree.segment(node));
      }
    }
    for (std::size_t i = 0; i < table.size(); ++i) {
      if (counts(table[i].name) && is_set(table[i], keys))
        places.insert({sources[i], at[i], std::string(table[i].name)});
    }
  }
  for (const When& when : scene.whens) {
    const std::string at = std::to_string(paths.at(when.node)) + " " + when.name;
    for (std::size_t i = 0; i < table.size(); ++i) {
      const std::string_view name = table[i].name;
      if (when.change.sets(i) && (counts(name) || name == "kind"))
        places.insert({Source::range, at, std::string(name)});
    }
  }
  return places.size();
}

}  // namespace fond_ladder::inline v0
