// SPDX-License-Identifier: MIT
#include "scene/read/conditions.hpp"

#include <algorithm>
#include <array>

#include "model/container_size.hpp"
#include "model/key_table.hpp"
#include "model/limits.hpp"
#include "scene/read/object_reader.hpp"

namespace fond_ladder::inline v0::scene {
namespace {

using Type = JsonValue::Type;

constexpr std::array<std::string_view, 5> range_keys{"name", "from_width", "below_width", "from_height",
                                                     "below_height"};

class ConditionReader : private ObjectReader {
 public:
  ConditionReader(const JsonDocument& document, Faults& faults) : ObjectReader(document, faults) {}

  void read_ranges(ValueId list) {
    if (document_[list].type != Type::array) {
      faults_.add(document_, list, "\"ranges\" must be a list of objects, each with a name and bounds");
      return;
    }
    for (ValueId id = document_[list].first; id != no_value; id = document_[id].next) read_range(id);
  }

  void read_modes(ValueId list) {
    bool sound = document_[list].type == Type::array;
    for (ValueId id = sound ? document_[list].first : no_value; id != no_value && !is_full(); id = document_[id].next) {
      sound = sound && document_[id].type == Type::string;
      if (document_[id].type != Type::string) continue;
      add_name(id);
      found.modes.push_back(document_[id].text);
    }
    if (!sound) faults_.add(document_, list, "\"modes\" must be a list of names");
  }

  Conditions found;

 private:
  /// Whether one more was refused.
  [[nodiscard]] bool is_full() const { return found.names.size() > limits::most_conditions; }

  void add_name(ValueId place) {
    const std::string& name = document_[place].text;
    if (found.names.size() == limits::most_conditions) {
      faults_.add(document_, place, "a scene has at most 1,000 ranges and modes");
    } else if (!is_node_name(name)) {
      faults_.add(document_, place,
                  "the name of a range or mode must be a letter, then letters, digits, \"_\" or \"-\"");
    } else if (name == "all") {
      faults_.add(document_, place,
                  "no range or mode can be called \"all\": on the command line that stands for every mode");
    } else if (std::ranges::find(found.names, name) != found.names.end()) {
      faults_.add(document_, place, "two ranges or modes are called \"" + name + "\"");
    }
    found.names.push_back(name);
  }

  void read_range(ValueId id) {
    const ValueId name = document_[id].type == Type::object ? document_.member(id, "name") : no_value;
    if (name == no_value || document_[name].type != Type::string) {
      faults_.add(document_, id, "a range must be an object with a \"name\" and bounds, as in \"below_width\": 640");
      return;
    }
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
      faults_.add(document_, id, "the range \"" + range.name + "\" holds at no size: it ends before it begins");
    }
    found.ranges.push_back(range);
  }
};

}  // namespace

Conditions read_conditions(const JsonDocument& document, ValueId top, Faults& faults) {
  ConditionReader reader(document, faults);
  if (const ValueId ranges = document.member(top, "ranges"); ranges != no_value) reader.read_ranges(ranges);
  if (const ValueId modes = document.member(top, "modes"); modes != no_value) reader.read_modes(modes);
  return std::move(reader.found);
}

}  // namespace fond_ladder::inline v0::scene
