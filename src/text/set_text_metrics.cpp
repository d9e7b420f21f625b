// SPDX-License-Identifier: MIT
#include <algorithm>
#include <map>
#include <tuple>
#include <utility>

#include "fond_ladder/fonts.hpp"
#include "model/limits.hpp"
#include "model/thousands.hpp"
#include "text/styled_words.hpp"

namespace fond_ladder::inline v0 {
namespace {

std::string sentences(const std::vector<BadFonts::Fault>& faults) {
  std::string all;
  for (const BadFonts::Fault& fault : faults) all += (all.empty() ? "" : "\n") + fault.message;
  return all;
}

/// The bytes of the different texts, once a style and for each locale that has fonts of its own. Which are different
/// is not looked at where all of them are few enough.
std::size_t bytes_to_set(const std::vector<typeset::StyledWords>& all) {
  std::size_t of_all = 0;
  for (const auto& one : all) of_all += one.text->size();
  if (of_all <= limits::most_set_bytes) return of_all;
  const auto key = [](const typeset::StyledWords& one) {
    const FontStyle& style = one.style;
    const Locale* fonts = one.locale != nullptr && !one.locale->fonts.empty() ? one.locale : nullptr;
    return std::tuple(std::string_view(*one.text), style.size, std::string_view(style.font), style.bold, style.italic,
                      style.line_height, style.one_line, style.max_lines, fonts);
  };
  std::vector<const typeset::StyledWords*> order;
  order.reserve(all.size());
  for (const auto& one : all) order.push_back(&one);
  std::ranges::sort(order, [&](const auto* one, const auto* other) { return key(*one) < key(*other); });
  std::size_t bytes = 0;
  for (std::size_t i = 0; i < order.size(); ++i) {
    if (i == 0 || key(*order[i - 1]) != key(*order[i])) bytes += order[i]->text->size();
  }
  return bytes;
}

}  // namespace

BadFonts::BadFonts(std::vector<Fault> faults) : Error(sentences(faults)), faults_(std::move(faults)) {}

std::vector<typeset::StyledWords> typeset::styled_words(const Scene& scene) {
  std::map<NodeId, std::vector<const Changes*>> forms;
  const std::vector<When> of_tree = scene.tree.whens();
  for (const auto* whens : {&of_tree, &scene.whens}) {
    for (const When& when : *whens) forms[when.node].push_back(&when.change);
  }
  std::vector<StyledWords> all;
  std::map<NodeId, std::pair<std::size_t, std::size_t>> own;  // where in `all` those of a node stand
  const auto add = [&](NodeId node, const Keys& keys) {
    if (keys.kind != Kind::text) return;
    const bool as_before = !all.empty() && all.back().node == node && *all.back().text == keys.text;
    all.push_back({node, as_before ? all.back().text : std::make_shared<const std::string>(keys.text),
                   keys.font_style(scene.tree.em()), nullptr});
  };
  for (const NodeId node : scene.tree.nodes()) {
    const std::size_t first = all.size();
    const Keys keys = scene.tree.keys(node);
    add(node, keys);
    for (const Changes* change : forms[node]) {
      Keys changed = keys;
      change->put_into(changed);
      add(node, changed);
    }
    own[node] = {first, all.size()};
  }
  const std::size_t all_own = all.size();
  for (const Locale& locale : scene.locales) {
    for (const auto& [node, words] : locale.texts) {
      const auto [first, behind] = own.at(node);
      const auto text = std::make_shared<const std::string>(words);
      for (std::size_t i = first; i < behind; ++i) all.push_back({node, text, all[i].style, &locale});
    }
    if (locale.fonts.empty()) continue;
    for (std::size_t i = 0; i < all_own; ++i) all.push_back({all[i].node, all[i].text, all[i].style, &locale});
  }
  return all;
}

void set_text_metrics(Scene& scene, TextMetrics words) {
  if (words == TextMetrics::fixed) {
    scene.tree.set_text_shaper(nullptr);
    scene.text_metrics = words;
    return;
  }
  const std::shared_ptr<const TextShaper> setter = open_fonts(scene.fonts);
  std::vector<std::pair<const Locale*, std::shared_ptr<const TextShaper>>> of_locales;
  for (const Locale& locale : scene.locales) {
    if (!locale.fonts.empty()) of_locales.emplace_back(&locale, setter->with(locale.fonts));
  }
  const std::vector<typeset::StyledWords> all = typeset::styled_words(scene);
  if (const std::size_t bytes = bytes_to_set(all); bytes > limits::most_set_bytes) {
    throw BadFonts({{{},
                     "",
                     "all texts, once per style, have " + in_thousands(static_cast<double>(bytes)) +
                         " bytes; the limit with fonts is " + in_thousands(limits::most_set_bytes) + " are set"}});
  }
  std::vector<BadFonts::Fault> faults;
  for (const typeset::StyledWords& one : all) {
    const TextShaper* by = setter.get();
    for (const auto& [locale, its] : of_locales) {
      if (locale == one.locale) by = its.get();
    }
    static_cast<void>(by->zero_width(one.style));
    if (by->shape(*one.text, one.style) != nullptr) continue;
    const std::string why = by->refusal(*one.text, one.style);
    if (!why.empty()) faults.push_back({{}, "", scene.tree.path(one.node) + ": " + why});
  }
  if (!faults.empty()) throw BadFonts(std::move(faults));
  scene.tree.set_text_shaper(setter);
  scene.text_metrics = words;
}

}  // namespace fond_ladder::inline v0
