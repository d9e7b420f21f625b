// SPDX-License-Identifier: MIT
#include "model/area_map.hpp"

#include <algorithm>

#include "model/limits.hpp"
#include "model/node_name.hpp"

namespace fond_ladder::inline v0 {

void AreaMap::read(const std::vector<std::string>& lines) {
  runs_.clear();
  areas_.clear();
  columns_ = rows_ = 0;
  ragged_ = false;
  for (const std::string& line : lines) {
    std::uint32_t column = 0;
    for (std::size_t at = line.find_first_not_of(' '); at != std::string::npos;) {
      const std::size_t end = std::min(line.find(' ', at), line.size());
      const auto name = std::string_view(line).substr(at, end - at);
      const bool goes_on = !runs_.empty() && runs_.back().name == name && runs_.back().row == rows_ &&
                           runs_.back().column + runs_.back().columns == column;
      if (goes_on) {
        ++runs_.back().columns;
      } else if (name != ".") {
        runs_.push_back({name, column, rows_, 1, 1});
      }
      ++column;
      at = line.find_first_not_of(' ', end);
    }
    ragged_ = ragged_ || (rows_ > 0 && column != columns_) || column == 0;
    columns_ = std::max(columns_, column);
    ++rows_;
  }
  std::ranges::sort(runs_, [](const Area& a, const Area& b) {
    if (a.name != b.name) return a.name < b.name;
    return a.row != b.row ? a.row < b.row : a.column < b.column;
  });
  for (const Area& run : runs_) {
    if (areas_.empty() || areas_.back().name != run.name) areas_.push_back(run);
    Area& area = areas_.back();
    const std::uint32_t right = std::max(area.column + area.columns, run.column + run.columns);
    area.column = std::min(area.column, run.column);
    area.columns = right - area.column;
    area.rows = run.row + 1 - area.row;
  }
}

const Area* AreaMap::find(std::string_view name) const {
  const auto found = std::ranges::lower_bound(areas_, name, {}, &Area::name);
  return found != areas_.end() && found->name == name ? &*found : nullptr;
}

std::optional<std::string> AreaMap::fault() const {
  if (ragged_) return "must have the same number of names in every line (\".\" leaves a cell free)";
  if (std::max(columns_, rows_) > limits::most_tracks) return "must have at most 10,000 columns and rows";
  std::size_t next = 0;
  for (const Area& area : areas_) {
    if (!is_node_name(area.name)) {
      return "must be names (a letter, then letters, digits, \"_\" or \"-\"); \"" + std::string(area.name) +
             "\" is none";
    }
    std::size_t cells = 0;
    for (; next < runs_.size() && runs_[next].name == area.name; ++next) cells += runs_[next].columns;
    if (cells != static_cast<std::size_t>(area.columns) * area.rows) {
      return "must give \"" + std::string(area.name) + "\" one rectangle of cells";
    }
  }
  return {};
}

}  // namespace fond_ladder::inline v0
