// SPDX-License-Identifier: MIT
#pragma once

// Edits of a scene file, which keep its comments and order, and can be undone:
// Draft draft(text, "console.scene.json");
// draft.apply(Edit::set("beds.width", "300"));
// draft.undo();

#include <array>
#include <cstddef>
#include <cstdint>
#include <memory>
#include <string>
#include <string_view>
#include <vector>

#include "fond_ladder/enums.hpp"
#include "fond_ladder/error.hpp"
#include "fond_ladder/scene.hpp"
#include "fond_ladder/scene_file.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// One edit of a scene, in the words of the command line. A value; it belongs to no scene.
struct Edit {
  enum class Does : std::uint8_t {
    set,        ///< sets a key
    move,       ///< moves nodes
    group,      ///< groups siblings in a new container
    remove,     ///< removes nodes
    insert,     ///< inserts a node
    ungroup,    ///< removes a container but keeps its children
    duplicate,  ///< copies a node
  };
  Does does = Does::set;
  /// Makes an edit from the value of the option of that name: `NODE.KEY=VALUE`, `A,B=CONTAINER:INDEX`,
  /// `A,B=KIND:NAME`, `A,B`, `CONTAINER:INDEX=NODE IN JSON`, `NODE`, or `NODE=NAME`.
  std::string what;

  /// Sets a key. `place` is a node (or a pattern) and a key, or another place in the file, as in `beds.padding.left`,
  /// `cards/*.gap` or `shared.button.height`. The value is written as in a scene file, words without quotes; `null`
  /// removes the key.
  [[nodiscard]] static Edit set(const std::string& place, const std::string& value);
  /// Moves a node, or several separated by commas, in that order. The index counts the children of the container
  /// without the moved nodes.
  [[nodiscard]] static Edit move(const std::string& node, const std::string& container, std::size_t place);
  /// Groups siblings in a new container, at the position of the first of them.
  [[nodiscard]] static Edit group(const std::vector<std::string>& nodes, Kind kind, const std::string& name = {});
  /// Removes nodes and their descendants.
  [[nodiscard]] static Edit remove(const std::string& node);
  /// Inserts a node, written as JSON, before the child of that index.
  [[nodiscard]] static Edit insert(const std::string& container, std::size_t place, const std::string& json);
  /// Removes a container but keeps its children, in its place.
  [[nodiscard]] static Edit ungroup(const std::string& container);
  /// Copies a node with its descendants and inserts the copy after it, under another name or without a name.
  [[nodiscard]] static Edit duplicate(const std::string& node, const std::string& name = {});

  /// The edit as a short sentence: `beds.width=300`, `move legend=bar:1`.
  [[nodiscard]] std::string text() const;
  /// The edit as an option of the program, `--move legend=bar:1`, quoted for a shell where necessary.
  [[nodiscard]] std::string option() const;
  friend bool operator==(const Edit&, const Edit&) = default;
};
/// The names of the options that make edits.
template <>
inline constexpr std::array<std::string_view, 7> words_of<Edit::Does>{"set",    "move",    "group",    "remove",
                                                                      "insert", "ungroup", "duplicate"};

/// Thrown for an edit that is not possible. The message gives the reason, and the nearest word.
class BadEdit : public Error {
 public:
  using Error::Error;
};

/// A scene under edit: edits are applied one after the other and can be undone. An edit means what the edited file
/// would mean: it changes the text of the file, which keeps its comments and formatting, and reads the scene again.
/// If one copy, or one instance of a part, gets a key of its own, the copies or the instance are written out. Claims
/// and locales that name a moved node are updated; those that name a removed node are skipped. A value; an edit costs
/// reading the scene.
class Draft {
 public:
  /// Starts from the text of a scene file; `file_name` is as for read_scene. Throws BadScene.
  Draft(std::string json, std::string file_name);
  /// Starts from a scene of any origin. Custom contents stay with their nodes.
  explicit Draft(const Scene& scene);

  /// Applies an edit, and drops the edits that could be redone. Throws BadEdit, and changes nothing, if the edit is
  /// not possible or the scene would be invalid.
  void apply(const Edit& edit);
  /// Undoes the last edit. Returns whether there was one.
  bool undo();
  /// Applies the edit that was undone last again. Returns whether there was one.
  bool redo();

  /// The scene with all edits. Valid until the next call that changes the draft.
  [[nodiscard]] const Scene& scene() const;
  /// The names of the parts that the scene and its used files define, in order.
  [[nodiscard]] std::vector<std::string> parts() const;
  /// The path of a node inside the part that it belongs to, as `set` takes it: `parts.card`, `parts.card/about`. With
  /// nested parts, the innermost one or the one of that name. Empty for a node outside such a part, for one without a
  /// name there, and for a part of another file. Throws BadPath.
  [[nodiscard]] std::string place_in_part(const std::string& node, const std::string& part = {}) const;
  /// The text of the file with all edits.
  [[nodiscard]] const std::string& json() const;
  /// The applied edits in order, without those that were undone.
  [[nodiscard]] const std::vector<Edit>& made() const { return made_; }
  /// Hints about the edits, one sentence each: that a range still sets the key, or which claims are skipped.
  [[nodiscard]] std::vector<std::string> hints() const;

 private:
  struct Stage;
  [[nodiscard]] std::shared_ptr<const Stage> made_of(const Stage& before, const Edit& edit) const;

  std::string file_name_;
  std::vector<std::shared_ptr<const Stage>> stages_;  // the scene as it is, then with one change more each
  std::vector<Edit> made_;
  std::vector<std::pair<Edit, std::shared_ptr<const Stage>>> taken_back_;  // the last on top
};

}  // namespace v0
}  // namespace fond_ladder
