// SPDX-License-Identifier: MIT
//
// A scene file into a Scene. Nodes are read in a loop, parents first, so that depth costs no stack; a fault never stops
// the reading, and the tree is built only when there was none.
#include <algorithm>
#include <filesystem>
#include <fstream>
#include <iterator>
#include <unordered_map>

#include "fond_ladder/scene_file.hpp"
#include "model/area_map.hpp"
#include "model/container_size.hpp"
#include "model/key_table.hpp"
#include "model/limits.hpp"
#include "scene/faults.hpp"
#include "scene/json_document.hpp"
#include "scene/key_reader.hpp"

namespace fond_ladder {
namespace scene {
namespace {

using Type = JsonValue::Type;

constexpr std::array<std::string_view, 7> scene_keys{"format", "scene", "em", "direction", "ladder", "root", "claims"};
constexpr std::array<std::string_view, 3> ladder_keys{"width", "height", "rungs"};
/// Keys of the format that are not built yet: refused, never ignored.
constexpr std::array<std::string_view, 7> later_scene_keys{"ranges",   "modes",  "parts",     "shared",
                                                           "wordings", "claims", "touch_size"};
constexpr std::array<std::string_view, 5> later_node_keys{"copies", "part", "with", "like", "when"};

bool holds(std::span<const std::string_view> words, std::string_view word) {
  return std::ranges::find(words, word) != words.end();
}

std::string not_yet(std::string_view key) {
  return "\"" + std::string(key) + "\" is not supported yet; take it out";
}

class SceneReader {
 public:
  SceneReader(const JsonDocument& document, Faults& faults) : document_(document), faults_(faults) {}

  Scene read() {
    const ValueId top = document_.root();
    if (document_[top].type != Type::object) {
      faults_.add(document_, top, "a scene is a JSON object with the keys \"format\" and \"root\"");
      faults_.raise();
    }
    read_head(top);
    const ValueId root = document_.member(top, "root");
    if (root == no_value) {
      faults_.add(document_, top, "\"root\" is missing: the node that fills the container");
    } else {
      read_nodes(root);
    }
    if (!faults_.empty()) faults_.raise();
    Scene scene(std::move(*tree_));
    scene.title = title_;
    scene.ladder = std::move(ladder_);
    return scene;
  }

 private:
  // --- the head ----------------------------------------------------------------------------------------------------

  void read_head(ValueId top) {
    if (document_.member(top, "format") == no_value) {
      faults_.add(document_, top, "\"format\" is missing; write \"format\": 1");
    }
    refuse_twins(top);
    for_each_member(top, [&](ValueId id, const JsonValue& member) {
      if (member.key == "format") {
        if (member.type != Type::number || member.number != 1) faults_.add(document_, id, "\"format\" must be 1");
      } else if (member.key == "scene") {
        if (member.type == Type::string) {
          title_ = member.text;
        } else {
          faults_.add(document_, id, "\"scene\" must be a text in quotes");
        }
      } else if (member.key == "em") {
        em_ = positive(id, "\"em\" must be a number of pixels, more than 0");
      } else if (member.key == "direction") {
        read_direction(id);
      } else if (member.key == "ladder") {
        read_ladder(id);
      } else if (holds(later_scene_keys, member.key)) {
        faults_.add(document_, id, not_yet(member.key), true);
      } else if (member.key != "root") {
        unknown_key(id, scene_keys);
      }
    });
  }

  double positive(ValueId id, const char* message) {
    const JsonValue& value = document_[id];
    if (value.type == Type::number && value.number > 0 && value.number <= limits::largest_length) return value.number;
    faults_.add(document_, id, message);
    return 1;
  }

  void read_direction(ValueId id) {
    const JsonValue& value = document_[id];
    if (value.type == Type::string && (value.text == "ltr" || value.text == "rtl")) {
      direction_ = value.text == "rtl" ? Direction::rtl : Direction::ltr;
    } else {
      faults_.add(document_, id, "\"direction\" must be ltr or rtl");
    }
  }

  void read_ladder(ValueId id) {
    if (document_[id].type != Type::object) {
      faults_.add(document_, id, "\"ladder\" must be an object of width, height and rungs");
      return;
    }
    refuse_twins(id);
    for_each_member(id, [&](ValueId member_id, const JsonValue& member) {
      if (member.key == "width") {
        ladder_.width = read_span(member_id);
      } else if (member.key == "height") {
        ladder_.height = read_span(member_id);
      } else if (member.key == "rungs") {
        read_rungs(member_id);
      } else {
        unknown_key(member_id, ladder_keys);
      }
    });
  }

  bool is_size(ValueId id) const {
    const JsonValue& value = document_[id];
    return value.type == Type::number && is_container_size(value.number);
  }

