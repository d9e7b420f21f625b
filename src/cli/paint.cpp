// SPDX-License-Identifier: MIT
//
// Commands print plain text. What is painted is told by the words that a line begins with, so that no command, and
// nobody who reads its output by a program, has to know of colours.
#include "cli/paint.hpp"

#include <fmt/color.h>

#include <algorithm>
#include <array>
#include <cstdlib>

namespace fond_ladder::cli {
namespace {

/// A word at which a line is painted; behind blanks where it begins with one.
struct Mark {
  std::string_view word;
  fmt::text_style style;
};

fmt::text_style bold(fmt::terminal_color color) {
  return fmt::emphasis::bold | fmt::fg(color);
}

std::string in_style(const fmt::text_style& style, std::string_view text) {
  return text.empty() ? std::string() : fmt::format(style, "{}", text);
}

/// Calls `paint(line, is_first)` for each line, and puts what it gives together.
template <class Paint>
std::string by_lines(std::string_view text, const Paint& paint) {
  std::string all;
  for (bool is_first = true; !text.empty(); is_first = false) {
    const std::size_t end = std::min(text.find('\n'), text.size());
    all += paint(text.substr(0, end), is_first);
    if (end < text.size()) all += '\n';
    text.remove_prefix(std::min(end + 1, text.size()));
  }
  return all;
}

std::string painted_line(std::string_view line) {
  static const std::array marks{
      Mark{"kept ", fmt::fg(fmt::terminal_color::green)},
      Mark{"broken ", bold(fmt::terminal_color::red)},
      Mark{"never ", bold(fmt::terminal_color::red)},
      Mark{"  cure:", fmt::fg(fmt::terminal_color::green)},
      Mark{"          look:", fmt::text_style(fmt::emphasis::faint)},
  };
  for (const Mark& mark : marks) {
    if (!line.starts_with(mark.word)) continue;
    return in_style(mark.style, line.substr(0, mark.word.size())) + std::string(line.substr(mark.word.size()));
  }
  if (line.starts_with("$ ")) return in_style(bold(fmt::terminal_color::cyan), line);  // a command, in the demo
  return std::string(line);
}

}  // namespace

bool has_colors(Color color, bool to_terminal) {
  if (color != Color::automatic) return color == Color::always;
  const char* refused = std::getenv("NO_COLOR");
  return to_terminal && (refused == nullptr || *refused == '\0');
}

std::string painted_table(std::string_view text) {
  return by_lines(text, [](std::string_view line, bool is_first) {
    const std::string painted = painted_line(line);
    return is_first && painted == line ? in_style(fmt::text_style(fmt::emphasis::bold), line) : painted;
  });
}

std::string painted_messages(std::string_view text) {
  return by_lines(text, [](std::string_view line, bool) {
    for (const auto& [word, color] :
         {std::pair<std::string_view, fmt::terminal_color>{"error:", fmt::terminal_color::red},
          {"hint:", fmt::terminal_color::yellow}}) {
      const std::size_t at = line.find(word);
      if (at == std::string_view::npos || (word == "hint:" && at > 0)) continue;
      return std::string(line.substr(0, at)) + in_style(bold(color), word) + std::string(line.substr(at + word.size()));
    }
    return std::string(line);
  });
}

}  // namespace fond_ladder::cli
