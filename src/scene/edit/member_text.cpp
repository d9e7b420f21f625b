// SPDX-License-Identifier: MIT
#include "scene/edit/member_text.hpp"

#include <algorithm>

#include "model/json_text.hpp"
#include "scene/edit/splices.hpp"

namespace fond_ladder::inline v0::scene {
namespace {

using Type = JsonValue::Type;

bool is_json_text(std::string_view value) {
  try {
    const JsonDocument document(value);
    return document[document.root()].type == Type::string;
  } catch (const JsonFault&) {
    return false;
  }
}

/// The item of a list that a step counts to, from 0; none when it does not.
ValueId item_at(const JsonDocument& document, const std::string& step) {
  if (step.empty() || step.size() > 6 || step.find_first_not_of("0123456789") != std::string::npos) return no_value;
  ValueId id = document[document.root()].first;
  for (int left = std::stoi(step); left > 0 && id != no_value; --left) id = document[id].next;
  return id;
}

}  // namespace

MemberPath::MemberPath(std::span<const std::string> steps) {
  std::size_t key = 0;
  if (steps[0] == "each_child" || steps[0] == "with") key = 1;
  if (steps[0] == "when") key = 2;
  key = std::min(key, steps.size() - 1);
  way_.assign(steps.begin(), steps.begin() + static_cast<std::ptrdiff_t>(key) + 1);
  inside_.assign(steps.begin() + static_cast<std::ptrdiff_t>(key) + 1, steps.end());
  entry_ = find_key(way_.back());
}

MemberPath MemberPath::plain(std::span<const std::string> steps) {
  MemberPath path;
  path.way_.assign(steps.begin(), steps.end());
  return path;
}

std::string MemberPath::value_text(std::string_view value) const {
  const bool is_text =
      entry_ != nullptr && inside_.empty() && std::holds_alternative<std::string Keys::*>(entry_->field);
  if (is_text) return is_json_text(value) ? std::string(value) : json_text(value);
  try {
    const JsonDocument document(value);
    return std::string(value);
  } catch (const JsonFault&) {
    return json_text(value);
  }
}

std::string MemberPath::plain_text(std::string_view value) const {
  const JsonDocument document(value_text(value));
  return document[document.root()].text;
}

std::string MemberPath::opened(const std::string& json) const {
  const bool is_x_alone =
      entry_ != nullptr && std::holds_alternative<TextAlignPair Keys::*>(entry_->field) && json.starts_with('"');
  return is_x_alone && !inside_.empty() ? "{ \"x\": " + json + " }" : json;
}

std::string changed_value(const std::string& json, std::span<const std::string> steps, const std::string& value) {
  if (steps.empty()) return value;
  const std::string& step = steps[0];
  MemberEdit edit;
  if (!json.empty() && json != "null") {
    const JsonDocument document(json);
    const JsonValue& base = document[document.root()];
    const Splices texts(document, json);
    if (base.type == Type::array) {
      const ValueId item = item_at(document, step);
      if (item == no_value) return value;
      Splices splices(document, json);
      splices.replace(item, changed_value(texts.text_of(item), steps.subspan(1), value));
      return splices.text();
    }
    if (base.type == Type::object) {
      edit.json = json;
      const ValueId known = document.member(document.root(), step);
      edit.at(step).json = changed_value(known == no_value ? "" : texts.text_of(known), steps.subspan(1), value);
      return json_of(edit);
    }
    edit.at("x").json = json;
    edit.at("y").json = json;
  }
  edit.at(step).json = changed_value("", steps.subspan(1), value);
  return json_of(edit);
}

}  // namespace fond_ladder::inline v0::scene