  /// Two sizes in a list, or nothing.
  std::optional<std::pair<double, double>> two_sizes(ValueId id) const {
    if (document_[id].type != Type::array) return {};
    const ValueId first = document_[id].first;
    const ValueId second = first == no_value ? no_value : document_[first].next;
    if (second == no_value || document_[second].next != no_value || !is_size(first) || !is_size(second)) return {};
    return std::pair(document_[first].number, document_[second].number);
  }

  Span read_span(ValueId id) {
    if (is_size(id)) return document_[id].number;
    const auto both = two_sizes(id);
    if (both && both->first <= both->second) return {both->first, both->second};
    faults_.add(document_, id, "\"" + document_[id].key + "\" must be a size, or [from, to] with from at most to");
    return {};
  }

  void read_rungs(ValueId id) {
    if (document_[id].type != Type::object) {
      faults_.add(document_, id, "\"rungs\" must be an object of names, each with [width, height]");
      return;
    }
    refuse_twins(id);
    for_each_member(id, [&](ValueId member_id, const JsonValue& member) {
      const auto both = two_sizes(member_id);
      if (!is_node_name(member.key)) {
        faults_.add(document_, member_id, "the name of a rung must be a letter, then letters, digits, \"_\" or \"-\"",
                    true);
      } else if (!both) {
        faults_.add(document_, member_id, "a rung must be [width, height] in pixels");
      } else {
        ladder_.rungs.push_back({member.key, {both->first, both->second}});
      }
    });
  }

  // --- nodes -------------------------------------------------------------------------------------------------------

  struct Open {
    ValueId value;
    NodeId parent;
    ValueId defaults;  // `each` of the parent, or none
  };

  void read_nodes(ValueId root) {
    std::vector<Open> open{{root, NodeId{}, no_value}};
    std::vector<ValueId> children;
    while (!open.empty()) {
      const Open at = open.back();
      open.pop_back();
      if (document_[at.value].type != Type::object) {
        faults_.add(document_, at.value, "a node must be an object with a \"kind\"");
        continue;
      }
      const Keys keys = read_keys(at.value, at.defaults);
      refuse_unknown_area(at, keys);
      const NodeId node = plant(at.parent, keys);
      const ValueId each = document_.member(at.value, "each");
      const bool sound_each = each != no_value && read_each(each);
      children.clear();
      list_children(at.value, children);
      refuse_name_twins(children);
      refuse_too_many(at.value, keys, children.size());
      for (auto child = children.rbegin(); child != children.rend(); ++child) {
        open.push_back({*child, node, sound_each ? each : no_value});
      }
    }
  }

  NodeId plant(NodeId parent, const Keys& keys) {
    if (tree_) return tree_->append(parent, keys);
    tree_.emplace(keys, em_, direction_);
    return tree_->root();
  }

  Keys read_keys(ValueId node, ValueId defaults) {
    Keys keys;
    bool has_kind = false;
    if (defaults != no_value) {
      const std::size_t told = faults_.count();
      for_each_member(defaults, [&](ValueId id, const JsonValue& member) {
        has_kind |= member.key == "kind";
        if (const KeyEntry* entry = find_key(member.key)) read_key(*entry, document_, id, keys, faults_);
      });
      faults_.forget_after(told);  // told where `each` stands
    }
    refuse_twins(node);
    for_each_member(node, [&](ValueId id, const JsonValue& member) {
      has_kind |= member.key == "kind";
      if (member.key == "children" || member.key == "each") return;
      read_one(id, member, keys);
    });
    if (!has_kind) {
      faults_.add(document_, node, "\"kind\" is missing; write row, column, grid, stack, box, text or image");
    }
    return keys;
  }

  void read_one(ValueId id, const JsonValue& member, Keys& keys) {
    if (const KeyEntry* entry = find_key(member.key)) {
      read_key(*entry, document_, id, keys, faults_);
      return;
    }
    if (holds(later_node_keys, member.key)) {
      faults_.add(document_, id, not_yet(member.key), true);
      return;
    }
    static const std::vector<std::string_view> known = [] {
      std::vector<std::string_view> words{"children", "each"};
      for (const KeyEntry& entry : key_table()) words.push_back(entry.name);
      words.insert(words.end(), later_node_keys.begin(), later_node_keys.end());
      return words;
    }();
    unknown_key(id, known);
  }

  /// Reads the keys of an `each` once, for its faults. Returns whether children can take them.
  bool read_each(ValueId each) {
    if (document_[each].type != Type::object) {
      faults_.add(document_, each, "\"each\" must be an object of keys");
      return false;
    }
    refuse_twins(each);
    Keys ignored;
    for_each_member(each, [&](ValueId id, const JsonValue& member) {
      if (member.key == "name" || member.key == "children" || member.key == "each") {
        faults_.add(document_, id, "\"each\" cannot give a \"" + member.key + "\"", true);
      } else {
        read_one(id, member, ignored);
      }
    });
    return true;
  }

