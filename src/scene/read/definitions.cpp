// SPDX-License-Identifier: MIT
#include "scene/read/definitions.hpp"

#include <algorithm>

#include "model/key_table.hpp"
#include "model/limits.hpp"
#include "model/nearest_word.hpp"
#include "model/path_steps.hpp"

namespace fond_ladder::inline v0::scene {
namespace {

using Type = JsonValue::Type;

std::vector<std::string_view> names_in(const std::unordered_map<std::string, ValueId>& defined) {
  std::vector<std::string_view> names;
  for (const auto& [name, value] : defined) names.push_back(name);
  std::ranges::sort(names);
  return names;
}

}  // namespace

bool shapes(std::string_view key) {
  return std::ranges::find(shaping_keys, key) != shaping_keys.end();
}

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
      learn(id, parts_);
    }
  }
}

void Definitions::learn_shared(ValueId shared) {
  for (ValueId id = document_[shared].first; id != no_value; id = document_[id].next) {
    if (document_[id].type != Type::object) {
      faults_.add(document_, id, "shared keys must be an object of keys");
    } else {
      learn(id, shared_);
    }
  }
}

void Definitions::learn(ValueId id, std::unordered_map<std::string, ValueId>& defined) {
  const auto [at, is_new] = defined.emplace(document_[id].key, id);
  if (is_new || document_.text_of(at->second) == 0 || document_.text_of(id) == document_.text_of(at->second)) return;
  if (!document_.equal_values(id, at->second)) clashes.push_back({id, at->second});
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
  constexpr auto not_on_way = static_cast<std::size_t>(-1);
  std::unordered_set<std::string_view> sound;
  for (const std::string_view start : names_in(parts_)) {
    struct Step {
      std::string_view name;
      std::size_t next = 0;
      std::size_t leads_to = not_on_way;  // the first on the way that can be reached from it
    };
    std::vector<Step> way{{start, 0}};
    std::unordered_map<std::string_view, std::size_t> on_way{{start, 0}};
    while (!way.empty()) {
      Step& at = way.back();
      const auto& used = uses[std::string(at.name)];
      if (sound.contains(at.name) || at.next == used.size()) {
        const Step done = at;
        way.pop_back();
        sound.insert(done.name);
        on_way.erase(done.name);
        if (done.leads_to <= way.size()) circular_.insert(std::string(done.name));
        if (done.leads_to < way.size()) way.back().leads_to = std::min(way.back().leads_to, done.leads_to);
        continue;
      }
      const ValueId use = used[at.next++];
      const JsonWords name = document_[use].text;
      const auto [met, is_new] = on_way.try_emplace(name, way.size());
      if (is_new) {
        way.push_back({name, 0});
        continue;
      }
      constexpr std::size_t most_listed = 8;
      std::string message = "the part \"" + name + "\" contains itself: ";
      const std::size_t settings = std::min(way.size(), met->second + most_listed);
      for (std::size_t i = met->second; i < settings; ++i) message.append(way[i].name).append(" > ");
      if (settings < way.size()) message += "... > ";
      at.leads_to = std::min(at.leads_to, met->second);
      faults_.add(document_, use, message.append(name));
    }
  }
  for (const std::string& name : circular_) parts_.erase(name);
}

