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

/// Reads the fonts of a scene, of the files that it uses and of its locales, and keeps the place of each.
class FontReader : private ObjectReader {
 public:
  FontReader(const JsonDocument& document, Faults& faults) : ObjectReader(document, faults) {}

  /// Reads objects of fonts, the weakest first: one beats another of that name in those before it. Files are looked for
  /// beside the scene file that names them.
  [[nodiscard]] std::vector<NamedFont> read(const std::vector<ValueId>& objects);
  /// After all are read: refuses font names of nodes that no font has.
  void refuse_unknown();
  /// Measures the text of the scene with them. Errors of a font are reported at its place; then throws
  /// BadScene.
  void set_text_metrics_of(Scene& scene);

  std::vector<Clash> clashes;

 private:
  void read_all(ValueId object, std::vector<NamedFont>& fonts);
  void read_one(ValueId id, std::vector<NamedFont>& fonts);

  std::map<std::string, ValueId> places_;  // by NamedFont::source_place
  std::set<std::string> names_;
};

}  // namespace fond_ladder::inline v0::scene
