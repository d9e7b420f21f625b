// SPDX-License-Identifier: MIT
#pragma once

#include <map>
#include <set>
#include <string>
#include <vector>

#include "fond_ladder/scene.hpp"
#include "scene/read/object_reader.hpp"
#include "scene/read/used_files.hpp"

namespace fond_ladder::inline v0::scene {

/// Reads the fonts of a scene, of the files that it uses and of its locales, and keeps where each is said.
class FontReader : private ObjectReader {
 public:
  FontReader(const JsonDocument& document, Faults& faults) : ObjectReader(document, faults) {}

  /// Reads objects of fonts, the weakest first: one beats another of that name in those before it. Files are looked for
  /// beside the scene file that names them.
  [[nodiscard]] std::vector<NamedFont> read(const std::vector<ValueId>& objects);
  /// When all are read: refuses the names of fonts that nodes say and none of them has.
  void refuse_unknown();
  /// Measures the words of the scene with them. What is wrong with a font is told where it is said; then throws
  /// BadScene.
  void set_words_of(Scene& scene);

  std::vector<Clash> clashes;

 private:
  void read_all(ValueId object, std::vector<NamedFont>& fonts);
  void read_one(ValueId id, std::vector<NamedFont>& fonts);

  std::map<std::string, ValueId> places_;  // by what NamedFont has them said at
  std::set<std::string> names_;
};

}  // namespace fond_ladder::inline v0::scene
