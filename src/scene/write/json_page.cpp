// SPDX-License-Identifier: MIT
//
// Widths are added up while the text is built, so that printing knows at every bracket whether all that is in it fits;
// both run in loops, so that depth costs no stack.
#include "scene/write/json_page.hpp"

#include <algorithm>

#include "model/json_text.hpp"

namespace fond_ladder::inline v0::scene {
namespace {

constexpr std::size_t longest_line = 100, deepest_indent = 60;

std::string_view closer(char bracket) {
  return bracket == '{' ? " }" : "]";
}

std::string head_of(std::string_view key, std::string_view value) {
  return key.empty() ? std::string(value) : json_text(key) + ": " + std::string(value);
}

}  // namespace

void JsonPage::value(std::string_view key, std::string_view json) {
  items_.push_back({head_of(key, json), 0, items_.size() + 1, 0});
  items_.back().width = items_.back().head.size();
  if (!open_.empty()) items_[open_.back()].width += items_.back().width + 2;
}

void JsonPage::open(char bracket, std::string_view key) {
  open_.push_back(items_.size());
  items_.push_back({head_of(key, std::string_view(&bracket, 1)), bracket, 0, 0});
  items_.back().width = items_.back().head.size() + 2;
}

void JsonPage::close() {
  Item& item = items_[open_.back()];
  item.end = items_.size();
  open_.pop_back();
  if (!open_.empty()) items_[open_.back()].width += item.width + 2;
}

std::string JsonPage::flat(std::size_t from, std::size_t end) const {
  std::string text;
  std::vector<std::size_t> open;
  for (std::size_t i = from; i < end; ++i) {
    const Item& item = items_[i];
    text += item.head;
    if (item.bracket != 0) open.push_back(i);
    if (item.bracket == '{' && item.end > i + 1) text += ' ';
    while (!open.empty() && items_[open.back()].end == i + 1) {
      text += open.back() == i ? closer(item.bracket).substr(item.bracket == '{' ? 1 : 0)
                               : closer(items_[open.back()].bracket);
      open.pop_back();
    }
    if (i + 1 < end && !(item.bracket != 0 && item.end > i + 1)) text += ", ";
  }
  return text;
}

std::string JsonPage::line() const {
  return flat(0, items_.size());
}

std::string JsonPage::page() const {
  struct Broken {
    std::size_t end = 0, indent = 0;
    char bracket = 0;
    bool a_line_each = false;
  };
  std::string text;
  std::size_t line_start = 0;
  const auto new_line = [&](std::size_t indent) {
    text += '\n';
    line_start = text.size();
    text.append(std::min(indent, deepest_indent), ' ');
  };
  std::vector<Broken> open;
  for (std::size_t i = 0; i < items_.size();) {
    const Item& item = items_[i];
    if (!open.empty()) {
      const Broken& in = open.back();
      const bool is_first = text.back() == in.bracket;
      if (!is_first) text += ',';
      const std::size_t column = text.size() - line_start, space = in.indent >= longest_line ? 0 : longest_line;
      // A list that cannot stand on one line anyway begins on the line of what is before it.
      const bool fits = column + item.width + 3 <= space ||
                        (in.bracket == '{' && item.bracket == '[' && in.indent + item.width > space &&
                         column + item.head.size() + 1 <= space);
      if (in.a_line_each || (!fits && !is_first)) {
        new_line(in.indent);
      } else if (in.bracket == '{') {
        text += ' ';
      }
    }
    const std::size_t indent = open.empty() ? 0 : open.back().indent;
    if (item.bracket == 0 || (indent + item.width <= longest_line && !open.empty())) {
      text += flat(i, item.end);
      i = item.end;
    } else {
      text += item.head;
      // A list in an object that fills its lines is indented no deeper than the object's own members.
      const bool shares_indent = !open.empty() && !open.back().a_line_each && item.bracket == '[';
      open.push_back({item.end, indent + (shares_indent ? 0 : 2), item.bracket, open.empty() || item.bracket == '['});
      ++i;
    }
    while (!open.empty() && open.back().end == i) {
      const Broken closed = open.back();
      open.pop_back();
      if (closed.a_line_each) new_line(closed.indent - 2);
      text +=
          closed.a_line_each ? closer(closed.bracket).substr(closed.bracket == '{' ? 1 : 0) : closer(closed.bracket);
    }
  }
  return text + '\n';
}

}  // namespace fond_ladder::inline v0::scene
