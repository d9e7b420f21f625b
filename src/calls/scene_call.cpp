// SPDX-License-Identifier: MIT
#include "calls/scene_call.hpp"

#include <fmt/format.h>
#include <fmt/ostream.h>

#include <algorithm>
#include <charconv>
#include <memory>
#include <set>
#include <utility>

#include "calls/refusal.hpp"
#include "calls/sizes.hpp"
#include "calls/target_file.hpp"
#include "calls/words_asked.hpp"
#include "fond_ladder/edit.hpp"
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
    throw WrongCall(fmt::format("--text-expansion {}: expected 0 to 1000 %, as in 40%", text));
  }
  return percent / 100;
}

/// What there is to know of the fonts that words are measured with, each sentence once.
class Remarks {
 public:
  void print(const Scene& scene, const Streams& streams) {
    if (!scene.tree.text_shaper()) return;
    for (const std::string& remark : scene.tree.text_shaper()->remarks()) {
      if (printed_.insert(remark).second) print_hint(streams.err, remark);
    }
  }

 private:
  std::set<std::string> printed_;
};

/// One line on settings that do nothing, whatever the size.
void print_idle_settings(const Scene& scene, const Streams& streams) {
  const std::vector<IdleSetting> idle = idle_settings(scene);
  if (idle.empty()) return;
  constexpr std::size_t most = 3;
  std::string names;
  for (std::size_t i = 0; i < std::min(most, idle.size()); ++i) {
    names += fmt::format("{}{} of {}", i == 0 ? "" : ", ", idle[i].key, scene.tree.path(idle[i].nodes.front()));
  }
  if (idle.size() > most) names += fmt::format(" and {} more", idle.size() - most);
  print_hint(streams.err,
             fmt::format("{} no effect here: {}; lint says why",
                         idle.size() == 1 ? "1 setting has" : fmt::format("{} settings have", idle.size()), names));
}

void print_hints_of(const Scene& scene, const Streams& streams) {
  Remarks().print(scene, streams);
  print_idle_settings(scene, streams);
}

std::vector<std::string> locale_names(const Scene& scene) {
  std::vector<std::string> names;
  for (const Locale& locale : scene.locales) names.push_back(locale.name);
  return names;
}

/// A scene in one of the forms that the options of a call name; `draft` is what was tried before.
/// Puts the sizes of a call in place of those of the ladder. Named sizes are left where they are among them.
void narrow(Ladder& ladder, const SceneCall& call) {
  if (!call.width.empty()) ladder.width = sizes_asked(call.width, "--width", ladder.width);
  const std::optional<Interval> heights =
      call.height.empty() ? std::nullopt : std::optional(sizes_asked(call.height, "--height", ladder.height));
  if (heights && heights->from == heights->to) ladder.height = heights;
  std::erase_if(ladder.named_sizes, [&](const NamedSize& one) {
    const std::optional<double> height = ladder.size_of(one).height;
    return (!call.width.empty() && !ladder.width.contains(one.width)) ||
           (heights && height && !heights->contains(*height));
  });
}

Variant variant_by(const SceneCall& call, const Draft& draft, AskedWords words, const std::string& locale,
                   const std::vector<std::string>& modes) {
  const Scene& scene = draft.scene();
  if (!locale.empty()) require_name("locale", locale, locale_names(scene));
  for (const std::string& mode : modes) require_name("mode", mode, scene.modes);
  Variant variant =
      variant_in(scene, words, locale, modes, call.longer.empty() ? 0 : parse_share(call.longer), call.file);
  narrow(variant.scene.ladder, call);
  const auto append = [](std::string& sentence, const std::string& more, const char* between) {
    sentence += (sentence.empty() ? "" : between) + more;
  };
  for (std::size_t i = 0; i < call.edits.size(); ++i) {
    append(variant.edited, draft.made()[i].text(), ", ");
    append(variant.options, draft.made()[i].option(), " ");
  }
  for (std::size_t i = call.edits.size(); i < draft.made().size(); ++i) {  // values that are compared
    variant.name = draft.made()[i].text() + (variant.name.empty() ? "" : ", ") + variant.name;
    append(variant.options, draft.made()[i].option(), " ");
  }
  return variant;
}

