// SPDX-License-Identifier: MIT
#include "page/engine/scopes.hpp"

#include <algorithm>

namespace fond_ladder::page {

std::vector<Setting> sources(const ShownScene& shown, NodeId node) {
  const Scene& scene = shown.scene();
  const std::vector<NodeId> there = scene.tree.matches(shown.tree().path(node));
  return there.size() == 1 ? settings(scene, there.front(), shown.container_size(), shown.form().modes)
                           : std::vector<Setting>();
}

std::vector<Scope> scopes(const ShownScene& shown, NodeId node, std::string_view key,
                          const std::vector<Setting>& sources) {
  const Tree& tree = shown.tree();
  const std::string path = tree.path(node);
  const auto found = std::ranges::find(sources, key, &Setting::key);
  const Setting setting = found != sources.end() ? *found : Setting{std::string(key), "", Source::own, "", true};
  const Scope alone{"only this one", path};
  switch (setting.source) {
    case Source::range:
    case Source::mode: {
      const std::string when = path + ".when." + setting.name;
      return {{"while " + setting.name, when}, {"always", path, when + "." + std::string(key) + "=null"}};
    }
    case Source::each_child: {
      const NodeId parent = tree.parent(node);
      return {alone, {"all in " + tree.short_path(parent), tree.path(parent) + ".each_child"}};
    }
    case Source::shared: return {alone, {"all like " + setting.name, "shared." + setting.name}};
    case Source::part: {
      const std::string place = shown.draft().place_in_part(path, setting.name);
      if (place.empty()) return {alone};
      return {alone, {"every " + setting.name, place}};
    }
    default: break;
  }
  const std::string step = tree.segment(node);
  if (!step.ends_with(']')) return {alone};
  const std::string base = path.substr(0, path.rfind('['));
  return {alone, {"all of " + step.substr(0, step.rfind('[')), base}};
}

}  // namespace fond_ladder::page
