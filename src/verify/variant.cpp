// SPDX-License-Identifier: MIT
#include "fond_ladder/variant.hpp"

#include <algorithm>

#include "model/number_text.hpp"
#include "verify/shell_word.hpp"

namespace fond_ladder {

Variant variant_of(const Scene& scene, const std::string& wording, const std::vector<std::string>& modes,
                   double longer) {
  Variant variant{"", scene, modes, ""};
  const auto say = [&](const std::string& words, const std::string& options) {
    variant.name += (variant.name.empty() ? "" : ", ") + words;
    variant.options += (variant.options.empty() ? "" : " ") + options;
  };
  if (!wording.empty()) {
    speak(variant.scene, wording);
    say("wording " + wording, "--wording " + shell_word(wording));
  }
  if (longer > 0) {
    lengthen(variant.scene, longer);
    const std::string percent = exact(longer * 100) + "%";
    say("texts longer by " + percent, "--longer " + percent);
  }
  for (const std::string& mode : modes) {
    if (std::ranges::find(scene.modes, mode) == scene.modes.end())
      throw BadValue("the scene has no mode \"" + mode + "\"");
    say("mode " + mode, "--mode " + shell_word(mode));
  }
  return variant;
}

std::vector<std::vector<std::string>> mode_choices(const Scene& scene) {
  constexpr std::size_t most_modes = 6;
  if (scene.modes.size() > most_modes)
    throw BadValue("every choice of modes takes at most 6 of them; name those that are to be on");
  std::vector<std::vector<std::string>> choices;
  for (unsigned bits = 0; bits < 1U << scene.modes.size(); ++bits) {
    std::vector<std::string>& on = choices.emplace_back();
    for (std::size_t i = 0; i < scene.modes.size(); ++i) {
      if ((bits >> i & 1U) != 0) on.push_back(scene.modes[i]);
    }
  }
  return choices;
}

}  // namespace fond_ladder