/// Prints the hints about the edits, except for those printed before.
void print_hints(const Draft& draft, std::size_t printed, const Streams& streams) {
  const std::vector<std::string> hints = draft.hints();
  for (std::size_t i = printed; i < hints.size(); ++i) print_hint(streams.err, hints[i]);
}

bool asks_for_all(const std::string& typed, const std::vector<std::string>& names) {
  return typed == "all" && std::ranges::find(names, typed) == names.end();
}

/// How a scene is changed before a command looks at it.
void add_forms(Options& options, SceneCall& scene, Forms forms) {
  const bool all = forms == Forms::all_in_turn;
  options.list(
      "--mode", "NAME", scene.modes,
      all ? "Turn a mode on; repeatable; all: every combination of modes" : "Turn a mode of the scene on; repeatable");
  options.text("--locale", "NAME", scene.locale,
               all ? "Apply a locale; all: the texts of the scene, then every locale" : "Apply a locale of the scene");
  options.list("--text-metrics", "fixed|fonts", scene.words,
               all ? "Measure text with these metrics instead of those of the scene; fixed,fonts: both"
                   : "Measure text with these metrics instead of those of the scene");
  options.text("--text-expansion", "SHARE", scene.longer, "Lengthen every text by a percentage, as in 40%");
  add_edits(options, scene.edits);
}

}  // namespace

void add_scene(Options& options, SceneCall& scene, Forms forms) {
  options.argument("SCENE", scene.file, "A scene file; - reads standard input");
  add_forms(options, scene, forms);
}

void add_scenes(Options& options, SceneCall& scene, Forms forms) {
  options.arguments("SCENE", scene.files, "One or more scene files; - reads standard input");
  add_forms(options, scene, forms);
}

SceneCall call_for(const SceneCall& call, const std::string& file) {
  SceneCall one = call;
  one.file = file;
  return one;
}

void add_values(Options& options, SceneCall& scene, const std::string& about) {
  options.text("--vary", "NODE.KEY=A,B,C", scene.vary, about);
}

void add_edits(Options& options, std::vector<OptionUse>& edits) {
  options.in_order("--set", "NODE.KEY=VALUE", edits,
                   "Change a key, as in beds.width=300; edits can repeat and apply in order");
  options.in_order("--move", "NODES=CONTAINER:INDEX", edits, "Move nodes, as in legend=bar:1");
  options.in_order("--group", "NODES=KIND:NAME", edits, "Wrap siblings in a new container, as in beds,map=row:places");
  options.in_order("--remove", "NODES", edits, "Remove nodes and their descendants");
  options.in_order("--insert", "CONTAINER:INDEX=JSON", edits, "Insert a node, as in bar:0={\"kind\": \"box\"}");
  options.in_order("--ungroup", "NODE", edits, "Remove a container but keep its children");
  options.in_order("--duplicate", "NODE=NAME", edits, "Copy a node and insert the copy after it, as in oak=ash");
}

Draft read_draft(const std::string& file, const Streams& streams, Own own) {
  if (streams.shipped && file == streams.shipped->name) return {std::string(streams.shipped->json), file};
  const bool is_file = file != "-";
  const std::string name = is_file ? file : "standard input";
  std::string text = is_file ? scene::text_of_file(file) : scene::text_of_stream(streams.in, name);
  const bool writes = !streams.files->written.empty();
  if (is_file && own == Own::kept) add_source(streams, "the scene", file);
  if (writes) {
    for (const std::string& used : files_used_by(text, name)) add_source(streams, "a file that the scene uses", used);
  }
  Draft draft(std::move(text), name);
  for (const NamedFont& font : draft.scene().fonts) {
    if (writes && !font.file.empty()) add_source(streams, "a font of the scene", font.file);
  }
  return draft;
}

