// SPDX-License-Identifier: MIT
#include "fond_ladder/locale.hpp"

#include <algorithm>
#include <cmath>

#include "fond_ladder/scene.hpp"
#include "model/fonts_by_name.hpp"
#include "model/key_table.hpp"
#include "model/limits.hpp"

namespace fond_ladder::inline v0 {
namespace {

bool begins_character(char c) {
  return (static_cast<unsigned char>(c) & 0xC0U) != 0x80U;
}

std::size_t count_characters(std::string_view text) {
  return static_cast<std::size_t>(std::ranges::count_if(text, begins_character));
}

/// The first `count` characters.
std::string_view beginning(std::string_view text, std::size_t count) {
  std::size_t at = 0;
  for (; at < text.size(); ++at) {
    if (begins_character(text[at]) && count-- == 0) break;
  }
  return text.substr(0, at);
}

std::vector<std::string_view> words_in(std::string_view text) {
  constexpr std::string_view blanks = " \n\t";
  std::vector<std::string_view> words;
  for (std::size_t at = text.find_first_not_of(blanks); at != std::string_view::npos;) {
    const std::size_t end = std::min(text.find_first_of(blanks, at), text.size());
    words.push_back(text.substr(at, end - at));
    at = text.find_first_not_of(blanks, end);
  }
  return words;
}

}  // namespace

std::string expanded_text(std::string_view text, double share) {
  const std::vector<std::string_view> words = words_in(text);
  if (words.empty()) return std::string(text);
  const auto added = std::ceil(static_cast<double>(count_characters(text)) * share - limits::rounding);
  auto missing = static_cast<std::size_t>(std::max(0.0, added));
  std::string longer(text);
  for (std::size_t i = 0; missing > 0; ++i) {
    const std::string_view word = words[i % words.size()];
    const bool alone = words.size() == 1 || missing == 1;  // a blank and nothing behind it would be no word
    if (!alone) {
      longer += ' ';
      --missing;
    }
    const std::string_view piece = beginning(word, missing);
    longer += piece;
    missing -= count_characters(piece);
  }
  return longer;
}

void apply_locale(Scene& scene, std::string_view locale) {
  const auto found = std::ranges::find(scene.locales, locale, &Locale::name);
  if (found == scene.locales.end()) throw BadValue("the scene has no locale \"" + std::string(locale) + "\"");
  for (const auto& [node, text] : found->texts) {
    Keys keys = scene.tree.keys(node);
    keys.text = text;
    scene.tree.replace_keys(node, keys);
  }
  if (found->direction) scene.tree.set_direction(*found->direction);
  if (found->fonts.empty()) return;
  scene.fonts = with_fonts(std::move(scene.fonts), found->fonts);
  if (scene.tree.text_shaper()) scene.tree.set_text_shaper(scene.tree.text_shaper()->with(found->fonts));
}

void expand_text(Scene& scene, double share) {
  for (const NodeId node : scene.tree.nodes()) {
    Keys keys = scene.tree.keys(node);
    if (keys.text.empty()) continue;
    keys.text = expanded_text(keys.text, share);
    scene.tree.replace_keys(node, keys);
  }
  const std::size_t text = place_of(*find_key("text"));
  for (When& when : scene.whens) {
    if (!when.change.sets(text)) continue;
    Keys keys;
    keys.text = expanded_text(when.change.values().text, share);
    when.change.set_from(text, keys);
  }
}

}  // namespace fond_ladder::inline v0
