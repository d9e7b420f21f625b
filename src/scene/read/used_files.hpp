// SPDX-License-Identifier: MIT
#pragma once

// The files that a scene uses: parts, shared keys, ranges and modes that are written once for many scenes. They are
// read into the document of the scene, each once however many name it.

#include <deque>
#include <string>
#include <string_view>
#include <utility>
#include <vector>

#include "scene/read/faults.hpp"
#include "scene/read/json_document.hpp"

namespace fond_ladder::inline v0::scene {

struct UsedFiles {
  std::deque<std::string> texts;   ///< of the document's texts but the first, in their order
  std::vector<std::string> files;  ///< their names, by way of the files that name them
  std::vector<std::string> asked;  ///< the same, with those that could not be read
  std::string scene;               ///< the name of the first text
  std::vector<ValueId> tops;       ///< the outermost values that define names, the weakest first, the scene's own last
  std::vector<std::pair<std::size_t, std::size_t>> named;  ///< by text: the one that names a file, and that file

  /// Whether one text uses the other, perhaps by way of others.
  [[nodiscard]] bool uses(std::size_t one, std::size_t other) const;
  /// The way from the folder of the scene to that of one of the other texts, with its last slash; empty where that is
  /// the same.
  [[nodiscard]] std::string way_to(std::size_t text) const;
};

/// Two used files that define one name, each in its own way: the value that is beaten, and the one that counts.
struct Clash {
  ValueId beaten, counts;
};

/// What a sound value of `ranges`, `modes`, `shared` or `parts` is called.
[[nodiscard]] inline std::string_view name_of_definition(const JsonDocument& document, ValueId definition) {
  const JsonValue& value = document[definition];
  if (!value.key.empty()) return value.key;
  return value.type == JsonValue::Type::string ? value.text : document[document.member(definition, "name")].text;
}

/// Reads what `uses` names at the top of a document, and what that uses, into the document. What is wrong with it
/// becomes faults. `file` is where the document comes from: names are looked for beside it.
[[nodiscard]] UsedFiles read_used_files(JsonDocument& document, Faults& faults, const std::string& file);

}  // namespace fond_ladder::inline v0::scene