void make(const std::vector<OptionUse>& edits, Draft& draft, const Streams& streams) {
  constexpr auto words = words_of<Edit::Does>;
  for (const OptionUse& printed : edits) {
    const auto does = std::ranges::find(words, std::string_view(printed.option).substr(2)) - words.begin();
    draft.apply({static_cast<Edit::Does>(does), printed.value});
  }
  print_hints(draft, 0, streams);
}

void add_sizes(Options& options, std::vector<std::string>& at, const std::string& tail) {
  options.list("--at", "SIZE", at,
               "1280x800, 1280 (the ladder's height), 1280xcontent, content, or a named size; " + tail);
}

Variant load_variant(const SceneCall& call, const Streams& streams) {
  return load_text_and_variant(call, streams).shown;
}

TextAndVariant load_text_and_variant(const SceneCall& call, const Streams& streams) {
  Draft draft = read_draft(call.file, streams);
  std::string text = in_one_file(draft.json(), call.file);
  make(call.edits, draft, streams);
  Variant shown = variant_by(call, draft, one_words_asked(call.words), call.locale, call.modes);
  print_hints_of(shown.scene, streams);
  return {std::move(text), std::move(shown)};
}

BeforeAndAfter load_before_and_after(const SceneCall& call, const Streams& streams) {
  const std::vector<AskedWords> words = words_asked(call.words);
  Draft draft = read_draft(call.file, streams);
  Variant before{"", draft.scene()};
  make(call.edits, draft, streams);
  if (words.size() > 1) before = variant_by(call, draft, words.front(), call.locale, call.modes);
  Variant after = variant_by(call, draft, words.back(), call.locale, call.modes);
  print_hints_of(after.scene, streams);
  return {std::move(before), std::move(after)};
}

Scene load_scene(const SceneCall& call, const Streams& streams) {
  return load_variant(call, streams).scene;
}

namespace {

/// A scene in some locales and choices of modes, with each value of `--vary` in turn; variants are made by their
/// places.
class Variants {
 public:
  Variants(const SceneCall& call, Draft draft, std::vector<AskedWords> words, std::vector<std::string> locales,
           std::vector<std::vector<std::string>> modes)
      : call_(call),
        draft_(std::move(draft)),
        words_(std::move(words)),
        locales_(std::move(locales)),
        modes_(std::move(modes)),
        printed_(draft_.hints().size()) {
    if (!call.vary.empty()) values_ = parse_values(call.vary);
  }

  [[nodiscard]] std::size_t size() const { return values() * words_.size() * locales_.size() * modes_.size(); }
  [[nodiscard]] Variant make(std::size_t place) {
    const auto next = [&](std::size_t count) { return std::exchange(place, place / count) % count; };
    const std::vector<std::string>& modes = modes_[next(modes_.size())];
    const std::string& locale = locales_[next(locales_.size())];
    const AskedWords words = words_[next(words_.size())];
    if (values_) put_value(place);
    return variant_by(call_, draft_, words, locale, modes);
  }
  /// What is to be known of the first value, once it was made.
  void print_hints_of_first(const Streams& streams) const { print_hints(draft_, printed_, streams); }

 private:
  [[nodiscard]] std::size_t values() const { return values_ ? values_->values.size() : 1; }
  void put_value(std::size_t value) {
    if (given_ == value) return;
    if (given_) draft_.undo();
    given_.reset();
    draft_.apply(Edit::set(values_->setting, values_->values[value]));
    given_ = value;
  }

