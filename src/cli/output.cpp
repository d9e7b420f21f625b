// SPDX-License-Identifier: MIT
#include "cli/output.hpp"

#include <fmt/format.h>

#include <sstream>

namespace fond_ladder::cli {

std::string indented(const std::string& name, int depth) {
  constexpr int deepest = 12;
  const auto blanks = [](int levels) { return std::string(2 * static_cast<std::size_t>(levels), ' '); };
  if (depth <= deepest) return blanks(depth) + name;
  return fmt::format("{}({}) {}", blanks(deepest), depth, name);
}

std::string json_spans(const std::vector<Span>& spans) {
  std::vector<std::string> all;
  all.reserve(spans.size());
  for (const Span& span : spans)
    all.push_back(fmt::format("{{\"from\": {}, \"to\": {}}}", exact(span.from), exact(span.to)));
  return fmt::format("[{}]", fmt::join(all, ", "));
}

std::string wrapped(const std::string& text, std::size_t widest, bool hangs) {
  std::string lines, line;
  std::istringstream words(text);
  for (std::string word; words >> word;) {
    if (!line.empty() && line.size() + 1 + word.size() > widest) {
      lines += line + "\n";
      line = hangs ? "  " + word : word;
    } else {
      line += (line.empty() ? "" : " ") + word;
    }
  }
  return lines + line + "\n";
}

std::string csv_text(std::string_view text) {
  if (text.find_first_of(",\"\r\n") == std::string_view::npos) return std::string(text);
  std::string quoted = "\"";
  for (const char c : text) quoted += c == '"' ? std::string("\"\"") : std::string(1, c);
  return quoted + "\"";
}

}  // namespace fond_ladder::cli
