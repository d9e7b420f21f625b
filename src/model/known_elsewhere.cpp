// SPDX-License-Identifier: MIT
#include "model/known_elsewhere.hpp"

#include <algorithm>
#include <array>
#include <span>
#include <string>

#include "model/limits.hpp"

namespace fond_ladder::inline v0 {
namespace {

struct Entry {
  std::string_view typed, ours;
};

constexpr auto keys = std::to_array<Entry>({
    // CSS Flexible Box Layout, Box Alignment
    {"justify", "\"along\""},
    {"justify-content", "\"along\""},
    {"align", "\"across\" in rows and columns, \"place_items\" in grids and stacks"},
    {"align-items", "\"across\""},
    {"align-content", "\"place_content\""},
    {"align-self", "\"place_self\""},
    {"justify-self", "\"place_self\": {\"x\": ...}"},
    {"justify-items", "\"place_items\": {\"x\": ...}"},
    {"place-content", "\"place_content\""},
    {"place-items", "\"place_items\""},
    {"place-self", "\"place_self\""},
    {"flex", "\"weight\", or \"grow\", \"shrink\" and \"basis\""},
    {"flex-grow", "\"grow\""},
    {"flex-shrink", "\"shrink\""},
    {"flex-basis", "\"basis\""},
    {"flex-direction", "\"kind\": row or column"},
    {"flex-wrap", "\"wrap\": true"},
    {"flex-flow", "\"kind\" and \"wrap\""},
    {"row-gap", "\"gap\": {\"y\": ...}"},
    {"column-gap", "\"gap\": {\"x\": ...}"},
    {"gap-x", "\"gap\": {\"x\": ...}"},
    {"gap-y", "\"gap\": {\"y\": ...}"},
    // CSS Grid Layout
    {"grid-template-columns", "\"columns\""},
    {"grid-template-rows", "\"rows\""},
    {"grid-template-areas", "\"areas\""},
    {"grid-auto-columns", "\"auto_columns\""},
    {"grid-auto-rows", "\"auto_rows\""},
    {"grid-auto-flow", "\"flow\""},
    {"grid-area", "\"area\""},
    {"grid-column", "\"cell\" and \"span\""},
    {"grid-row", "\"cell\" and \"span\""},
    {"colspan", "\"span\": [columns, rows]"},
    {"rowspan", "\"span\": [columns, rows]"},
    {"column-span", "\"span\": [columns, rows]"},
    {"row-span", "\"span\": [columns, rows]"},
    // CSS Box Model, Sizing, Positioned Layout, Overflow, Display
    {"margin-left", "\"margin\": {\"left\": ...}"},
    {"margin-right", "\"margin\": {\"right\": ...}"},
    {"margin-top", "\"margin\": {\"top\": ...}"},
    {"margin-bottom", "\"margin\": {\"bottom\": ...}"},
    {"margin-x", "\"margin\": {\"x\": ...}"},
    {"margin-y", "\"margin\": {\"y\": ...}"},
    {"margin-inline", "\"margin\": {\"x\": ...}"},
    {"margin-block", "\"margin\": {\"y\": ...}"},
    {"margin-inline-start", "\"margin\": {\"start\": ...}"},
    {"margin-inline-end", "\"margin\": {\"end\": ...}"},
    {"padding-left", "\"padding\": {\"left\": ...}"},
    {"padding-right", "\"padding\": {\"right\": ...}"},
    {"padding-top", "\"padding\": {\"top\": ...}"},
    {"padding-bottom", "\"padding\": {\"bottom\": ...}"},
    {"padding-x", "\"padding\": {\"x\": ...}"},
    {"padding-y", "\"padding\": {\"y\": ...}"},
    {"padding-inline", "\"padding\": {\"x\": ...}"},
    {"padding-block", "\"padding\": {\"y\": ...}"},
    {"padding-inline-start", "\"padding\": {\"start\": ...}"},
    {"padding-inline-end", "\"padding\": {\"end\": ...}"},
    {"border-width", "\"border\""},
    {"box-sizing", "nothing: every size is that of the border box"},
    {"aspect-ratio", "\"aspect_ratio\""},
    {"inline-size", "\"width\""},
    {"block-size", "\"height\""},
    {"min-inline-size", "\"min_width\""},
    {"max-inline-size", "\"max_width\""},
    {"min-block-size", "\"min_height\""},
    {"max-block-size", "\"max_height\""},
    {"min-size", "\"min_width\" and \"min_height\""},
    {"max-size", "\"max_width\" and \"max_height\""},
    {"size", "\"width\" and \"height\", of a text \"font_size\""},
    {"position", "\"pin\""},
    {"inset", "\"pin\""},
    {"left", "\"pin\": {\"left\": ...}"},
    {"right", "\"pin\": {\"right\": ...}"},
    {"top", "\"pin\": {\"top\": ...}"},
    {"bottom", "\"pin\": {\"bottom\": ...}"},
    {"z-index", "\"on_top\" of the parent"},
    {"z", "\"on_top\" of the parent"},
    {"overflow", "\"scroll\""},
    {"overflow-x", "\"scroll\": \"x\""},
    {"overflow-y", "\"scroll\": \"y\""},
    {"direction", "\"kind\": row or column; of a whole scene \"direction\" beside \"root\""},
    {"display", "\"kind\", or \"hidden\""},
    {"visibility", "\"hidden\""},
    {"font-size", "\"font_size\""},
    {"text-align", "\"text_align\""},
    {"white-space", "\"one_line\""},
    {"line-clamp", "\"max_lines\""},
    {"object-fit", "\"image_fit\""},
    {"transform", "\"scale\" or \"nudge\""},
    // Plain English
    {"spacing", "\"gap\""},
    {"space", "\"gap\""},
    {"spread", "\"along\""},
    {"alignment", "\"across\" in rows and columns, \"place_items\" in grids and stacks"},
    {"visible", "\"hidden\": false"},
    {"type", "\"kind\""},
    {"id", "\"name\""},
    {"items", "\"children\""},
    {"content", "\"children\", \"text\" or \"natural_size\""},
    {"template", "\"part\""},
    {"style", "\"like\""},
    {"repeat", "\"copies\""},
    {"count", "\"copies\""},
    {"ratio", "\"aspect_ratio\", of grids' children \"span\""},
    {"label", "\"text\""},
    {"fixed", "\"shrink\": 0, or \"pin\""},
    {"offset", "\"nudge\" in a stack, else \"margin\" or \"pin\""},
    {"lines", "\"max_lines\""},
});

constexpr auto range_keys = std::to_array<Entry>({{"min-width", "\"from_width\""},
                                                  {"max-width", "\"below_width\", an exclusive bound"},
                                                  {"min-height", "\"from_height\""},
                                                  {"max-height", "\"below_height\", an exclusive bound"},
                                                  {"from", "\"from_width\" or \"from_height\""},
                                                  {"to", "\"below_width\" or \"below_height\""},
                                                  {"below", "\"below_width\" or \"below_height\""},
                                                  {"width", "\"from_width\" and \"below_width\""},
                                                  {"height", "\"from_height\" and \"below_height\""}});

constexpr auto words = std::to_array<Entry>({{"flex-start", "\"start\""},
                                             {"flex-end", "\"end\""},
                                             {"space-between", "\"between\""},
                                             {"space-around", "\"around\""},
                                             {"space-evenly", "\"evenly\""},
                                             {"left", "\"start\""},
                                             {"top", "\"start\""},
                                             {"right", "\"end\""},
                                             {"bottom", "\"end\""},
                                             {"middle", "\"center\""},
                                             {"none", "the default"},
                                             {"normal", "the default"},
                                             {"auto", "the default"},
                                             {"horizontal", "\"x\", of kinds \"row\""},
                                             {"vertical", "\"y\", of kinds \"column\""},
                                             {"min-content", "\"content\""},
                                             {"max-content", "\"content\""},
                                             {"fit-content", "\"content\""}});

constexpr auto measures = std::to_array<Entry>({{"size", "\"width\" and \"height\""},
                                                {"overflow", "\"overflow_x\" and \"overflow_y\", of a container"},
                                                {"visible", "\"reachable\", or \"in_view\" at a scroll position"},
                                                {"center", "\"middle_x\" and \"middle_y\""},
                                                {"gap", "a difference: b.left - a.right"},
                                                {"w", "\"width\""},
                                                {"h", "\"height\""},
                                                {"spacing", "a difference: b.left - a.right"},
                                                {"ratio", "a.width : a.height = 2 : 1"}});

constexpr auto functions = std::to_array<Entry>({{"equal", "same(...)"},
                                                 {"visible", "reachable(...)"},
                                                 {"contains", "inside(...)"},
                                                 {"overlap", "not apart(...)"},
                                                 {"clipped", "not fits(...)"},
                                                 {"total", "sum(...)"},
                                                 {"average", "sum(...) / count(...)"},
                                                 {"avg", "sum(...) / count(...)"}});

std::span<const Entry> table_of(Vocabulary vocabulary) {
  switch (vocabulary) {
    case Vocabulary::keys: return keys;
    case Vocabulary::range_keys: return range_keys;
    case Vocabulary::words: return words;
    case Vocabulary::measures: return measures;
    case Vocabulary::functions: return functions;
    case Vocabulary::names: break;
  }
  return {};
}

/// The one spelling of the tables: `flexGrow`, `flex_grow` and `FLEX-GROW` as `flex-grow`.
std::string hyphenated(std::string_view typed) {
  std::string name;
  bool was_small = false;
  for (const char c : typed) {
    const bool is_capital = c >= 'A' && c <= 'Z';
    if (is_capital && was_small) name += '-';
    name += c == '_' ? '-' : is_capital ? static_cast<char>(c - 'A' + 'a') : c;
    was_small = c >= 'a' && c <= 'z';
  }
  return name;
}

}  // namespace

std::string_view known_elsewhere(std::string_view typed, Vocabulary vocabulary) {
  if (typed.size() > limits::longest_typed) return {};
  const auto table = table_of(vocabulary);
  const auto found = std::ranges::find(table, hyphenated(typed), &Entry::typed);
  return found == table.end() ? std::string_view() : found->ours;
}

}  // namespace fond_ladder::inline v0
