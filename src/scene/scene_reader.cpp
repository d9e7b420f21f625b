// SPDX-License-Identifier: MIT
//
// A scene file into a Scene. Nodes are read in a loop, parents first, so that depth costs no stack; a fault never stops
// the reading, and the tree is built only when there was none.
#include <algorithm>
#include <cmath>
#include <filesystem>
#include <fstream>
#include <iterator>
#include <map>
#include <unordered_map>

#include "fond_ladder/scene_file.hpp"
#include "model/area_map.hpp"
#include "model/container_size.hpp"
#include "model/key_table.hpp"
#include "model/limits.hpp"
#include "scene/conditions.hpp"
#include "scene/definitions.hpp"
#include "scene/faults.hpp"
#include "scene/json_document.hpp"
#include "scene/key_reader.hpp"

namespace fond_ladder {
namespace scene {
namespace {

using Type = JsonValue::Type;

constexpr std::array<std::string_view, 10> scene_keys{"format", "scene", "em",     "direction", "ladder",
                                                      "ranges", "modes", "shared", "parts",     "root"};
constexpr std::array<std::string_view, 3> ladder_keys{"width", "height", "rungs"};
/// Keys of the format that are not built yet: refused, never ignored.
constexpr std::array<std::string_view, 2> later_scene_keys{"claims", "touch_size"};
/// Read by themselves, in this order: shared keys and parts speak of ranges and modes.
constexpr std::array<std::string_view, 5> definition_keys{"ranges", "modes", "shared", "parts", "wordings"};
constexpr std::array<std::string_view, 2> wording_keys{"texts", "direction"};
/// Keys of a node that shape the tree, beside those of the table.
constexpr std::array<std::string_view, 7> shaping_keys{"children", "each", "like", "part", "with", "copies", "when"};
/// Nodes beyond which a scene is refused: parts in parts grow quickly, and so do copies of copies.
constexpr std::size_t most_nodes = 4000000;
constexpr double most_copies = 100000, most_nested_copies = 1000000;

bool holds(std::span<const std::string_view> words, std::string_view word) {
  return std::ranges::find(words, word) != words.end();
}

std::string not_yet(std::string_view key) {
  return "\"" + std::string(key) + "\" is not supported yet; take it out";
}

class SceneReader {
 public:
  SceneReader(const JsonDocument& document, Faults& faults)
      : document_(document), faults_(faults), definitions_(document, faults) {}

  Scene read() {
    const ValueId top = document_.root();
    if (document_[top].type != Type::object) {
      faults_.add(document_, top, "a scene is a JSON object with the keys \"format\" and \"root\"");
      faults_.raise();
    }
    read_head(top);
    read_definitions(top);
    try_unused_parts(top);
    const ValueId root = document_.member(top, "root");
    if (root == no_value) {
      faults_.add(document_, top, "\"root\" is missing: the node that fills the container");
    } else {
      read_nodes(root);
    }
    if (tree_ && document_.member(top, "wordings") != no_value) read_wordings(document_.member(top, "wordings"));
    if (!faults_.empty()) faults_.raise();
    Scene scene(std::move(*tree_));
    scene.wordings = std::move(wordings_);
    scene.title = title_;
    scene.ladder = std::move(ladder_);
    scene.ranges = std::move(conditions_.ranges);
    scene.modes = std::move(conditions_.modes);
    scene.whens = std::move(whens_);
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
        direction_ = read_direction(id);
      } else if (member.key == "ladder") {
        read_ladder(id);
      } else if (holds(later_scene_keys, member.key)) {
        faults_.add(document_, id, not_yet(member.key), true);
      } else if (member.key != "root" && !holds(definition_keys, member.key)) {
        unknown_key(id, scene_keys);
      }
    });
  }

  void read_definitions(ValueId top) {
    conditions_ = read_conditions(document_, top, faults_);
    for (const char* key : {"shared", "parts"}) {
      if (const ValueId id = document_.member(top, key); id != no_value) learn(id);
    }
  }

  void learn(ValueId id) {
    const std::string& key = document_[id].key;
    if (document_[id].type != Type::object) {
      faults_.add(document_, id, "\"" + key + "\" must be an object of names");
      return;
    }
    refuse_twins(id);
    if (key == "parts") return definitions_.learn_parts(id);
    definitions_.learn_shared(id);
    for (const auto& [name, keys] : definitions_.shared()) read_loose_keys(keys, "shared keys");
  }

