// SPDX-License-Identifier: MIT
//
// Definitions of a scene that are never used.
#include <algorithm>

#include "model/number_text.hpp"
#include "model/origins.hpp"
#include "verify/claims/claim_tokens.hpp"
#include "verify/lint/lint_node_ranges.hpp"
#include "verify/lint/lint_sight.hpp"

namespace fond_ladder::inline v0 {
namespace {

Finding about(const std::string& name, const char* key, LintRule rule, std::string why, std::string fix,
              const Scene& scene) {
  return {name, key, rule, std::move(why), std::move(fix), {scene.ladder.width}};
}

bool is_claimed(const Scene& scene, const std::string& name) {
  return std::ranges::any_of(scene.claims, [&](const std::string& claim) {
    const auto tokens = detail::tokens_of(claim);
    return std::ranges::find(tokens, name, &detail::Token::text) != tokens.end();
  });
}

bool is_condition_used(const Scene& scene, const std::string& name) {
  return std::ranges::find(scene.whens, name, &When::name) != scene.whens.end() || is_claimed(scene, name);
}

/// A file for many scenes may define more than this one needs.
bool is_of_used_file(const Scene& scene, const std::string& name) {
  return scene.origins && std::ranges::find(scene.origins->of_used_files, name) != scene.origins->of_used_files.end();
}

/// Whether a locale changes anything in the scene.
bool sets_anything(const Scene& scene, const Locale& locale) {
  if (locale.direction && *locale.direction != scene.tree.direction()) return true;
  return std::ranges::any_of(locale.texts,
                             [&](const auto& text) { return scene.tree.keys(text.first).text != text.second; });
}

}  // namespace

std::string bounds_text(const Range& range) {
  std::string text;
  const auto add = [&](const char* word, const std::optional<double>& bound) {
    if (bound) text += (text.empty() ? "" : ", ") + std::string(word) + " " + rounded(*bound);
  };
  add("from width", range.from_width);
  add("below width", range.below_width);
  add("from height", range.from_height);
  add("below height", range.below_height);
  return text;
}

std::vector<Finding> idle_definitions(const Scene& scene) {
  std::vector<Finding> all;
  for (const Range& range : scene.ranges) {
    if (!range.from_width && !range.below_width && !range.from_height && !range.below_height) {
      all.push_back(about(range.name, "ranges", LintRule::always_holds, "it has no bounds, so it includes every size",
                          "add from_width, below_width, from_height or below_height", scene));
    } else if (!is_of_used_file(scene, range.name) && !is_condition_used(scene, range.name)) {
      all.push_back(about(range.name, "ranges", LintRule::unused, "no \"when\" and no claim uses this range",
                          "remove it", scene));
    }
  }
  for (const std::string& mode : scene.modes) {
    if (!is_of_used_file(scene, mode) && !is_condition_used(scene, mode))
      all.push_back(
          about(mode, "modes", LintRule::unused, "no \"when\" and no claim uses this mode", "remove it", scene));
  }
  for (const Locale& locale : scene.locales) {
    if (!sets_anything(scene, locale))
      all.push_back(about(locale.name, "locales", LintRule::unused, "this locale changes nothing",
                          "add texts, or remove it", scene));
  }
  if (!scene.origins) return all;
  for (const auto& unused : scene.origins->unused) {
    const bool part = unused.source == Source::part;
    all.push_back(about(unused.name, part ? "parts" : "shared", LintRule::unused,
                        part ? "no node uses this part" : "no node uses these shared keys", "remove it", scene));
  }
  for (const auto& clash : scene.origins->clashes) {
    all.push_back(
        about(clash.name, clash.key.c_str(), LintRule::defined_twice,
              clash.beaten + " and " + clash.counts + " define it differently; the one of " + clash.counts + " counts",
              "rename one of them, or define it in this scene", scene));
  }
  return all;
}

}  // namespace fond_ladder::inline v0
