// SPDX-License-Identifier: MIT
//
// From every name in the scene's own file to its definition, and on.
#include "scene/write/needed_definitions.hpp"

#include <array>

#include "fond_ladder/text_shaper.hpp"

namespace fond_ladder::inline v0::scene {
namespace {

using Type = JsonValue::Type;

constexpr std::array<std::string_view, 5> gathered_keys{"ranges", "modes", "fonts", "shared", "parts"};

}  // namespace

NeededDefinitions::NeededDefinitions(const JsonDocument& document, const UsedFiles& used) : document_(document) {
  for (const ValueId top : used.tops) {
    for (const std::string_view key : gathered_keys) list(top, key);
  }
  for (Definition& one : all_) {
    const bool is_condition = one.key == "ranges" || one.key == "modes";
    one.needed = document.text_of(one.value) == 0 || (one.key == "fonts" && document[one.value].key == usual_font) ||
                 (is_condition && is_claimed(name_of_definition(document, one.value)));
  }
  std::vector<ValueId> open{document.root()};
  while (!open.empty()) {
    const ValueId at = open.back();
    open.pop_back();
    look_through(at, open);
  }
}

std::vector<ValueId> NeededDefinitions::of(std::string_view key) const {
  std::vector<ValueId> needed;
  for (const Definition& one : all_) {
    if (one.needed && !one.beaten && one.key == key) needed.push_back(one.value);
  }
  return needed;
}

void NeededDefinitions::list(ValueId top, std::string_view key) {
  const ValueId all = document_.member(top, key);
  for (ValueId id = all == no_value ? all : document_[all].first; id != no_value; id = document_[id].next) {
    const auto [at, is_new] = places_.try_emplace({key, name_of_definition(document_, id)}, all_.size());
    if (!is_new) all_[std::exchange(at->second, all_.size())].beaten = true;
    all_.push_back({key, id});
  }
}

/// Whether a claim has this word in it; one too many does no harm.
bool NeededDefinitions::is_claimed(std::string_view name) const {
  const ValueId claims = document_.member(document_.root(), "claims");
  for (ValueId id = claims == no_value ? claims : document_[claims].first; id != no_value; id = document_[id].next) {
    if (document_[id].text.find(name) != std::string::npos) return true;
  }
  return false;
}

void NeededDefinitions::need(std::string_view key, std::string_view name, std::vector<ValueId>& open) {
  const auto found = places_.find({key, name});
  if (found == places_.end() || all_[found->second].needed) return;
  all_[found->second].needed = true;
  open.push_back(all_[found->second].value);
}

void NeededDefinitions::look_through(ValueId at, std::vector<ValueId>& open) {
  const JsonValue& value = document_[at];
  if (value.key == "part" && value.type == Type::string) need("parts", value.text, open);
  if (value.key == "font" && value.type == Type::string) need("fonts", value.text, open);
  if (value.key == "like" && value.type == Type::string) need("shared", value.text, open);
  for (ValueId id = value.first; id != no_value; id = document_[id].next) {
    if (value.key == "like" && document_[id].type == Type::string) need("shared", document_[id].text, open);
    if (value.key == "when") {
      need("ranges", document_[id].key, open);
      need("modes", document_[id].key, open);
    }
    open.push_back(id);
  }
}

}  // namespace fond_ladder::inline v0::scene
