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
  using Place = std::tuple<Source, std::string, std::string>;  // who says it, where, which key
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
      for (const auto& said : scene.origins->of(node)) {
        sources[said.key] = said.source;
        const std::string& name = scene.origins->name_at(said.name);
        if (said.source == Source::each_child) at[said.key] = std::to_string(paths.at(scene.tree.parent(node)));
        if (said.source == Source::shared) at[said.key] = name;
        if (said.source == Source::copies) at[said.key] = std::to_string(nodes);  // an item is of one copy
        if (said.source == Source::part) at[said.key] = name + "/" + without_index(scene.tree.segment(node));
      }
    }
    for (std::size_t i = 0; i < table.size(); ++i) {
      if (counts(table[i].name) && is_said(table[i], keys))
        places.insert({sources[i], at[i], std::string(table[i].name)});
    }
  }
  for (const When& when : scene.whens) {
    const std::string at = std::to_string(paths.at(when.node)) + " " + when.name;
    for (std::size_t i = 0; i < table.size(); ++i) {
      const std::string_view name = table[i].name;
      if (when.change.says_at(i) && (counts(name) || name == "kind"))
        places.insert({Source::range, at, std::string(name)});
    }
  }
  return places.size();
}

}  // namespace fond_ladder::inline v0
