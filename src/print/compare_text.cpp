// SPDX-License-Identifier: MIT
#include <algorithm>
#include <cmath>
#include <map>
#include <ostream>

#include "fond_ladder/compare.hpp"
#include "model/number_text.hpp"
#include "model/printable.hpp"
#include "print/table.hpp"
#include "verify/ladder/container_sizes.hpp"
#include "verify/measure/many_nodes.hpp"

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

std::string first_line(const Comparison& comparison) {
  const std::string over = comparison.sizes == 1
                               ? "at " + rounded(comparison.widths.from) + " wide"
                               : "from " + rounded(comparison.widths.from) + " to " + rounded(comparison.widths.to) +
                                     " wide, " + counted(comparison.sizes, "size");
  if (!comparison.any()) return "nothing differs " + over + ": " + counted(comparison.unchanged, "node") + " the same";
  std::size_t along = 0;
  for (const Difference& one : comparison.differences) along += one.moved_with_parent;
  const std::size_t differ = comparison.differences.size() + along;
  std::string text = counted(differ, "node") + (differ == 1 ? " differs " : " differ ") + over;
  double least = 1e9;
  for (const Difference& one : comparison.differences) {
    if (!one.sizes.empty()) least = std::min(least, one.sizes.front().from);
  }
  if (comparison.sizes > 1 && least < 1e9) text += ", first at " + rounded(least);
  return text + "; " +
         (comparison.unchanged == 0
              ? "everything differs"
              : counted(comparison.unchanged, "other") + (comparison.unchanged == 1 ? " is" : " are") + " the same" +
                    (comparison.sizes == 1 ? "" : " at every size"));
}

/// The text of a row of the table, without the node.
std::vector<std::string> cells_of(const Difference& one) {
  std::vector<std::string> row{text_of(one.sizes), rounded(one.worst.width) + " x " + rounded(one.worst.height)};
  if (one.kind != Difference::Kind::changed) {
    row = {one.kind == Difference::Kind::only_first ? "only in the first" : "only in the second"};
  } else if (!one.first || !one.second) {
    row.insert(row.end(), {one.first ? "gone" : "appears", "", "", ""});
  } else {
    row.push_back(change(one.first->x, one.second->x));
    row.push_back(change(one.first->y, one.second->y));
    row.push_back(change(one.first->width, one.second->width));
    row.push_back(change(one.first->height, one.second->height));
  }
  if (one.moved_with_parent > 0) row.push_back("with " + std::to_string(one.moved_with_parent) + " in it");
  return row;
}

/// A path with stars for the indexes of copies; empty for what is no copy, nor in one.
std::string starred(const std::string& path) {
  std::string pattern;
  bool inside = false;
  for (const char c : path) {
    if (c == '[') pattern += "[*";
    inside = inside || c == '[';
    if (!inside) pattern += c;
    if (inside && c == ']') pattern += c, inside = false;
  }
  return pattern == path ? "" : pattern;
}

/// `-272.25 to +153.92`: what a column of several rows holds.
std::string range_of(const std::vector<const Difference*>& rows, double (*by)(const Difference&)) {
  double least = by(*rows.front()), most = least;
  for (const Difference* row : rows) {
    least = std::min(least, by(*row));
    most = std::max(most, by(*row));
  }
  std::string low = change(0, least);
  const std::string high = change(0, most);
  if (low == high) return low;
  return (low.empty() ? "0" : low) + " to " + (high.empty() ? "0" : high);
}

/// One row for differences that are alike.
std::vector<std::string> row_of(const std::vector<const Difference*>& group) {
  const Difference& first = *group.front();
  std::vector<std::string> row = cells_of(first);
  if (group.size() == 1) {
    row.insert(row.begin(), first.name);
    return row;
  }
  std::vector<std::string> paths;
  for (const Difference* one : group) paths.push_back(one->path);
  const auto has_boxes = [](const Difference* one) { return one->first && one->second; };
  if (std::ranges::all_of(group, has_boxes)) {
    const Difference& worst =
        **std::ranges::max_element(group, {}, [](const Difference* one) { return one->max_difference; });
    row[1] = rounded(worst.worst.width) + " x " + rounded(worst.worst.height);
    row[2] = range_of(group, [](const Difference& one) { return one.second->x - one.first->x; });
    row[3] = range_of(group, [](const Difference& one) { return one.second->y - one.first->y; });
    row[4] = range_of(group, [](const Difference& one) { return one.second->width - one.first->width; });
    row[5] = range_of(group, [](const Difference& one) { return one.second->height - one.first->height; });
  }
  row.insert(row.begin(), common_pattern(paths) + " (" + std::to_string(group.size()) + ")");
  return row;
}

/// Copies of one node that differ at the same sizes, and siblings, or what is at the same place in them, with equal
/// rows.
std::vector<std::vector<const Difference*>> gathered(const std::vector<Difference>& differences) {
  std::map<std::vector<std::string>, std::size_t> places;
  std::vector<std::vector<const Difference*>> groups;
  for (const Difference& one : differences) {
    std::vector<std::string> key = cells_of(one);
    const std::string copies = starred(one.path);
    const bool changed = one.kind == Difference::Kind::changed && one.first && one.second;
    if (!copies.empty() && changed) key = {key[0]};
    key.push_back(copies);
    const std::size_t slash = one.path.rfind('/');
    const auto depth = std::to_string(std::ranges::count(one.path, '/'));
    const std::string last = slash == std::string::npos ? one.path : one.path.substr(slash + 1);
    if (copies.empty()) key.insert(key.end(), {depth, last});
    const auto [at, is_new] = places.try_emplace(key, groups.size());
    if (is_new) groups.emplace_back();
    groups[at->second].push_back(&one);
  }
  // Siblings of other names that differ alike.
  std::map<std::vector<std::string>, std::size_t> by_parent;
  std::vector<std::vector<const Difference*>> joined;
  for (auto& group : groups) {
    const Difference& one = *group.front();
    std::vector<std::string> key = cells_of(one);
    key.push_back(one.path.substr(0, one.path.rfind('/')));
    const auto [at, is_new] =
        group.size() > 1 ? std::pair(by_parent.end(), true) : by_parent.try_emplace(key, joined.size());
    if (is_new) {
      joined.push_back(std::move(group));
    } else {
      joined[at->second].push_back(&one);
    }
  }
  return joined;
}

}  // namespace

std::ostream& operator<<(std::ostream& out, const Comparison& comparison) {
  out << first_line(comparison) << "\n\n";
  out << "first   " << printable(comparison.first) << ": " << counted(comparison.settings_first, "setting") << '\n';
  out << "second  " << printable(comparison.second) << ": " << counted(comparison.settings_second, "setting") << '\n';
  if (!comparison.any()) return out;
  using enum Table::Align;
  Table table({{"node"},
               {"differs at widths"},
               {"most at"},
               {"left", numbers},
               {"top", numbers},
               {"width", numbers},
               {"height", numbers},
               {""}});
  for (const auto& group : gathered(comparison.differences)) {
    constexpr std::size_t few = 2;
    if (group.size() > few) {
      table.add(row_of(group));
      continue;
    }
    for (const Difference* one : group) table.add(row_of({one}));
  }
  out << '\n';
  table.print(out);
  return out;
}

}  // namespace fond_ladder::inline v0
