// SPDX-License-Identifier: MIT
#include "fond_ladder/variant.hpp"

#include <algorithm>

#include "model/limits.hpp"
#include "model/number_text.hpp"
#include "model/shell_word.hpp"

namespace fond_ladder::inline v0 {

Variant variant_of(const Scene& scene, const std::string& locale, const std::vector<std::string>& modes,
                   double longer) {
  Variant variant{"", scene, modes, ""};
  const auto append = [&](const std::string& words, const std::string& options) {
    variant.name += (variant.name.empty() ? "" : ", ") + words;
    variant.options += (variant.options.empty() ? "" : " ") + options;
  };
  if (!locale.empty()) {
    apply_locale(variant.scene, locale);
    append("locale " + locale, "--locale " + shell_word(locale));
  }
  if (longer > 0) {
    expand_text(variant.scene, longer);
    const std::string percent = exact(longer * 100) + "%";
    append("texts longer by " + percent, "--text-expansion " + percent);
  }
  for (const std::string& mode : modes) {
    if (std::ranges::find(scene.modes, mode) == scene.modes.end())
      throw BadValue("the scene has no mode \"" + mode + "\"");
    append("mode " + mode, "--mode " + shell_word(mode));
  }
  return variant;
}

std::vector<VariantLabel> labels_of(const std::vector<Variant>& variants) {
  std::vector<VariantLabel> labels;
  for (const Variant& variant : variants) labels.push_back({variant.name, variant.options, variant.edited});
  return labels;
}

std::string described(const Variant& variant) {
  return described(VariantLabel{variant.name, "", variant.edited});
}

std::string described(const VariantLabel& variant) {
  return variant.name + (variant.name.empty() || variant.edited.empty() ? "" : ", ") + variant.edited;
}

VariantNames names_of(const std::vector<VariantLabel>& variants) {
  VariantNames names{variants.at(0).name, {}};
  for (const VariantLabel& variant : variants) {  // common is what all end with, from a comma on
    while (!names.common.empty() && variant.name != names.common && !variant.name.ends_with(", " + names.common)) {
      const std::size_t comma = names.common.find(", ");
      names.common = comma == std::string::npos ? "" : names.common.substr(comma + 2);
    }
  }
  for (const VariantLabel& variant : variants) {
    const std::size_t rest = variant.name.size() - names.common.size();
    names.own.push_back(variant.name.substr(0, rest - (rest > 0 && !names.common.empty() ? 2 : 0)));
  }
  return names;
}

std::string text_of(const std::vector<VariantLabel>& variants) {
  const std::string common = names_of(variants).common;
  const std::string text = common.empty() ? "" : ", " + common;
  return variants.size() == 1 ? text : text + ", in " + std::to_string(variants.size()) + " variants";
}

std::vector<std::string> lines_about(const std::vector<VariantLabel>& variants) {
  std::vector<std::string> lines;
  if (!variants.at(0).edited.empty()) lines.push_back("changes: " + variants[0].edited);
  if (variants.size() == 1) return lines;
  std::string names;
  for (const std::string& own : names_of(variants).own)
    names += (names.empty() ? "" : "; ") + (own.empty() ? "as it is" : own);
  lines.push_back("variants: " + names);
  return lines;
}

std::vector<std::vector<std::string>> mode_choices(const Scene& scene) {
  if (scene.modes.size() > limits::most_chosen_modes)
    throw BadValue("every combination takes at most 6 modes; name the modes that are on");
  std::vector<std::vector<std::string>> choices;
  for (unsigned bits = 0; bits < 1U << scene.modes.size(); ++bits) {
    std::vector<std::string>& on = choices.emplace_back();
    for (std::size_t i = 0; i < scene.modes.size(); ++i) {
      if ((bits >> i & 1U) != 0) on.push_back(scene.modes[i]);
    }
  }
  return choices;
}

}  // namespace fond_ladder::inline v0
