// SPDX-License-Identifier: MIT
//
// Commands print plain text. What gets a color is decided by the words at the start of a line, so that neither commands
// nor programs that read their output need to know about colors.
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

/// Calls `paint(line, before)` for each line, with the line before it, and puts what it gives together.
template <class Paint>
std::string by_lines(std::string_view text, const Paint& paint) {
  std::string all;
  for (std::string_view before; !text.empty();) {
    const std::size_t end = std::min(text.find('\n'), text.size());
    const std::string_view line = text.substr(0, end);
    all += paint(line, before);
    before = line;
    if (end < text.size()) all += '\n';
    text.remove_prefix(std::min(end + 1, text.size()));
  }
  return all;
}

/// `before` is empty for the first line.
std::string painted_line(std::string_view line, std::string_view before) {
  static const std::array marks{
      Mark{"holds ", fmt::fg(fmt::terminal_color::green)},
      Mark{"fails ", bold(fmt::terminal_color::red)},
      Mark{"never ", bold(fmt::terminal_color::red)},
      Mark{"  cure:", fmt::fg(fmt::terminal_color::green)},
      Mark{"          look:", fmt::text_style(fmt::emphasis::faint)},
  };
  for (const Mark& mark : marks) {
    if (!line.starts_with(mark.word)) continue;
    return in_style(mark.style, line.substr(0, mark.word.size())) + std::string(line.substr(mark.word.size()));
  }
  if (line.starts_with("$ ")) return in_style(bold(fmt::terminal_color::cyan), line);  // a command, in the demo
  const bool begins = before.empty() || before.starts_with("$ ");
  const bool is_heading = begins && !line.starts_with(" ") && !line.starts_with("first ");
  return is_heading ? in_style(fmt::text_style(fmt::emphasis::bold), line) : std::string(line);
}

}  // namespace

bool has_colors(Color color, bool to_terminal) {
  if (color != Color::automatic) return color == Color::always;
  const char* refused = std::getenv("NO_COLOR");
  return to_terminal && (refused == nullptr || *refused == '\0');
}

std::string painted_table(std::string_view text) {
  return by_lines(text, painted_line);
}

std::string painted_messages(std::string_view text) {
  return by_lines(text, [](std::string_view line, std::string_view) {
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
