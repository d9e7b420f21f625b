// SPDX-License-Identifier: MIT
//
// A node of the tree is an object of its own in the file, or is inside a part, or is one of several copies: an edit of
// it is written where it affects that node alone.
#include "scene/edit/placed_text.hpp"

#include <algorithm>
#include <set>

#include "fond_ladder/quantity.hpp"
#include "model/json_text.hpp"
#include "model/key_table.hpp"
#include "model/origins.hpp"
#include "scene/edit/splices.hpp"
#include "scene/read/definitions.hpp"
#include "scene/write/key_writer.hpp"
#include "scene/write/node_texts.hpp"

namespace fond_ladder::inline v0::scene {

std::vector<NodeId> PlacedText::nodes_of(const std::string& pattern) const {
  if (pattern.find('*') == std::string::npos && tree().matches(pattern).empty()) {
    std::vector<NodeId> copies;
    std::set<std::string> paths;
    for (const NodeId node : tree().nodes()) {
      const std::string path = without_indexes(tree().path(node));
      if (path != pattern && !path.ends_with("/" + pattern)) continue;
      copies.push_back(node);
      paths.insert(path);
    }
    if (paths.size() == 1) return copies;
  }
  try {
    return nodes_named(tree(), pattern);
  } catch (const BadQuantity& fault) {
    throw refusal(fault.what());
  }
}

NodeId PlacedText::node_of(const std::string& path) const {
  try {
    return tree().at(path);
  } catch (const BadPath& fault) {
    throw refusal(fault.what());
  }
}

std::vector<NodeId> PlacedText::nodes_among(const std::vector<std::string>& patterns) const {
  std::vector<NodeId> nodes;
  for (const std::string& pattern : patterns) {
    for (const NodeId node : nodes_of(pattern)) {
      if (std::ranges::find(nodes, node) == nodes.end()) nodes.push_back(node);
    }
  }
  return nodes;
}

NodeId PlacedText::written_outside(NodeId node) const {
  while (now_->is_in_parts(now_->value_of(node))) node = tree().parent(node);
  return node;
}

Spot PlacedText::spot_of(NodeId node) const {
  const NodeId use = written_outside(node);
  Spot spot{now_->value_of(use), ""};
  for (NodeId at = node; at != use; at = tree().parent(at))
    spot.inner = tree().segment(at) + (spot.inner.empty() ? "" : "/") + spot.inner;
  return spot;
}

/// The topmost of a node and those above it that is one of several copies, none when none is.
NodeId PlacedText::topmost_copy(NodeId node) const {
  NodeId top;
  for (NodeId at = written_outside(node); at; at = tree().parent(at)) {
    if (now_->written.of(at).copy >= 0) top = at;
  }
  return top;
}

/// The nodes of a parent that come from one object of the file: copies, or a single one.
std::vector<NodeId> PlacedText::copies_of(NodeId node) const {
  if (!tree().parent(node)) return {node};
  std::vector<NodeId> all = tree().children(tree().parent(node));
  std::erase_if(all, [&](NodeId other) { return now_->value_of(other) != now_->value_of(node); });
  return all;
}

std::vector<std::string_view> PlacedText::keys_of_each(NodeId node) const {
  std::vector<std::string_view> keys;
  const NodeId parent = tree().parent(node);
  if (!parent) return keys;
  const ValueId each = document().member(now_->value_of(parent), "each_child");
  if (each == no_value) return keys;
  for (ValueId id = document()[each].first; id != no_value; id = document()[id].next)
    keys.push_back(document()[id].key);
  return keys;
}

/// Reads a text that means the same in other words.
void PlacedText::go_on_with(std::string text) {
  try {
    now_ = std::make_shared<const ReadText>(std::move(text), file_name_);
  } catch (const BadScene& fault) {
    throw refusal("this node cannot be changed alone: " + fault.faults().front().message);
  }
}

bool PlacedText::write_out_copies(NodeId node) {
  const std::vector<NodeId> copies = copies_of(node);
  const ValueId number = document().member(now_->value_of(node), "copies");
  const bool is_list = number != no_value && document()[number].type == JsonValue::Type::array;
  Splices splices(document(), now_->text);
  if (!is_list) splices.replace(now_->value_of(node), own_texts_of(copies));
  const std::size_t nodes = tree().size();
  const std::shared_ptr<const ReadText> before = now_;
  try {
    auto after = std::make_shared<const ReadText>(splices.text(), file_name_);
    if (!is_list && after->scene.tree.size() == nodes) {
      now_ = std::move(after);
      return false;
    }
  } catch (const BadScene&) {  // reported elsewhere
  }
  Splices in_full(document(), now_->text);
  in_full.replace(now_->value_of(node), node_texts(now_->scene, copies, Copies::one_by_one, keys_of_each(node)));
  go_on_with(in_full.text());
  return false;
}

std::string under_name(const JsonDocument& alone, const std::string& object, const std::string& name,
                       std::string_view without) {
  Splices splices(alone, object);
  MemberEdit edit;
  if (!name.empty()) edit.at("name").json = json_text(name);
  splices.set(alone.root(), edit);
  if (const ValueId out = alone.member(alone.root(), without); out != no_value) splices.take_out(alone.root(), {out});
  return splices.text();
}

/// The object of copies once for each, without their number.
std::string PlacedText::own_texts_of(const std::vector<NodeId>& copies) const {
  const std::string object = Splices(document(), now_->text).text_of(now_->value_of(copies.front()));
  const JsonDocument alone(object);
  std::string texts;
  for (const NodeId copy : copies)
    texts += (texts.empty() ? "" : ", ") + under_name(alone, object, tree().keys(copy).name, "copies");
  return texts;
}

bool PlacedText::write_out_use(NodeId use) {
  Splices splices(document(), now_->text);
  splices.replace(now_->value_of(use), node_texts(now_->scene, copies_of(use), Copies::together, keys_of_each(use)));
  go_on_with(splices.text());
  return false;
}

bool PlacedText::stands_alone(NodeId node) {
  if (now_->is_in_parts(now_->value_of(node))) return write_out_use(written_outside(node));
  if (const NodeId copy = topmost_copy(node)) return write_out_copies(copy);
  return true;
}

bool PlacedText::holds_alone(NodeId container) {
  if (document().member(now_->value_of(container), "part") != no_value) return write_out_use(container);
  return stands_alone(container);
}

bool PlacedText::write_out_items(const std::vector<NodeId>& nodes) {
  for (const NodeId node : nodes) {
    for (NodeId at = written_outside(node); at; at = tree().parent(at)) {
      if (now_->written.of(at).copy < 0) continue;
      const ValueId number = document().member(now_->value_of(at), "copies");
      if (number != no_value && document()[number].type == JsonValue::Type::array)
        return write_out_copies(topmost_copy(at));
    }
  }
  return true;
}

std::optional<ItemSpot> PlacedText::item_of(NodeId node) const {
  ItemSpot spot;
  NodeId at = node;
  for (; at && now_->written.of(at).copy < 0; at = tree().parent(at))
    spot.inner = tree().segment(at) + (spot.inner.empty() ? "" : "/") + spot.inner;
  if (!at || at != topmost_copy(node) || now_->is_in_parts(now_->value_of(at))) return {};
  const ValueId list = document().member(now_->value_of(at), "copies");
  if (list == no_value || document()[list].type != JsonValue::Type::array) return {};
  spot.item = document()[list].first;
  for (int i = now_->written.of(at).copy; i > 0 && spot.item != no_value; --i) spot.item = document()[spot.item].next;
  if (spot.item == no_value) return {};
  return spot;
}

bool PlacedText::write_out_dots(ValueId object) {
  const ValueId with = document().speaks_of_inner(object) ? object : document().member(object, "with");
  bool has_dots = false;
  MemberEdit all;
  const Splices written(document(), now_->text);
  for (ValueId id = with == no_value ? with : document()[with].first; id != no_value; id = document()[id].next) {
    MemberEdit& edit = all.at(document()[id].key);
    has_dots = has_dots || document()[id].written != no_value;
    if (document()[id].type != JsonValue::Type::object) {
      edit.json = written.text_of(id);
      continue;
    }
    if (document()[id].first == no_value) edit.json = "{}";
    for (ValueId key = document()[id].first; key != no_value; key = document()[key].next)
      edit.at(document()[key].key).json = written.text_of(key);
  }
  if (!has_dots) return true;
  Splices splices(document(), now_->text);
  splices.replace(with, json_of(all));
  go_on_with(splices.text());
  return false;
}

bool PlacedText::write_out_each(const std::vector<NodeId>& nodes) {
  const Scene& scene = now_->scene;
  Splices splices(document(), now_->text);
  std::set<ValueId> known;
  for (const NodeId node : nodes) {
    const NodeId parent = tree().parent(node);
    const ValueId object = now_->value_of(node);
    if (!parent || !scene.origins || !known.insert(object).second) continue;
    std::map<std::uint8_t, Source> last;  // the strongest source of each key
    for (const auto& edit : scene.origins->of(node)) last[edit.key] = edit.source;
    MemberEdit own;
    const Keys keys = tree().keys(node);
    for (const auto& [key, source] : last) {
      const KeyEntry& entry = key_table()[key];
      if (source == Source::each_child) own.at(entry.name).json = value_text(entry, keys);
    }
    const ValueId each = document().member(now_->value_of(parent), "each_child");
    const ValueId when = each == no_value ? no_value : document().member(each, "when");
    if (when != no_value && document().member(object, "when") == no_value) own.at("when").json = splices.text_of(when);
    if (!own.members.empty()) splices.set(object, own);
  }
  if (splices.empty()) return true;
  go_on_with(splices.text());
  return false;
}

bool PlacedText::find_spots(const std::vector<NodeId>& nodes, std::map<Spot, NodeId>& spots) {
  std::map<ValueId, std::size_t> written;  // the number of nodes from each object
  for (const NodeId node : tree().nodes()) ++written[now_->value_of(node)];
  std::map<Spot, std::size_t> allow;
  for (const NodeId node : nodes) {
    const Spot spot = spot_of(node);
    spots.try_emplace(spot, node);
    ++allow[spot];
  }
  for (const auto& [spot, count] : allow) {
    if (count < written.at(spot.object)) return write_out_copies(topmost_copy(spots.at(spot)));
    if (!write_out_dots(spot.object)) return false;
  }
  return true;
}

ValueId PlacedText::list_of(NodeId container) const {
  return document().member(now_->value_of(container), "children");
}

}  // namespace fond_ladder::inline v0::scene
