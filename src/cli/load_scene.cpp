// SPDX-License-Identifier: MIT
#include <fmt/format.h>
#include <fmt/ostream.h>

#include <algorithm>
#include <charconv>
#include <istream>
#include <iterator>

#include "cli/command.hpp"
#include "fond_ladder/scene_file.hpp"
#include "model/key_table.hpp"
#include "verify/idle_settings.hpp"

namespace fond_ladder::cli {
namespace {

/// Refuses a name that is none of `names`.
void require_name(const std::string& option, const std::string& typed, const std::vector<std::string>& names) {
  if (std::ranges::find(names, typed) != names.end()) return;
  const std::vector<std::string_view> words(names.begin(), names.end());
  const std::string_view near = nearest_word(typed, words);
  throw WrongCall(fmt::format("--{0} {1}: the scene has no {2}{3}", option, typed,
                              names.empty() ? option + "s" : option + " of that name",
                              near.empty() ? "" : fmt::format("; did you mean \"{}\"?", near)));
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
  fmt::print(streams.err, "hint: {} no effect here: {}\n",
             idle.size() == 1 ? "1 setting has" : fmt::format("{} settings have", idle.size()), names);
}

}  // namespace

Scene load_scene(const SceneCall& call, const Streams& streams) {
  Scene scene = call.file != "-"
                    ? read_scene_file(call.file)
                    : read_scene(std::string{std::istreambuf_iterator<char>(streams.in), {}}, "standard input");
  for (const std::string& mode : call.modes) require_name("mode", mode, scene.modes);
  if (!call.wording.empty()) {
    std::vector<std::string> names;
    for (const Wording& wording : scene.wordings) names.push_back(wording.name);
    require_name("wording", call.wording, names);
    speak(scene, call.wording);
  }
  if (!call.longer.empty()) lengthen(scene, parse_share(call.longer));
  for (const std::string& setting : call.tries) try_setting(scene, setting);
  hint_at(idle_settings(scene), scene, streams);
  return scene;
}

}  // namespace fond_ladder::cli
