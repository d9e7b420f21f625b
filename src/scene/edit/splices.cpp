// SPDX-License-Identifier: MIT
#include "scene/edit/splices.hpp"

#include <algorithm>

#include "model/json_text.hpp"

namespace fond_ladder::inline v0::scene {
namespace {

using Type = JsonValue::Type;

std::string member_text(const std::string& name, const MemberEdit& edit) {
  return json_text(name) + ": " + json_of(edit);
}

}  // namespace

MemberEdit& MemberEdit::at(std::string_view member) {
  for (auto& [name, edit] : members) {
    if (name == member) return edit;
  }
  return members.emplace_back(Member{std::string(member), {}}).edit;
}

std::string json_of(const MemberEdit& edit) {
  if (edit.members.empty()) return edit.json;
  if (!edit.json.empty()) {
    const JsonDocument document(edit.json);
    Splices splices(document, edit.json);
    MemberEdit members;
    members.members = edit.members;
    splices.set(document.root(), members);
    return splices.text();
  }
  std::string text;
  for (const auto& [name, inner] : edit.members) text += (text.empty() ? "{ " : ", ") + member_text(name, inner);
  return text + " }";
}

void Splices::replace(ValueId value, std::string json) {
  stretches_.push_back({document_[value].offset, document_[value].end, std::move(json)});
}

void Splices::rename(ValueId member, std::string_view key) {
  const std::size_t from = document_[member].key_offset;
  std::size_t end = from + 1;
  while (text_[end] != '"') end += text_[end] == '\\' ? 2 : 1;
  stretches_.push_back({from, end + 1, json_text(key)});
}

void Splices::set(ValueId object, const MemberEdit& edit) {
  std::string added;
  for (const auto& [name, inner] : edit.members) {
    const ValueId known = document_.member(object, name);
    if (known == no_value) {
      added += (added.empty() ? "" : ", ") + member_text(name, inner);
    } else if (!inner.members.empty() && inner.json.empty() && document_[known].type == Type::object) {
      set(known, inner);
    } else {
      replace(known, json_of(inner));
    }
  }
  if (added.empty()) return;
  ValueId last = document_[object].first;
  while (last != no_value && document_[last].next != no_value) last = document_[last].next;
  if (last == no_value) {
    const std::size_t inside = document_[object].offset + 1;
    stretches_.push_back({inside, inside, " " + added + (text_[inside] == ' ' ? "" : " ")});
  } else {
    stretches_.push_back({document_[last].end, document_[last].end, ", " + added});
  }
}

void Splices::take_out(ValueId holder, const std::vector<ValueId>& values) {
  const auto goes = [&](ValueId id) { return std::ranges::find(values, id) != values.end(); };
  ValueId kept = no_value, first_gone = no_value;  // the last that stays so far, the first of those behind it
  for (ValueId id = document_[holder].first; id != no_value; id = document_[id].next) {
    if (goes(id)) {
      if (first_gone == no_value) first_gone = id;
      if (document_[id].next != no_value) continue;
      const std::size_t from = kept == no_value ? document_[first_gone].key_offset : document_[kept].end;
      stretches_.push_back({from, document_[id].end, ""});
    } else {
      if (first_gone != no_value)
        stretches_.push_back({document_[first_gone].key_offset, document_[id].key_offset, ""});
      first_gone = no_value;
      kept = id;
    }
  }
}

void Splices::put_in(ValueId list, ValueId before, const std::string& items, const std::vector<ValueId>& out) {
  if (before != no_value) {
    stretches_.push_back({document_[before].offset, document_[before].offset, items + ", "});
    return;
  }
  ValueId last = no_value;
  for (ValueId id = document_[list].first; id != no_value; id = document_[id].next) {
    if (std::ranges::find(out, id) == out.end()) last = id;
  }
  const std::size_t at = last == no_value ? document_[list].offset + 1 : document_[last].end;
  stretches_.push_back({at, at, (last == no_value ? "" : ", ") + items});
}

std::string Splices::text() const {
  std::vector<Stretch> sorted = stretches_;
  std::ranges::stable_sort(sorted, {}, [](const Stretch& one) { return std::pair(one.from, one.to); });
  std::string text;
  std::size_t at = 0;
  for (const Stretch& one : sorted) {
    text.append(text_.substr(at, one.from - at)).append(one.text);
    at = one.to;
  }
  return text.append(text_.substr(at));
}

}  // namespace fond_ladder::inline v0::scene
