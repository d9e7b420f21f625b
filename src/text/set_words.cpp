// SPDX-License-Identifier: MIT
#include <map>
#include <utility>

#include "fond_ladder/fonts.hpp"
#include "text/styled_words.hpp"

namespace fond_ladder::inline v0 {
namespace {

std::string sentences(const std::vector<BadFonts::Fault>& faults) {
  std::string all;
  for (const BadFonts::Fault& fault : faults) all += (all.empty() ? "" : "\n") + fault.message;
  return all;
}

}  // namespace

BadFonts::BadFonts(std::vector<Fault> faults) : std::runtime_error(sentences(faults)), faults_(std::move(faults)) {}

std::vector<typeset::StyledWords> typeset::styled_words(const Scene& scene) {
  std::map<NodeId, std::vector<const Changes*>> forms;
  const std::vector<When> of_tree = scene.tree.whens();
  for (const auto* whens : {&of_tree, &scene.whens}) {
    for (const When& when : *whens) forms[when.node].push_back(&when.change);
  }
  std::vector<StyledWords> all;
  std::map<NodeId, std::pair<std::size_t, std::size_t>> own;  // where in `all` those of a node stand
  const auto add = [&](NodeId node, const Keys& keys) {
    if (keys.kind == Kind::text) all.push_back({node, keys.text, keys.word_style(scene.tree.em()), nullptr});
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
  for (const Wording& wording : scene.wordings) {
    for (const auto& [node, words] : wording.texts) {
      const auto [first, behind] = own.at(node);
      for (std::size_t i = first; i < behind; ++i) all.push_back({node, words, all[i].style, &wording});
    }
    if (wording.fonts.empty()) continue;
    for (std::size_t i = 0; i < all_own; ++i) all.push_back({all[i].node, all[i].text, all[i].style, &wording});
  }
  return all;
}

void set_words(Scene& scene, WordsIn words) {
  if (words == WordsIn::plain) {
    scene.tree.set_typesetter(nullptr);
    scene.words = words;
    return;
  }
  const std::shared_ptr<const Typesetter> setter = open_fonts(scene.fonts);
  std::vector<std::pair<const Wording*, std::shared_ptr<const Typesetter>>> of_wordings;
  for (const Wording& wording : scene.wordings) {
    if (!wording.fonts.empty()) of_wordings.emplace_back(&wording, setter->with(wording.fonts));
  }
  std::vector<BadFonts::Fault> faults;
  for (const typeset::StyledWords& one : typeset::styled_words(scene)) {
    const Typesetter* by = setter.get();
    for (const auto& [wording, its] : of_wordings) {
      if (wording == one.wording) by = its.get();
    }
    static_cast<void>(by->zero_width(one.style));
    if (by->set(one.text, one.style) != nullptr) continue;
    const std::string why = by->refusal(one.text, one.style);
    if (!why.empty()) faults.push_back({{}, "", scene.tree.path(one.node) + ": " + why});
  }
  if (!faults.empty()) throw BadFonts(std::move(faults));
  scene.tree.set_typesetter(setter);
  scene.words = words;
}

}  // namespace fond_ladder::inline v0
