// SPDX-License-Identifier: MIT
#include <algorithm>
#include <cmath>
#include <ostream>

#include "fond_ladder/compare.hpp"
#include "model/number_text.hpp"
#include "model/printable.hpp"
#include "print/table.hpp"
#include "verify/ladder/rungs.hpp"

namespace fond_ladder::inline v0 {
namespace {

/// `+60`, `-8`; nothing where it is the same.
std::string change(double before, double after) {
  constexpr double nothing = 0.005;
  const double by = after - before;
  if (std::abs(by) < nothing) return "";
  return (by > 0 ? "+" : "") + rounded(by);
}

std::string counted(std::size_t count, const std::string& what) {
  return std::to_string(count) + " " + what + (count == 1 ? "" : "s");
}

std::string first_line(const Comparison& told) {
  const std::string over = told.rungs == 1 ? "at " + rounded(told.widths.from) + " wide"
                                           : "from " + rounded(told.widths.from) + " to " + rounded(told.widths.to) +
                                                 " wide, " + counted(told.rungs, "size");
  if (!told.any()) return "nothing differs " + over + ": " + counted(told.same, "node") + " the same";
  std::size_t along = 0;
  for (const Difference& one : told.differences) along += one.going_along;
  const std::size_t differ = told.differences.size() + along;
  std::string text = counted(differ, "node") + (differ == 1 ? " differs " : " differ ") + over;
  double least = 1e9;
  for (const Difference& one : told.differences) {
    if (!one.sizes.empty()) least = std::min(least, one.sizes.front().from);
  }
  if (told.rungs > 1 && least < 1e9) text += ", first at " + rounded(least);
  return text + "; " +
         (told.same == 0 ? "nothing is the same"
                         : counted(told.same, "other") + (told.same == 1 ? " is" : " are") + " the same" +
                               (told.rungs == 1 ? "" : " at every size"));
}

void add_row(Table& table, const Difference& one) {
  std::vector<std::string> row{one.name, text_of(one.sizes),
                               rounded(one.worst.width) + " x " + rounded(one.worst.height)};
  if (one.kind != Difference::Kind::changed) {
    row = {one.name, one.kind == Difference::Kind::only_first ? "only in the first" : "only in the second"};
  } else if (!one.first || !one.second) {
    row.insert(row.end(), {one.first ? "gone" : "appears", "", "", ""});
  } else {
    row.push_back(change(one.first->x, one.second->x));
    row.push_back(change(one.first->y, one.second->y));
    row.push_back(change(one.first->width, one.second->width));
    row.push_back(change(one.first->height, one.second->height));
  }
  if (one.going_along > 0) row.push_back("with " + std::to_string(one.going_along) + " in it");
  table.add(row);
}

}  // namespace

std::ostream& operator<<(std::ostream& out, const Comparison& told) {
  out << first_line(told) << "\n\n";
  out << "first   " << printable(told.first) << ": " << counted(told.settings_first, "setting") << '\n';
  out << "second  " << printable(told.second) << ": " << counted(told.settings_second, "setting") << '\n';
  if (!told.any()) return out;
  using enum Table::Align;
  Table table({{"node"},
               {"differs at widths"},
               {"most at"},
               {"left", numbers},
               {"top", numbers},
               {"width", numbers},
               {"height", numbers},
               {""}});
  for (const Difference& one : told.differences) add_row(table, one);
  out << '\n';
  table.print(out);
  return out;
}

}  // namespace fond_ladder::inline v0
