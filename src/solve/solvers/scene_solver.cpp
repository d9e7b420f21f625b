// SPDX-License-Identifier: MIT
//
// One tree with the forms that a scene gives its nodes, and one solver that keeps the rest.
#include <algorithm>

#include "fond_ladder/scene.hpp"
#include "model/sound_container.hpp"
#include "model/tree_store.hpp"
#include "solve/solvers/lists_in_view.hpp"

namespace fond_ladder::inline v0 {
Tree Scene::live_tree() const {
  Tree live = tree;
  if (ranges.empty() && modes.empty() && whens.empty()) return live;
  std::vector<Range> all_ranges = live.ranges();
  std::vector<std::string> all_modes = live.modes();
  all_ranges.insert(all_ranges.end(), ranges.begin(), ranges.end());
  all_modes.insert(all_modes.end(), modes.begin(), modes.end());
  live.set_conditions(std::move(all_ranges), std::move(all_modes));
  for (const When& when : whens) live.when(when.node, when.name, when.change);
  return live;
}

SceneSolver::SceneSolver(const Scene& scene, const std::vector<std::string>& modes)
    : tree_(scene.live_tree()), modes_(modes) {
  const auto has_list = [](const detail::RareFields& rare_fields) {
    return rare_fields.keys && rare_fields.keys->virtualized.on;
  };
  if (std::ranges::any_of(tree_.store().rare_fields_list(), has_list)) {
    auto lists = std::make_unique<detail::ListsInView>(tree_);
    if (!lists->empty()) lists_ = std::move(lists);
  }
  for (const std::string& mode : modes) {
    if (std::ranges::count(tree_.modes(), mode) == 0) throw BadValue("the scene has no mode \"" + mode + "\"");
    solver_.set_mode(mode, true);
  }
}

std::vector<std::string> SceneSolver::active(const ContainerSize& container_size) const {
  std::vector<bool> holding;
  tree_.store().forms().find_holding(container_size, modes_, holding);
  return tree_.store().forms().names_of(holding);
}

SceneSolver::SceneSolver(SceneSolver&& other) noexcept = default;
SceneSolver& SceneSolver::operator=(SceneSolver&& other) noexcept = default;
SceneSolver::~SceneSolver() = default;

Solution SceneSolver::solve(const ContainerSize& container_size, const std::vector<Solution::ScrolledTo>& positions) {
  require_container_size(container_size.width);
  require_container_size(container_size.height);
  const Solution solution =
      lists_ ? lists_->arrange(tree_, solver_, container_size, positions) : solver_.solve(tree_, container_size);
  return positions.empty() ? solution : solution.scrolled(positions);
}

Solution solve(const Scene& scene, ContainerSize container_size, const std::vector<std::string>& modes) {
  auto kept = std::make_shared<SceneSolver>(scene, modes);  // lives on in the arrangement
  const Solution seen = kept->solve(container_size);
  return seen.with_owner(std::move(kept));
}

}  // namespace fond_ladder::inline v0
