// SPDX-License-Identifier: MIT
#pragma once

// Reads and writes scene files. Faults come all together, each with file, line, column and remedy, in one BadScene.
// Scene scene = read_scene_file("console.scene.json");

#include <cstddef>
#include <cstdint>
#include <string>
#include <string_view>
#include <vector>

#include "fond_ladder/error.hpp"
#include "fond_ladder/scene.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// An error in a scene file.
struct SceneError {
  std::string file;
  std::size_t line = 0, column = 0;  ///< from 1; 0 when the fault is about the whole file
  std::string pointer;               ///< JSON pointer (RFC 6901); empty for the whole document
  std::string message;               ///< what is wrong, and the remedy

  /// `file:line:column: error: message (at /pointer)`
  [[nodiscard]] std::string text() const;
};

/// Thrown for a scene file with errors: all of them, in the order of the file.
class BadScene : public Error {
 public:
  explicit BadScene(std::vector<SceneError> faults);
  /// The errors, by place.
  [[nodiscard]] const std::vector<SceneError>& faults() const { return faults_; }

 private:
  std::vector<SceneError> faults_;
};

/// Reads a scene from JSON text (RFC 8259, with comments). `file_name` is for messages, and for relative paths of
/// used files; files are read only if it is given. Throws BadScene with all errors of all files.
[[nodiscard]] Scene read_scene(std::string_view json, const std::string& file_name);

/// Reads a scene from a file of at most 40 MiB. Throws BadScene, also when the file cannot be read.
[[nodiscard]] Scene read_scene_file(const std::string& path);

/// Writes a scene as a file, stable and short: without defaults, and equal copies as one node. Reading it gives the
/// same tree. Custom content is not in it.
[[nodiscard]] std::string to_json(const Scene& scene);

/// Prints a scene file again: keys in the order of the format, without values that repeat a default; what is written
/// once stays written once.
struct TidyScene {
  std::string json;
  bool lost_comments = false;  ///< whether the file had comments, which are dropped
};

/// Whether a scene keeps naming the files that it uses, or includes what it needs of them.
enum class Uses : std::uint8_t {
  kept,  ///< the names of used files stay
  flat,  ///< what the scene needs of them is in it
};

/// Throws BadScene. Linear in the text.
[[nodiscard]] TidyScene tidy_scene(std::string_view json, const std::string& file_name, Uses uses = Uses::kept);
[[nodiscard]] TidyScene tidy_scene_file(const std::string& path, Uses uses = Uses::kept);

/// A scene that needs no other file: the text itself if it uses none. Throws as tidy_scene does.
[[nodiscard]] std::string in_one_file(std::string json, const std::string& file_name);

/// The files that a scene uses, directly and indirectly, by path from the working directory, also those that cannot
/// be read. Empty for a text that is not a scene.
[[nodiscard]] std::vector<std::string> files_used_by(std::string_view json, const std::string& file_name);

}  // namespace v0
}  // namespace fond_ladder
