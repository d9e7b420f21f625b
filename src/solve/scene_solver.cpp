// SPDX-License-Identifier: MIT
//
// One tree whose nodes take another form where a range begins or ends, and one solver that keeps the rest.
#include <algorithm>
#include <map>

#include "fond_ladder/scene.hpp"
#include "model/container_size.hpp"

namespace fond_ladder::inline v0 {

SceneSolver::SceneSolver(const Scene& scene, const std::vector<std::string>& modes)
    : tree_(scene.tree), ranges_(scene.ranges) {
  for (const Range& range : scene.ranges) conditions_.push_back(range.name);
  conditions_.insert(conditions_.end(), scene.modes.begin(), scene.modes.end());
  on_.resize(conditions_.size());
  holding_.resize(conditions_.size());
  const auto place_of = [&](const std::string& name, std::size_t from) {
    const auto found = std::find(conditions_.begin() + static_cast<std::ptrdiff_t>(from), conditions_.end(), name);
    if (found == conditions_.end()) {
      throw BadValue("the scene has no " + std::string(from == 0 ? "range or mode" : "mode") + " \"" + name + "\"");
    }
    return static_cast<std::size_t>(found - conditions_.begin());
  };
  for (const std::string& mode : modes) on_[place_of(mode, ranges_.size())] = true;
  std::map<NodeId, std::size_t> places;
  for (const When& when : scene.whens) {
    const auto [place, is_new] = places.try_emplace(when.node, changing_.size());
    if (is_new) changing_.push_back({when.node, tree_.keys(when.node), {}});
    changing_[place->second].forms.push_back({place_of(when.name, 0), when.change});
  }
  for (Changing& one : changing_) std::ranges::stable_sort(one.forms, {}, &Form::condition);
}

std::vector<std::string> SceneSolver::active(const Rung& rung) const {
  std::vector<std::string> names;
  for (std::size_t i = 0; i < conditions_.size(); ++i) {
    if (i < ranges_.size() ? ranges_[i].holds(rung) : on_[i]) names.push_back(conditions_[i]);
  }
  return names;
}

/// Restyles the nodes for which something begins or ends to hold.
void SceneSolver::take_form(const std::vector<bool>& holding) {
  for (const Changing& one : changing_) {
    const auto turns = [&](const Form& form) { return holding[form.condition] != holding_[form.condition]; };
    if (std::ranges::none_of(one.forms, turns)) continue;
    Keys keys = one.plain;
    for (const Form& form : one.forms) {
      if (holding[form.condition]) form.change.put_into(keys);
    }
    tree_.restyle(one.node, keys);
  }
  holding_ = holding;
}

Solution SceneSolver::solve(const Rung& rung) {
  require_container_size(rung.width);
  require_container_size(rung.height);
  std::vector<bool> holding = on_;
  for (std::size_t i = 0; i < ranges_.size(); ++i) holding[i] = ranges_[i].holds(rung);
  if (holding != holding_) take_form(holding);
  return solver_.solve(tree_, rung);
}

Solution solve(const Scene& scene, Rung rung, const std::vector<std::string>& modes) {
  auto kept = std::make_shared<SceneSolver>(scene, modes);  // lives on in the arrangement
  const Solution seen = kept->solve(rung);
  return seen.kept_alive_by(std::move(kept));
}

}  // namespace fond_ladder::inline v0
