// SPDX-License-Identifier: MIT
#include "scene/edit/edit_words.hpp"

#include <charconv>

namespace fond_ladder::inline v0::scene {
namespace {

std::string_view trimmed(std::string_view text) {
  while (text.starts_with(' ')) text.remove_prefix(1);
  while (text.ends_with(' ')) text.remove_suffix(1);
  return text;
}

/// What is before the first `=`, and what is behind it.
std::pair<std::string_view, std::string_view> halves(const Edit& edit, const char* form) {
  const std::string_view what = edit.what;
  const std::size_t equals = what.find('=');
  if (equals == std::string_view::npos || trimmed(what.substr(0, equals)).empty() ||
      trimmed(what.substr(equals + 1)).empty())
    throw BadEdit(shown(edit) + "write " + form);
  return {trimmed(what.substr(0, equals)), trimmed(what.substr(equals + 1))};
}

std::vector<std::string> split(std::string_view text, char mark) {
  std::vector<std::string> items;
  for (;;) {
    const std::size_t end = text.find(mark);
    items.emplace_back(trimmed(text.substr(0, end)));
    if (end == std::string_view::npos) return items;
    text.remove_prefix(end + 1);
  }
}

/// `bar:1` into `words`.
void read_place(const Edit& edit, std::string_view text, PlaceWords& words, const char* form) {
  const std::size_t colon = text.rfind(':');
  words.container = trimmed(text.substr(0, colon));
  if (colon == std::string_view::npos) return;
  const std::string_view number = trimmed(text.substr(colon + 1));
  std::size_t place = 0;
  const char* end = number.data() + number.size();
  const auto read = std::from_chars(number.data(), end, place);
  if (number.empty() || read.ec != std::errc() || read.ptr != end || words.container.empty())
    throw BadEdit(shown(edit) + "write " + form + "; an index is a whole number, from 0");
  words.place = place;
}

}  // namespace

SetWords set_text_metrics(const Edit& edit, const std::string& example) {
  const std::size_t equals = edit.what.find('=');
  SetWords words;
  if (equals != std::string::npos) {
    words.steps = split(std::string_view(edit.what).substr(0, equals), '.');
    words.value = edit.what.substr(equals + 1);
  }
  for (const std::string& step : words.steps) {
    if (step.empty()) words.steps.clear();
    if (words.steps.empty()) break;
  }
  if (words.steps.empty()) throw BadEdit(shown(edit) + "expected NODE.KEY=VALUE, as in " + example);
  return words;
}

PlaceWords move_words(const Edit& edit) {
  constexpr const char* form = "NODE=CONTAINER:INDEX, as in legend=bar:1";
  const auto [nodes, place] = halves(edit, form);
  PlaceWords words{split(nodes, ','), "", {}};
  read_place(edit, place, words, form);
  return words;
}

PlaceWords add_words(const Edit& edit) {
  constexpr const char* form = "CONTAINER:INDEX={…}, as in bar:0={\"kind\": \"box\", \"width\": 40}";
  const auto [place, json] = halves(edit, form);
  PlaceWords words{{std::string(json)}, "", {}};
  read_place(edit, place, words, form);
  return words;
}

std::vector<std::string> split_nodes(const std::string& text) {
  return split(text, ',');
}

GroupWords group_words(const Edit& edit) {
  const auto [nodes, container] = halves(edit, "NODES=KIND:NAME, as in beds,map=row:places");
  GroupWords words{split(nodes, ','), std::string(trimmed(container.substr(0, container.find(':')))), ""};
  if (const std::size_t colon = container.find(':'); colon != std::string_view::npos)
    words.name = trimmed(container.substr(colon + 1));
  return words;
}

DuplicateWords duplicate_words(const Edit& edit) {
  if (edit.what.find('=') == std::string::npos) return {std::string(trimmed(edit.what)), ""};
  const auto [node, name] = halves(edit, "NODE=NAME, as in oak=ash");
  return {std::string(node), std::string(name)};
}

}  // namespace fond_ladder::inline v0::scene
