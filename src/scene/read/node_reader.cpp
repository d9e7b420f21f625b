// SPDX-License-Identifier: MIT
//
// Nodes of a scene file. The settings of a node are in layers (definitions.hpp); its keys are read layer by layer,
// its copies and its children are put on a list of what is still to be read.
#include "scene/read/node_reader.hpp"

#include <algorithm>
#include <array>
#include <cmath>
#include <map>
#include <unordered_map>

#include "model/limits.hpp"
#include "model/nearest_word.hpp"
#include "model/node_forms.hpp"
#include "scene/read/key_reader.hpp"

namespace fond_ladder::inline v0::scene {
namespace {

using Type = JsonValue::Type;

/// Those that every copy has as the others have them.
constexpr std::array<std::string_view, 5> not_of_a_copy{"name", "children", "copies", "part", "with"};

}  // namespace

/// Calls `each(id, member)` for everything that the layers of a node set under conditions.
template <class Each>
void NodeReader::for_each_when(const Layers& layers, Each each) {
  for (const Layer& layer : layers) {
    const ValueId when = document_.member(layer.object, "when");
    if (when == no_value) continue;
    if (document_[when].type != Type::object) {
      faults_.add(document_, when, "\"when\" must be an object of ranges and modes, each with keys");
      continue;
    }
    refuse_twins(when);
    for_each_member(when, each);
  }
}

void NodeReader::read(ValueId root, Parts parts) {
  parts_ = parts;
  std::vector<Open> open{{root, NodeId{}, no_value, nullptr}};
  while (!open.empty() && !faults_.is_full() && budget_.left >= 0) {
    const Open at = std::move(open.back());
    open.pop_back();
    if (document_[at.value].type == Type::object) {
      read_node(at, open);
    } else {
      faults_.add(document_, at.value, "a node must be an object with a \"kind\"");
    }
  }
  if (parts_ == Parts::expanded && tree && faults_.empty()) refuse_loose_ties(*tree, tied_, document_, faults_);
}

void NodeReader::read_node(const Open& at, std::vector<Open>& open) {
  PlaceInPart place = at.around ? definitions_.place_of_child(*at.around, at.value, at.index, at.copy) : PlaceInPart{};
  if (at.item != no_value) definitions_.add_copy(at.item, at.value, place);
  const Layers layers = definitions_.layers_of(at.value, at.each, place);
  if (!pay_for(layers)) {
    faults_.add(document_, at.value,
                "parts and copies make this scene too large; the limit is 400,000 nodes, or fewer with many keys");
    return;
  }
  if (at.copy < 0 && open_copies(at, layers, open)) return;
  refuse_twins(at.value);
  const Keys keys = read_keys(at, layers);
  refuse_unknown_area(at, keys);
  const NodeId node = plant(at.parent, keys);
  origins.note(node, set_bits_);
  if (written != nullptr) written->note(node, {at.value, at.copy});
  if (keys.pin && !keys.pin->ties.empty()) tied_.push_back({node, definitions_.strongest(layers, "pin")});
  const auto scope = scope_of(at, layers, keys);
  read_whens(at, layers, node, keys, scope.get());
  open_children(at, layers, place, node, keys, scope, open);
}

/// Charges a node for the bytes of its settings, without its children and its copies.
bool NodeReader::pay_for(const Layers& layers) {
  std::size_t bytes = 0;
  for (const Layer& layer : layers) {
    bytes += document_.length(layer.object);
    for (const char* key : {"children", "copies"}) {
      const ValueId others = document_.member(layer.object, key);
      if (others != no_value) bytes -= document_.length(others);
    }
  }
  return budget_.spend(1 + static_cast<double>(bytes) / limits::bytes_a_node);
}

/// Puts the copies of a node on the list, the first on top. Returns whether it is copied.
bool NodeReader::open_copies(const Open& at, const Layers& layers, std::vector<Open>& open) {
  const ValueId place = definitions_.strongest(layers, "copies");
  if (place == no_value) return false;
  if (!at.parent) {
    faults_.add(document_, place, "the root cannot be copied", true);
    return false;
  }
  const ValueId name = definitions_.strongest(layers, "name");
  if (name != no_value && document_[name].text.ends_with(']')) {
    faults_.add(document_, name, "a node with \"copies\" must have a name without an index; each copy gets an index");
    return false;
  }
  const bool is_list = document_[place].type == Type::array;
  if (!is_list && parts_ == Parts::expanded && tree->keys(at.parent).is_list()) {
    return open_entries(at, layers, place, open);
  }
  const std::optional<int> plain = is_list ? count_of_items(place) : count_of_copies(place);
  if (!plain) return false;
  const int copies = parts_ == Parts::as_written ? 1 : most_copies_of(layers, *plain);
  if (copies * at.times > limits::most_expanded) {
    faults_.add(document_, place, "copies of copies make more than 400,000 nodes here; make fewer");
    return false;
  }
  std::vector<ValueId> items;
  if (is_list) {
    for (ValueId id = document_[place].first; id != no_value; id = document_[id].next) {
      items.push_back(document_[id].type == Type::object ? id : no_value);
    }
  }
  for (int i = copies; i-- > 0;) {
    Open copy = at;
    copy.copy = i;
    if (static_cast<std::size_t>(i) < items.size()) copy.item = items[static_cast<std::size_t>(i)];
    copy.spare = i >= *plain;
    copy.times *= copies;
    open.push_back(std::move(copy));
  }
  return true;
}

/// Copies of which only those in view will be made: the first represents all. Returns whether there are any.
bool NodeReader::open_entries(const Open& at, const Layers& layers, ValueId place, std::vector<Open>& open) {
  const JsonValue& value = document_[place];
  if (value.type != Type::number || value.number != std::floor(value.number) || value.number < 0 ||
      value.number > Virtualized::most_entries) {
    faults_.add(document_, place,
                "\"copies\" in a virtualized list must be a whole number from 0 to 1,000,000,000, or a list of "
                "objects, one per copy");
    return false;
  }
  if (at.siblings > 1) {
    faults_.add(document_, place, "a virtualized list with copies must have that one child only", true);
    return false;
  }
  for_each_when(layers, [&](ValueId, const JsonValue& member) {
    if (member.type != Type::object) return;
    for (ValueId id = member.first; id != no_value; id = document_[id].next) {
      if (document_[id].key == "copies")
        faults_.add(document_, id, "\"when\" cannot change the number of virtualized copies", true);
    }
  });
  for (const When& when : whens) {
    if (when.node != at.parent) continue;
    Keys other = tree->keys(at.parent);
    when.change.put_into(other);
    if (!other.is_list()) {
      faults_.add(document_, place,
                  "under \"" + when.name +
                      "\" this list does not scroll along a plain row or column, which virtualized copies need");
    }
  }
  if (value.number == 0) return true;
  Keys list = tree->keys(at.parent);
  list.virtualized.entries = static_cast<std::uint32_t>(value.number);
  tree->replace_keys(at.parent, list);
  Open first = at;
  first.copy = 0;
  open.push_back(std::move(first));
  return true;
}

/// The node ranges that a node and its descendants can use.
std::shared_ptr<const OwnNames> NodeReader::scope_of(const Open& at, const Layers& layers, const Keys& keys) {
  if (keys.ranges.empty()) return at.scope;
  auto own = std::make_shared<OwnNames>();
  for (const Range& range : keys.ranges) own->names.push_back(range.name);
  own->outer = at.scope;
  own->level = at.scope ? at.scope->level + 1 : 1;
  if (own->level > limits::deepest_node_ranges) {
    faults_.add(document_, definitions_.strongest(layers, "ranges"),
                "nodes with node ranges are nested more than 8 deep here");
    return at.scope;
  }
  return own;
}

/// A part that is read on its own may use node ranges of any node around a later use: any of the file.
bool NodeReader::is_condition(std::string_view name, const OwnNames* scope) {
  if (std::ranges::find(conditions_.names, name) != conditions_.names.end()) return true;
  if (scope != nullptr && scope->declares(name)) return true;
  if (parts_ == Parts::expanded) return false;
  if (!own_names_) {
    own_names_.emplace();
    for (ValueId id = 0; id < document_.size(); ++id) {
      const JsonValue& value = document_[id];
      if (value.key != "ranges" || value.type != Type::array || document_[value.parent].parent == no_value) continue;
      for (ValueId range = value.first; range != no_value; range = document_[range].next) {
        const ValueId own = document_[range].type == Type::object ? document_.member(range, "name") : no_value;
        if (own != no_value) own_names_->insert(document_[own].text);
      }
    }
  }
  return own_names_->contains(name);
}

void NodeReader::refuse_unknown_condition(ValueId id, std::string_view name, const OwnNames* scope) {
  std::vector<std::string_view> words(conditions_.names.begin(), conditions_.names.end());
  for (; scope != nullptr; scope = scope->outer.get())
    words.insert(words.end(), scope->names.begin(), scope->names.end());
  std::string message = "no range or mode is called \"" + std::string(name) + "\"" + word_hint(name, words);
  if (document_[id].written != no_value && find_key(name) != nullptr)
    message += "; \"when\" is a key here; write \"./when\" for an inner node of that name";
  faults_.add(document_, id, message, true);
}

void NodeReader::read_whens(const Open& at, const Layers& layers, NodeId node, const Keys& keys,
                            const OwnNames* scope) {
  std::map<std::string, Form> forms;
  std::map<std::string, ValueId> places;
  for_each_when(layers, [&](ValueId id, const JsonValue& member) {
    places[member.key] = id;
    if (!is_condition(member.key, scope)) {
      refuse_unknown_condition(id, member.key, scope);
    } else if (member.type != Type::object) {
      faults_.add(document_, id, "the value of \"" + member.key + "\" must be an object of keys");
    } else {
      read_form(id, at.copy, forms[member.key]);
    }
  });
  static_cast<void>(budget_.spend(limits::nodes_a_form * static_cast<double>(forms.size())));
  for (const auto& [name, form] : forms) {
    Changes change;
    for (const KeyEntry* entry : form.set_keys) change.set_from(place_of(*entry), form.values);
    if (form.hides) {
      Keys hidden;
      hidden.hidden = *form.hides || change.values().hidden;
      change.set_from(place_of(*find_key("hidden")), hidden);
    }
    if (const auto fault = own_form_fault(keys, name, change)) {
      faults_.add(document_, places[name], *fault, true);
      continue;
    }
    whens.push_back({node, name, std::move(change)});
  }
}

void NodeReader::read_form(ValueId object, int copy, Form& form) {
  refuse_twins(object);
  for_each_member(object, [&](ValueId id, const JsonValue& member) {
    const KeyEntry* entry = find_key(member.key);
    if (member.key == "copies") {
      const auto copies = count_of_copies(id);
      if (copies && copy >= 0) form.hides = copy >= *copies;
      if (copy < 0) faults_.add(document_, id, "\"copies\" in \"when\" needs \"copies\" on the node itself", true);
    } else if (member.key == "name" || member.key == "ranges" || member.key == "virtualized" || shapes(member.key)) {
      faults_.add(document_, id, "\"when\" cannot give a \"" + member.key + "\"", true);
    } else if (entry == nullptr) {
      read_one(id, member, form.values);  // refuses it
    } else {
      read_form_key(*entry, id, form);
    }
  });
}

void NodeReader::read_form_key(const KeyEntry& entry, ValueId id, Form& form) {
  if (document_[id].type == Type::null) {
    static const Keys defaults;
    std::visit([&](auto field) { form.values.*field = defaults.*field; }, entry.field);
  } else {
    if (!read_key(entry, document_, id, form.values, faults_)) return;
  }
  if (std::ranges::find(form.set_keys, &entry) == form.set_keys.end()) form.set_keys.push_back(&entry);
}

std::optional<int> NodeReader::count_of_copies(ValueId id) {
  const JsonValue& value = document_[id];
  if (value.type == Type::number && value.number == std::floor(value.number) && value.number >= 0 &&
      value.number <= limits::most_copies) {
    return static_cast<int>(value.number);
  }
  const bool too_many = value.type == Type::number && value.number > limits::most_copies;
  faults_.add(document_, id,
              std::string("\"copies\" must be a whole number from 0 to 100,000, or a list of objects, one per copy") +
                  (too_many ? "; a virtualized list may have more" : ""));
  return {};
}

/// The number of copies in a list with settings for each.
std::optional<int> NodeReader::count_of_items(ValueId list) {
  int count = 0;
  for (ValueId id = document_[list].first; id != no_value; id = document_[id].next, ++count) {
    if (document_[id].type != Type::object) {
      faults_.add(document_, id, "an item of \"copies\" must be an object of keys for that copy");
      continue;
    }
    refuse_twins(id);
    for_each_member(id, [&](ValueId member, const JsonValue& value) {
      if (std::ranges::find(not_of_a_copy, value.key) != not_of_a_copy.end())
        faults_.add(document_, member, "an item of \"copies\" cannot give a \"" + value.key + "\"", true);
    });
  }
  if (count <= static_cast<int>(limits::most_copies)) return count;
  faults_.add(document_, list, "\"copies\" must have at most 100,000 items");
  return {};
}

/// The most copies that a node has under any condition, `plain` being how many it has under none; those that are too
/// many are hidden.
int NodeReader::most_copies_of(const Layers& layers, int plain) {
  int copies = plain;
  for_each_when(layers, [&](ValueId, const JsonValue& member) {
    if (member.type != Type::object) return;
    for (ValueId id = member.first; id != no_value; id = document_[id].next) {
      if (document_[id].key == "copies") copies = std::max(copies, count_of_copies(id).value_or(0));
    }
  });
  return copies;
}

void NodeReader::open_children(const Open& at, const Layers& layers, const PlaceInPart& place, NodeId node,
                               const Keys& keys, const std::shared_ptr<const OwnNames>& scope,
                               std::vector<Open>& open) {
  ValueId each = definitions_.strongest(layers, "each_child");
  if (each != no_value && !read_loose_keys(each, "\"each_child\"")) each = no_value;
  if (definitions_.has_part(at.value) && document_.member(at.value, "children") != no_value) {
    faults_.add(document_, document_.member(at.value, "children"),
                "a part has its own children; change them in \"with\"", true);
  }
  std::vector<ValueId> children;
  list_children(definitions_.children_of(at.value), children);
  refuse_name_twins(children);
  refuse_too_many(at.value, keys, children.size());
  PlaceInPart inside = definitions_.around_children(at.value, place);
  if (parts_ == Parts::as_written && definitions_.has_part(at.value)) return;
  const auto around =
      inside.use || !inside.settings.empty() ? std::make_shared<const PlaceInPart>(std::move(inside)) : nullptr;
  for (std::size_t i = children.size(); i-- > 0;) {
    open.push_back({children[i], node, each, around, i, -1, false, at.times, scope, children.size()});
  }
}

NodeId NodeReader::plant(NodeId parent, const Keys& keys) {
  if (tree) {
    try {
      return tree->append(parent, keys);
    } catch (const BadValue&) {  // a second one of that name, which was refused already
      Keys unnamed = keys;
      unnamed.name.clear();
      return tree->append(parent, unnamed);
    }
  }
  tree.emplace(keys, em_, direction_);
  return tree->root();
}

Keys NodeReader::read_keys(const Open& at, const Layers& layers) {
  Keys keys;
  set_bits_.clear();
  for (const Layer& layer : layers) {
    const bool names = layer.source != Source::each_child;
    for_each_member(layer.object, [&](ValueId id, const JsonValue& member) {
      if (member.key == "name" && !names) return;
      read_one(id, member, keys);
      if (const KeyEntry* entry = find_key(member.key)) {
        set_bits_.push_back({static_cast<std::uint8_t>(place_of(*entry)), layer.source, origins.name(layer.name)});
      }
    });
  }
  if (definitions_.strongest(layers, "kind") == no_value && document_.member(at.value, "part") == no_value) {
    faults_.add(document_, at.value, "\"kind\" is missing; write row, column, grid, stack, box, text or image");
  }
  if (at.spare) keys.hidden = true;
  if (at.copy >= 0 && !keys.name.empty()) keys.name += "[" + std::to_string(at.copy) + "]";
  return keys;
}

/// Reads a key of the table, and refuses what is none. Objects beside unknown keys are inner nodes of a part.
void NodeReader::read_one(ValueId id, const JsonValue& member, Keys& keys) {
  if (shapes(member.key)) return;
  if (const KeyEntry* entry = find_key(member.key)) {
    read_key(*entry, document_, id, keys, faults_);
    return;
  }
  if (member.type == Type::object && document_.speaks_of_inner(member.parent)) return;  // reported when it is used
  static const std::vector<std::string_view> known = [] {
    std::vector<std::string_view> words(shaping_keys.begin(), shaping_keys.end());
    for (const KeyEntry& entry : key_table()) words.push_back(entry.name);
    return words;
  }();
  unknown_key(id, known, Vocabulary::keys);
}

/// Reads keys that several nodes will take, once, for their faults. Returns whether nodes can take them.
bool NodeReader::read_loose_keys(ValueId object, const std::string& what) {
  if (document_[object].type != Type::object) {
    faults_.add(document_, object, what + " must be an object of keys");
    return false;
  }
  refuse_twins(object);
  Keys ignored;
  for_each_member(object, [&](ValueId id, const JsonValue& member) {
    if (member.key == "name" || member.key == "children" || member.key == "each_child" || member.key == "part" ||
        member.key == "with") {
      faults_.add(document_, id, what + " cannot give a \"" + member.key + "\"", true);
    } else {
      read_one(id, member, ignored);
    }
  });
  return true;
}

void NodeReader::list_children(ValueId list, std::vector<ValueId>& children) {
  if (list == no_value) return;
  if (document_[list].type != Type::array) {
    faults_.add(document_, list, "\"children\" must be a list of nodes");
    return;
  }
  for (ValueId id = document_[list].first; id != no_value; id = document_[id].next) children.push_back(id);
}

void NodeReader::refuse_unknown_area(const Open& at, const Keys& keys) {
  if (keys.area.empty() || !at.parent) return;
  if (map_of_ != at.parent) {
    map_of_ = at.parent;
    map_lines_ = tree->keys(at.parent).areas;
    map_.read(map_lines_);
  }
  if (map_lines_.empty() || map_.find(keys.area) != nullptr) return;
  std::vector<std::string_view> names;
  for (const Area& area : map_.areas()) names.push_back(area.name);
  const ValueId own = document_.member(at.value, "area");
  faults_.add(document_, own == no_value ? at.value : own,
              "no area of the grid is called \"" + keys.area + "\"" + word_hint(keys.area, names));
}

/// The children of a grid that would need more lines than a grid can have, whatever their cells.
void NodeReader::refuse_too_many(ValueId node, const Keys& keys, std::size_t children) {
  if (keys.kind != Kind::grid) return;
  std::size_t tracks = 0;
  for (const Tracks::Run& run : (keys.flow == Flow::rows ? keys.columns : keys.rows).runs()) {
    if (run.fitting) return;
    tracks += run.tracks.size() * static_cast<std::size_t>(run.times);
  }
  tracks = std::max<std::size_t>({tracks, 1, keys.areas.size()});
  if (children / tracks <= limits::most_tracks) return;
  faults_.add(document_, node,
              "this grid would need more than 10,000 " + std::string(word(keys.flow)) + " for its " +
                  std::to_string(children) + " children; give it more " +
                  (keys.flow == Flow::rows ? "columns" : "rows"));
}

void NodeReader::refuse_twin(std::string_view name, ValueId place, ValueId other) {
  faults_.add(document_, place,
              "two siblings are called \"" + std::string(name) + "\"; the other one is at " + document_.pointer(other));
}

void NodeReader::refuse_name_twins(const std::vector<ValueId>& children) {
  std::unordered_map<std::string_view, ValueId> seen;
  for (const ValueId child : children) {
    const std::string_view name = definitions_.name_of(child);
    if (name.empty()) continue;
    const ValueId own = document_.member(child, "name"), place = own == no_value ? child : own;
    const auto [twin, is_new] = seen.try_emplace(name, place);
    if (!is_new) refuse_twin(name, place, twin->second);
  }
  for (const auto& [name, place] : seen) {  // `tag[0]` beside the copies of `tag`
    if (!name.ends_with(']')) continue;
    const auto twin = seen.find(name.substr(0, name.find('[')));
    if (twin != seen.end()) refuse_twin(name, place, twin->second);
  }
}

}  // namespace fond_ladder::inline v0::scene
