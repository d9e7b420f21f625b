// SPDX-License-Identifier: MIT
#pragma once

// Which scene a command is about, and in which of its forms.

#include <string>
#include <vector>

#include "calls/command.hpp"
#include "calls/vary.hpp"
#include "fond_ladder/edit.hpp"
#include "fond_ladder/scene.hpp"
#include "fond_ladder/variant.hpp"
#include "fond_ladder/vary.hpp"

namespace fond_ladder::calls {

struct SceneCall {
  std::string file;
  std::vector<std::string> files;  // of commands that take several; then `file` is the one they are at
  std::vector<std::string> modes;
  std::string locale;
  std::string longer;
  std::vector<std::string> words;  // plain, fonts, or both
  std::vector<OptionUse> edits;
  std::string vary;           // a setting and its values
  std::string width, height;  // other sizes than those of the ladder, of commands that go along them
};

/// Whether a command looks at one form of a scene, or can look at all in turn.
enum class Forms { one, all_in_turn };
/// The argument SCENE and the options that select its form.
void add_scene(Options& options, SceneCall& scene, Forms forms = Forms::one);
/// The same for one scene or more.
void add_scenes(Options& options, SceneCall& scene, Forms forms);
/// The call for one of its scenes alone.
[[nodiscard]] SceneCall call_for(const SceneCall& call, const std::string& file);
/// `--at`, repeatable; `tail` is appended to its description.
void add_sizes(Options& options, std::vector<std::string>& at, const std::string& tail = "repeatable");

/// `--vary NODE.KEY=A,B,C`: the answer for each value.
void add_values(Options& options, SceneCall& scene, const std::string& about);
/// `--set`, `--move`, `--group`, `--remove`, `--insert`, `--ungroup` and `--duplicate`.
void add_edits(Options& options, std::vector<OptionUse>& edits);

/// Whether a command may write its result over the scene that it is made from.
enum class Own { kept, may_be_written };
/// The scene of a command, with nothing tried. Throws BadScene, and WrongCall where the call writes one of the files
/// that make up the scene: its own, those that it uses, its fonts.
[[nodiscard]] Draft read_draft(const std::string& file, const Streams& streams, Own own = Own::kept);
/// Makes the edits of a call; prints hints about them on standard error. Throws BadEdit.
void make(const std::vector<OptionUse>& edits, Draft& draft, const Streams& streams);

/// Reads the scene that a command names, `-` being standard input, makes the edits of the call and applies its locale.
/// Prints one line on standard error about settings without effect. Throws BadScene, BadEdit and WrongCall.
[[nodiscard]] Scene load_scene(const SceneCall& call, const Streams& streams);

/// The variants of a scene: one per value of `--vary`. `all` stands for the scene's own texts and
/// every locale, and for every combination of modes. Throws as load_scene does.
enum class Hints { one_line, none };
[[nodiscard]] std::vector<Variant> load_variants(const SceneCall& call, const Streams& streams,
                                                 Hints hints = Hints::one_line);
/// The same, to be looked at one after the other; each was made once, and `first_look` saw it with its place. What it
/// throws goes through.
[[nodiscard]] VariantsInTurn load_variants_in_turn(const SceneCall& call, const Streams& streams, Hints hints,
                                                   const std::function<void(std::size_t, const Variant&)>& first_look);
/// The scene as a command shows it: once per value of `--vary`, named by `name`; once without it.
[[nodiscard]] std::vector<Variant> load_values(const SceneCall& call, const Streams& streams);
/// The scene while a setting goes through a span of values. Throws as load_scene does, for both ends at once.
[[nodiscard]] Varied load_varied(const SceneCall& call, const AskedVary& asked, const Streams& streams);

/// A scene as the options of a command make it. Throws as load_scene does.
[[nodiscard]] Variant load_variant(const SceneCall& call, const Streams& streams);
/// The same, and the text of the scene as it is.
struct TextAndVariant {
  std::string text;
  Variant shown;
};
[[nodiscard]] TextAndVariant load_text_and_variant(const SceneCall& call, const Streams& streams);
/// The variant, and the scene as it is, read once; where both ways to measure words are asked for, the variant in one
/// and in the other.
struct BeforeAndAfter {
  Variant before, after;
};
[[nodiscard]] BeforeAndAfter load_before_and_after(const SceneCall& call, const Streams& streams);

}  // namespace fond_ladder::calls
