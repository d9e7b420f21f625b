// SPDX-License-Identifier: MIT
#include <algorithm>

#include "fond_ladder/scene_file.hpp"
#include "model/key_table.hpp"
#include "scene/key_reader.hpp"

namespace fond_ladder {
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

}  // namespace

void try_setting(Scene& scene, std::string_view setting) {
  const std::string shown = "\"" + std::string(setting) + "\": ";
  const std::size_t equals = setting.find('='), dot = setting.substr(0, equals).rfind('.');
  if (equals == std::string_view::npos || dot == std::string_view::npos || dot == 0) {
    throw BadTrial(shown + "write NODE.KEY=VALUE, as in " + scene.tree.step(scene.tree.root()) + ".gap=8");
  }
  const std::string_view name = setting.substr(dot + 1, equals - dot - 1);
  const KeyEntry* entry = find_key(name);
  if (entry == nullptr || name == "name") {
    std::vector<std::string_view> words;
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
      std::visit([&](auto field) { tried.*field = Keys().*field; }, entry->field);
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
  for (When& when : scene.whens) {  // what is tried beats ranges and modes
    if (when.node != node) continue;
    when.change = [change = when.change, entry, tried](Keys& keys) {
      change(keys);
      std::visit([&](auto field) { keys.*field = tried.*field; }, entry->field);
    };
  }
}

}  // namespace fond_ladder
