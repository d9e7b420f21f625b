// SPDX-License-Identifier: MIT
#include "scene/edit/nest_nodes.hpp"

#include <algorithm>

#include "model/json_text.hpp"
#include "model/key_table.hpp"
#include "model/nearest_word.hpp"

namespace fond_ladder::inline v0::scene {
namespace {

using Type = JsonValue::Type;

class Nester {
 public:
  explicit Nester(PlacedText& text) : text_(text) {}

  bool nest(Splices& splices, ChangedText& changed) {
    switch (text_.edit().does) {
      case Edit::Does::move: return move(splices, changed);
      case Edit::Does::group: return group(splices, changed);
      case Edit::Does::remove: return remove(splices, changed);
      case Edit::Does::insert: return insert(splices, changed);
      case Edit::Does::ungroup: return ungroup(splices, changed);
      case Edit::Does::duplicate: return duplicate(splices, changed);
      case Edit::Does::set: break;
    }
    return true;
  }

 private:
  void put_into(NodeId container, NodeId before, const std::string& json, const std::vector<ValueId>& out,
                Splices& splices) const {
    const ValueId list = text_.list_of(container);
    if (list != no_value) {
      return splices.put_in(list, before ? text_.now().value_of(before) : no_value, json, out);
    }
    MemberEdit edit;
    edit.at("children").json = "[" + json + "]";
    splices.set(text_.now().value_of(container), edit);
  }

  /// The child that a place is ahead of, none for the end; `left_out` are counted out.
  [[nodiscard]] NodeId child_at(NodeId container, const PlaceWords& words, const std::vector<NodeId>& left_out) const {
    std::vector<NodeId> children = text_.tree().children(container);
    const std::size_t beside = std::erase_if(children, [&](NodeId child) { return is_among(child, left_out); });
    const std::size_t place = words.place.value_or(children.size());
    if (place > children.size()) {
      throw text_.refusal(text_.tree().short_path(container) + " has " + std::to_string(children.size()) +
                          (children.size() == 1 ? " child" : " children") +
                          (beside > 1   ? " beside them"
                           : beside > 0 ? " beside it"
                                        : "") +
                          ": the last index is " + std::to_string(children.size()));
    }
    return place == children.size() ? NodeId() : children[place];
  }

  static bool is_among(NodeId node, const std::vector<NodeId>& nodes) {
    return std::ranges::find(nodes, node) != nodes.end();
  }

  bool move(Splices& splices, ChangedText& changed) {
    const PlaceWords words = move_words(text_.edit());
    const std::vector<NodeId> nodes = text_.nodes_among(words.what);
    const NodeId container = text_.node_of(words.container);
    for (const NodeId node : nodes) {
      if (node == text_.tree().root()) throw text_.refusal("the root cannot be moved");
      if (lies_in_one_of(node, nodes))
        throw text_.refusal(text_.tree().short_path(node) + " is inside another one of them; name the outer one only");
    }
    if (is_among(container, nodes) || lies_in_one_of(container, nodes))
      throw text_.refusal("a node cannot be moved into itself");
    for (const NodeId node : nodes) {
      if (!text_.stands_alone(node)) return false;
    }
    if (!text_.holds_alone(container)) return false;
    std::vector<NodeId> leaving = nodes;
    std::erase_if(leaving, [&](NodeId node) { return text_.tree().parent(node) == container; });
    if (!text_.write_out_each(leaving)) return false;
    const NodeId before = child_at(container, words, nodes);
    if (before && text_.now().written.of(before).copy > 0) return text_.write_out_copies(before);
    std::string texts;
    std::map<NodeId, std::vector<ValueId>> out;  // by their parents
    for (const NodeId node : nodes) {
      const ValueId value = text_.now().value_of(node);
      texts += (texts.empty() ? "" : ", ") + splices.text_of(value);
      out[text_.tree().parent(node)].push_back(value);
    }
    const auto at_home = out.find(container);
    put_into(container, before, texts, at_home == out.end() ? std::vector<ValueId>{} : at_home->second, splices);
    for (const auto& [parent, values] : out) splices.take_out(text_.list_of(parent), values);
    try {
      Tree& after = changed.after;
      for (const NodeId node : nodes) {
        const std::size_t place = before ? after.index_of(before) : after.child_count(container);
        const bool is_ahead = after.parent(node) == container && after.index_of(node) < place;
        after.move(node, container, place - (is_ahead ? 1 : 0));
      }
    } catch (const BadValue& fault) {
      throw text_.refusal(fault.what());
    }
    return true;
  }

  bool remove(Splices& splices, ChangedText& changed) {
    const std::vector<NodeId> nodes = text_.nodes_among(split_nodes(text_.edit().what));
    if (is_among(text_.tree().root(), nodes)) throw text_.refusal("the root cannot be removed");
    for (const NodeId node : nodes) {
      if (text_.now().is_in_parts(text_.now().value_of(node))) return text_.write_out_use(text_.written_outside(node));
    }
    std::map<Spot, NodeId> spots;
    if (!text_.find_spots(nodes, spots)) return false;
    std::map<ValueId, std::vector<ValueId>> out;
    for (const auto& [spot, node] : spots) {
      if (!lies_in_one_of(node, nodes)) out[text_.list_of(text_.tree().parent(node))].push_back(spot.object);
    }
    for (const auto& [list, items] : out) splices.take_out(list, items);
    for (const NodeId node : nodes) {
      if (changed.after.contains(node)) changed.after.remove(node);
    }
    return true;
  }

  [[nodiscard]] bool lies_in_one_of(NodeId node, const std::vector<NodeId>& others) const {
    for (NodeId at = text_.tree().parent(node); at; at = text_.tree().parent(at)) {
      if (is_among(at, others)) return true;
    }
    return false;
  }

