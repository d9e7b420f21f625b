// SPDX-License-Identifier: MIT
#include "model/node_forms.hpp"

#include <algorithm>

#include "model/claim_words.hpp"
#include "model/key_table.hpp"

namespace fond_ladder::inline v0 {

bool Range::contains(const ContainerSize& container_size) const {
  const auto within = [](const std::optional<double>& from, const std::optional<double>& below,
                         const std::optional<double>& size) {
    if (!from && !below) return true;
    return size && (!from || *size >= *from) && (!below || *size < *below);
  };
  return within(from_width, below_width, container_size.width) &&
         within(from_height, below_height, container_size.height);
}

bool Range::is_empty() const {
  const auto none = [](const std::optional<double>& from, const std::optional<double>& below) {
    return below && from.value_or(0) >= *below;
  };
  return none(from_width, below_width) || none(from_height, below_height);
}

namespace detail {

bool has_percentage(const Edges& edges) {
  for (std::size_t side = 0; side < side_words.size(); ++side) {
    const auto edge = edges.given(static_cast<Side>(side));
    if (edge && edge->length().is_percent()) return true;
  }
  return false;
}

}  // namespace detail

namespace {

bool has_percent_edges(const Keys& keys) {
  return detail::has_percentage(keys.padding) || detail::has_percentage(keys.margin);
}

}  // namespace

std::optional<std::string> own_form_fault(const Keys& plain, const std::string& name, const Changes& change) {
  if (std::ranges::find(plain.ranges, name, &Range::name) == plain.ranges.end()) return {};
  const Keys& keys = change.values();
  for (const KeyEntry& entry : key_table()) {
    if (!change.sets(place_of(entry))) continue;
    const std::string under = "in its node range \"" + name + "\" a node cannot have ";
    if (!acts_inside(entry)) {
      return under + "a different \"" + std::string(entry.name) +
             "\": its parent needs that before the width is known; set it on a child instead";
    }
    if (entry.name == "kind" && (!is_container(plain.kind) || !is_container(keys.kind))) {
      return under + "a \"kind\" that turns a container into a leaf or back";
    }
  }
  const bool sets_edges = change.sets("padding") || change.sets("border") || change.sets("border_at");
  if (sets_edges && (detail::has_percentage(keys.padding) || has_percent_edges(plain))) {
    return "in its node range \"" + name +
           "\" a node cannot change its padding or border if its padding or margin is a percentage";
  }
  return {};
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
  if (const auto word = std::ranges::find_if(names, is_claim_word); word != names.end()) {
    throw BadValue("no range or mode can be called \"" + *word + "\": claims use that word");
  }
  for (const auto& [slot, forms] : forms_) {
    for (const NodeForm& form : forms) {
      if (place_among(form.name, ranges, modes) == no_index && !own_names_.contains(form.name)) {
        throw BadValue("a node has a \"when\" of \"" + form.name + "\", which would no longer be a range or mode");
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

void NodeForms::declare(Index slot, const std::vector<Range>& own) {
  const auto had = node_ranges_.find(slot);
  if (had != node_ranges_.end()) {
    for (const Range& range : had->second) {
      if (const auto name = own_names_.find(range.name); --name->second == 0) own_names_.erase(name);
    }
    node_ranges_.erase(had);
  }
  if (own.empty()) return;
  for (const Range& range : own) ++own_names_[range.name];
  node_ranges_.emplace(slot, own);
}

const std::vector<Range>* NodeForms::node_ranges(Index slot) const {
  if (node_ranges_.empty()) return nullptr;
  const auto found = node_ranges_.find(slot);
  return found == node_ranges_.end() ? nullptr : &found->second;
}

void NodeForms::require(const std::string& name, const Changes& change, bool is_own) const {
  if (!is_own && !own_names_.contains(name) && place_among(name, ranges_, modes_) == no_index) {
    throw BadValue("there is no range or mode \"" + name + "\"");
  }
  if (change.sets("ranges")) throw BadValue("the keys of \"" + name + "\" cannot include ranges");
  require_sound(change.values());
}

void put_own_form(const Changes& change, Keys& keys) {
  const Keys plain = keys;
  for (const KeyEntry& entry : key_table()) {
    if (change.sets(place_of(entry)) && acts_inside(entry)) copy_key(entry, change.values(), keys);
  }
  if (!is_container(plain.kind) || !is_container(keys.kind)) keys.kind = plain.kind;
  if (has_percentage(keys.padding) || has_percent_edges(plain)) {
    keys.padding = plain.padding;
    keys.border = plain.border;
    keys.border_at = plain.border_at;
  }
}

void NodeForms::set(Index slot, const std::string& name, const Changes& change) {
  require(name, change);
  const Index condition = place_among(name, ranges_, modes_);
  std::vector<NodeForm>& forms = forms_[slot];
  std::erase_if(forms, [&](const NodeForm& form) { return form.name == name; });
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

void NodeForms::find_holding(const ContainerSize& container_size, const std::vector<std::string>& modes_on,
                             std::vector<bool>& holding) const {
  holding.clear();
  for (const Range& range : ranges_) holding.push_back(range.contains(container_size));
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
