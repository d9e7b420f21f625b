// SPDX-License-Identifier: MIT
//
// A scene file printed anew: keys in one order, what only repeats a default left out; parts,
// shared keys and copies stay as they were written. Works on the document, in a loop, not on the tree.
#include <algorithm>
#include <array>

#include "fond_ladder/scene_file.hpp"
#include "model/json_text.hpp"
#include "model/number_text.hpp"
#include "scene/read/faults.hpp"
#include "scene/read/key_reader.hpp"
#include "scene/read/scene_keys.hpp"
#include "scene/read/scene_text.hpp"
#include "scene/write/key_writer.hpp"
#include "scene/write/needed_definitions.hpp"

namespace fond_ladder::inline v0 {
namespace scene {
namespace {

using Type = JsonValue::Type;

/// Before the keys of the table, and behind them.
constexpr std::array<std::string_view, 5> first_keys{"part", "kind", "name", "like", "copies"};
constexpr std::array<std::string_view, 4> last_keys{"with", "each_child", "when", "children"};

/// The members of an object, or the items of a list.
enum class Role : unsigned char { as_it_is, top, node, nodes, keys, list_of_keys, map_of_keys, map_of_parts };

template <std::size_t n>
std::size_t place_in(const std::array<std::string_view, n>& words, std::string_view word) {
  return static_cast<std::size_t>(std::ranges::find(words, word) - words.begin());
}

std::size_t place_of_key(std::string_view key) {
  if (const std::size_t place = place_in(first_keys, key); place < first_keys.size()) return place;
  const auto table = key_table();
  if (const KeyEntry* entry = find_key(key)) {
    return first_keys.size() + place_of(*entry);
  }
  const std::size_t last = place_in(last_keys, key);  // inner nodes of a part come before `children`
  return first_keys.size() + table.size() + last;
}

class Tidier {
 public:
  explicit Tidier(const JsonDocument& document) : document_(document) {}
  /// All in one file, with what is needed of the files that the scene uses.
  Tidier(const JsonDocument& document, const UsedFiles& used)
      : document_(document), needed_(std::in_place, document, used), used_(&used) {}

  std::string write() {
    std::vector<Step> open{{document_.root(), Role::top}};
    while (!open.empty()) {
      const Step at = open.back();
      open.pop_back();
      if (at.value == no_value) {
        page_.close();
      } else if (!at.gathered.empty() || !write_value(at)) {
        open_value(at, open);
      }
    }
    return page_.page();
  }

 private:
  struct Step {
    ValueId value = no_value;  // none: the end of what is open
    Role role = Role::as_it_is;
    bool alone = false;  // a key at its default changes nothing: no other source sets keys of this node
    bool in_part = false;
    std::string_view gathered{};  // the key of definitions of several files
  };

  /// Writes a value that needs no bracket. Returns whether it was one.
  bool write_value(const Step& at) {
    const JsonValue& value = document_[at.value];
    switch (value.type) {
      case Type::null: return page_.value(value.key, "null"), true;
      case Type::boolean: return page_.value(value.key, value.boolean ? "true" : "false"), true;
      case Type::number: return page_.value(value.key, exact(value.number)), true;
      case Type::string: return page_.value(value.key, json_text(text_of(at.value))), true;
      case Type::array:
      case Type::object: return false;
    }
    return false;
  }

  /// A text as it is to stand in this file: the file of a font that another scene file names is looked for from here.
  [[nodiscard]] std::string text_of(ValueId id) const {
    const JsonValue& value = document_[id];
    const std::size_t file = document_.text_of(id);
    const bool is_font_file = value.key == "file" && file != 0 && used_ != nullptr && !value.text.starts_with('/');
    return is_font_file ? used_->way_to(file) + value.text : value.text;
  }

  void open_value(const Step& at, std::vector<Step>& open) {
    if (at.role == Role::top && needed_) return open_flat(at, open);
    if (!at.gathered.empty()) return open_gathered(at, open);
    const JsonValue& value = document_[at.value];
    page_.open(value.type == Type::array ? '[' : '{', value.key);
    open.push_back({});
    std::vector<ValueId> members;
    for (ValueId id = value.first; id != no_value; id = document_[id].next) members.push_back(id);
    if (at.role == Role::top || at.role == Role::node || at.role == Role::keys) {
      std::ranges::stable_sort(members, {}, [&](ValueId id) {
        const std::string& key = document_[id].key;
        return at.role == Role::top ? place_in(scene_keys, key) : place_of_key(key);
      });
    }
    std::vector<Step> steps;
    for (const ValueId id : members) {
      if (const auto step = step_into(at, id)) steps.push_back(*step);
    }
    open.insert(open.end(), steps.rbegin(), steps.rend());
  }

