// SPDX-License-Identifier: MIT
#pragma once

// The place in a file of what a command has found in a scene.

#include <memory>
#include <optional>
#include <string>

#include "fond_ladder/version.hpp"
#include "scene/read/json_document.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {
namespace scene {

struct ReadText;

/// Lines and columns from 1, columns in characters.
class Places {
 public:
  /// Of a scene file, read as it is on the disk; standard input has no places. Throws BadScene.
  explicit Places(const std::string& file);
  ~Places();
  Places(const Places&) = delete;
  Places& operator=(const Places&) = delete;

  /// A node by its full path, or one of its keys if the node sets it itself. Without a path, a range of the
  /// name `otherwise`, or else the top of the file. None where the file has no such node (one that was tried).
  [[nodiscard]] std::optional<Position> of_node(const std::string& path, const std::string& key,
                                                const std::string& otherwise = {}) const;
  /// A claim of the scene by its place among them.
  [[nodiscard]] std::optional<Position> of_claim(std::size_t number) const;

 private:
  [[nodiscard]] Position at(ValueId value) const;

  std::unique_ptr<const ReadText> read_;  // none of standard input
};

}  // namespace scene
}  // namespace v0
}  // namespace fond_ladder
