// SPDX-License-Identifier: MIT
#include <fmt/format.h>
#include <fmt/ostream.h>

#include <algorithm>
#include <map>

#include "model/number_text.hpp"
#include "model/printable.hpp"
#include "print/csv_text.hpp"
#include "print/sweep.hpp"
#include "print/table.hpp"
#include "print/wrapped.hpp"
#include "verify/ladder/container_sizes.hpp"
#include "verify/measure/many_nodes.hpp"

namespace fond_ladder::inline v0 {
namespace {

std::string value_text(const std::optional<double>& value) {
  return value ? rounded(*value) : "hidden";
}

void print_named_sizes(const ShownSweep& shown, std::ostream& out) {
  const Sweep& swept = shown.swept;
  std::vector<Table::Column> columns{{swept.setting.empty() ? "container" : "value", Table::Align::numbers}};
  for (const std::size_t q : shown.columns) columns.push_back({swept.quantities[q].text, Table::Align::numbers});
  Table table(columns);
  for (const Sweep::Step& step : shown.rows) {
    const bool elsewhere = shown.ladder.height && !swept.along_height && swept.setting.empty() &&
                           step.container.height != shown.ladder.height->from;
    std::vector<std::string> row{elsewhere ? size_text(step.container) : rounded(step.at)};
    for (const std::size_t q : shown.columns) row.push_back(value_text(step.values[q]));
    table.add(row);
  }
  table.print(out);
}

/// Where nothing is proved, if there is such a place.
void print_sampled(const Sweep& swept, std::ostream& out) {
  if (swept.sampled.empty()) return;
  const Interval& first = swept.sampled.front();
  const bool whole = first.from <= swept.steps.front().at && first.to >= swept.steps.back().at;
  fmt::print(out, "\n{}sampled step by step: nothing is proved between the steps\n",
             whole ? "" : text_of(swept.sampled) + " ");
}

std::string slope_text(const Breakpoint& breakpoint) {
  if (breakpoint.kind == BreakpointKind::curve) return "";
  const std::string before = rounded(breakpoint.slope_before), after = rounded(breakpoint.slope_after);
  return before == after ? before : before + " to " + after;
}

/// The breakpoints of the shown columns. Those at one size with one cause are listed together.
void print_breakpoints(const ShownSweep& shown, std::ostream& out) {
  Table table({{"at", Table::Align::numbers},
               {"what changes"},
               {""},
               {"before", Table::Align::numbers},
               {"after", Table::Align::numbers},
               {"slope"},
               {"why"}});
  std::string last_at, last_cause;
  const std::vector<const Breakpoint*> breakpoints = shown_breakpoints(shown);
  for (const Breakpoint* one : breakpoints) {
    const Breakpoint& breakpoint = *one;
    const std::string at = (breakpoint.includes_at ? "" : "above ") + rounded(breakpoint.at);
    const bool same_place = at == last_at, same_cause = same_place && breakpoint.why == last_cause;
    std::string kind(word(breakpoint.kind));
    if (breakpoint.kind == BreakpointKind::curve) kind += " to " + rounded(breakpoint.to);
    table.add({same_place ? "" : at, breakpoint.name, kind, value_text(breakpoint.before), value_text(breakpoint.after),
               slope_text(breakpoint), same_cause ? "" : breakpoint.why});
    last_at = at;
    last_cause = breakpoint.why;
  }
  if (breakpoints.empty()) {
    out << "\nno breakpoints: every quantity changes linearly\n";
    return;
  }
  fmt::print(out, "\n{}\n",
             breakpoints.size() == 1 ? "1 breakpoint" : fmt::format("{} breakpoints", breakpoints.size()));
  table.print(out);
}

/// Names of quantities, those of copies of one node together: `card[*].left (9)`.
std::vector<std::string> grouped_names(const ShownSweep& shown, const std::vector<std::size_t>& quantities) {
  const Tree& tree = shown.scene.tree;
  std::map<std::pair<std::string, Measure>, std::vector<std::size_t>> places;
  std::vector<std::vector<std::size_t>*> in_order;
  for (const std::size_t q : quantities) {
    const Quantity& quantity = shown.swept.quantities[q];
    std::vector<std::size_t>& here = places[{path_of_copies(tree, quantity.node), quantity.measure}];
    if (here.empty()) in_order.push_back(&here);
    here.push_back(q);
  }
  std::vector<std::string> names;
  for (const auto* here : in_order) {
    constexpr std::size_t few = 2;
    if (here->size() <= few) {
      for (const std::size_t q : *here) {
        const Quantity& one = shown.swept.quantities[q];
        names.push_back(one.text.empty() ? tree.short_path(one.node) + "." + std::string(one.word()) : one.text);
      }
      continue;
    }
    std::vector<NodeId> nodes;
    for (const std::size_t q : *here) nodes.push_back(shown.swept.quantities[q].node);
    const std::string_view measure = word_of(shown.swept.quantities[here->front()].measure);
    names.push_back(fmt::format("{}.{} ({})", common_pattern(tree, nodes), measure, nodes.size()));
  }
  return names;
}

/// Which others behave like the columns shown, and how many are left out.
void print_others(const ShownSweep& shown, const std::vector<Telling>& telling, std::ostream& out) {
  for (std::size_t i = 0; i < std::min(shown.columns.size(), telling.size()); ++i) {
    if (telling[i].group.empty()) continue;
    const std::vector<std::string> names = grouped_names(shown, telling[i].group);
    constexpr std::size_t most = 4;
    const auto last = names.begin() + static_cast<std::ptrdiff_t>(std::min(most, names.size()));
    fmt::print(out, "the same as {}: {}{}\n", shown.swept.quantities[telling[i].quantity].text,
               fmt::join(names.begin(), last, ", "),
               names.size() > most ? fmt::format(" and {} more", names.size() - most) : "");
  }
  if (telling.size() <= shown.columns.size()) return;
  std::vector<std::size_t> others;
  for (std::size_t i = shown.columns.size(); i < telling.size(); ++i) others.push_back(telling[i].quantity);
  out << wrapped(fmt::format("also changing (add with --show): {}", fmt::join(grouped_names(shown, others), ", ")),
                 100);
}

}  // namespace

std::vector<const Breakpoint*> shown_breakpoints(const ShownSweep& shown) {
  std::vector<const Breakpoint*> breakpoints;
  for (const Breakpoint& breakpoint : shown.swept.breakpoints()) {
    if (std::ranges::find(shown.columns, breakpoint.quantity) != shown.columns.end())
      breakpoints.push_back(&breakpoint);
  }
  return breakpoints;
}

std::string scrolled_words(const ShownSweep& shown) {
  const auto& all = shown.swept.quantities;
  const auto moved = std::ranges::find_if(all, [](const Quantity& one) { return !one.scrolled.empty(); });
  if (moved == all.end()) return "";
  std::string words;
  for (const Solution::ScrolledTo& one : moved->scrolled) {
    const std::string to = one.y == Solution::scroll_end ? "its end"
                           : one.x > 0 && one.y > 0      ? rounded(one.x) + ", " + rounded(one.y)
                                                         : rounded(std::max(one.x, one.y));
    words += (words.empty() ? "" : ", ") + shown.scene.tree.short_path(one.node) + " scrolled to " + to;
  }
  return words;
}

std::string headline(const ShownSweep& shown) {
  const Ladder& ladder = shown.ladder;
  std::string scrolled = printable(scrolled_words(shown));
  if (!scrolled.empty()) scrolled.insert(0, ", ");
  const std::string title = printable(shown.scene.name());
  if (!shown.swept.setting.empty()) {
    const ContainerSize& at = shown.at.container_size;
    const std::string size = !at.width    ? "as large as its content"
                             : !at.height ? fmt::format("at {} wide, its height by content", exact(*at.width))
                                          : fmt::format("at {} x {}", exact(*at.width), exact(*at.height));
    return fmt::format("{} with {} from {}{} to {}{} {}{}", title, printable(shown.swept.setting),
                       exact(shown.swept.steps.front().at), shown.unit, exact(shown.swept.steps.back().at), shown.unit,
                       size, scrolled);
  }
  if (shown.swept.along_height) {
    const Interval span = ladder.height.value_or(Interval());
    return fmt::format("{} from {} to {} high, {} wide{}", title, exact(span.from), exact(span.to),
                       exact(ladder.width.to), scrolled);
  }
  return fmt::format("{} from {} to {} wide, {}{}", title, exact(ladder.width.from), exact(ladder.width.to),
                     ladder.height ? exact(ladder.height->from) + " high" : "its height by content", scrolled);
}

void print_swept(const ShownSweep& shown, const std::vector<Telling>& telling, std::ostream& out) {
  out << '\n';
  if (shown.columns.empty()) {
    fmt::print(out, "no {} has a breakpoint\n",
               !shown.swept.setting.empty() ? "width or height"
               : shown.swept.along_height   ? "height"
                                            : "width");
    return;
  }
  print_named_sizes(shown, out);
  print_others(shown, telling, out);
  print_breakpoints(shown, out);
  print_sampled(shown.swept, out);
}

void print_swept_csv(const ShownSweep& shown, const std::vector<Sweep::Step>& steps, std::ostream& out) {
  const bool of_setting = !shown.swept.setting.empty();
  out << (of_setting ? "value,width,height" : "width,height");
  for (const std::size_t q : shown.columns) out << ',' << csv_text(shown.swept.quantities[q].text);
  out << '\n';
  for (const Sweep::Step& step : steps) {
    if (of_setting) out << exact(step.at) << ',';
    out << exact(step.container.width) << ',' << exact(step.container.height);
    for (const std::size_t q : shown.columns) out << ',' << (step.values[q] ? exact(*step.values[q]) : "");
    out << '\n';
  }
}

}  // namespace fond_ladder::inline v0
