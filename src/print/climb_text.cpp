// SPDX-License-Identifier: MIT
#include <fmt/format.h>
#include <fmt/ostream.h>

#include <algorithm>
#include <map>

#include "model/number_text.hpp"
#include "model/printable.hpp"
#include "print/climb.hpp"
#include "print/csv_text.hpp"
#include "print/table.hpp"
#include "print/wrapped.hpp"
#include "verify/ladder/rungs.hpp"
#include "verify/measure/many_nodes.hpp"

namespace fond_ladder::inline v0 {
namespace {

std::string value_text(const std::optional<double>& value) {
  return value ? rounded(*value) : "hidden";
}

void print_rungs(const ShownClimb& shown, std::ostream& out) {
  const Climb& climbed = shown.climbed;
  std::vector<Table::Column> columns{{climbed.setting.empty() ? "container" : "value", Table::Align::numbers}};
  for (const std::size_t q : shown.columns) columns.push_back({climbed.quantities[q].text, Table::Align::numbers});
  Table table(columns);
  for (const Climb::Step& step : shown.rows) {
    const bool elsewhere = shown.ladder.height && !climbed.along_height && climbed.setting.empty() &&
                           step.container.height != shown.ladder.height->from;
    std::vector<std::string> row{elsewhere ? size_text(step.container) : rounded(step.at)};
    for (const std::size_t q : shown.columns) row.push_back(value_text(step.values[q]));
    table.add(row);
  }
  table.print(out);
}

/// Where nothing is proved, if there is such a place.
void print_sampled(const Climb& climbed, std::ostream& out) {
  if (climbed.sampled.empty()) return;
  const Span& first = climbed.sampled.front();
  const bool whole = first.from <= climbed.steps.front().at && first.to >= climbed.steps.back().at;
  fmt::print(out, "\n{}looked at step by step: between the steps nothing is proved\n",
             whole ? "" : text_of(climbed.sampled) + " ");
}

std::string slope_text(const Turn& turn) {
  if (turn.kind == TurnKind::curve) return "";
  const std::string before = rounded(turn.slope_before), after = rounded(turn.slope_after);
  return before == after ? before : before + " to " + after;
}

/// The turns of the shown columns. What turns at one size for one reason stands under one another.
void print_turns(const ShownClimb& shown, std::ostream& out) {
  Table table({{"at", Table::Align::numbers},
               {"what turns"},
               {""},
               {"before", Table::Align::numbers},
               {"after", Table::Align::numbers},
               {"slope"},
               {"why"}});
  std::string last_at, last_cause;
  const std::vector<const Turn*> turns = shown_turns(shown);
  for (const Turn* one : turns) {
    const Turn& turn = *one;
    const std::string at = (turn.includes_at ? "" : "above ") + rounded(turn.at);
    const bool same_place = at == last_at, same_cause = same_place && turn.cause == last_cause;
    std::string kind(word(turn.kind));
    if (turn.kind == TurnKind::curve) kind += " to " + rounded(turn.to);
    table.add({same_place ? "" : at, turn.name, kind, value_text(turn.before), value_text(turn.after), slope_text(turn),
               same_cause ? "" : turn.cause});
    last_at = at;
    last_cause = turn.cause;
  }
  if (turns.empty()) {
    out << "\nno turns: every quantity is one straight line\n";
    return;
  }
  fmt::print(out, "\n{}\n", turns.size() == 1 ? "1 turn" : fmt::format("{} turns", turns.size()));
  table.print(out);
}

/// Names of quantities, those of copies of one node together: `card[*].left (9)`.
std::vector<std::string> grouped_names(const ShownClimb& shown, const std::vector<std::size_t>& quantities) {
  const Tree& tree = shown.scene.tree;
  std::map<std::pair<std::string, Measure>, std::vector<std::size_t>> places;
  std::vector<std::vector<std::size_t>*> in_order;
  for (const std::size_t q : quantities) {
    const Quantity& quantity = shown.climbed.quantities[q];
    std::vector<std::size_t>& here = places[{path_of_copies(tree, quantity.node), quantity.measure}];
    if (here.empty()) in_order.push_back(&here);
    here.push_back(q);
  }
  std::vector<std::string> names;
  for (const auto* here : in_order) {
    constexpr std::size_t few = 2;
    if (here->size() <= few) {
      for (const std::size_t q : *here) {
        const Quantity& one = shown.climbed.quantities[q];
        names.push_back(one.text.empty() ? tree.tail(one.node) + "." + std::string(one.word()) : one.text);
      }
      continue;
    }
    std::vector<NodeId> nodes;
    for (const std::size_t q : *here) nodes.push_back(shown.climbed.quantities[q].node);
    const std::string_view measure = word_of(shown.climbed.quantities[here->front()].measure);
    names.push_back(fmt::format("{}.{} ({})", common_pattern(tree, nodes), measure, nodes.size()));
  }
  return names;
}

/// Which others behave like the columns shown, and how many are left out.
void print_others(const ShownClimb& shown, const std::vector<Telling>& telling, std::ostream& out) {
  for (std::size_t i = 0; i < std::min(shown.columns.size(), telling.size()); ++i) {
    if (telling[i].alike.empty()) continue;
    const std::vector<std::string> names = grouped_names(shown, telling[i].alike);
    constexpr std::size_t most = 4;
    const auto last = names.begin() + static_cast<std::ptrdiff_t>(std::min(most, names.size()));
    fmt::print(out, "the same as {}: {}{}\n", shown.climbed.quantities[telling[i].quantity].text,
               fmt::join(names.begin(), last, ", "),
               names.size() > most ? fmt::format(" and {} more", names.size() - most) : "");
  }
  if (telling.size() <= shown.columns.size()) return;
  std::vector<std::size_t> others;
  for (std::size_t i = shown.columns.size(); i < telling.size(); ++i) others.push_back(telling[i].quantity);
  out << wrapped(fmt::format("these turn as well, ask by --show: {}", fmt::join(grouped_names(shown, others), ", ")),
                 100);
}

}  // namespace

std::vector<const Turn*> shown_turns(const ShownClimb& shown) {
  std::vector<const Turn*> turns;
  for (const Turn& turn : shown.climbed.turns()) {
    if (std::ranges::find(shown.columns, turn.quantity) != shown.columns.end()) turns.push_back(&turn);
  }
  return turns;
}

std::string scrolled_words(const ShownClimb& shown) {
  const auto& all = shown.climbed.quantities;
  const auto moved = std::ranges::find_if(all, [](const Quantity& one) { return !one.scrolled.empty(); });
  if (moved == all.end()) return "";
  std::string words;
  for (const Solution::ScrolledTo& one : moved->scrolled) {
    const std::string to = one.y == Solution::scroll_end ? "its end"
                           : one.x > 0 && one.y > 0      ? rounded(one.x) + ", " + rounded(one.y)
                                                         : rounded(std::max(one.x, one.y));
    words += (words.empty() ? "" : ", ") + shown.scene.tree.tail(one.node) + " scrolled to " + to;
  }
  return words;
}

std::string headline(const ShownClimb& shown) {
  const Ladder& ladder = shown.ladder;
  std::string scrolled = printable(scrolled_words(shown));
  if (!scrolled.empty()) scrolled.insert(0, ", ");
  const std::string title = printable(shown.scene.name());
  if (!shown.climbed.setting.empty()) {
    const Rung& at = shown.at.rung;
    const std::string size = !at.width    ? "as large as its content"
                             : !at.height ? fmt::format("at {} wide, its height by content", exact(*at.width))
                                          : fmt::format("at {} x {}", exact(*at.width), exact(*at.height));
    return fmt::format("{} with {} from {}{} to {}{} {}{}", title, printable(shown.climbed.setting),
                       exact(shown.climbed.steps.front().at), shown.unit, exact(shown.climbed.steps.back().at),
                       shown.unit, size, scrolled);
  }
  if (shown.climbed.along_height) {
    const Span span = ladder.height.value_or(Span());
    return fmt::format("{} from {} to {} high, {} wide{}", title, exact(span.from), exact(span.to),
                       exact(ladder.width.to), scrolled);
  }
  return fmt::format("{} from {} to {} wide, {}{}", title, exact(ladder.width.from), exact(ladder.width.to),
                     ladder.height ? exact(ladder.height->from) + " high" : "its height by content", scrolled);
}

void print_climbed(const ShownClimb& shown, const std::vector<Telling>& telling, std::ostream& out) {
  out << '\n';
  if (shown.columns.empty()) {
    fmt::print(out, "no {} turns\n",
               !shown.climbed.setting.empty() ? "width or height"
               : shown.climbed.along_height   ? "height"
                                              : "width");
    return;
  }
  print_rungs(shown, out);
  print_others(shown, telling, out);
  print_turns(shown, out);
  print_sampled(shown.climbed, out);
}

void print_climbed_csv(const ShownClimb& shown, const std::vector<Climb::Step>& steps, std::ostream& out) {
  const bool of_setting = !shown.climbed.setting.empty();
  out << (of_setting ? "value,width,height" : "width,height");
  for (const std::size_t q : shown.columns) out << ',' << csv_text(shown.climbed.quantities[q].text);
  out << '\n';
  for (const Climb::Step& step : steps) {
    if (of_setting) out << exact(step.at) << ',';
    out << exact(step.container.width) << ',' << exact(step.container.height);
    for (const std::size_t q : shown.columns) out << ',' << (step.values[q] ? exact(*step.values[q]) : "");
    out << '\n';
  }
}

}  // namespace fond_ladder::inline v0
