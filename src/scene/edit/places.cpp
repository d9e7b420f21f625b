// SPDX-License-Identifier: MIT
#include "scene/edit/places.hpp"

#include <algorithm>

#include "scene/edit/read_text.hpp"
#include "scene/read/scene_text.hpp"

namespace fond_ladder::inline v0::scene {

Places::Places(const std::string& file) {
  if (file != "-") read_ = std::make_unique<const ReadText>(text_of_file(file), file);
}
Places::~Places() = default;

std::optional<Position> Places::of_node(const std::string& path, const std::string& key,
                                        const std::string& otherwise) const {
  if (!read_) return {};
  const JsonDocument& document = read_->document;
  if (path.empty()) {
    const ValueId ranges = document.member(document.root(), "ranges");
    const ValueId range = ranges == no_value ? ranges : document.member(ranges, otherwise);
    return at(range == no_value ? document.root() : range);
  }
  const std::vector<NodeId> found = read_->scene.tree.matches(path);
  if (found.empty()) return {};
  NodeId here = found.front();  // nodes of another file have their place where they are used
  while (document.text_of(read_->value_of(here)) != 0) here = read_->scene.tree.parent(here);
  const ValueId node = read_->value_of(here);
  const ValueId value = document.member(node, key);
  return at(value == no_value ? node : value);
}

std::optional<Position> Places::of_claim(std::size_t number) const {
  if (!read_) return {};
  const JsonDocument& document = read_->document;
  const ValueId claims = document.member(document.root(), "claims");
  ValueId claim = claims == no_value ? claims : document[claims].first;
  for (; claim != no_value && number > 0; --number) claim = document[claim].next;
  if (claim == no_value) return {};
  return at(claim);
}

Position Places::at(ValueId value) const {
  const JsonValue& found = read_->document[value];
  const std::size_t offset = found.key.empty() ? found.offset : found.key_offset;
  Position position = position_in(read_->text, offset);
  const std::string_view ahead =
      std::string_view(read_->text).substr(offset + 1 - position.column, position.column - 1);
  position.column = 1 + static_cast<std::size_t>(std::ranges::count_if(
                            ahead, [](char c) { return (static_cast<unsigned char>(c) & 0xC0U) != 0x80U; }));
  return position;
}

}  // namespace fond_ladder::inline v0::scene
