// SPDX-License-Identifier: MIT
#include "calls/scene_call.hpp"

#include <fmt/format.h>
#include <fmt/ostream.h>

#include <algorithm>
#include <charconv>

#include "fond_ladder/trial.hpp"
#include "model/nearest_word.hpp"
#include "model/printable.hpp"
#include "scene/read/scene_text.hpp"
#include "verify/lint/idle_settings.hpp"

namespace fond_ladder::calls {
namespace {

/// Refuses a name that is none of `names`.
void require_name(const std::string& option, const std::string& typed, const std::vector<std::string>& names) {
  if (std::ranges::find(names, typed) != names.end()) return;
  const std::vector<std::string_view> words(names.begin(), names.end());
  throw WrongCall(fmt::format("--{0} {1}: the scene has no {2}{3}", option, typed,
                              names.empty() ? option + "s" : option + " of that name", word_hint(typed, words)));
}

/// `40%` as 0.4.
double parse_share(const std::string& text) {
  double percent = 0;
  const char* end = text.data() + text.size();
  const auto read = std::from_chars(text.data(), end, percent);
  if (read.ec != std::errc() || std::string_view(read.ptr, end) != "%" || !(percent > 0 && percent <= 1000)) {
    throw WrongCall(fmt::format("--longer {}: write a share from 0 to 1000 %, as in 40%", text));
  }
  return percent / 100;
}

/// One line on settings that do nothing, whatever the size.
void hint_at(const std::vector<IdleSetting>& idle, const Scene& scene, const Streams& streams) {
  if (idle.empty()) return;
  constexpr std::size_t most = 3;
  std::string names;
  for (std::size_t i = 0; i < std::min(most, idle.size()); ++i) {
    names += fmt::format("{}{} of {}", i == 0 ? "" : ", ", idle[i].key, scene.tree.path(idle[i].node));
  }
  if (idle.size() > most) names += fmt::format(" and {} more", idle.size() - most);
  fmt::print(streams.err, "hint: {} no effect here: {}; see lint\n",
             idle.size() == 1 ? "1 setting has" : fmt::format("{} settings have", idle.size()), names);
}

std::vector<std::string> wording_names(const Scene& scene) {
  std::vector<std::string> names;
  for (const Wording& wording : scene.wordings) names.push_back(wording.name);
  return names;
}

/// A scene in one of the forms that the options of a call name; `draft` is what was tried before.
Variant variant_by(const SceneCall& call, const Draft& draft, const std::string& wording,
                   const std::vector<std::string>& modes) {
  const Scene& scene = draft.scene();
  if (!wording.empty()) require_name("wording", wording, wording_names(scene));
  for (const std::string& mode : modes) require_name("mode", mode, scene.modes);
  Variant variant = variant_of(scene, wording, modes, call.longer.empty() ? 0 : parse_share(call.longer));
  for (const Trial& trial : draft.made()) {
    variant.tried += (variant.tried.empty() ? "" : ", ") + trial.text();
    variant.options += (variant.options.empty() ? "" : " ") + trial.option();
  }
  return variant;
}

bool asks_for_all(const std::string& typed, const std::vector<std::string>& names) {
  return typed == "all" && std::ranges::find(names, typed) == names.end();
}

}  // namespace

void add_scene(Options& options, SceneCall& scene, Forms forms) {
  const bool all = forms == Forms::all_in_turn;
  options.argument("SCENE", scene.file, "A scene file; - reads standard input");
  options.list("--mode", "NAME", scene.modes,
               all ? "Switch a mode on; repeatable; all: every choice of modes in turn"
                   : "Switch a mode of the scene on; repeatable");
  options.text("--wording", "NAME", scene.wording,
               all ? "Put a wording in; all: the scene's own texts and every wording in turn"
                   : "Put a wording of the scene into it");
  options.text("--longer", "SHARE", scene.longer, "Make every text longer by a share, as in 40%");
  add_trials(options, scene.trials);
}

void add_trials(Options& options, std::vector<Told>& trials) {
  options.in_order("--try", "NODE.KEY=VALUE", trials,
                   "Change a key, as in beds.width=300; like the next four repeatable, in the order given");
  options.in_order("--move", "NODE=CONTAINER:PLACE", trials, "Carry a node elsewhere, as in legend=bar:1");
  options.in_order("--enclose", "NODES=KIND:NAME", trials, "Gather siblings, as in beds,map=row:places");
  options.in_order("--remove", "NODE", trials, "Leave a node out, with all that is in it");
  options.in_order("--add", "CONTAINER:PLACE=JSON", trials, "Put a node in, as in bar:0={\"kind\": \"box\"}");
}

Draft read_draft(const std::string& file, const Streams& streams) {
  if (streams.shipped && file == streams.shipped->name) return {std::string(streams.shipped->json), file};
  if (file == "-") return {scene::text_of_stream(streams.in, "standard input"), "standard input"};
  return {scene::text_of_file(file), file};
}

void make(const std::vector<Told>& trials, Draft& draft, const Streams& streams) {
  constexpr auto words = words_of<Trial::Does>;
  for (const Told& told : trials) {
    const auto does = std::ranges::find(words, std::string_view(told.option).substr(2)) - words.begin();
    draft.apply({static_cast<Trial::Does>(does), told.value});
  }
  for (const std::string& hint : draft.hints()) fmt::print(streams.err, "hint: {}\n", printable(hint));
}

void add_sizes(Options& options, std::vector<std::string>& at, const std::string& tail) {
  options.list("--at", "SIZE", at,
               "1280x800, 1280 (the ladder's height), 1280xcontent, content, or a named rung; " + tail);
}

Variant load_variant(const SceneCall& call, const Streams& streams) {
  return load_text_and_variant(call, streams).shown;
}

TextAndVariant load_text_and_variant(const SceneCall& call, const Streams& streams) {
  Draft draft = read_draft(call.file, streams);
  std::string text = draft.json();
  make(call.trials, draft, streams);
  Variant shown = variant_by(call, draft, call.wording, call.modes);
  hint_at(idle_settings(shown.scene), shown.scene, streams);
  return {std::move(text), std::move(shown)};
}

BeforeAndAfter load_before_and_after(const SceneCall& call, const Streams& streams) {
  Draft draft = read_draft(call.file, streams);
  Scene before = draft.scene();
  make(call.trials, draft, streams);
  Variant after = variant_by(call, draft, call.wording, call.modes);
  hint_at(idle_settings(after.scene), after.scene, streams);
  return {{"", std::move(before)}, std::move(after)};
}

Scene load_scene(const SceneCall& call, const Streams& streams) {
  return load_variant(call, streams).scene;
}

std::vector<Variant> load_variants(const SceneCall& call, const Streams& streams, Hints hints) {
  Draft draft = read_draft(call.file, streams);
  make(call.trials, draft, streams);
  const Scene& scene = draft.scene();
  std::vector<std::string> wordings = wording_names(scene);
  if (asks_for_all(call.wording, wordings)) {
    wordings.insert(wordings.begin(), "");
  } else {
    wordings = {call.wording};
  }
  std::vector<std::vector<std::string>> modes{call.modes};
  if (call.modes.size() == 1 && asks_for_all(call.modes[0], scene.modes)) modes = mode_choices(scene);
  std::vector<Variant> variants;
  for (const std::string& wording : wordings) {
    for (const std::vector<std::string>& on : modes) variants.push_back(variant_by(call, draft, wording, on));
  }
  if (hints == Hints::one_line) hint_at(idle_settings(variants[0].scene), variants[0].scene, streams);
  return variants;
}

}  // namespace fond_ladder::calls
