// SPDX-License-Identifier: MIT
#include "print/table.hpp"

#include <algorithm>
#include <ostream>

#include "model/printable.hpp"

namespace fond_ladder::inline v0 {
namespace {

std::size_t before_point(const std::string& number) {
  return std::min(number.find('.'), number.size());
}

/// Columns on a terminal: continuation bytes of UTF-8 take none.
std::size_t shown_width(const std::string& text) {
  return static_cast<std::size_t>(
      std::ranges::count_if(text, [](char c) { return (static_cast<unsigned char>(c) & 0xC0U) != 0x80U; }));
}

struct Widths {
  std::size_t whole = 0;     // of the column
  std::size_t integers = 0;  // before the decimal point
  std::size_t fractions = 0;
};

std::string padded(const std::string& cell, const Table::Column& column, const Widths& widths) {
  if (column.align == Table::Align::words) {
    return cell + std::string(widths.whole - std::min(widths.whole, shown_width(cell)), ' ');
  }
  std::string text = std::string(widths.integers - before_point(cell), ' ') + cell;
  text += std::string(widths.integers + widths.fractions - text.size(), ' ');
  return std::string(widths.whole - text.size(), ' ') + text;
}

void print_line(std::ostream& out, std::string line) {
  line.erase(line.find_last_not_of(' ') + 1);
  out << line << '\n';
}

}  // namespace

void Table::add(std::vector<std::string> row) {
  row.resize(columns_.size());
  for (std::string& cell : row) cell = printable(cell);
  rows_.push_back(std::move(row));
}

void Table::print(std::ostream& out, std::size_t widest_first) const {
  std::vector<Widths> widths(columns_.size());
  for (std::size_t i = 0; i < columns_.size(); ++i) {
    for (const auto& row : rows_) {
      const std::size_t shown = shown_width(row[i]);
      if (i == 0 && shown > widest_first) continue;
      if (columns_[i].align == Align::words) widths[i].whole = std::max(widths[i].whole, shown);
      widths[i].integers = std::max(widths[i].integers, before_point(row[i]));
      widths[i].fractions = std::max(widths[i].fractions, row[i].size() - before_point(row[i]));
    }
    if (columns_[i].align == Align::numbers) widths[i].whole = widths[i].integers + widths[i].fractions;
    widths[i].whole = std::max(widths[i].whole, columns_[i].head.size());
  }
  std::string heads;
  for (std::size_t i = 0; i < columns_.size(); ++i) {
    const std::string space(widths[i].whole - columns_[i].head.size(), ' ');
    const std::size_t tail = columns_[i].align == Align::numbers ? std::min(widths[i].fractions, space.size()) : 0;
    heads += columns_[i].align == Align::words ? columns_[i].head + space
                                               : space.substr(tail) + columns_[i].head + space.substr(0, tail);
    heads += "  ";
  }
  print_line(out, heads);
  for (const auto& row : rows_) {
    std::string line;
    for (std::size_t i = 0; i < columns_.size(); ++i) {
      if (i == 0 && shown_width(row[0]) > widest_first) {
        print_line(out, row[0]);
        line += std::string(widths[0].whole, ' ') + "  ";
      } else {
        line += padded(row[i], columns_[i], widths[i]) + "  ";
      }
    }
    print_line(out, line);
  }
}

}  // namespace fond_ladder::inline v0
