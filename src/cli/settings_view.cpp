// SPDX-License-Identifier: MIT
//
// `measure --settings`: every setting of one node in force at a size, and whence.
#include <fmt/format.h>
#include <fmt/ostream.h>

#include <ostream>

#include "cli/measure_views.hpp"
#include "cli/output.hpp"
#include "cli/table.hpp"
#include "fond_ladder/settings.hpp"

namespace fond_ladder::cli {
namespace {

std::string whence(const Setting& setting) {
  const std::string source(word(setting.source));
  return setting.name.empty() ? source : source + " " + setting.name;
}

}  // namespace

void print_settings(const Scene& scene, const AskedSize& asked, const std::string& title, const MeasureOptions& options,
                    std::ostream& out) {
  const NodeId node = scene.tree.at(options.settings);
  const std::vector<Setting> all = settings(scene, node, asked.rung, options.scene.modes);
  const std::string path = scene.tree.path(node);
  if (options.format == Format::json) {
    fmt::print(out, "{{\"scene\": {}, \"node\": {}, \"settings\": [", json_text(scene.title), json_text(path));
    std::string comma;
    for (const Setting& setting : all) {
      fmt::print(out, "{}\n  {{\"key\": \"{}\", \"value\": {}, \"source\": \"{}\"", comma, setting.key,
                 setting.value.empty() ? "null" : setting.value, word(setting.source));
      if (!setting.name.empty()) fmt::print(out, ", \"name\": {}", json_text(setting.name));
      fmt::print(out, "{}}}", setting.acts ? "" : ", \"acts\": false");
      comma = ",";
    }
    out << "]}";
    return;
  }
  Table table({{"setting"}, {"value"}, {"from"}, {""}});
  std::vector<std::string> unsaid;
  std::size_t said = 0;
  for (const Setting& setting : all) {
    if (setting.source == Source::unsaid) {
      unsaid.push_back(setting.key);
      continue;
    }
    ++said;
    constexpr std::size_t longest_value = 66;
    std::string value = setting.value == "null" ? "its default" : setting.value;
    if (value.size() > longest_value) value = value.substr(0, longest_value - 3) + "...";
    table.add({setting.key, value, whence(setting), setting.acts ? "" : "does nothing here"});
  }
  fmt::print(out, "{} in {}: {} setting{}\n\n", path, title, said, said == 1 ? "" : "s");
  table.print(out);
  if (!unsaid.empty()) {
    out << '\n' << wrapped(fmt::format("at their default: {}", fmt::join(unsaid, ", ")), 100, true);
  }
}

}  // namespace fond_ladder::cli
