// SPDX-License-Identifier: MIT
#include <fmt/format.h>
#include <fmt/ostream.h>

#include <algorithm>
#include <iostream>

#include "cli/command.hpp"
#include "cli/output.hpp"
#include "cli/sizes.hpp"
#include "cli/table.hpp"
#include "fond_ladder/climb.hpp"

namespace fond_ladder::cli {
namespace {

/// The ladder of the scene, with what the command line says instead.
Ladder ladder_of(const Scene& scene, const ClimbOptions& options) {
  Ladder ladder = scene.ladder;
  if (!options.width.empty()) ladder.width = parse_span(options.width, "--width");
  if (!options.height.empty()) ladder.height = parse_span(options.height, "--height");
  return ladder;
}

/// The widths shown: those asked for, else both ends of the ladder and its named rungs between them.
std::vector<double> shown_widths(const Ladder& ladder, const std::string& asked) {
  if (!asked.empty()) {
    std::vector<double> widths = parse_sizes(asked, "--rungs");
    for (const double width : widths) {
      if (width < ladder.width.from || width > ladder.width.to) {
        throw WrongCall(fmt::format("--rungs: {} is not between {} and {}; widen --width", exact(width),
                                    exact(ladder.width.from), exact(ladder.width.to)));
      }
    }
    return widths;
  }
  std::vector<double> widths{ladder.width.from, ladder.width.to};
  for (const NamedRung& rung : ladder.rungs) {
    if (rung.size.width > ladder.width.from && rung.size.width < ladder.width.to) widths.push_back(rung.size.width);
  }
  std::ranges::sort(widths);
  widths.erase(std::unique(widths.begin(), widths.end()), widths.end());
  return widths;
}

void print_table(const Scene& scene, const Climb& climbed, const Ladder& ladder, std::ostream& out) {
  fmt::print(out, "{} from {} to {} wide, {}\n\n", scene.title.empty() ? "the scene" : scene.title,
             exact(ladder.width.from), exact(ladder.width.to),
             ladder.height ? exact(ladder.height->from) + " high" : "its height by content");
  std::vector<Table::Column> columns{{"container", Table::Align::numbers}};
  for (const std::string& quantity : climbed.quantities) columns.push_back({quantity, Table::Align::numbers});
  Table table(columns);
  for (const Climb::Step& step : climbed.steps) {
    std::vector<std::string> row{rounded(step.container.width)};
    for (const auto& value : step.values) row.push_back(value ? rounded(*value) : "-");
    table.add(row);
  }
  table.print(out);
}

void print_json(const Climb& climbed, std::ostream& out) {
  fmt::print(out, "{{\"axis\": \"width\",\n \"rungs\": [");
  std::string comma;
  for (const Climb::Step& step : climbed.steps) {
    std::string values;
    for (std::size_t i = 0; i < climbed.quantities.size(); ++i) {
      if (!step.values[i]) continue;
      values +=
          fmt::format("{}{}: {}", values.empty() ? "" : ", ", json_text(climbed.quantities[i]), exact(*step.values[i]));
    }
    fmt::print(out, "{}\n  {{\"width\": {}, \"height\": {}, \"values\": {{{}}}}}", comma, exact(step.container.width),
               exact(step.container.height), values);
    comma = ",";
  }
  fmt::print(out, "]}}\n");
}

void print_csv(const Climb& climbed, std::ostream& out) {
  out << "width,height";
  for (const std::string& quantity : climbed.quantities) out << ',' << csv_text(quantity);
  out << '\n';
  for (const Climb::Step& step : climbed.steps) {
    out << exact(step.container.width) << ',' << exact(step.container.height);
    for (const auto& value : step.values) out << ',' << (value ? exact(*value) : "");
    out << '\n';
  }
}

}  // namespace

void print_climb(const Scene& scene, const ClimbOptions& options, const Streams& streams) {
  const std::vector<std::string> quantities = split_list(options.show);
  if (quantities.empty()) {
    throw WrongCall("climb: say what to show, as in --show " + scene.tree.step(scene.tree.root()) + ".height");
  }
  const Ladder ladder = ladder_of(scene, options);
  std::vector<Rung> rungs;
  for (const double width : shown_widths(ladder, options.rungs)) {
    rungs.push_back({width, ladder.height ? std::optional(ladder.height->from) : std::nullopt});
  }
  const Climb climbed = fond_ladder::climb(scene, rungs, quantities, options.scene.modes);
  switch (options.format) {
    case Format::table: return print_table(scene, climbed, ladder, streams.out);
    case Format::json: return print_json(climbed, streams.out);
    case Format::csv: return print_csv(climbed, streams.out);
  }
}

ExitStatus climb(const ClimbOptions& options, const Streams& streams) {
  print_climb(load_scene(options.scene, streams), options, streams);
  return all_well;
}

}  // namespace fond_ladder::cli
