// SPDX-License-Identifier: MIT
#include "model/area_map.hpp"

#include <algorithm>

#include "model/key_table.hpp"
#include "model/limits.hpp"

namespace fond_ladder {

void AreaMap::read(const std::vector<std::string>& lines) {
  cells_.clear();
  areas_.clear();
  columns_ = rows_ = 0;
  ragged_ = false;
  for (const std::string& line : lines) {
    std::uint32_t column = 0;
    for (std::size_t at = line.find_first_not_of(' '); at != std::string::npos;) {
      const std::size_t end = std::min(line.find(' ', at), line.size());
      const auto name = std::string_view(line).substr(at, end - at);
      if (name != ".") cells_.push_back({name, column, rows_, 1, 1});
      ++column;
      at = line.find_first_not_of(' ', end);
    }
    ragged_ = ragged_ || (rows_ > 0 && column != columns_) || column == 0;
    columns_ = std::max(columns_, column);
    ++rows_;
  }
  std::ranges::sort(cells_, [](const Area& a, const Area& b) {
    if (a.name != b.name) return a.name < b.name;
    return a.row != b.row ? a.row < b.row : a.column < b.column;
  });
  for (const Area& cell : cells_) {
    if (areas_.empty() || areas_.back().name != cell.name) areas_.push_back(cell);
    Area& area = areas_.back();
    const std::uint32_t right = std::max(area.column + area.columns, cell.column + 1);
    area.column = std::min(area.column, cell.column);
    area.columns = right - area.column;
    area.rows = cell.row + 1 - area.row;
  }
}

const Area* AreaMap::find(std::string_view name) const {
  const auto found = std::ranges::lower_bound(areas_, name, {}, &Area::name);
  return found != areas_.end() && found->name == name ? &*found : nullptr;
}

std::optional<std::string> AreaMap::fault() const {
  if (ragged_) return "must have the same number of names in every line (\".\" leaves a cell free)";
  if (std::max(columns_, rows_) > limits::most_tracks) return "must have at most 10,000 columns and rows";
  std::size_t first = 0;
  for (const Area& area : areas_) {
    if (!is_node_name(area.name)) {
      return "must be names (a letter, then letters, digits, \"_\" or \"-\"); \"" + std::string(area.name) +
             "\" is none";
    }
    std::size_t count = 0;
    while (first + count < cells_.size() && cells_[first + count].name == area.name) ++count;
    if (count != static_cast<std::size_t>(area.columns) * area.rows) {
      return "must give \"" + std::string(area.name) + "\" one rectangle of cells";
    }
    first += count;
  }
  return {};
}

}  // namespace fond_ladder
