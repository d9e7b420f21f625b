// SPDX-License-Identifier: MIT
#pragma once

// Reads and writes scene files. Faults come all together, each with file, line, column and remedy, in one BadScene.
// Scene scene = read_scene_file("console.scene.json");

#include <cstddef>
#include <cstdint>
#include <stdexcept>
#include <string>
#include <string_view>
#include <vector>

#include "fond_ladder/scene.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// One thing that is wrong with a scene file.
struct SceneError {
  std::string file;
  std::size_t line = 0, column = 0;  ///< from 1; 0 when the fault is about the whole file
  std::string pointer;               ///< JSON pointer (RFC 6901); empty for the whole document
  std::string message;               ///< what is wrong, and the remedy

  /// `file:line:column: error: message (at /pointer)`
  [[nodiscard]] std::string text() const;
};

/// All that is wrong with a scene file, in the order of the file.
class BadScene : public std::runtime_error {
 public:
  explicit BadScene(std::vector<SceneError> faults);
  /// In the order of their places.
  [[nodiscard]] const std::vector<SceneError>& faults() const { return faults_; }

 private:
  std::vector<SceneError> faults_;
};

/// Reads a scene from JSON text (RFC 8259; comments allowed). `file_name` is for messages, and for the place beside
/// which the files are looked for that the scene uses; only then are files read. Throws BadScene with every fault of
/// all of them.
[[nodiscard]] Scene read_scene(std::string_view json, const std::string& file_name);

/// Reads a scene from a file of at most 40 MiB. Throws BadScene, also when the file cannot be read.
[[nodiscard]] Scene read_scene_file(const std::string& path);

/// A scene as a file would say it, stable and short: what is at its default is left out, copies that are alike become
/// one node. Reading it gives the same tree; content that the program measures is not in it.
[[nodiscard]] std::string to_json(const Scene& scene);

/// A scene file printed anew: keys in the order of the format, values that only repeat a default left out; what was
/// written once is still written once.
struct TidyScene {
  std::string json;
  bool lost_comments = false;  ///< it had comments, and they are not in it
};

/// Whether a scene goes on naming the files that it uses, or holds itself what it needs of them.
enum class Uses : std::uint8_t { kept, flat };

/// Both throw BadScene, as reading does.
[[nodiscard]] TidyScene tidy_scene(std::string_view json, const std::string& file_name, Uses uses = Uses::kept);
[[nodiscard]] TidyScene tidy_scene_file(const std::string& path, Uses uses = Uses::kept);

/// A scene that needs no other file, to be sent elsewhere: the text itself where it uses none. Throws as tidy_scene
/// does where it does.
[[nodiscard]] std::string in_one_file(std::string json, const std::string& file_name);

/// The files that a scene names, and that those name, as they are called from the working directory; also those that
/// cannot be read. Of a text that is no scene: none.
[[nodiscard]] std::vector<std::string> files_used_by(std::string_view json, const std::string& file_name);

}  // namespace v0
}  // namespace fond_ladder
