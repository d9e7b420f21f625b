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
#include "fond_ladder/scene.hpp"
#include "fond_ladder/scene_file.hpp"
#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// One change of a scene, in the words of the command line. A value, by itself about no scene.
struct Edit {
  enum class Does : std::uint8_t { set, move, group, remove, insert, ungroup, duplicate };
  Does does = Does::set;
  /// What the option of that name takes: `NODE.KEY=VALUE`, `A,B=CONTAINER:PLACE`, `A,B=KIND:NAME`, `A,B`,
  /// `CONTAINER:PLACE=NODE IN JSON`, `NODE`, or `NODE=NAME`.
  std::string what;

  /// `place` is a node (or a pattern) and a key, or a place in the file that is no node, as in `beds.padding.left`,
  /// `cards/*.gap`, `shared.button.height`. The value is written as in a scene file, a word needs no quotes; `null`
  /// leaves out what is said there.
  [[nodiscard]] static Edit set(const std::string& place, const std::string& value);
  /// `node` is one or, between commas, several, which then stand there in that order. The place is counted among the
  /// container's children, those taken out before.
  [[nodiscard]] static Edit move(const std::string& node, const std::string& container, std::size_t place);
  /// Gathers siblings in a container of their own, where the first of them is.
  [[nodiscard]] static Edit group(const std::vector<std::string>& nodes, Kind kind, const std::string& name = {});
  /// Removes nodes and their descendants.
  [[nodiscard]] static Edit remove(const std::string& node);
  /// Inserts a node, written as JSON, before the child of that index.
  [[nodiscard]] static Edit insert(const std::string& container, std::size_t place, const std::string& json);
  /// Takes a container away whose children stay, in its place.
  [[nodiscard]] static Edit ungroup(const std::string& container);
  /// Puts a node like this one, with all that is in it, behind it under another name; without one it has none.
  [[nodiscard]] static Edit duplicate(const std::string& node, const std::string& name = {});

  /// `beds.width=300`, `move legend=bar:1`
  [[nodiscard]] std::string text() const;
  /// As an option of the program, `--move legend=bar:1`, quoted for a shell where it must be.
  [[nodiscard]] std::string option() const;
  friend bool operator==(const Edit&, const Edit&) = default;
};
/// The options that make such changes.
template <>
inline constexpr std::array<std::string_view, 7> words_of<Edit::Does>{"set",    "move",    "group",    "remove",
                                                                      "insert", "ungroup", "duplicate"};

/// Thrown for a change that cannot be made; the message says why, and the nearest word.
class BadEdit : public std::invalid_argument {
 public:
  using std::invalid_argument::invalid_argument;
};

/// A scene under edit, one edit after the other, each of which can be undone. An edit means what the
/// edited file would mean: it is made in the text of the file, which keeps its comments and the way it is written, and
/// the scene is read anew. Copies and uses of parts are written out where one of them is to be different in what only
/// its own text can say; claims and locales that name a node go on naming it where it is moved, and are left out where
/// it is gone. A value; a change costs a reading of the scene.
class Draft {
 public:
  /// A scene file's text; `file_name` as read_scene takes it. Throws BadScene, as reading does.
  Draft(std::string json, std::string file_name);
  /// A scene by whatever made it. Contents that the program measures stay with their nodes.
  explicit Draft(const Scene& scene);

  /// Makes a change. Throws BadEdit and leaves all as it was when it cannot be made, or when the scene would be wrong
  /// with it. What had been taken back is forgotten.
  void apply(const Edit& edit);
  /// Takes the last change back. Returns whether there was one.
  bool undo();
  /// Makes the change again that was taken back last. Returns whether there was one.
  bool redo();

  /// With all changes made.
  [[nodiscard]] const Scene& scene() const;
  /// The names of the parts that the scene defines, itself and by what it uses, in their order.
  [[nodiscard]] std::vector<std::string> parts() const;
  /// Where a part that a node uses, or lies in, speaks of it, as `set` takes it: `parts.card`, `parts.card/about`; of
  /// parts in parts the one of that name, the innermost where none is given. Empty for a node of no such part, for one
  /// that has no name there, and for what a part of another file says. Throws BadPath.
  [[nodiscard]] std::string place_in_part(const std::string& node, const std::string& part = {}) const;
  /// The file with all changes made.
  [[nodiscard]] const std::string& json() const;
  /// In the order in which they were applied, without those that were undone.
  [[nodiscard]] const std::vector<Edit>& made() const { return made_; }
  /// What a person should know of the changes made, a sentence each: that a range still says otherwise, which claims
  /// are left out.
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
