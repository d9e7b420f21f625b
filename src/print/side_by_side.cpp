// SPDX-License-Identifier: MIT
#include <fmt/format.h>
#include <fmt/ostream.h>

#include <algorithm>
#include <map>

#include "model/number_text.hpp"
#include "model/printable.hpp"
#include "print/issues.hpp"
#include "print/measure.hpp"
#include "print/table.hpp"

namespace fond_ladder::inline v0 {
namespace {

std::string box_text(const Rect& box) {
  return fmt::format("{}, {}: {} x {}", rounded(box.x), rounded(box.y), rounded(box.width), rounded(box.height));
}

/// A node that is there with some of the values: where it is with each, nothing where it has no place.
struct Row {
  std::string name;
  std::vector<std::string> boxes;
};

/// In the order of the file, those of the first value first.
std::vector<Row> rows_of(const std::vector<SolvedScene>& measured) {
  std::vector<Row> rows;
  std::map<std::string, std::size_t> places;
  for (std::size_t i = 0; i < measured.size(); ++i) {
    for (const auto& placed : measured[i].solution.boxes()) {
      const Tree& tree = measured[i].tree();
      const auto [place, is_new] = places.try_emplace(tree.path(placed.node), rows.size());
      if (is_new) rows.push_back({tree.path(placed.node), std::vector<std::string>(measured.size(), "-")});
      rows[place->second].boxes[i] = box_text(placed.box);
    }
  }
  return rows;
}

}  // namespace

void print_side_by_side(const std::string& setting, const std::vector<SolvedScene>& measured, std::ostream& out) {
  std::vector<Row> rows = rows_of(measured);
  const std::size_t nodes = rows.size();
  std::erase_if(rows, [](const Row& row) {
    return std::ranges::all_of(row.boxes, [&](const std::string& box) { return box == row.boxes.front(); });
  });
  AskedSize size = measured.front().asked;
  size.with.clear();
  fmt::print(out, "{} with {} values of {}: {}\n", title_of(measured.front().scene, measured.front().solution, size),
             measured.size(), printable(setting),
             rows.empty() ? "no box changes" : fmt::format("{} of {} boxes change", rows.size(), nodes));
  Table verdicts({{""}, {""}});
  for (const SolvedScene& one : measured) {
    verdicts.add({"  " + printable(one.asked.with), verdict(issues(one.scene, one.solution))});
  }
  verdicts.print(out);
  if (rows.empty()) return;
  std::vector<Table::Column> columns{{"x, y: width x height"}};
  for (const SolvedScene& one : measured) columns.push_back({printable(one.asked.with)});
  Table table(columns);
  for (Row& row : rows) {
    row.boxes.insert(row.boxes.begin(), row.name);
    table.add(row.boxes);
  }
  out << '\n';
  table.print(out);
}

}  // namespace fond_ladder::inline v0
