// SPDX-License-Identifier: MIT
#include "solve/state/form_records.hpp"

#include <algorithm>

#include "model/limits.hpp"
#include "model/take_place.hpp"

namespace fond_ladder::inline v0::detail {
namespace {

bool any_holds(const std::vector<NodeForm>& forms, const std::vector<bool>& holding) {
  return std::ranges::any_of(
      forms, [&](const NodeForm& form) { return form.condition != no_index && holding[form.condition]; });
}

bool declares(const TreeStore& store, Index slot, const std::string& name) {
  const std::vector<Range>* own = store.forms().node_ranges(slot);
  return own != nullptr && std::ranges::find(*own, name, &Range::name) != own->end();
}

}  // namespace
void FormRecords::begin(const TreeStore& store, const std::vector<bool>& holding) {
  exist_ = true;
  holding_ = holding;
  version_ = store.forms().version();
  const Records& of_tree = store.flat();
  records = of_tree;
  own.clear();
  own_of_slot_.clear();
  free_own_.clear();
  scopes_.clear();
  scopes_that_hold_ = 0;
  around_.clear();
  odd_insets_.clear();
  own.reserve(store.forms().count());
  if (store.forms().has_node_ranges()) {
    enter(store, 0, 0);
  } else {
    store.forms().for_each([&](Index slot, const auto&) { put(store, store.place_of_slot(slot)); });
  }
}

bool FormRecords::differs(const NodeForm& form, const std::vector<bool>& holding) const {
  if (form.condition == no_index) return false;
  return form.condition >= holding_.size() || holding[form.condition] != holding_[form.condition];
}

void FormRecords::end() {
  *this = FormRecords();
}

/// Gives back what nodes had that are gone, or have no forms any more.
void FormRecords::drop_gone(const TreeStore& store) {
  for (auto one = own_of_slot_.begin(); one != own_of_slot_.end();) {
    if (store.forms().of(one->first) != nullptr) {
      ++one;
      continue;
    }
    own[one->second] = {};
    std::erase(odd_insets_, one->second);
    free_own_.push_back(one->second);
    one = own_of_slot_.erase(one);
  }
}

OwnRecord& FormRecords::own_record(Index slot) {
  const auto [found, is_new] = own_of_slot_.try_emplace(slot, 0);
  if (is_new) found->second = take_place(own, free_own_);
  return own[found->second];
}

void FormRecords::put(const TreeStore& store, Index node) {
  copy_record(store.flat(), records, node);
  const Index slot = store.slot(node);
  if (const auto had = own_of_slot_.find(slot); had != own_of_slot_.end()) own[had->second].odd = false;
  const auto* forms = store.forms_of(node);
  if (forms == nullptr || (scopes_.empty() && !any_holds(*forms, holding_))) return;
  const Keys plain = store.keys(node);
  Keys keys = plain;
  put_into(store, node, keys);
  if (!scopes_.empty() && keys == plain) return;

  CompiledNode compiled = compile(keys, store.setting());
  store.keep_facts(node, compiled.traits);
  OwnRecord& record = own_record(slot);
  const Index own_place = own_of_slot_[slot], place = of_solver | own_place;
  record.content = Measured(content_for(keys, store.content(node), store.setting()));
  if (record.content.content()) compiled.traits.passive = 0;
  const OwnScope* scope = this->scope(slot);
  if (scope != nullptr && scope->active != 0) show_outward(store, node, compiled, record);
  record.rare_fields = std::move(compiled.rare_fields);
  put_record(records, node, compiled);
  records.rare_fields[node] = compiled.needs_extra || record.odd ? place : 0;
  records.content[node] = record.content.content() ? place : 0;
  if (!record.odd || record.listed) return;
  odd_insets_.push_back(own_place);
  record.listed = true;
}

/// Sideways a node counts as it is while none of its node ranges hold: the width that follows from an aspect, and the
/// padding.
void FormRecords::show_outward(const TreeStore& store, Index node, CompiledNode& compiled, OwnRecord& record) const {
  Keys outward = store.keys(node);
  put_forms_into(store, node, outward, false);
  const CompiledNode plain = compile(outward, store.setting());
  compiled.given[x_axis] = plain.given[x_axis];
  compiled.traits.width_way = plain.traits.width_way;
  record.plain_inset = plain.rare_fields.edges.inset[x_axis];
  record.own_inset = compiled.rare_fields.edges.inset[x_axis];
  record.odd = record.plain_inset != record.own_inset;
}

void FormRecords::put_forms_into(const TreeStore& store, Index node, Keys& keys, bool own_ones) const {
  const Index slot = store.slot(node);
  for_each_active(store, node, [&](const NodeForm& form, Index declarer) {
    if (declarer != slot) {
      form.change.put_into(keys);
    } else if (own_ones) {
      put_own_form(form.change, keys);
    }
  });
}

template <class Each>
void FormRecords::for_each_active(const TreeStore& store, Index node, const Each& each) const {
  const auto* forms = store.forms_of(node);
  if (forms == nullptr || !exist_) return;
  std::array<Index, limits::deepest_node_ranges> way{};  // the scopes that it is in, the innermost first
  std::size_t steps = 0;
  const auto around = scopes_.empty() ? around_.end() : around_.find(store.slot(node));
  for (Index at = around == around_.end() ? no_index : around->second; at != no_index && steps < way.size();) {
    const OwnScope* scope = this->scope(at);
    if (scope == nullptr) break;  // it was taken away: what is in it is about to be entered
    way[steps++] = at;
    at = scope->outer;
  }
  const auto declarer_of = [&](const std::string& name) {
    for (std::size_t i = 0; i < steps; ++i) {
      if (declares(store, way[i], name)) return way[i];
    }
    return no_index;
  };
  const std::size_t ranges = store.forms().ranges().size();
  const auto each_global = [&](bool modes) {
    for (const NodeForm& form : *forms) {
      if (form.condition == no_index || (form.condition >= ranges) != modes || !holding_[form.condition]) continue;
      if (declarer_of(form.name) == no_index) each(form, no_index);
    }
  };
  each_global(false);
  for (std::size_t i = steps; i-- > 0;) {
    const std::vector<Range>* declared = store.forms().node_ranges(way[i]);
    for (std::size_t range = 0; declared != nullptr && range < declared->size(); ++range) {
      if ((scope(way[i])->active >> range & 1U) == 0) continue;
      const auto form = std::ranges::find(*forms, (*declared)[range].name, &NodeForm::name);
      if (form != forms->end() && declarer_of(form->name) == way[i]) each(*form, way[i]);
    }
  }
  each_global(true);
}

std::vector<FormRecords::Active> FormRecords::active(const TreeStore& store, Index node) const {
  std::vector<Active> all;
  for_each_active(store, node, [&](const NodeForm& form, Index declarer) { all.push_back({&form, declarer}); });
  return all;
}

/// The innermost scope that holds the parent of a node.
Index FormRecords::scope_around(const TreeStore& store, Index node) const {
  for (Index at = store.parent(node); at != no_index; at = store.parent(at)) {
    if (scopes_.contains(store.slot(at))) return store.slot(at);
  }
  return no_index;
}

void FormRecords::set_scope(Index slot, const OwnScope& scope) {
  drop_scope(slot);
  scopes_.emplace(slot, scope);
  scopes_that_hold_ += scope.active != 0 ? 1 : 0;
}

void FormRecords::drop_scope(Index slot) {
  const auto found = scopes_.find(slot);
  if (found == scopes_.end()) return;
  scopes_that_hold_ -= found->second.active != 0 ? 1 : 0;
  scopes_.erase(found);
}

bool FormRecords::own_holds(const TreeStore& store, Index node, const std::string& name) const {
  const Index slot = store.slot(node);
  const OwnScope* own = scope(slot);
  const std::vector<Range>* declared = store.forms().node_ranges(slot);
  if (own == nullptr || declared == nullptr) return false;
  const auto range = std::ranges::find(*declared, name, &Range::name);
  return range != declared->end() && (own->active >> (range - declared->begin()) & 1U) != 0;
}

const OwnScope* FormRecords::scope(Index slot) const {
  const auto found = scopes_.find(slot);
  return found == scopes_.end() ? nullptr : &found->second;
}

const std::vector<Index>& FormRecords::enter(const TreeStore& store, Index top, std::uint32_t active) {
  entered_.assign(1, top);
  entered_scopes_.assign(1, scope_around(store, top));
  for (std::size_t i = 0; i < entered_.size(); ++i) {
    const Index node = entered_[i], slot = store.slot(node);
    Index around = entered_scopes_[i];
    const unsigned level = around == no_index ? 1 : scopes_.at(around).level + 1;
    if (store.forms().node_ranges(slot) != nullptr && level <= limits::deepest_node_ranges) {
      set_scope(slot, {around, level, i == 0 ? active : 0});
      around = slot;
    } else {
      drop_scope(slot);
    }
    if (store.forms_of(node) != nullptr) {
      if (around == no_index) {
        around_.erase(slot);
      } else {
        around_[slot] = around;
      }
      put(store, node);
    }
    store.for_each_child(node, [&](Index child) {
      entered_.push_back(child);
      entered_scopes_.push_back(around);
    });
  }
  return entered_;
}

void FormRecords::show_plain_insets() {
  std::erase_if(odd_insets_, [&](Index place) {
    OwnRecord& record = own[place];
    if (record.odd) record.rare_fields.edges.inset[x_axis] = record.plain_inset;
    record.listed = record.odd;
    return !record.odd;
  });
}

void FormRecords::show_own_insets() {
  for (const Index place : odd_insets_) {
    if (own[place].odd) own[place].rare_fields.edges.inset[x_axis] = own[place].own_inset;
  }
}

void FormRecords::show_own_inset(Index node) {
  const Index place = records.rare_fields[node];
  if ((place & of_solver) == 0) return;
  OwnRecord& record = own[place & ~of_solver];
  if (record.odd) record.rare_fields.edges.inset[x_axis] = record.own_inset;
}

}  // namespace fond_ladder::inline v0::detail
