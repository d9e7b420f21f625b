// SPDX-License-Identifier: MIT
#include "scene/definitions.hpp"

#include <algorithm>
#include <set>

#include "model/key_table.hpp"

namespace fond_ladder::scene {
namespace {

using Type = JsonValue::Type;

/// Inner nodes of one part beyond which `with` can only speak of those counted so far.
constexpr std::size_t most_inner_nodes = 100000;

std::vector<std::string_view> names_in(const std::unordered_map<std::string, ValueId>& defined) {
  std::vector<std::string_view> names;
  for (const auto& [name, value] : defined) names.push_back(name);
  std::ranges::sort(names);
  return names;
}

}  // namespace

std::string without_indexes(std::string_view path) {
  std::string plain;
  bool inside = false;
  for (const char c : path) {
    inside = inside || c == '[';
    if (!inside) plain += c;
    if (c == ']') inside = false;
  }
  return plain;
}

void Definitions::learn_parts(ValueId parts) {
  for (ValueId id = document_[parts].first; id != no_value; id = document_[id].next) {
    if (document_[id].type != Type::object) {
      faults_.add(document_, id, "a part must be an object with a \"kind\"");
    } else {
      parts_.emplace(document_[id].key, id);
    }
  }
  refuse_circles();
}

void Definitions::learn_shared(ValueId shared) {
  for (ValueId id = document_[shared].first; id != no_value; id = document_[id].next) {
    if (document_[id].type != Type::object) {
      faults_.add(document_, id, "shared keys must be an object of keys");
    } else {
      shared_.emplace(document_[id].key, id);
    }
  }
}

/// Follows the uses of parts in parts, depth first; a part that is met again on the way to itself is refused.
void Definitions::refuse_circles() {
  std::unordered_map<std::string, std::vector<ValueId>> uses;
  for (const auto& [name, root] : parts_) {
    std::vector<ValueId> open{root};
    while (!open.empty()) {
      const ValueId at = open.back();
      open.pop_back();
      const JsonValue& value = document_[at];
      if (value.type == Type::string && value.key == "part" && parts_.contains(value.text)) uses[name].push_back(at);
      for (ValueId id = value.first; id != no_value; id = document_[id].next) open.push_back(id);
    }
    std::ranges::sort(uses[name]);
  }
  std::set<std::string> sound, circular;
  for (const std::string_view start : names_in(parts_)) {
    struct Step {
      std::string name;
      std::size_t next = 0;
    };
    std::vector<Step> way{{std::string(start), 0}};
    while (!way.empty()) {
      Step& at = way.back();
      const auto& used = uses[at.name];
      if (sound.contains(at.name) || at.next == used.size()) {
        sound.insert(at.name);
        way.pop_back();
        continue;
      }
      const ValueId use = used[at.next++];
      const std::string& name = document_[use].text;
      const auto met = std::ranges::find(way, name, &Step::name);
      if (met == way.end()) {
        way.push_back({name, 0});
        continue;
      }
      std::string message = "the part \"";
      message.append(name).append("\" contains itself: ");
      for (auto step = met; step != way.end(); ++step) {
        message.append(step->name).append(" > ");
        circular.insert(step->name);
      }
      faults_.add(document_, use, message.append(name));
    }
  }
  for (const std::string& name : circular) parts_.erase(name);
}

ValueId Definitions::part_of(ValueId node) const {
  if (document_[node].type != Type::object) return no_value;
  const ValueId part = document_.member(node, "part");
  if (part == no_value || document_[part].type != Type::string) return no_value;
  const auto found = parts_.find(document_[part].text);
  return found == parts_.end() ? no_value : found->second;
}

void Definitions::add_likes(ValueId object, Layers& layers) {
  const ValueId like = document_.member(object, "like");
  if (like == no_value) return;
  const auto add = [&](ValueId name) {
    if (document_[name].type != Type::string) {
      faults_.add(document_, name, "\"like\" must be a name of \"shared\", or a list of such names");
      return;
    }
    const auto found = shared_.find(document_[name].text);
    if (found != shared_.end()) {
      layers.push_back({found->second, Source::shared, document_[found->second].key});
    } else {
      faults_.add(document_, name,
                  "nothing shared is called \"" + document_[name].text + "\"" +
                      nearest_hint(document_[name].text, names_in(shared_)));
    }
  };
  if (document_[like].type != Type::array) return add(like);
  for (ValueId id = document_[like].first; id != no_value; id = document_[id].next) add(id);
}

void Definitions::add_part(ValueId root, Layers& layers) {
  std::vector<ValueId> roots{root};  // a part's root may be the use of another part
  while (part_of(roots.back()) != no_value) roots.push_back(part_of(roots.back()));
  for (auto at = roots.rbegin(); at != roots.rend(); ++at) {
    add_likes(*at, layers);
    const ValueId with = document_.member(*at, "with");
    if (with != no_value && document_[with].type == Type::object) layers.push_back({with, Source::with});
    layers.push_back({*at, Source::part, document_[*at].key});
  }
}

Layers Definitions::layers_of(ValueId node, ValueId each, const PlaceInPart& place) {
  Layers layers;
  if (each != no_value) {
    add_likes(each, layers);
    layers.push_back({each, Source::each});
  }
  const ValueId part = document_.member(node, "part");
  if (const ValueId root = part_of(node); root != no_value) {
    add_part(root, layers);
  } else if (part != no_value) {
    const std::string name = document_[part].type == Type::string ? document_[part].text : "";
    faults_.add(document_, part, "no part is called \"" + name + "\"" + nearest_hint(name, names_in(parts_)));
  }
  add_likes(node, layers);
  const ValueId with = document_.member(node, "with");
  if (with != no_value) {
    if (document_[with].type != Type::object || part == no_value) {
      faults_.add(document_, with, "\"with\" must be an object of keys and inner nodes, beside a \"part\"");
    } else {
      layers.push_back({with, Source::with});
    }
  }
  layers.push_back(place.use ? Layer{node, Source::part, place.use->name} : Layer{node});
  std::string path = place.path;
  for (const PartUse* use = place.use.get(); use != nullptr; use = use->outer.get()) {
    const std::string all_copies = without_indexes(path);
    std::vector<std::string> spoken_to{all_copies};
    if (path != all_copies) spoken_to.push_back(path);
    for (const std::string& as : spoken_to) {
      const auto told = use->told.find(as);
      if (told == use->told.end()) continue;
      add_likes(told->second, layers);
      layers.push_back({told->second, Source::with});
    }
    path.insert(0, use->place + "/");
  }
  return layers;
}

ValueId Definitions::strongest(const Layers& layers, std::string_view key) const {
  for (auto layer = layers.rbegin(); layer != layers.rend(); ++layer) {
    const ValueId found = document_.member(layer->object, key);
    if (found != no_value) return found;
  }
  return no_value;
}

ValueId Definitions::children_of(ValueId node) const {
  for (ValueId at = node; at != no_value; at = part_of(at)) {
    const ValueId list = document_.member(at, "children");
    if (list != no_value) return list;
  }
  return no_value;
}

std::string_view Definitions::name_of(ValueId node) const {
  for (ValueId at = node; at != no_value; at = part_of(at)) {
    const ValueId name = document_[at].type == Type::object ? document_.member(at, "name") : no_value;
    if (name != no_value && document_[name].type == Type::string) return document_[name].text;
  }
  return {};
}

std::string Definitions::step_of(ValueId child, std::size_t place) const {
  const std::string_view name = name_of(child);
  if (!name.empty()) return std::string(name);
  for (ValueId at = child; at != no_value; at = part_of(at)) {
    const ValueId kind = document_[at].type == Type::object ? document_.member(at, "kind") : no_value;
    if (kind != no_value) return document_[kind].text + "#" + std::to_string(place);
  }
  return "#" + std::to_string(place);
}

std::vector<std::string> Definitions::inner_paths(ValueId root) const {
  std::vector<std::string> paths;
  std::vector<std::pair<ValueId, std::string>> open{{root, ""}};
  while (!open.empty() && paths.size() < most_inner_nodes) {
    const auto [node, path] = open.back();
    open.pop_back();
    const ValueId list = children_of(node);
    if (list == no_value) continue;
    std::size_t place = 0;
    for (ValueId id = document_[list].first; id != no_value; id = document_[id].next) {
      paths.push_back((path.empty() ? "" : path + "/") + step_of(id, place++));
      open.emplace_back(id, paths.back());
    }
  }
  return paths;
}

/// Finds out which inner nodes the paths of a `with` mean: whole paths from the part's root, or tails that only one
/// has.
void Definitions::tell(ValueId with, ValueId root, PartUse& use) {
  std::vector<std::string> paths;
  for (ValueId id = document_[with].first; id != no_value; id = document_[id].next) {
    const std::string& key = document_[id].key;
    if (find_key(key) != nullptr || document_[id].type != Type::object) continue;
    if (paths.empty()) paths = inner_paths(root);
    const std::string plain = without_indexes(key);
    std::vector<std::string> meant;
    for (const std::string& path : paths) {
      if (path == plain) {
        meant = {path};
        break;
      }
      if (path.ends_with("/" + plain)) meant.push_back(path);
    }
    if (meant.size() == 1) {
      // An index stays where it was written: at the end of the path.
      use.told[meant[0].substr(0, meant[0].size() - plain.size()) + key] = id;
      continue;
    }
    const std::vector<std::string_view> words(paths.begin(), paths.end());
    faults_.add(document_, id,
                meant.empty()
                    ? "the part has no inner node \"" + key + "\"" + nearest_hint(key, words)
                    : "the part has more than one inner node \"" + key + "\": write " + meant[0] + " or " + meant[1],
                true);
  }
}

PlaceInPart Definitions::around_children(ValueId node, const PlaceInPart& place) {
  const ValueId root = part_of(node);
  if (root == no_value) return place;
  // The part's root may use a part itself: its `with` speaks to the same inner nodes, and is weaker.
  auto use = std::make_shared<PartUse>();
  use->outer = place.use;
  use->place = place.path;
  use->name = document_[root].key;
  std::vector<std::pair<ValueId, ValueId>> speakers;  // with, and the root it speaks to
  for (ValueId at = node; part_of(at) != no_value; at = part_of(at)) {
    const ValueId with = document_.member(at, "with");
    if (with != no_value && document_[with].type == Type::object) speakers.emplace_back(with, part_of(at));
  }
  for (auto speaker = speakers.rbegin(); speaker != speakers.rend(); ++speaker) {
    tell(speaker->first, speaker->second, *use);
  }
  return {use, ""};
}

}  // namespace fond_ladder::scene
