// SPDX-License-Identifier: MIT
//
// `measure --settings`: every setting of one node in force at a size, and whence.
#include <fmt/format.h>
#include <fmt/ostream.h>

#include <algorithm>
#include <ostream>

#include "cli/commands/measure_views.hpp"
#include "cli/output.hpp"
#include "fond_ladder/settings.hpp"
#include "print/table.hpp"

namespace fond_ladder::cli {
namespace {

std::string whence(const Setting& setting) {
  const std::string source(word(setting.source));
  return setting.name.empty() ? source : source + " " + setting.name;
}

/// Settings as a JSON list.
std::string json_list_of(const std::vector<Setting>& all) {
  std::vector<std::string> items;
  for (const Setting& setting : all) {
    std::string item = fmt::format("{{\"key\": \"{}\", \"value\": {}, \"source\": \"{}\"", setting.key,
                                   setting.value.empty() ? "null" : setting.value, word(setting.source));
    if (!setting.name.empty()) item += fmt::format(", \"name\": {}", json_text(setting.name));
    items.push_back(item + (setting.acts ? "}" : ", \"acts\": false}"));
  }
  return fmt::format("[\n  {}]", fmt::join(items, ",\n  "));
}

std::size_t count_said(const std::vector<Setting>& all) {
  return static_cast<std::size_t>(
      std::ranges::count_if(all, [](const Setting& one) { return one.source != Source::unsaid; }));
}

void print_table(const std::vector<Setting>& all, std::ostream& out) {
  Table table({{"setting"}, {"value"}, {"from"}, {""}});
  for (const Setting& setting : all) {
    if (setting.source == Source::unsaid) continue;
    constexpr std::size_t longest_value = 66;
    std::string value = setting.value == "null" ? "its default" : setting.value;
    if (value.size() > longest_value) value = value.substr(0, longest_value - 3) + "...";
    table.add({setting.key, value, whence(setting), setting.acts ? "" : "does nothing here"});
  }
  table.print(out);
}

}  // namespace

std::string json_settings(const Scene& scene, NodeId node, const Rung& rung, const std::vector<std::string>& modes) {
  return json_list_of(settings(scene, node, rung, modes));
}

void print_said_settings(const Scene& scene, NodeId node, const Rung& rung, const std::vector<std::string>& modes,
                         std::ostream& out) {
  print_table(settings(scene, node, rung, modes), out);
}

void print_settings(const Scene& scene, const AskedSize& asked, const std::string& title, const MeasureOptions& options,
                    std::ostream& out) {
  const NodeId node = scene.tree.at(options.settings);
  const std::vector<Setting> all = settings(scene, node, asked.rung, options.scene.modes);
  const std::string path = scene.tree.path(node);
  if (options.format == Format::json) {
    fmt::print(out, "{{\"scene\": {}, \"node\": {}, \"settings\": {}}}", json_text(scene.title), json_text(path),
               json_list_of(all));
    return;
  }
  const std::size_t said = count_said(all);
  fmt::print(out, "{} in {}: {} setting{}\n\n", path, title, said, said == 1 ? "" : "s");
  print_table(all, out);
  std::vector<std::string> unsaid;
  for (const Setting& setting : all) {
    if (setting.source == Source::unsaid) unsaid.push_back(setting.key);
  }
  if (!unsaid.empty()) {
    out << '\n' << wrapped(fmt::format("at their default: {}", fmt::join(unsaid, ", ")), 100, true);
  }
}

}  // namespace fond_ladder::cli
