// SPDX-License-Identifier: MIT
#include "scene/read/faults.hpp"

#include <algorithm>

#include "model/limits.hpp"
#include "model/printable.hpp"

namespace fond_ladder::inline v0 {

std::string SceneError::text() const {
  std::string text = printable(file) + ":";
  if (line > 0) text += std::to_string(line) + ":" + std::to_string(column) + ":";
  text += " error: " + printable(message);
  constexpr std::size_t longest = 400, shown = 180;  // of a deep node
  std::string at = printable(with_short_names(pointer));
  if (at.size() > longest) at = utf8_of(at.substr(0, shown) + " ... " + at.substr(at.size() - shown));
  if (!at.empty()) text += " (at " + at + ")";
  return text;
}

BadScene::BadScene(std::vector<SceneError> faults)
    : Error(faults.empty() ? "the scene is wrong" : faults.front().text()), faults_(std::move(faults)) {}

namespace scene {

void Faults::add(const JsonDocument& document, ValueId value, std::string message, bool at_key) {
  if (is_full()) return;
  const std::size_t text = document.text_of(value);
  const std::size_t offset = at_key ? document[value].key_offset : document[value].offset;
  if (lists_no_more()) {  // what comes now may be worded with less care than the first time
    const auto known = found_.lower_bound({text, offset, ""});
    if (known != found_.end() && known->text == text && known->offset == offset) return;
  }
  found_.insert({text, offset, std::move(message), &document, value});
}

void Faults::add_at(std::size_t offset, std::string message) {
  found_.insert({texts_.size() - 1, offset, std::move(message)});
}

bool Faults::lists_no_more() const {
  return found_.size() >= limits::most_listed_errors;
}

bool Faults::is_full() const {
  return found_.size() >= limits::most_kept_errors;
}

SceneError Faults::placed(const Found& found) const {
  const auto& [file, text] = texts_[found.text];
  const Position position = position_in(text, found.offset);
  const std::string pointer = found.document == nullptr ? "" : found.document->pointer(found.value);
  return {file, position.line, position.column, pointer, with_short_names(found.message)};
}

SceneError Faults::placed_at(const JsonDocument& document, ValueId value) const {
  return placed({document.text_of(value), document[value].offset, "", &document, value});
}

void Faults::raise() {
  std::vector<SceneError> faults;
  for (const Found& found : found_) {
    if (faults.size() == limits::most_listed_errors) {
      const std::string more = std::to_string(found_.size() - faults.size()) + " more errors";
      faults.push_back({texts_[0].file, 0, 0, "", is_full() ? "and " + more + " at least" : "and " + more});
      break;
    }
    faults.push_back(placed(found));
  }
  throw BadScene(std::move(faults));
}

void Faults::raise_at(std::size_t offset, std::string message) {
  throw BadScene({placed({0, offset, std::move(message)})});
}

}  // namespace scene
}  // namespace fond_ladder::inline v0
