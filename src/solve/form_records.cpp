// SPDX-License-Identifier: MIT
#include "solve/form_records.hpp"

#include "model/take_place.hpp"
#include "solve/news.hpp"
#include "solve/state.hpp"

namespace fond_ladder::inline v0::detail {
namespace {

bool any_holds(const std::vector<NodeForm>& forms, const std::vector<bool>& holding) {
  return std::ranges::any_of(forms, [&](const NodeForm& form) { return holding[form.condition]; });
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
  store.forms().for_each([&](Index slot, const auto&) { put(store, store.place_of_slot(slot)); });
}

void FormRecords::follow(const TreeStore& store, State& state, News& news, const std::vector<bool>& holding) {
  const auto differs = [&](const NodeForm& form) {
    return form.condition >= holding_.size() || holding[form.condition] != holding_[form.condition];
  };
  const bool others = version_ != store.forms().version();
  if (others || holding != holding_) {
    store.forms().for_each([&](Index slot, const std::vector<NodeForm>& forms) {
      if (!others && std::ranges::none_of(forms, differs)) return;
      news.add_other_form(store, state, store.place_of_slot(slot));
    });
    holding_ = holding;
    version_ = store.forms().version();
  }
  if (!news.items().empty()) drop_gone(store);
  for (const NewsItem& item : news.items()) put(store, item.node);
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
  const auto* forms = store.forms_of(node);
  if (forms == nullptr || !any_holds(*forms, holding_)) return;

  Keys keys = store.keys(node);
  put_forms(*forms, holding_, keys);
  CompiledNode compiled = compile(keys, store.em(), store.direction());
  store.keep_facts(node, compiled.traits);
  OwnRecord& record = own_record(store.slot(node));
  const Index place = of_solver | own_of_slot_[store.slot(node)];
  record.extra = std::move(compiled.extra);
  record.content = Measured(content_for(keys, store.content(node), store.em()));
  if (record.content.content()) compiled.traits.passive = 0;
  put_record(records, node, compiled);
  records.extra[node] = compiled.needs_extra ? place : 0;
  records.content[node] = record.content.content() ? place : 0;
}

}  // namespace fond_ladder::inline v0::detail
