// SPDX-License-Identifier: MIT
#include "support/shorthand.hpp"

#include <gtest/gtest.h>

#include <cctype>
#include <cmath>
#include <fstream>
#include <iterator>
#include <sstream>

#include "fond_ladder/scene_file.hpp"

namespace fond_ladder::testing {
namespace {

/// One word of the shorthand; blanks inside quotes, braces and brackets of a value belong to it.
std::string next_word(std::string_view text, std::size_t& at) {
  while (at < text.size() && text[at] == ' ') ++at;
  const std::size_t begin = at;
  int depth = 0;
  bool quoted = false;
  const bool is_bracket = at < text.size() && (text[at] == '[' || text[at] == ']');
  if (is_bracket) return std::string(1, text[at++]);
  for (; at < text.size(); ++at) {
    const char c = text[at];
    if (c == '"' && text[at - 1] != '\\') quoted = !quoted;
    if (quoted) continue;
    if (c == '{' || c == '[') ++depth;
    if (c == ']' && depth == 0) break;
    if (c == '}' || c == ']') --depth;
    if (c == ' ' && depth == 0) break;
  }
  return std::string(text.substr(begin, at - begin));
}

std::string json_value(const std::string& value) {
  const char first = value.front();
  const bool is_raw = first == '"' || first == '{' || first == '[' || value == "true" || value == "false";
  char* end = nullptr;
  std::strtod(value.c_str(), &end);
  const bool is_number = (std::isdigit(first) || first == '-') && *end == '\0';
  return is_raw || is_number ? value : '"' + value + '"';
}

}  // namespace

Scene scene_from(std::string_view shorthand) {
  std::string head = "{\"format\": 2", nodes;
  bool in_root = false;
  std::size_t at = 0;
  for (std::string word = next_word(shorthand, at); !word.empty(); word = next_word(shorthand, at)) {
    const std::size_t equals = word.find('=');
    if (word == "[") {
      nodes += ", \"children\": [";
    } else if (word == "]") {
      nodes += "}]";
    } else if (equals != std::string::npos) {
      (in_root ? nodes : head) += ", \"" + word.substr(0, equals) + "\": " + json_value(word.substr(equals + 1));
    } else {
      if (in_root) nodes += nodes.back() == '[' ? "" : "}, ";
      in_root = true;
      const std::size_t colon = word.find(':');
      nodes += "{\"kind\": \"" + word.substr(0, colon) + '"';
      if (colon != std::string::npos) nodes += ", \"name\": \"" + word.substr(colon + 1) + '"';
    }
  }
  for (std::size_t i = nodes.find("[}]"); i != std::string::npos; i = nodes.find("[}]")) nodes.replace(i, 3, "[]");
  return read_scene(head + ", \"root\": " + nodes + "}}", std::string(shorthand));
}

std::string short_number(double number) {
  std::ostringstream out;
  out << std::round(number * 1e4) / 1e4 + 0.0;
  return out.str();
}

void add_form(Scene& scene, NodeId node, const std::string& name, const std::function<void(Keys&)>& change) {
  const Keys before = scene.tree.keys(node);
  Keys after = before;
  change(after);
  scene.whens.push_back({node, name, Changes(before, after)});
}

std::string boxes_text(const Solution& solution) {
  std::string text;
  for (const auto& [node, box, depth] : solution.boxes()) {
    if (depth == 0) continue;
    text += (text.empty() ? "" : " ") + solution.tree().segment(node) + "(" + short_number(box.x) + "," +
            short_number(box.y) + " " + short_number(box.width) + "x" + short_number(box.height) + ")";
  }
  return text;
}

ContainerSize size_from(std::string_view at) {
  if (at == "content") return {};
  const std::size_t cross = at.find('x');
  ContainerSize container_size{std::stod(std::string(at.substr(0, cross))), {}};
  if (cross != std::string_view::npos) container_size.height = std::stod(std::string(at.substr(cross + 1)));
  return container_size;
}

std::string boxes_at(std::string_view shorthand, std::string_view at) {
  return boxes_text(solve(scene_from(shorthand), size_from(at)));
}

void expect_boxes(std::span<const BoxCase> cases) {
  for (const BoxCase& one : cases) EXPECT_EQ(boxes_at(one.scene, one.at), one.boxes) << one.name;
}

std::string file_text(const std::string& path) {
  std::ifstream in(path, std::ios::binary);
  EXPECT_TRUE(in) << path;
  return {std::istreambuf_iterator<char>(in), std::istreambuf_iterator<char>()};
}

}  // namespace fond_ladder::testing