  void list_children(ValueId node, std::vector<ValueId>& children) {
    const ValueId list = document_.member(node, "children");
    if (list == no_value) return;
    if (document_[list].type != Type::array) {
      faults_.add(document_, list, "\"children\" must be a list of nodes");
      return;
    }
    for (ValueId id = document_[list].first; id != no_value; id = document_[id].next) children.push_back(id);
  }

  // --- what is wrong -----------------------------------------------------------------------------------------------

  void refuse_unknown_area(const Open& at, const Keys& keys) {
    if (keys.area.empty() || !at.parent) return;
    if (map_of_ != at.parent) {
      map_of_ = at.parent;
      map_lines_ = tree_->keys(at.parent).areas;
      map_.read(map_lines_);
    }
    if (map_lines_.empty() || map_.find(keys.area) != nullptr) return;
    std::vector<std::string_view> names;
    for (const Area& area : map_.areas()) names.push_back(area.name);
    const ValueId own = document_.member(at.value, "area");
    faults_.add(document_, own == no_value ? at.value : own,
                "no area of the grid is called \"" + keys.area + "\"" + nearest_hint(keys.area, names));
  }

  /// Children of a grid that would need more lines than a grid can have, whatever they say of cells.
  void refuse_too_many(ValueId node, const Keys& keys, std::size_t children) {
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

  void refuse_name_twins(const std::vector<ValueId>& children) {
    std::unordered_map<std::string_view, ValueId> seen;
    for (const ValueId child : children) {
      if (document_[child].type != Type::object) continue;
      const ValueId name = document_.member(child, "name");
      if (name == no_value || document_[name].type != Type::string) continue;
      const auto [twin, is_new] = seen.try_emplace(document_[name].text, name);
      if (!is_new) {
        faults_.add(document_, name,
                    "two siblings are called \"" + document_[name].text + "\"; the other one is at " +
                        document_.pointer(twin->second));
      }
    }
  }

  void refuse_twins(ValueId object) {
    std::unordered_map<std::string_view, ValueId> seen;
    for_each_member(object, [&](ValueId id, const JsonValue& member) {
      if (!seen.try_emplace(member.key, id).second) {
        faults_.add(document_, id, "\"" + member.key + "\" is given twice", true);
      }
    });
  }

  void unknown_key(ValueId id, std::span<const std::string_view> words) {
    const std::string& key = document_[id].key;
    faults_.add(document_, id, "unknown key \"" + key + "\"" + nearest_hint(key, words), true);
  }

  template <class Each>
  void for_each_member(ValueId object, Each each) {
    for (ValueId id = document_[object].first; id != no_value; id = document_[id].next) each(id, document_[id]);
  }

  const JsonDocument& document_;
  Faults& faults_;
  std::string title_;
  double em_ = 16;
  Direction direction_ = Direction::ltr;
  Ladder ladder_;
  std::optional<Tree> tree_;
  NodeId map_of_;  // the grid whose areas were read last
  std::vector<std::string> map_lines_;
  AreaMap map_;
};

[[noreturn]] void fail(const std::string& file, std::string message) {
  throw BadScene({{file, 0, 0, "", std::move(message)}});
}

}  // namespace
}  // namespace scene

Scene read_scene(std::string_view json, const std::string& file_name) {
  if (json.size() > limits::largest_scene_file) {
    scene::fail(file_name, "this file is larger than 40 MiB; a scene is not read beyond that");
  }
  if (json.find_first_not_of(" \t\r\n") == std::string_view::npos) {
    scene::fail(file_name, "this file is empty; a scene is a JSON object with the keys \"format\" and \"root\"");
  }
  scene::Faults faults(file_name, json);
  try {
    const scene::JsonDocument document(json);
    return scene::SceneReader(document, faults).read();
  } catch (const scene::JsonFault& fault) {
    faults.raise_at(fault.offset, fault.message);
  }
}

Scene read_scene_file(const std::string& path) {
  std::error_code error;
  const auto status = std::filesystem::status(path, error);
  if (!std::filesystem::exists(status)) scene::fail(path, "there is no such file");
  if (std::filesystem::is_directory(status)) scene::fail(path, "this is a directory; name a scene file");
  if (std::filesystem::is_regular_file(status) &&
      std::filesystem::file_size(path, error) > limits::largest_scene_file) {
    scene::fail(path, "this file is larger than 40 MiB; a scene is not read beyond that");
  }
  std::ifstream in(path, std::ios::binary);
  if (!in) scene::fail(path, "this file cannot be opened; check who may read it");
  std::string text;
  constexpr std::size_t chunk = 1U << 16;
  while (in && text.size() <= limits::largest_scene_file) {
    const std::size_t have = text.size();
    text.resize(have + chunk);
    in.read(text.data() + have, chunk);
    text.resize(have + static_cast<std::size_t>(in.gcount()));
  }
  return read_scene(text, path);
}

}  // namespace fond_ladder
