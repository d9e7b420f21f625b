// SPDX-License-Identifier: MIT
#include "model/node_forms.hpp"

#include <algorithm>

#include "model/key_table.hpp"

namespace fond_ladder::inline v0 {

bool Range::holds(const Rung& rung) const {
  const auto within = [](const std::optional<double>& from, const std::optional<double>& below,
                         const std::optional<double>& size) {
    if (!from && !below) return true;
    return size && (!from || *size >= *from) && (!below || *size < *below);
  };
  return within(from_width, below_width, rung.width) && within(from_height, below_height, rung.height);
}

namespace detail {
namespace {

Index place_among(const std::string& name, const std::vector<Range>& ranges, const std::vector<std::string>& modes) {
  const auto range = std::ranges::find(ranges, name, &Range::name);
  if (range != ranges.end()) return static_cast<Index>(range - ranges.begin());
  const auto mode = std::ranges::find(modes, name);
  return mode == modes.end() ? no_index
                             : static_cast<Index>(ranges.size() + static_cast<std::size_t>(mode - modes.begin()));
}

void sort(std::vector<NodeForm>& forms) {
  std::ranges::stable_sort(forms, {}, &NodeForm::condition);
}

}  // namespace

void NodeForms::set_conditions(std::vector<Range> ranges, std::vector<std::string> modes) {
  std::vector<std::string> names = modes;
  for (const Range& range : ranges) names.push_back(range.name);
  std::ranges::sort(names);
  if (const auto twice = std::ranges::adjacent_find(names); twice != names.end()) {
    throw BadValue("two ranges or modes are called \"" + *twice + "\"");
  }
  for (const auto& [slot, forms] : forms_) {
    for (const NodeForm& form : forms) {
      if (place_among(form.name, ranges, modes) == no_index) {
        throw BadValue("a node is another one under \"" + form.name + "\", which would be no range or mode any more");
      }
    }
  }
  for (auto& [slot, forms] : forms_) {
    for (NodeForm& form : forms) form.condition = place_among(form.name, ranges, modes);
    sort(forms);
  }
  ranges_ = std::move(ranges);
  modes_ = std::move(modes);
  ++version_;
}

Index NodeForms::condition_of(const std::string& name) const {
  const Index place = place_among(name, ranges_, modes_);
  if (place == no_index) throw BadValue("there is no range or mode \"" + name + "\"");
  return place;
}

void NodeForms::require(const std::string& name, const Changes& change) const {
  static_cast<void>(condition_of(name));
  require_sound(change.values());
}

void NodeForms::set(Index slot, const std::string& name, const Changes& change) {
  require(name, change);
  const Index condition = condition_of(name);
  std::vector<NodeForm>& forms = forms_[slot];
  std::erase_if(forms, [&](const NodeForm& form) { return form.condition == condition; });
  if (!change.empty()) forms.push_back({name, condition, change});
  sort(forms);
  if (forms.empty()) forms_.erase(slot);
  ++version_;
}

const std::vector<NodeForm>* NodeForms::of(Index slot) const {
  if (forms_.empty()) return nullptr;
  const auto found = forms_.find(slot);
  return found == forms_.end() ? nullptr : &found->second;
}

void NodeForms::find_holding(const Rung& rung, const std::vector<std::string>& modes_on,
                             std::vector<bool>& holding) const {
  holding.clear();
  for (const Range& range : ranges_) holding.push_back(range.holds(rung));
  for (const std::string& mode : modes_) holding.push_back(std::ranges::count(modes_on, mode) > 0);
}

std::vector<std::string> NodeForms::names_of(const std::vector<bool>& holding) const {
  std::vector<std::string> names;
  for (std::size_t i = 0; i < holding.size(); ++i) {
    if (holding[i]) names.push_back(i < ranges_.size() ? ranges_[i].name : modes_[i - ranges_.size()]);
  }
  return names;
}

}  // namespace detail
}  // namespace fond_ladder::inline v0
