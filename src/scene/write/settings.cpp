// SPDX-License-Identifier: MIT
#include "fond_ladder/settings.hpp"

#include <algorithm>

#include "model/origins.hpp"
#include "scene/write/key_writer.hpp"

namespace fond_ladder::inline v0 {
namespace {

/// The source of each key so far.
struct Sayer {
  Source source = Source::by_default;
  std::string name;
};

}  // namespace

std::vector<Setting> settings(const Scene& scene, NodeId node, const ContainerSize& container_size,
                              const std::vector<std::string>& modes) {
  const auto table = key_table();
  SceneSolver solver(scene, modes);
  const Solution solution = solver.solve(container_size);
  const Keys plain = scene.tree.keys(node), in_force = solution.keys(node);

  std::vector<Sayer> sayers(table.size());
  for (std::size_t i = 0; i < table.size(); ++i) {
    if (is_set(table[i], plain)) {
      sayers[i].source = Source::own;
    }
  }
  if (scene.origins) {
    for (const auto& entry : scene.origins->of(node))
      sayers[entry.key] = {entry.source, scene.origins->name_at(entry.name)};
  }
  for (const Solution::ActiveForm& form : solution.active_forms(node)) {
    const bool is_mode = !form.by && std::ranges::find(scene.modes, form.name) != scene.modes.end();
    const std::string name = form.by ? scene.tree.short_path(form.by) + "." + form.name : form.name;
    for (std::size_t i = 0; i < table.size(); ++i) {
      if (form.change.sets(i)) sayers[i] = {is_mode ? Source::mode : Source::range, name};
    }
  }

  const NodeId parent = scene.tree.parent(node);
  std::optional<Kind> parent_kind;
  if (parent) parent_kind = solution.tree().kind(parent);
  std::vector<Setting> all;
  for (std::size_t i = 0; i < table.size(); ++i) {
    const bool has_effect = acts_on(table[i].acts, in_force.kind, parent_kind);
    if (sayers[i].source == Source::by_default && !has_effect) continue;
    std::string value = scene::value_text(table[i], in_force);
    if (sayers[i].source == Source::by_default && value == "null") value.clear();
    all.push_back({std::string(table[i].name), std::move(value), sayers[i].source, sayers[i].name, has_effect});
  }
  return all;
}

}  // namespace fond_ladder::inline v0