  SceneCall call_;
  Draft draft_;
  std::vector<AskedWords> words_;
  std::vector<std::string> locales_;
  std::vector<std::vector<std::string>> modes_;
  std::size_t printed_;  // hints of what was tried before
  std::optional<AskedVary> values_;
  std::optional<std::size_t> given_;  // that the draft has now
};

Variants variants_of(const SceneCall& call, const Streams& streams) {
  Draft draft = read_draft(call.file, streams);
  make(call.edits, draft, streams);
  std::vector<std::string> locales = locale_names(draft.scene());
  if (asks_for_all(call.locale, locales)) {
    locales.insert(locales.begin(), "");
  } else {
    locales = {call.locale};
  }
  std::vector<std::vector<std::string>> modes{call.modes};
  if (call.modes.size() == 1 && asks_for_all(call.modes[0], draft.scene().modes)) modes = mode_choices(draft.scene());
  return {call, std::move(draft), words_asked(call.words), std::move(locales), std::move(modes)};
}

/// All of them.
std::vector<Variant> make_all(Variants variants, const Streams& streams) {
  std::vector<Variant> all;
  for (std::size_t i = 0; i < variants.size(); ++i) {
    all.push_back(variants.make(i));
    if (i == 0) variants.print_hints_of_first(streams);
    if (i > 0) all.back().scene.locales.clear();  // one copy is enough
  }
  return all;
}

}  // namespace

VariantsInTurn load_variants_in_turn(const SceneCall& call, const Streams& streams, Hints hints,
                                     const std::function<void(std::size_t, const Variant&)>& first_look) {
  struct Kept {
    Variants variants;
    std::optional<Variant> made;
    std::size_t place = 0;
  };
  const auto kept = std::make_shared<Kept>(Kept{variants_of(call, streams), {}, 0});
  VariantsInTurn all;
  all.made = [kept](std::size_t i) -> const Variant& {
    if (!kept->made || kept->place != i) {
      kept->made.reset();  // so that there are never two
      kept->made = kept->variants.make(i);
      kept->place = i;
    }
    return *kept->made;
  };
  Remarks remarks;
  for (std::size_t i = 0; i < kept->variants.size(); ++i) {
    const Variant& variant = all.made(i);
    if (i == 0) kept->variants.print_hints_of_first(streams);
    all.labels.push_back({variant.name, variant.options, variant.edited});
    remarks.print(variant.scene, streams);
    first_look(i, variant);
  }
  if (hints == Hints::one_line) print_idle_settings(all.made(0).scene, streams);
  return all;
}

std::vector<Variant> load_variants(const SceneCall& call, const Streams& streams, Hints hints) {
  std::vector<Variant> all = make_all(variants_of(call, streams), streams);
  Remarks remarks;
  for (const Variant& variant : all) remarks.print(variant.scene, streams);
  if (hints == Hints::one_line) print_idle_settings(all[0].scene, streams);
  return all;
}

std::vector<Variant> load_values(const SceneCall& call, const Streams& streams) {
  Draft draft = read_draft(call.file, streams);
  make(call.edits, draft, streams);
  std::vector<Variant> values =
      make_all({call, std::move(draft), {one_words_asked(call.words)}, {call.locale}, {call.modes}}, streams);
  print_hints_of(values[0].scene, streams);
  return values;
}

Varied load_varied(const SceneCall& call, const AskedVary& asked, const Streams& streams) {
  const auto draft = std::make_shared<Draft>(read_draft(call.file, streams));
  make(call.edits, *draft, streams);
  Varied varied{asked.setting, *asked.span, [draft, call, asked](double value) {
                  draft->apply(Edit::set(asked.setting, asked.text_of(value)));
                  Scene scene = variant_by(call, *draft, one_words_asked(call.words), call.locale, call.modes).scene;
                  draft->undo();
                  return scene;
                }};
  const std::size_t printed = draft->hints().size();
  draft->apply(Edit::set(asked.setting, asked.text_of(varied.values.to)));  // which may be too large
  print_hints(*draft, printed, streams);
  draft->undo();
  const Scene scene = varied.at(varied.values.from);
  print_hints_of(scene, streams);
  return varied;
}

}  // namespace fond_ladder::calls