std::string Definitions::hint(std::string_view typed, const std::unordered_map<std::string, ValueId>& defined) const {
  return faults_.lists_no_more() ? "" : word_hint(typed, names_in(defined));
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
                  "no shared keys are called \"" + document_[name].text + "\"" + hint(document_[name].text, shared_));
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
    layers.push_back({each, Source::each_child});
  }
  const ValueId part = document_.member(node, "part");
  if (const ValueId root = part_of(node); root != no_value) {
    add_part(root, layers);
  } else if (part != no_value) {
    const std::string name = document_[part].type == Type::string ? document_[part].text : "";
    if (!circular_.contains(name)) {
      faults_.add(document_, part, "no part is called \"" + name + "\"" + hint(name, parts_));
    }
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
  for (const WithSettings* settings : place.settings) {
    for (const ValueId objects : settings->objects) {
      add_likes(objects, layers);
      layers.push_back({objects, settings->source});
    }
  }
  for (const Layer& layer : layers) {
    if (layer.source == Source::shared || layer.source == Source::part) used_.insert({layer.source, layer.name});
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

std::string Definitions::Inner::path(std::size_t node) const {
  std::string whole = step[node];
  for (node = parent[node]; node != at_top; node = parent[node]) whole.insert(0, step[node] + "/");
  return whole;
}

const Definitions::Inner& Definitions::inner_of(ValueId root) {
  const auto [at, is_new] = inner_.try_emplace(root);
  Inner& inner = at->second;
  if (!is_new) return inner;
  std::vector<std::pair<ValueId, std::size_t>> open{{root, Inner::at_top}};
  while (!open.empty() && looked_through_ < limits::most_inner_nodes) {
    const auto [node, place] = open.back();
    open.pop_back();
    const ValueId list = children_of(node);
    std::size_t index = 0;
    for (ValueId id = list == no_value ? no_value : document_[list].first; id != no_value; id = document_[id].next) {
      open.emplace_back(id, inner.step.size());
      inner.parent.push_back(place);
      inner.step.push_back(step_of(id, index++));
      ++looked_through_;
    }
  }
  for (std::size_t i = 0; i < inner.step.size(); ++i) inner.named[inner.step[i]].push_back(i);
  return inner;
}

/// Finds out which inner nodes the paths of an object mean.
void Definitions::add(ValueId object, ValueId root, WithSettings& settings) {
  for (ValueId id = document_[object].first; id != no_value; id = document_[id].next) {
    const std::string& key = document_[id].key;
    if (find_key(key) != nullptr || shapes(key) || document_[id].type != Type::object) continue;
    const Inner& inner = inner_of(root);
    if (looked_through_ >= limits::most_inner_nodes) {
      if (settings.source == Source::copies) {
        return faults_.add(document_, object,
                           "the lists of copies up to here name inner nodes more than 500,000 times; use fewer keys");
      }
      faults_.add(
          document_, object,
          "the parts used with \"with\" have more than 500,000 inner nodes in total; use fewer parts inside parts");
      return;
    }
    add_one(id, inner, settings);
  }
}

/// A path means the one node that has it, from the part's root, else the one that it is a tail of.
void Definitions::add_one(ValueId objects, const Inner& inner, WithSettings& settings) {
  const std::string written = document_[objects].key;
  const std::string key = written.starts_with(inner_path_mark) ? written.substr(inner_path_mark.size()) : written;
  const std::string whole_node = settings.source == Source::with ? "the part" : "it";
  const std::string plain = without_indexes(key);
  const auto steps = steps_of(plain);
  std::vector<std::size_t> allow;
  bool whole = false;
  const auto named = inner.named.find(steps.back());
  if (named != inner.named.end()) {
    looked_through_ += named->second.size();
    for (const std::size_t node : named->second) {
      std::size_t at = node, left = steps.size();
      for (; at != Inner::at_top && left > 0 && inner.step[at] == steps[left - 1]; at = inner.parent[at]) --left;
      if (left > 0) continue;
      whole = at == Inner::at_top;
      if (whole) allow.clear();
      allow.push_back(node);
      if (whole) break;
    }
  }
  if (allow.size() != 1) {
    std::string message = whole_node + " has more than one inner node \"" + key + "\": write ";
    if (allow.empty()) {
      std::vector<std::string_view> words(inner.step.begin(), inner.step.end());
      const std::string_view near = faults_.lists_no_more() ? "" : nearest_word(steps.back(), words);
      message = whole_node + " has no inner node \"" + key + "\"";
      if (!near.empty()) message += "; did you mean \"" + inner.path(inner.named.at(near).front()) + "\"?";
    } else {
      message += inner.path(allow[0]) + " or " + inner.path(allow[1]);
    }
    faults_.add(document_, objects, message, true);
    return;
  }
  // An index stays where it was written: at the end of the path.
  std::vector<std::string> way;
  for (const std::string_view step : steps_of(key)) way.emplace_back(step);
  std::size_t above = allow[0];
  for (std::size_t i = 0; i < steps.size(); ++i) above = inner.parent[above];
  for (; above != Inner::at_top; above = inner.parent[above]) way.insert(way.begin(), inner.step[above]);
  WithSettings* at = &settings;
  for (const std::string& step : way) {
    auto& next = at->inner[step];
    if (!next) next = std::make_unique<WithSettings>(settings.source);
    at = next.get();
  }
  at->objects.push_back(objects);
}

PlaceInPart Definitions::around_children(ValueId node, const PlaceInPart& place) {
  const ValueId root = part_of(node);
  if (root == no_value) return place;
  auto& settings = settings_[node];
  if (!settings) {
    // The part's root may use a part itself: its `with` refers to the same inner nodes, and is weaker.
    std::vector<std::pair<ValueId, ValueId>> speakers;  // `with`, and the root that it refers to
    for (ValueId at = node; part_of(at) != no_value; at = part_of(at)) {
      const ValueId with = document_.member(at, "with");
      if (with != no_value && document_[with].type == Type::object) speakers.emplace_back(with, part_of(at));
    }
    auto all = std::make_shared<WithSettings>();
    for (auto speaker = speakers.rbegin(); speaker != speakers.rend(); ++speaker) {
      add(speaker->first, speaker->second, *all);
    }
    settings = std::move(all);
  }
  PlaceInPart around{std::make_shared<const PartUse>(PartUse{settings, place.use, document_[root].key}), {}};
  if (!settings->inner.empty()) around.settings.push_back(settings.get());
  around.settings.insert(around.settings.end(), place.settings.begin(), place.settings.end());
  return around;
}

void Definitions::add_copy(ValueId item, ValueId node, PlaceInPart& place) {
  auto& settings = settings_[item];
  if (!settings) {
    auto all = std::make_shared<WithSettings>(Source::copies);
    all->objects.push_back(item);
    add(item, node, *all);
    settings = std::move(all);
  }
  place.settings.insert(place.settings.begin(), settings.get());
}

PlaceInPart Definitions::place_of_child(const PlaceInPart& around, ValueId child, std::size_t index, int copy) const {
  PlaceInPart place{around.use, {}};
  if (around.settings.empty()) return place;
  const std::string step = step_of(child, index);
  const std::string of_copy = copy < 0 ? "" : step + "[" + std::to_string(copy) + "]";
  for (const WithSettings* settings : around.settings) {
    for (const std::string* spoken_to : {&step, &of_copy}) {
      const auto found = settings->inner.find(*spoken_to);
      if (found != settings->inner.end()) place.settings.push_back(found->second.get());
    }
  }
  return place;
}

}  // namespace fond_ladder::inline v0::scene
