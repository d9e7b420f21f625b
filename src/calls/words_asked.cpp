// SPDX-License-Identifier: MIT
#include "calls/words_asked.hpp"

#include <algorithm>
#include <sstream>
#include <string_view>

#include "calls/refusal.hpp"
#include "fond_ladder/fonts.hpp"
#include "fond_ladder/scene_file.hpp"
#include "model/nearest_word.hpp"

namespace fond_ladder::calls {

std::vector<AskedWords> words_asked(const std::vector<std::string>& typed) {
  constexpr auto words = words_of<TextMetrics>;
  std::vector<AskedWords> asked;
  for (const std::string& value : typed) {
    std::istringstream parts(value);
    for (std::string part; std::getline(parts, part, ',');) {
      const auto found = std::ranges::find(words, part);
      if (found == words.end())
        throw WrongCall("--text-metrics " + value + ": expected fixed or fonts" + word_hint(part, words));
      const auto which = static_cast<TextMetrics>(found - words.begin());
      if (std::ranges::find(asked, AskedWords(which)) == asked.end()) asked.emplace_back(which);
    }
    if (value.empty()) throw WrongCall("--text-metrics: expected fixed or fonts");
  }
  if (asked.empty()) asked.emplace_back();
  return asked;
}

AskedWords one_words_asked(const std::vector<std::string>& typed) {
  const std::vector<AskedWords> asked = words_asked(typed);
  if (asked.size() > 1)
    throw WrongCall("--text-metrics: expected one of fixed and fonts; check, lint and compare take both");
  return asked.front();
}

Variant variant_in(const Scene& scene, AskedWords words, const std::string& locale,
                   const std::vector<std::string>& modes, double longer, const std::string& file) {
  if (!words) return variant_of(scene, locale, modes, longer);
  Scene measured = scene;
  try {
    set_text_metrics(measured, *words);
  } catch (const BadFonts& bad) {
    std::vector<SceneError> faults;
    for (const BadFonts::Fault& one : bad.faults())
      faults.push_back({one.source_place.empty() ? file : one.source_place, 0, 0, "", one.message});
    throw BadScene(std::move(faults));
  }
  Variant variant = variant_of(measured, locale, modes, longer);
  const std::string name(word(*words));
  variant.name = "text_metrics " + name + (variant.name.empty() ? "" : ", ") + variant.name;
  variant.options = "--text-metrics " + name + (variant.options.empty() ? "" : " ") + variant.options;
  return variant;
}

}  // namespace fond_ladder::calls
