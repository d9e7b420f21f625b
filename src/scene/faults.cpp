// SPDX-License-Identifier: MIT
#include "scene/faults.hpp"

#include <algorithm>

#include "model/key_table.hpp"
#include "model/limits.hpp"

namespace fond_ladder {

std::string SceneFault::text() const {
  std::string text = file + ":";
  if (line > 0) text += std::to_string(line) + ":" + std::to_string(column) + ":";
  text += " error: " + message;
  if (!pointer.empty()) text += " (at " + pointer + ")";
  return text;
}

BadScene::BadScene(std::vector<SceneFault> faults)
    : std::runtime_error(faults.empty() ? "the scene is wrong" : faults.front().text()), faults_(std::move(faults)) {}

namespace scene {

void Faults::add(const JsonDocument& document, ValueId value, std::string message, bool at_key) {
  if (found_.size() >= limits::most_kept_errors) return;
  const JsonValue& at = document[value];
  found_.push_back({at_key ? at.key_offset : at.offset, document.pointer(value), std::move(message)});
}

SceneFault Faults::placed(const Found& found) const {
  const Position position = position_in(text_, found.offset);
  return {file_, position.line, position.column, found.pointer, found.message};
}

void Faults::raise() {
  std::ranges::stable_sort(found_, {}, &Found::offset);
  // Keys that many nodes take are read once for each of them.
  const auto same = [](const Found& a, const Found& b) { return a.offset == b.offset && a.message == b.message; };
  found_.erase(std::unique(found_.begin(), found_.end(), same), found_.end());
  std::vector<SceneFault> faults;
  for (const Found& found : found_) {
    if (faults.size() == limits::most_listed_errors) {
      faults.push_back({file_, 0, 0, "", "and " + std::to_string(found_.size() - faults.size()) + " more errors"});
      break;
    }
    faults.push_back(placed(found));
  }
  throw BadScene(std::move(faults));
}

void Faults::raise_at(std::size_t offset, std::string message) {
  throw BadScene({placed({offset, "", std::move(message)})});
}

std::string nearest_hint(std::string_view typed, std::span<const std::string_view> words) {
  const std::string_view near = nearest_word(typed, words);
  return near.empty() ? std::string() : "; the nearest one is \"" + std::string(near) + "\"";
}

}  // namespace scene
}  // namespace fond_ladder
