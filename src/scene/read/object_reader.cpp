// SPDX-License-Identifier: MIT
#include "scene/read/object_reader.hpp"

#include <unordered_map>

#include "model/nearest_word.hpp"

namespace fond_ladder::inline v0::scene {

void ObjectReader::refuse_twins(ValueId object) {
  std::unordered_map<std::string_view, ValueId> seen;
  for_each_member(object, [&](ValueId id, const JsonValue& member) {
    if (member.written != no_value) return;  // "about.text" beside "about" adds to it
    if (!seen.try_emplace(member.key, id).second) {
      faults_.add(document_, id, "\"" + member.key + "\" is given twice", true);
    }
  });
}

void ObjectReader::unknown_key(ValueId id, std::span<const std::string_view> words, Vocabulary vocabulary) {
  const std::string& key = document_[id].key;
  const std::string hint = faults_.lists_no_more() ? "" : word_hint(key, words, vocabulary);
  faults_.add(document_, id, "unknown key \"" + key + "\"" + hint, true);
}

}  // namespace fond_ladder::inline v0::scene
