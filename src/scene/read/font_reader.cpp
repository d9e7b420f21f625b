// SPDX-License-Identifier: MIT
#include "scene/read/font_reader.hpp"

#include <algorithm>
#include <array>

#include "model/key_table.hpp"
#include "model/limits.hpp"
#include "model/nearest_word.hpp"
#include "scene/read/object_reader.hpp"

namespace fond_ladder::inline v0::scene {
namespace {

using Type = JsonValue::Type;

constexpr std::array<std::string_view, 2> font_keys{"family", "file"};

class FontReader : private ObjectReader {
 public:
  FontReader(const JsonDocument& document, Faults& faults) : ObjectReader(document, faults) {}

  void read_all(ValueId object) {
    if (document_[object].type != Type::object) {
      faults_.add(document_, object,
                  R"("fonts" must be an object of names, as in {"body": {"family": "Serif"}} or {"file": "body.ttf"})");
      return;
    }
    refuse_twins(object);
    for_each_member(object, [&](ValueId id, const JsonValue& member) {
      if (found.fonts.size() == limits::most_fonts) {
        if (!is_full_) faults_.add(document_, id, "a scene has at most 64 fonts");
        is_full_ = true;
      } else if (!is_node_name(member.key)) {
        faults_.add(document_, id, "the name of a font must be a letter, then letters, digits, \"_\" or \"-\"", true);
      } else {
        read_one(id);
      }
    });
  }

  ReadFonts found;

 private:
  void read_one(ValueId id) {
    const SceneFault place = faults_.placed_at(document_, id);
    NamedFont font{document_[id].key, "", "",
                   place.file + ":" + std::to_string(place.line) + ":" + std::to_string(place.column)};
    bool is_sound = true;
    if (document_[id].type == Type::object) {
      refuse_twins(id);
      for_each_member(id, [&](ValueId inner, const JsonValue& said) {
        if (said.key != "family" && said.key != "file") {
          unknown_key(inner, font_keys);
          is_sound = false;
        } else if (said.type != Type::string || said.text.empty() || said.text.find('\0') != std::string::npos) {
          faults_.add(document_, inner, "\"" + said.key + "\" must be a name in quotes");
        } else if (said.key == "family") {
          font.family = said.text;
        } else {
          font.file =
              said.text.front() == '/' ? said.text : place.file.substr(0, place.file.rfind('/') + 1) + said.text;
        }
      });
    }
    const bool is_object = document_[id].type == Type::object;
    const bool by_family = is_object && document_.member(id, "family") != no_value;
    const bool by_file = is_object && document_.member(id, "file") != no_value;
    if (by_family == by_file) {
      if (!is_sound) return;
      faults_.add(document_, id,
                  R"(a font is said by its family or by its file, as in {"family": "Serif"} or {"file": "body.ttf"})");
      return;
    }
    const auto same = std::ranges::find(found.fonts, font.name, &NamedFont::name);
    if (same == found.fonts.end()) {
      found.fonts.push_back(std::move(font));
      found.places.push_back(id);
      return;
    }
    ValueId& beaten = found.places[static_cast<std::size_t>(same - found.fonts.begin())];
    const bool is_own = document_.text_of(id) == 0;
    if (is_own) std::erase_if(found.clashes, [&](const Clash& one) { return one.counts == beaten; });
    if (!is_own && !document_.alike(beaten, id)) found.clashes.push_back({beaten, id});
    beaten = id;
    *same = std::move(font);
  }

  bool is_full_ = false;
};

}  // namespace

ReadFonts read_fonts(const JsonDocument& document, const std::vector<ValueId>& objects, Faults& faults) {
  FontReader reader(document, faults);
  for (const ValueId object : objects) reader.read_all(object);
  return std::move(reader.found);
}

void refuse_unknown_fonts(const JsonDocument& document, const std::vector<std::string>& names, Faults& faults) {
  const std::vector<std::string_view> words(names.begin(), names.end());
  const ValueId wordings = document.member(document.root(), "wordings");
  for (ValueId id = 0; id < document.size(); ++id) {
    const JsonValue& value = document[id];
    if (value.key != "font" || value.type != Type::string || value.text.empty()) continue;
    if (std::ranges::find(names, value.text) != names.end()) continue;
    const bool is_of_wording = wordings != no_value && document.text_of(id) == 0 &&
                               value.offset >= document[wordings].offset && value.offset < document[wordings].end;
    if (is_of_wording) continue;  // there it is the name of a text
    faults.add(document, id,
               names.empty() ? "the scene has no fonts; name some, as in \"fonts\": {\"" + value.text +
                                   "\": {\"family\": \"Serif\"}}"
                             : "the scene has no font of that name" + word_hint(value.text, words));
  }
}

}  // namespace fond_ladder::inline v0::scene
