// SPDX-License-Identifier: MIT
#pragma once

#include <memory>
#include <string>
#include <utility>

#include "scene/read/written_nodes.hpp"

namespace fond_ladder::inline v0::scene {

/// The text of a scene file with everything that was read from it.
struct ReadText {
  /// Throws BadScene.
  ReadText(std::string json, const std::string& file_name);

  /// Whether a value is in the definition of a part, or in another file.
  [[nodiscard]] bool is_in_parts(ValueId value) const;
  [[nodiscard]] ValueId value_of(NodeId node) const { return written.of(node).value; }

  std::string text;
  JsonDocument document;  ///< the text, and behind it the files that it uses
  UsedFiles used;
  WrittenNodes written;
  Scene scene;

 private:
  /// A text that is sound JSON, as it was given.
  struct Parsed {
    std::string text;
    JsonDocument document;
  };
  static Parsed parsed(std::string json, const std::string& file_name);
  ReadText(Parsed parsed, const std::string& file_name);
};

}  // namespace fond_ladder::inline v0::scene
