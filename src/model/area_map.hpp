// SPDX-License-Identifier: MIT
#pragma once

// The map of a grid: lines of names, each name a rectangle of cells. CSS Grid Layout 2, section 7.3.

#include <cstdint>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "fond_ladder/version.hpp"
#include "model/bytes_of.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// A named rectangle of cells.
struct Area {
  std::string_view name;  // part of the map's lines
  std::uint32_t column = 0, row = 0, columns = 1, rows = 1;
};

class AreaMap {
 public:
  AreaMap() = default;
  /// The lines have to live as long.
  explicit AreaMap(const std::vector<std::string>& lines) { read(lines); }
  /// Takes other lines in, using the memory again.
  void read(const std::vector<std::string>& lines);

  [[nodiscard]] std::uint32_t columns() const { return columns_; }
  [[nodiscard]] std::uint32_t rows() const { return rows_; }
  /// By name.
  [[nodiscard]] const std::vector<Area>& areas() const { return areas_; }
  [[nodiscard]] const Area* find(std::string_view name) const;
  [[nodiscard]] std::size_t memory() const { return detail::bytes_of(runs_, areas_); }
  /// What is wrong with the map, as "must ...".
  [[nodiscard]] std::optional<std::string> fault() const;

 private:
  std::vector<Area> runs_, areas_;  // runs: of one name in one line, sorted by name
  std::uint32_t columns_ = 0, rows_ = 0;
  bool ragged_ = false;
};

}  // namespace v0
}  // namespace fond_ladder