  void open_flat(const Step& at, std::vector<Step>& open) {
    page_.open('{');
    open.push_back({});
    std::vector<Step> steps;
    for (const std::string_view key : scene_keys) {
      const ValueId id = document_.member(at.value, key);
      if (!needed_->of(key).empty()) {
        steps.push_back(Step{at.value, role_of_definitions(key), false, false, key});
      } else if (id != no_value && key != "uses") {
        if (const auto step = step_into_top(id, document_[id])) steps.push_back(*step);
      }
    }
    open.insert(open.end(), steps.rbegin(), steps.rend());
  }

  void open_gathered(const Step& at, std::vector<Step>& open) {
    page_.open(at.gathered == "ranges" || at.gathered == "modes" ? '[' : '{', at.gathered);
    open.push_back({});
    const std::vector<ValueId> all = needed_->of(at.gathered);
    for (auto id = all.rbegin(); id != all.rend(); ++id) {
      if (const auto step = step_into({no_value, at.role}, *id)) open.push_back(*step);
    }
  }

  static Role role_of_definitions(std::string_view key) {
    return key == "shared" ? Role::map_of_keys : key == "parts" ? Role::map_of_parts : Role::as_it_is;
  }

  /// What is to be done with a member; nothing where it is written already, or not needed.
  std::optional<Step> step_into(const Step& at, ValueId id) {
    const JsonValue& member = document_[id];
    switch (at.role) {
      case Role::as_it_is: return Step{id, Role::as_it_is};
      case Role::list_of_keys:
      case Role::map_of_keys: return Step{id, Role::keys};
      case Role::map_of_parts: return Step{id, Role::node, false, true};
      case Role::nodes: return Step{id, Role::node, at.alone && is_plain(id), at.in_part};
      case Role::top: return step_into_top(id, member);
      case Role::node:
      case Role::keys: break;
    }
    if (const KeyEntry* entry = find_key(member.key)) {
      if (member.type == Type::null) return Step{id};
      return is_needed(*entry, at, id) ? std::optional<Step>(Step{id}) : std::nullopt;
    }
    if (member.key == "children") {
      if (member.first == no_value && at.alone) return {};
      const bool alone = !at.in_part && document_.member(at.value, "each_child") == no_value;
      return Step{id, Role::nodes, alone, at.in_part};
    }
    if (member.key == "when") return Step{id, Role::map_of_keys};
    if (member.key == "copies") return Step{id, Role::list_of_keys};
    return Step{id, member.type == Type::object ? Role::keys : Role::as_it_is};
  }

  std::optional<Step> step_into_top(ValueId id, const JsonValue& member) {
    constexpr double usual_em = 16;
    if (member.key == "em" && member.number == usual_em) return {};
    if (member.key == "direction" && member.text == "ltr") return {};
    if (member.key == "root") return Step{id, Role::node, is_plain(id)};
    return Step{id, role_of_definitions(member.key)};
  }

  [[nodiscard]] bool is_plain(ValueId node) const {
    return document_.member(node, "part") == no_value && document_.member(node, "like") == no_value;
  }

  [[nodiscard]] bool is_needed(const KeyEntry& entry, const Step& at, ValueId id) const {
    if (!at.alone || entry.name == "kind") return true;
    Keys keys;
    Faults ignored("", "");
    read_key(entry, document_, id, keys, ignored);
    return is_set(entry, keys);
  }

  const JsonDocument& document_;
  std::optional<NeededDefinitions> needed_;
  const UsedFiles* used_ = nullptr;
  JsonPage page_;
};

}  // namespace
}  // namespace scene

TidyScene tidy_scene(std::string_view json, const std::string& file_name, Uses uses) {
  static_cast<void>(read_scene(json, file_name));  // all errors are reported before anything is printed
  scene::JsonDocument document(json);
  if (uses == Uses::kept || document.member(document.root(), "uses") == scene::no_value)
    return {scene::Tidier(document).write(), scene::has_comments(json)};
  scene::Faults faults(file_name, json);
  const scene::UsedFiles used = scene::read_used_files(document, faults, file_name);
  const bool has_comments = scene::has_comments(json) || std::ranges::any_of(used.texts, scene::has_comments);
  return {scene::Tidier(document, used).write(), has_comments};
}

TidyScene tidy_scene_file(const std::string& path, Uses uses) {
  return tidy_scene(scene::text_of_file(path), path, uses);
}

std::string in_one_file(std::string json, const std::string& file_name) {
  try {
    const scene::JsonDocument document(json);
    if (document.member(document.root(), "uses") == scene::no_value) return json;
  } catch (const scene::JsonFault&) {
    return json;
  }
  return tidy_scene(json, file_name, Uses::flat).json;
}

std::vector<std::string> files_used_by(std::string_view json, const std::string& file_name) {
  try {
    scene::JsonDocument document(json);
    scene::Faults ignored(file_name, json);
    return scene::read_used_files(document, ignored, file_name).asked;
  } catch (const scene::JsonFault&) {
    return {};
  }
}

}  // namespace fond_ladder::inline v0