  bool group(Splices& splices, ChangedText& changed) {
    const GroupWords words = group_words(text_.edit());
    const std::vector<NodeId> nodes = text_.nodes_among(words.nodes);
    const NodeId parent = text_.tree().parent(nodes.front());
    for (const NodeId node : nodes) {
      if (!text_.tree().parent(node)) throw text_.refusal("the root cannot be wrapped in a container");
      if (text_.tree().parent(node) != parent)
        throw text_.refusal(text_.tree().short_path(node) + " and " + text_.tree().short_path(nodes.front()) +
                            " are not siblings; move one first");
    }
    for (const NodeId node : nodes) {
      if (text_.now().is_in_parts(text_.now().value_of(node))) return text_.write_out_use(text_.written_outside(node));
    }
    std::map<Spot, NodeId> spots;
    if (!text_.find_spots(nodes, spots) || !text_.write_out_each(nodes)) return false;
    std::string children;
    std::vector<ValueId> items;  // in the order of the file, as their numbers are
    for (const auto& [spot, node] : spots) {
      children += (items.empty() ? "" : ", ") + splices.text_of(spot.object);
      items.push_back(spot.object);
    }
    splices.replace(items.front(), R"({ "kind": )" + json_text(words.kind) +
                                       (words.name.empty() ? "" : R"(, "name": )" + json_text(words.name)) +
                                       R"(, "children": [)" + children + "] }");
    splices.take_out(text_.list_of(parent), {items.begin() + 1, items.end()});
    gather(parent, nodes, words, changed.after);
    return true;
  }

  void gather(NodeId parent, std::vector<NodeId> nodes, const GroupWords& words, Tree& after) const {
    std::ranges::sort(nodes, {}, [&](NodeId node) { return text_.tree().index_of(node); });
    Keys keys;
    const auto kinds = words_of<Kind>;
    const auto kind = std::ranges::find(kinds, words.kind);
    if (kind == kinds.end() || !is_container(static_cast<Kind>(kind - kinds.begin()))) {
      throw text_.refusal("\"" + words.kind + "\" names no nodes to group" +
                          word_hint(words.kind, std::span(kinds).subspan(0, 4)));
    }
    keys.kind = static_cast<Kind>(kind - kinds.begin());
    keys.name = words.name;
    try {
      const NodeId container = after.insert(parent, text_.tree().index_of(nodes.front()), keys);
      for (std::size_t i = 0; i < nodes.size(); ++i) after.move(nodes[i], container, i);
    } catch (const BadValue& fault) {
      throw text_.refusal(fault.what());
    }
  }

  bool insert(Splices& splices, ChangedText& changed) {
    const PlaceWords words = add_words(text_.edit());
    const std::string& json = words.what.front();
    const NodeId container = text_.node_of(words.container);
    try {
      const JsonDocument node(json);
      if (node[node.root()].type != Type::object) throw text_.refusal("expected a node as an object, in { }");
    } catch (const JsonFault& fault) {
      if (json.starts_with("{")) throw text_.refusal(fault.message);
      throw text_.refusal("expected a node as an object, in { }");
    }
    if (!text_.holds_alone(container)) return false;
    const NodeId before = child_at(container, words, {});
    if (before && text_.now().written.of(before).copy > 0) return text_.write_out_copies(before);
    put_into(container, before, json, {}, splices);
    changed.after.insert(container, before ? text_.tree().index_of(before) : text_.tree().child_count(container),
                         Keys());
    return true;
  }

  bool ungroup(Splices& splices, ChangedText& changed) {
    const NodeId container = text_.node_of(text_.edit().what), parent = text_.tree().parent(container);
    if (!parent) throw text_.refusal("the root cannot be removed");
    if (text_.tree().child_count(container) == 0) throw text_.refusal("it has no children; use --remove");
    if (!text_.holds_alone(container) || !text_.write_out_each(text_.tree().children(container))) return false;
    const std::string list = splices.text_of(text_.list_of(container));
    splices.replace(text_.now().value_of(container), list.substr(1, list.size() - 2));
    try {
      Keys nameless = changed.after.keys(container);  // a child may have its name
      nameless.name.clear();
      changed.after.replace_keys(container, nameless);
      std::size_t place = text_.tree().index_of(container);
      for (const NodeId child : text_.tree().children(container)) changed.after.move(child, parent, place++);
      changed.after.remove(container);
    } catch (const BadValue& fault) {
      throw text_.refusal(fault.what());
    }
    return true;
  }

  bool duplicate(Splices& splices, ChangedText& changed) {
    const DuplicateWords words = duplicate_words(text_.edit());
    const NodeId node = text_.node_of(words.node), parent = text_.tree().parent(node);
    if (!parent) throw text_.refusal("a scene has one root");
    if (!text_.stands_alone(node)) return false;
    const std::size_t place = text_.tree().index_of(node) + 1;
    const auto children = text_.tree().children(parent);
    const std::string object = splices.text_of(text_.now().value_of(node));
    const std::string another = under_name(JsonDocument(object), object, words.name, words.name.empty() ? "name" : "");
    put_into(parent, place < children.size() ? children[place] : NodeId(), another, {}, splices);
    try {
      changed.after.copy(node, parent, place, words.name);
    } catch (const BadValue& fault) {
      throw text_.refusal(fault.what());
    }
    return true;
  }

  PlacedText& text_;
};

}  // namespace

bool nest_nodes(PlacedText& text, Splices& splices, ChangedText& changed) {
  return Nester(text).nest(splices, changed);
}

}  // namespace fond_ladder::inline v0::scene
