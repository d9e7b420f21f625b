// SPDX-License-Identifier: MIT
#include <algorithm>
#include <charconv>
#include <map>

#include "fond_ladder/scene_file.hpp"
#include "model/key_table.hpp"
#include "model/limits.hpp"
#include "model/origins.hpp"
#include "scene/read/key_reader.hpp"

namespace fond_ladder::inline v0 {
namespace {

/// The value as JSON: as it stands where it is JSON, else as a word.
std::string as_json(std::string_view value) {
  std::string plain(value);
  try {
    const scene::JsonDocument document(plain);
    return plain;
  } catch (const scene::JsonFault&) {
    return '"' + plain + '"';
  }
}

/// Notes that a key of a node is tried.
void note_tried(Scene& scene, NodeId node, const KeyEntry& entry) {
  if (!scene.origins) return;
  const auto key = static_cast<std::uint8_t>(place_of(entry));
  auto origins = std::make_shared<detail::Origins>(*scene.origins);
  auto said = origins->of(node);
  std::erase_if(said, [&](const auto& one) { return one.key == key; });
  said.push_back({key, Source::tried});
  origins->note(node, said);
  scene.origins = std::move(origins);
}

// --- copies --------------------------------------------------------------------------------------------------------

/// One more of a node and of all that is in it, under another name, at a place among the siblings.
NodeId copy_of(Scene& scene, NodeId original, const std::string& name, NodeId parent, std::size_t position) {
  auto origins = scene.origins ? std::make_shared<detail::Origins>(*scene.origins) : nullptr;
  Keys keys = scene.tree.keys(original);
  keys.name = name;
  const NodeId copy = scene.tree.insert(parent, position, keys);
  std::map<NodeId, NodeId> copies{{original, copy}};
  std::vector<NodeId> open{original};
  while (!open.empty()) {
    const NodeId at = open.back();
    open.pop_back();
    for (const NodeId child : scene.tree.children(at)) {
      copies[child] = scene.tree.append(copies[at], scene.tree.keys(child));
      open.push_back(child);
    }
  }
  const std::size_t whens = scene.whens.size();
  for (std::size_t i = 0; i < whens; ++i) {
    if (copies.contains(scene.whens[i].node)) {
      scene.whens.push_back({copies[scene.whens[i].node], scene.whens[i].name, scene.whens[i].change});
    }
  }
  for (Wording& wording : scene.wordings) {
    const std::size_t texts = wording.texts.size();
    for (std::size_t i = 0; i < texts; ++i) {
      if (copies.contains(wording.texts[i].first)) {
        wording.texts.emplace_back(copies[wording.texts[i].first], wording.texts[i].second);
      }
    }
  }
  if (origins) {
    for (const auto& [from, to] : copies) origins->note(to, std::vector(origins->of(from)));
    scene.origins = std::move(origins);
  }
  return copy;
}

void remove(Scene& scene, NodeId node) {
  scene.tree.remove(node);
  std::erase_if(scene.whens, [&](const When& when) { return !scene.tree.contains(when.node); });
  for (Wording& wording : scene.wordings) {
    std::erase_if(wording.texts, [&](const auto& said) { return !scene.tree.contains(said.first); });
  }
}

std::string copy_name(const std::string& base, std::size_t index) {
  return base.empty() ? base : base + "[" + std::to_string(index) + "]";
}

/// Makes a node, or the first of its copies, be there so many times.
void try_copies(Scene& scene, std::string_view path, std::string_view value, const std::string& shown) {
  std::uint32_t count = 0;
  const auto read = std::from_chars(value.data(), value.data() + value.size(), count);
  if (read.ec != std::errc() || read.ptr != value.data() + value.size() || count > limits::most_copies) {
    throw BadTrial(shown + "\"copies\" must be a whole number from 0 to 100,000");
  }
  const std::vector<NodeId> copied = scene.tree.matches(std::string(path) + "[0]");
  const NodeId first = copied.empty() ? scene.tree.at(path) : scene.tree.at(std::string(path) + "[0]");
  const NodeId parent = scene.tree.parent(first);
  if (!parent) throw BadTrial(shown + "the root cannot be copied");
  const std::string name = scene.tree.keys(first).name, base = name.substr(0, name.find('['));
  const std::vector<NodeId> siblings = scene.tree.children(parent);
  const auto position = static_cast<std::size_t>(std::ranges::find(siblings, first) - siblings.begin());
  for (std::size_t i = 1; !copied.empty() && position + i < siblings.size(); ++i) {
    if (scene.tree.keys(siblings[position + i]).name != base + "[" + std::to_string(i) + "]") break;
    remove(scene, siblings[position + i]);
  }
  if (count == 0) return remove(scene, first);
  Keys keys = scene.tree.keys(first);
  keys.name = copy_name(base, 0);
  scene.tree.restyle(first, keys);
  for (std::uint32_t i = 1; i < count; ++i) copy_of(scene, first, copy_name(base, i), parent, position + i);
}

}  // namespace

void try_setting(Scene& scene, std::string_view setting) {
  const std::string shown = "\"" + std::string(setting) + "\": ";
  const std::size_t equals = setting.find('='), dot = setting.substr(0, equals).rfind('.');
  if (equals == std::string_view::npos || dot == std::string_view::npos || dot == 0) {
    throw BadTrial(shown + "write NODE.KEY=VALUE, as in " + scene.tree.step(scene.tree.root()) + ".gap=8");
  }
  const std::string_view name = setting.substr(dot + 1, equals - dot - 1);
  if (name == "copies") return try_copies(scene, setting.substr(0, dot), setting.substr(equals + 1), shown);
  const KeyEntry* entry = find_key(name);
  if (entry == nullptr || name == "name") {
    std::vector<std::string_view> words{"copies"};
    for (const KeyEntry& known : key_table()) words.push_back(known.name);
    throw BadTrial(shown + "\"" + std::string(name) + "\" is no key that can be tried" +
                   scene::nearest_hint(name, words));
  }
  const NodeId node = scene.tree.at(setting.substr(0, dot));
  const std::string json = "{\"value\": " + as_json(setting.substr(equals + 1)) + "}";
  Keys tried = scene.tree.keys(node);
  try {
    const scene::JsonDocument document(json);
    scene::Faults faults("--try", json);
    const scene::ValueId value = document.member(document.root(), "value");
    if (document[value].type == scene::JsonValue::Type::null) {
      unsay(*entry, tried);
    } else {
      scene::read_key(*entry, document, value, tried, faults);
    }
    if (!faults.empty()) faults.raise();
  } catch (const BadScene& fault) {
    throw BadTrial(shown + fault.faults().front().message);
  } catch (const scene::JsonFault& fault) {
    throw BadTrial(shown + fault.message);
  }
  scene.tree.restyle(node, tried);
  note_tried(scene, node, *entry);
  for (When& when : scene.whens) {  // what is tried beats ranges and modes
    if (when.node == node) when.change.take_back_at(place_of(*entry));
  }
}

}  // namespace fond_ladder::inline v0
