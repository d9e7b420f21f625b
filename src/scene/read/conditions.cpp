// SPDX-License-Identifier: MIT
#include "scene/read/conditions.hpp"

#include <algorithm>
#include <array>
#include <unordered_map>

#include "model/claim_words.hpp"
#include "model/key_table.hpp"
#include "model/limits.hpp"
#include "model/node_name.hpp"
#include "model/sound_container.hpp"
#include "scene/read/object_reader.hpp"

namespace fond_ladder::inline v0::scene {
namespace {

using Type = JsonValue::Type;

constexpr std::array<std::string_view, 5> range_keys{"name", "from_width", "below_width", "from_height",
                                                     "below_height"};

class ConditionReader : private ObjectReader {
 public:
  ConditionReader(const JsonDocument& document, Faults& faults) : ObjectReader(document, faults) {}

  void read(const std::vector<ValueId>& tops) {
    for (const ValueId top : tops) find_strongest(document_.member(top, "ranges"));
    std::erase_if(found.clashes, [&](const Clash& one) {  // the scene itself settles it
      return document_.text_of(strongest_.at(document_[name_of(one.counts)].text)) == 0;
    });
    for (const ValueId top : tops) {
      if (const ValueId ranges = document_.member(top, "ranges"); ranges != no_value) read_ranges(ranges);
    }
    for (const ValueId top : tops) {
      if (const ValueId modes = document_.member(top, "modes"); modes != no_value) read_modes(modes);
    }
  }

  Conditions found;

 private:
  void read_ranges(ValueId list) {
    if (document_[list].type != Type::array) {
      faults_.add(document_, list, "\"ranges\" must be a list of objects, each with a name and bounds");
      return;
    }
    for (ValueId id = document_[list].first; id != no_value && !is_full(); id = document_[id].next) read_range(id);
  }

  void read_modes(ValueId list) {
    bool sound = document_[list].type == Type::array;
    for (ValueId id = sound ? document_[list].first : no_value; id != no_value && !is_full(); id = document_[id].next) {
      sound = sound && document_[id].type == Type::string;
      if (document_[id].type != Type::string || is_known_mode(id)) continue;
      add_name(id);
      found.modes.push_back(document_[id].text);
    }
    if (!sound) faults_.add(document_, list, "\"modes\" must be a list of names");
  }

  /// The name of an object in a list of ranges, or none.
  [[nodiscard]] ValueId name_of(ValueId range) const {
    const ValueId name = document_[range].type == Type::object ? document_.member(range, "name") : no_value;
    return name == no_value || document_[name].type != Type::string ? no_value : name;
  }

  /// Takes in the ranges of a file, which beat those of the files before it.
  void find_strongest(ValueId list) {
    if (list == no_value || document_[list].type != Type::array) return;
    for (ValueId id = document_[list].first; id != no_value; id = document_[id].next) {
      const ValueId name = name_of(id);
      if (name == no_value) continue;
      const auto [at, is_new] = strongest_.try_emplace(document_[name].text, id);
      if (is_new || document_.text_of(at->second) == document_.text_of(id)) continue;
      if (document_.text_of(id) != 0 && !document_.equal_values(at->second, id))
        found.clashes.push_back({at->second, id});
      at->second = id;
    }
  }
  [[nodiscard]] bool is_beaten(ValueId range, const std::string& name) const {
    const auto at = strongest_.find(name);
    return at != strongest_.end() && document_.text_of(at->second) != document_.text_of(range);
  }

  /// Whether another file has a mode already.
  [[nodiscard]] bool is_known_mode(ValueId mode) {
    const auto [at, is_new] = modes_.try_emplace(document_[mode].text, document_.text_of(mode));
    return !is_new && at->second != document_.text_of(mode);
  }

  /// Whether one more was refused.
  [[nodiscard]] bool is_full() const { return found.names.size() > limits::most_conditions; }

  void add_name(ValueId place) {
    const std::string& name = document_[place].text;
    if (found.names.size() == limits::most_conditions) {
      faults_.add(document_, place, "a scene has at most 1,000 ranges and modes");
    } else if (!is_node_name(name)) {
      faults_.add(document_, place,
                  "the name of a range or mode must be a letter, then letters, digits, \"_\" or \"-\"");
    } else if (detail::is_claim_word(name)) {
      faults_.add(document_, place, "no range or mode can be called \"" + name + "\": claims use that word");
    } else if (name == "all") {
      faults_.add(document_, place, "no range or mode can be called \"all\": --mode all means every combination");
    } else if (std::ranges::find(found.names, name) != found.names.end()) {
      faults_.add(document_, place, "two ranges or modes are called \"" + name + "\"");
    }
    found.names.push_back(name);
    if (document_.text_of(place) != 0) found.of_used_files.push_back(name);
  }

  void read_range(ValueId id) {
    const ValueId name = name_of(id);
    if (name == no_value) {
      faults_.add(document_, id, "a range must be an object with a \"name\" and bounds, as in \"below_width\": 640");
      return;
    }
    if (is_beaten(id, document_[name].text)) return;
    refuse_twins(id);
    add_name(name);
    Range range{document_[name].text};
    const std::array<std::optional<double>*, 4> bounds{&range.from_width, &range.below_width, &range.from_height,
                                                       &range.below_height};
    for (ValueId member = document_[id].first; member != no_value; member = document_[member].next) {
      const JsonValue& value = document_[member];
      const auto place = static_cast<std::size_t>(std::ranges::find(range_keys, value.key) - range_keys.begin());
      if (place == range_keys.size()) {
        unknown_key(member, range_keys, Vocabulary::range_keys);
      } else if (place > 0 && value.type == Type::number && is_container_size(value.number)) {
        *bounds[place - 1] = value.number;
      } else if (place > 0) {
        faults_.add(document_, member, "\"" + value.key + "\" must be a size in pixels");
      }
    }
    if (range.is_empty()) {
      faults_.add(
          document_, id,
          "the range \"" + range.name + "\" includes no size; its from_ bound must be smaller than its below_ bound");
    }
    found.ranges.push_back(range);
  }

  std::unordered_map<std::string, ValueId> strongest_;  // by the name of a range
  std::unordered_map<std::string, std::size_t> modes_;  // by name, the text that declares it first
};

}  // namespace

Conditions read_conditions(const JsonDocument& document, const std::vector<ValueId>& tops, Faults& faults) {
  ConditionReader reader(document, faults);
  reader.read(tops);
  return std::move(reader.found);
}

}  // namespace fond_ladder::inline v0::scene
