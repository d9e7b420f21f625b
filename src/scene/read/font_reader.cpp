// SPDX-License-Identifier: MIT
#include "scene/read/font_reader.hpp"

#include <algorithm>
#include <array>

#include "fond_ladder/fonts.hpp"
#include "model/key_table.hpp"
#include "model/limits.hpp"
#include "model/nearest_word.hpp"
#include "model/node_name.hpp"

namespace fond_ladder::inline v0::scene {
namespace {

using Type = JsonValue::Type;

constexpr std::array<std::string_view, 2> font_keys{"family", "file"};

}  // namespace

std::vector<NamedFont> FontReader::read(const std::vector<ValueId>& objects) {
  std::vector<NamedFont> fonts;
  for (const ValueId object : objects) read_all(object, fonts);
  return fonts;
}

void FontReader::read_all(ValueId object, std::vector<NamedFont>& fonts) {
  if (document_[object].type != Type::object) {
    faults_.add(document_, object,
                R"("fonts" must be an object of names, as in {"body": {"family": "Serif"}} or {"file": "body.ttf"})");
    return;
  }
  refuse_twins(object);
  bool is_full = false;
  for_each_member(object, [&](ValueId id, const JsonValue& member) {
    const bool is_new = std::ranges::find(fonts, member.key, &NamedFont::name) == fonts.end();
    if (is_new && fonts.size() == limits::most_fonts) {
      if (!is_full) faults_.add(document_, id, "a scene has at most 64 fonts");
      is_full = true;
    } else if (!is_node_name(member.key)) {
      faults_.add(document_, id, "the name of a font must be a letter, then letters, digits, \"_\" or \"-\"", true);
    } else {
      read_one(id, fonts);
    }
  });
}

void FontReader::read_one(ValueId id, std::vector<NamedFont>& fonts) {
  const SceneError place = faults_.placed_at(document_, id);
  NamedFont font{document_[id].key, "", "",
                 place.file + ":" + std::to_string(place.line) + ":" + std::to_string(place.column)};
  bool is_sound = true;
  if (document_[id].type == Type::object) {
    refuse_twins(id);
    for_each_member(id, [&](ValueId inner, const JsonValue& value) {
      if (value.key != "family" && value.key != "file") {
        unknown_key(inner, font_keys);
        is_sound = false;
      } else if (value.type != Type::string || value.text.empty() || value.text.find('\0') != std::string::npos) {
        faults_.add(document_, inner, "\"" + value.key + "\" must be a name in quotes");
      } else if (value.key == "family") {
        font.family = value.text;
      } else {
        font.file =
            value.text.front() == '/' ? value.text : place.file.substr(0, place.file.rfind('/') + 1) + value.text;
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
  names_.insert(font.name);
  places_.emplace(font.source_place, id);
  const auto same = std::ranges::find(fonts, font.name, &NamedFont::name);
  if (same == fonts.end()) return fonts.push_back(std::move(font));
  const ValueId beaten = places_.at(same->source_place);
  const bool is_own = document_.text_of(id) == 0;
  if (is_own) std::erase_if(clashes, [&](const Clash& one) { return one.counts == beaten; });
  if (!is_own && !document_.equal_values(beaten, id)) clashes.push_back({beaten, id});
  *same = std::move(font);
}

void FontReader::refuse_unknown() {
  const std::vector<std::string_view> words(names_.begin(), names_.end());
  const ValueId locales = document_.member(document_.root(), "locales");
  for (ValueId id = 0; id < document_.size() && !faults_.lists_no_more(); ++id) {
    const JsonValue& value = document_[id];
    if (value.key != "font" || value.type != Type::string || value.text.empty() || names_.contains(value.text))
      continue;
    const bool is_of_locale = locales != no_value && document_.text_of(id) == 0 &&
                              value.offset >= document_[locales].offset && value.offset < document_[locales].end;
    if (is_of_locale) continue;  // there it is the name of a text
    faults_.add(document_, id,
                names_.empty() ? "the scene has no fonts; name some, as in \"fonts\": {\"" + value.text +
                                     "\": {\"family\": \"Serif\"}}"
                               : "the scene has no font of that name" + word_hint(value.text, words));
  }
}

void FontReader::set_text_metrics_of(Scene& scene) {
  try {
    set_text_metrics(scene, TextMetrics::fonts);
  } catch (const BadFonts& bad) {
    for (const BadFonts::Fault& fault : bad.faults()) {
      const auto place = places_.find(fault.source_place);
      faults_.add(document_,
                  place == places_.end() ? document_.member(document_.root(), "text_metrics") : place->second,
                  fault.message);
    }
    faults_.raise();
  }
}

}  // namespace fond_ladder::inline v0::scene
