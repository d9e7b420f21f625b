// SPDX-License-Identifier: MIT
#include <array>

#include "print/answers_json.hpp"
#include "print/json_frame.hpp"

namespace fond_ladder::inline v0 {
namespace {

void write_difference(JsonWriter& json, const Difference& one) {
  static constexpr std::array<std::string_view, 3> words{"changed", "only in the first", "only in the second"};
  json.text("node", one.path);
  json.text("what", words[static_cast<std::size_t>(one.kind)]);
  write_spans(json, "widths", one.sizes);
  json.number("max_difference", one.max_difference);
  json.begin_object("worst");
  json.number("width", one.worst.width);
  json.number("height", one.worst.height);
  json.box("first", one.first);
  json.box("second", one.second);
  json.end();
  json.number("moved_with_parent", one.moved_with_parent);
}

void write_side(JsonWriter& json, std::string_view key, const std::string& name, std::size_t settings) {
  json.begin_object(key);
  json.text("name", name);
  json.number("settings", settings);
  json.end();
}

}  // namespace

void write_comparison(JsonWriter& json, const Comparison& comparison) {
  write_side(json, "first", comparison.first, comparison.settings_first);
  write_side(json, "second", comparison.second, comparison.settings_second);
  json.number("sizes", comparison.sizes);
  json.number("unchanged", comparison.unchanged);
  json.objects("differences", comparison.differences, [&](const auto& one) { write_difference(json, one); });
}

}  // namespace fond_ladder::inline v0
