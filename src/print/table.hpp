// SPDX-License-Identifier: MIT
#pragma once

#include <cstddef>
#include <iosfwd>
#include <string>
#include <vector>

#include "fond_ladder/version.hpp"

namespace FOND_LADDER_API fond_ladder {
inline namespace v0 {

/// A table for people: columns as wide as what is in them, numbers with their decimal points under one another.
class Table {
 public:
  enum class Align { words, numbers };
  struct Column {
    std::string head;
    Align align = Align::words;
  };

  explicit Table(std::vector<Column> columns) : columns_(std::move(columns)) {}
  /// One text a column; missing ones are empty.
  void add(std::vector<std::string> row);
  /// Two blanks between columns, none at the ends of lines. A first cell wider than `widest_first` gets a line of
  /// its own, above the rest of its row.
  void print(std::ostream& out, std::size_t widest_first = 40) const;

 private:
  std::vector<Column> columns_;
  std::vector<std::vector<std::string>> rows_;
};

}  // namespace v0
}  // namespace fond_ladder
