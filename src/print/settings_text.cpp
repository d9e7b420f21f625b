// SPDX-License-Identifier: MIT
#include <fmt/format.h>
#include <fmt/ostream.h>

#include <algorithm>

#include "print/settings.hpp"
#include "print/table.hpp"
#include "print/wrapped.hpp"

namespace fond_ladder::inline v0 {
namespace {

std::string whence(const Setting& setting) {
  const std::string source(word(setting.source));
  return setting.name.empty() ? source : source + " " + setting.name;
}

/// A word without its quotes.
std::string unquoted(const std::string& value) {
  const bool is_word = value.size() > 2 && value.front() == '"' && value.find('"', 1) == value.size() - 1;
  return is_word ? value.substr(1, value.size() - 2) : value;
}

}  // namespace

void print_explicit_settings(const std::vector<Setting>& all, std::ostream& out) {
  Table table({{"setting"}, {"value"}, {"from"}, {""}});
  for (const Setting& setting : all) {
    if (setting.source == Source::by_default) continue;
    constexpr std::size_t longest_value = 66;
    std::string value = setting.value == "null" ? "its default" : setting.value;
    if (value.size() > longest_value) value = value.substr(0, longest_value - 3) + "...";
    table.add({setting.key, value, whence(setting), setting.has_effect ? "" : "no effect here"});
  }
  table.print(out);
}

void print_settings(const std::string& path, const std::string& title, const std::vector<Setting>& all,
                    std::ostream& out) {
  const auto is_set = [](const Setting& one) { return one.source != Source::by_default; };
  const auto explicit_count = std::ranges::count_if(all, is_set);
  fmt::print(out, "{} in {}: {} setting{}\n\n", path, title, explicit_count, explicit_count == 1 ? "" : "s");
  print_explicit_settings(all, out);
  std::vector<std::string> usual, unset;
  for (const Setting& setting : all) {
    if (is_set(setting)) continue;
    const bool has_value =
        !setting.value.empty() && setting.value != "{}" && setting.value != "[]" && setting.value != "\"\"";
    (has_value ? usual : unset).push_back(setting.key + (has_value ? " " + unquoted(setting.value) : ""));
  }
  const auto list = [&](const char* what, const std::vector<std::string>& keys) {
    if (!keys.empty()) out << '\n' << wrapped(fmt::format("{}: {}", what, fmt::join(keys, ", ")), 100, true);
  };
  list("at their default", usual);
  list("not set", unset);
}

void write_settings(JsonWriter& json, const std::vector<Setting>& all) {
  json.objects("settings", all, [&](const auto& setting) {
    json.text("key", setting.key);
    json.json("value", setting.value.empty() ? "null" : setting.value);
    json.text("source", word(setting.source));
    if (!setting.name.empty()) json.text("name", setting.name);
    if (!setting.has_effect) json.truth("has_effect", false);
  });
}

}  // namespace fond_ladder::inline v0