  double positive(ValueId id, const char* message) {
    const JsonValue& value = document_[id];
    if (value.type == Type::number && value.number > 0 && value.number <= limits::largest_length) return value.number;
    faults_.add(document_, id, message);
    return 1;
  }

  Direction read_direction(ValueId id) {
    const JsonValue& value = document_[id];
    if (value.type == Type::string && value.text == "rtl") return Direction::rtl;
    if (value.type != Type::string || value.text != "ltr")
      faults_.add(document_, id, "\"direction\" must be ltr or rtl");
    return Direction::ltr;
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

  /// Reads every part once on its own, so that those nobody uses are checked too.
  void try_unused_parts(ValueId top) {
    const ValueId parts = document_.member(top, "parts");
    if (parts == no_value) return;
    for (const auto& [name, root] : definitions_.parts()) {
      read_nodes(root);
      tree_.reset();
      whens_.clear();
      planted_ = 0;
    }
  }

  /// Read last, for they speak of nodes by path.
  void read_wordings(ValueId object) {
    if (document_[object].type != Type::object) {
      faults_.add(document_, object, "\"wordings\" must be an object of names, each with texts");
      return;
    }
    refuse_twins(object);
    for_each_member(object, [&](ValueId id, const JsonValue& member) {
      Wording wording{member.key, {}};
      if (member.type != Type::object) {
        faults_.add(document_, id, "a wording must be an object of texts and a direction");
        return;
      }
      refuse_twins(id);
      for_each_member(id, [&](ValueId inner, const JsonValue& part) {
        if (part.key == "direction") {
          wording.direction = read_direction(inner);
        } else if (part.key == "texts" && part.type == Type::object) {
          for_each_member(inner, [&](ValueId text, const JsonValue& said) { read_replacement(text, said, wording); });
        } else if (part.key == "texts") {
          faults_.add(document_, inner, "\"texts\" must be an object of paths, each with a text");
        } else {
          unknown_key(inner, wording_keys);
        }
      });
      wordings_.push_back(std::move(wording));
    });
  }

  void read_replacement(ValueId id, const JsonValue& said, Wording& wording) {
    if (said.type != Type::string) {
      faults_.add(document_, id, "a text must be in quotes");
      return;
    }
    try {
      const NodeId node = tree_->at(said.key);
      if (tree_->kind(node) != Kind::text) faults_.add(document_, id, "\"" + said.key + "\" is no text", true);
      wording.texts.emplace_back(node, said.text);
    } catch (const BadPath& fault) {
      faults_.add(document_, id, fault.what(), true);
    }
  }

  // --- nodes -------------------------------------------------------------------------------------------------------

  struct Open {
    ValueId value;
    NodeId parent;
    ValueId each;  // of the parent, or none
    PlaceInPart place;
    int copy = -1;       // which one, of a node that is copied
    bool spare = false;  // there under some condition only
    double times = 1;    // how many copies of it there are, those of its parents counted
  };

  void read_nodes(ValueId root) {
    std::vector<Open> open{{root, NodeId{}, no_value, {}}};
    while (!open.empty()) {
      const Open at = std::move(open.back());
      open.pop_back();
      if (document_[at.value].type != Type::object) {
        faults_.add(document_, at.value, "a node must be an object with a \"kind\"");
        continue;
      }
      if (planted_ == most_nodes) {
        faults_.add(document_, at.value, "the scene has more than 4,000,000 nodes, copies and parts counted");
        return;
      }
      const Layers layers = definitions_.layers_of(at.value, at.each, at.place);
      if (at.copy < 0 && open_copies(at, layers, open)) continue;
      refuse_twins(at.value);
      const Keys keys = read_keys(at, layers);
      refuse_unknown_area(at, keys);
      const NodeId node = plant(at.parent, keys);
      read_whens(at, layers, node);
      open_children(at, layers, node, keys, open);
    }
  }

  /// Puts the copies of a node on the list, the first on top. Returns whether it is copied.
  bool open_copies(const Open& at, const Layers& layers, std::vector<Open>& open) {
    const ValueId place = definitions_.strongest(layers, "copies");
    if (place == no_value) return false;
    if (!at.parent) {
      faults_.add(document_, place, "the root cannot be copied", true);
      return false;
    }
    const std::optional<int> plain = count_of_copies(place);
    if (!plain) return false;
    const int copies = most_copies_of(layers, *plain);
    if (copies * at.times > most_nested_copies) {
      faults_.add(document_, place, "copies of copies make more than 1,000,000 nodes here; make fewer");
      return false;
    }
    for (int i = copies; i-- > 0;) {
      Open copy = at;
      copy.copy = i;
      copy.spare = i >= *plain;
      copy.times *= copies;
      if (!copy.place.path.empty()) copy.place.path += "[" + std::to_string(i) + "]";
      open.push_back(std::move(copy));
    }
    return true;
  }

  /// Keys of a node under one condition, from all its layers.
  struct Form {
    Keys values;
    std::vector<const KeyEntry*> said;
    std::optional<bool> hides;  // for a copy: whether it is one too many
  };

  void read_whens(const Open& at, const Layers& layers, NodeId node) {
    std::map<std::string, Form> forms;
    for_each_when(layers, [&](ValueId id, const JsonValue& member) {
      const auto& names = conditions_.names;
      if (std::ranges::find(names, member.key) == names.end()) {
        const std::vector<std::string_view> words(names.begin(), names.end());
        faults_.add(document_, id,
                    "no range or mode is called \"" + member.key + "\"" + nearest_hint(member.key, words), true);
      } else if (member.type != Type::object) {
        faults_.add(document_, id, "what holds under \"" + member.key + "\" must be an object of keys");
      } else {
        read_form(id, at.copy, forms[member.key]);
      }
    });
    for (const auto& [name, form] : forms) {
      whens_.push_back({node, name, [form = form](Keys& keys) {
                          if (form.hides) keys.hidden = *form.hides;
                          for (const KeyEntry* entry : form.said) {
                            std::visit([&](auto field) { keys.*field = form.values.*field; }, entry->field);
                          }
                          if (form.hides.value_or(false)) keys.hidden = true;
                        }});
    }
  }

  /// Calls `each(id, member)` for everything that the layers of a node say under conditions.
  template <class Each>
  void for_each_when(const Layers& layers, Each each) {
    for (const ValueId layer : layers) {
      const ValueId when = document_.member(layer, "when");
      if (when == no_value) continue;
      if (document_[when].type != Type::object) {
        faults_.add(document_, when, "\"when\" must be an object of ranges and modes, each with keys");
        continue;
      }
      refuse_twins(when);
      for_each_member(when, each);
    }
  }

  void read_form(ValueId object, int copy, Form& form) {
    refuse_twins(object);
    for_each_member(object, [&](ValueId id, const JsonValue& member) {
      const KeyEntry* entry = find_key(member.key);
      if (member.key == "copies") {
        const auto copies = count_of_copies(id);
        if (copies && copy >= 0) form.hides = copy >= *copies;
        if (copy < 0)
          faults_.add(document_, id, "\"copies\" under a condition needs \"copies\" of the node itself", true);
      } else if (member.key == "name" || holds(shaping_keys, member.key)) {
        faults_.add(document_, id, "\"when\" cannot give a \"" + member.key + "\"", true);
      } else if (entry == nullptr) {
        read_one(id, member, form.values);  // refuses it
      } else {
        read_form_key(*entry, id, form);
      }
    });
  }

  void read_form_key(const KeyEntry& entry, ValueId id, Form& form) {
    if (document_[id].type == Type::null) {
      static const Keys unsaid;
      std::visit([&](auto field) { form.values.*field = unsaid.*field; }, entry.field);
    } else {
      read_key(entry, document_, id, form.values, faults_);
    }
    if (std::ranges::find(form.said, &entry) == form.said.end()) form.said.push_back(&entry);
  }

  std::optional<int> count_of_copies(ValueId id) {
    const JsonValue& value = document_[id];
    if (value.type == Type::number && value.number == std::floor(value.number) && value.number >= 0 &&
        value.number <= most_copies) {
      return static_cast<int>(value.number);
    }
    faults_.add(document_, id, "\"copies\" must be a whole number from 0 to 100,000");
    return {};
  }

  /// The most copies that a node has under any condition, `plain` being how many it has under none; those that are too
  /// many are hidden.
  int most_copies_of(const Layers& layers, int plain) {
    int copies = plain;
    for_each_when(layers, [&](ValueId, const JsonValue& member) {
      if (member.type != Type::object) return;
      for (ValueId id = member.first; id != no_value; id = document_[id].next) {
        if (document_[id].key == "copies") copies = std::max(copies, count_of_copies(id).value_or(0));
      }
    });
    return copies;
  }

  void open_children(const Open& at, const Layers& layers, NodeId node, const Keys& keys, std::vector<Open>& open) {
    ValueId each = definitions_.strongest(layers, "each");
    if (each != no_value && !read_loose_keys(each, "\"each\"")) each = no_value;
    if (definitions_.has_part(at.value) && document_.member(at.value, "children") != no_value) {
      faults_.add(document_, document_.member(at.value, "children"),
                  "a part brings its own children; change them by \"with\"", true);
    }
    std::vector<ValueId> children;
    list_children(definitions_.children_of(at.value), children);
    refuse_name_twins(children);
    refuse_too_many(at.value, keys, children.size());
    const PlaceInPart around = definitions_.around_children(at.value, at.place);
    for (std::size_t i = children.size(); i-- > 0;) {
      Open child{children[i], node, each, {around.use, {}}, -1, false, at.times};
      if (around.use) {
        child.place.path = (around.path.empty() ? "" : around.path + "/") + definitions_.step_of(children[i], i);
      }
      open.push_back(std::move(child));
    }
  }

  NodeId plant(NodeId parent, const Keys& keys) {
    ++planted_;
    if (tree_) return tree_->append(parent, keys);
    tree_.emplace(keys, em_, direction_);
    return tree_->root();
  }

  Keys read_keys(const Open& at, const Layers& layers) {
    Keys keys;
    for (const ValueId layer : layers) {
      const bool names = layer != at.each;
      for_each_member(layer, [&](ValueId id, const JsonValue& member) {
        if (member.key == "name" && !names) return;
        read_one(id, member, keys);
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
  void read_one(ValueId id, const JsonValue& member, Keys& keys) {
    if (holds(shaping_keys, member.key)) return;
    if (const KeyEntry* entry = find_key(member.key)) {
      read_key(*entry, document_, id, keys, faults_);
      if (member.key == "name" && keys.name.find('[') != std::string::npos) {
        faults_.add(document_, id, "\"name\" must be a letter, then letters, digits, \"_\" or \"-\"");
        keys.name.clear();
      }
      return;
    }
    if (document_[member.parent].key == "with" && member.type == Type::object) return;  // told when the part is used
    static const std::vector<std::string_view> known = [] {
      std::vector<std::string_view> words(shaping_keys.begin(), shaping_keys.end());
      for (const KeyEntry& entry : key_table()) words.push_back(entry.name);
      return words;
    }();
    unknown_key(id, known);
  }

  /// Reads keys that several nodes will take, once, for their faults. Returns whether nodes can take them.
  bool read_loose_keys(ValueId object, const std::string& what) {
    if (document_[object].type != Type::object) {
      faults_.add(document_, object, what + " must be an object of keys");
      return false;
    }
    refuse_twins(object);
    Keys ignored;
    for_each_member(object, [&](ValueId id, const JsonValue& member) {
      if (member.key == "name" || member.key == "children" || member.key == "each" || member.key == "part" ||
          member.key == "with") {
        faults_.add(document_, id, what + " cannot give a \"" + member.key + "\"", true);
      } else {
        read_one(id, member, ignored);
      }
    });
    return true;
  }

  void list_children(ValueId list, std::vector<ValueId>& children) {
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
      const std::string_view name = definitions_.name_of(child);
      if (name.empty()) continue;
      const ValueId own = document_.member(child, "name"), place = own == no_value ? child : own;
      const auto [twin, is_new] = seen.try_emplace(name, place);
      if (!is_new) {
        faults_.add(document_, place,
                    "two siblings are called \"" + std::string(name) + "\"; the other one is at " +
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
  Definitions definitions_;
  std::size_t planted_ = 0;
  std::string title_;
  double em_ = 16;
  Direction direction_ = Direction::ltr;
  Ladder ladder_;
  Conditions conditions_;
  std::vector<When> whens_;
  std::vector<Wording> wordings_;
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
