// SPDX-License-Identifier: MIT
#include <fmt/format.h>
#include <fmt/ostream.h>
#include <unistd.h>

#include <algorithm>
#include <chrono>
#include <iostream>

#include "cli/command.hpp"
#include "cli/commands/climb_summary.hpp"
#include "cli/output.hpp"
#include "cli/picture_form.hpp"
#include "cli/sizes.hpp"
#include "cli/target_file.hpp"
#include "fond_ladder/climb.hpp"
#include "fond_ladder/plot.hpp"
#include "model/printable.hpp"
#include "print/table.hpp"

namespace fond_ladder::cli {
namespace {

/// What is climbed, and which side of the container.
struct Way {
  Ladder ladder;
  bool along_height = false;
  [[nodiscard]] Span span() const { return along_height ? ladder.height.value_or(Span()) : ladder.width; }
};

/// The ladder of the scene, with what the command line says instead.
Way way_of(const Scene& scene, const ClimbCall& call) {
  Way way{scene.ladder, false};
  if (!call.width.empty()) way.ladder.width = parse_span(call.width, "--width");
  if (!call.height.empty()) way.ladder.height = parse_span(call.height, "--height");
  const bool heights = !call.height.empty() && way.ladder.height->from < way.ladder.height->to;
  const bool widths = !call.width.empty() && way.ladder.width.from < way.ladder.width.to;
  if (heights && widths) throw WrongCall("climb: give a range of widths or of heights, and one size for the other");
  way.along_height = heights;
  return way;
}

/// The sizes shown: those asked for, else both ends of the ladder and its named rungs between them.
std::vector<double> shown_sizes(const Way& way, const std::string& asked) {
  const Span span = way.span();
  if (!asked.empty()) {
    std::vector<double> sizes = parse_sizes(asked, "--rungs");
    for (const double size : sizes) {
      if (size < span.from || size > span.to) {
        throw WrongCall(fmt::format("--rungs: {} is not between {} and {}; widen --{}", exact(size), exact(span.from),
                                    exact(span.to), way.along_height ? "height" : "width"));
      }
    }
    return sizes;
  }
  std::vector<double> sizes{span.from, span.to};
  for (const NamedRung& rung : way.ladder.rungs) {
    const double size = way.along_height ? rung.size.height : rung.size.width;
    if (size > span.from && size < span.to) sizes.push_back(size);
  }
  std::ranges::sort(sizes);
  sizes.erase(std::unique(sizes.begin(), sizes.end()), sizes.end());
  return sizes;
}

/// How far it is, on a terminal, when it takes longer than half a second.
class Progress {
 public:
  explicit Progress(const Streams& streams)
      : out_(streams.err), shows_(&streams.err == &std::cerr && isatty(STDERR_FILENO) != 0) {}
  ~Progress() {
    if (told_) out_ << "\r\x1b[K" << std::flush;
  }
  Progress(const Progress&) = delete;
  Progress& operator=(const Progress&) = delete;

  void tell(double share) {
    constexpr std::chrono::milliseconds patience(500);
    if (!shows_ || std::chrono::steady_clock::now() - began_ < patience) return;
    fmt::print(out_, "\rclimbing: {:.0f} %", share * 100);
    out_ << std::flush;
    told_ = true;
  }

 private:
  std::ostream& out_;
  bool shows_, told_ = false;
  std::chrono::steady_clock::time_point began_ = std::chrono::steady_clock::now();
};

/// A climb, the columns of it that are shown, and the rows.
struct Shown {
  const Scene& scene;
  Way way;
  Climb climbed;
  std::vector<std::size_t> columns;
  std::vector<Climb::Step> rows;
};

std::string value_text(const std::optional<double>& value) {
  return value ? rounded(*value) : "hidden";
}

std::string headline(const Shown& shown) {
  const Ladder& ladder = shown.way.ladder;
  const std::string title = printable(shown.scene.name());
  const Span span = shown.way.span();
  if (shown.way.along_height) {
    return fmt::format("{} from {} to {} high, {} wide", title, exact(span.from), exact(span.to),
                       exact(ladder.width.to));
  }
  return fmt::format("{} from {} to {} wide, {}", title, exact(span.from), exact(span.to),
                     ladder.height ? exact(ladder.height->from) + " high" : "its height by content");
}

void print_rungs(const Shown& shown, std::ostream& out) {
  std::vector<Table::Column> columns{{"container", Table::Align::numbers}};
  for (const std::size_t q : shown.columns) columns.push_back({shown.climbed.quantities[q], Table::Align::numbers});
  Table table(columns);
  for (const Climb::Step& step : shown.rows) {
    std::vector<std::string> row{rounded(shown.way.along_height ? step.container.height : step.container.width)};
    for (const std::size_t q : shown.columns) row.push_back(value_text(step.values[q]));
    table.add(row);
  }
  table.print(out);
}

std::string slope_text(const Turn& turn) {
  if (turn.kind == TurnKind::curve) return "";
  const std::string before = rounded(turn.slope_before), after = rounded(turn.slope_after);
  return before == after ? before : before + " to " + after;
}

/// The turns of the shown columns. What turns at one size for one reason stands under one another.
void print_turns(const Shown& shown, std::ostream& out) {
  Table table({{"at", Table::Align::numbers},
               {"what turns"},
               {""},
               {"before", Table::Align::numbers},
               {"after", Table::Align::numbers},
               {"slope"},
               {"why"}});
  std::size_t count = 0;
  std::string last_at, last_cause;
  for (const Turn& turn : shown.climbed.turns()) {
    if (std::ranges::find(shown.columns, turn.quantity) == shown.columns.end()) continue;
    ++count;
    const std::string at = rounded(turn.at);
    const bool same_place = at == last_at, same_cause = same_place && turn.cause == last_cause;
    std::string kind(word(turn.kind));
    if (turn.kind == TurnKind::curve) kind += " to " + rounded(turn.to);
    table.add({same_place ? "" : at, turn.name, kind, value_text(turn.before), value_text(turn.after), slope_text(turn),
               same_cause ? "" : turn.cause});
    last_at = at;
    last_cause = turn.cause;
  }
  if (count == 0) {
    out << "\nno turns: every quantity is one straight line\n";
    return;
  }
  fmt::print(out, "\n{}\n", count == 1 ? "1 turn" : fmt::format("{} turns", count));
  table.print(out);
}

void print_json(const Shown& shown, std::ostream& out) {
  const Climb& climbed = shown.climbed;
  fmt::print(out, "{{\"axis\": \"{}\",\n \"rungs\": [", shown.way.along_height ? "height" : "width");
  std::string comma;
  for (const Climb::Step& step : shown.rows) {
    std::string values;
    for (const std::size_t q : shown.columns) {
      if (!step.values[q]) continue;
      values +=
          fmt::format("{}{}: {}", values.empty() ? "" : ", ", json_text(climbed.quantities[q]), exact(*step.values[q]));
    }
    fmt::print(out, "{}\n  {{\"width\": {}, \"height\": {}, \"values\": {{{}}}}}", comma, exact(step.container.width),
               exact(step.container.height), values);
    comma = ",";
  }
  out << "],\n \"turns\": [";
  comma.clear();
  const auto number = [](const std::optional<double>& value) { return value ? exact(*value) : std::string("null"); };
  for (const Turn& turn : climbed.turns()) {
    if (std::ranges::find(shown.columns, turn.quantity) == shown.columns.end()) continue;
    fmt::print(out,
               "{}\n  {{\"at\": {}, {}\"quantity\": {}, \"turn\": \"{}\", \"before\": {}, \"after\": {}, "
               "\"slope_before\": {}, \"slope_after\": {}, \"cause\": {}}}",
               comma, exact(turn.at), turn.kind == TurnKind::curve ? fmt::format("\"to\": {}, ", exact(turn.to)) : "",
               json_text(turn.name), word(turn.kind), number(turn.before), number(turn.after), exact(turn.slope_before),
               exact(turn.slope_after), json_text(turn.cause));
    comma = ",";
  }
  out << "]}\n";
}

void print_csv(const Shown& shown, const std::vector<Climb::Step>& rows, std::ostream& out) {
  out << "width,height";
  for (const std::size_t q : shown.columns) out << ',' << csv_text(shown.climbed.quantities[q]);
  out << '\n';
  for (const Climb::Step& step : rows) {
    out << exact(step.container.width) << ',' << exact(step.container.height);
    for (const std::size_t q : shown.columns) out << ',' << (step.values[q] ? exact(*step.values[q]) : "");
    out << '\n';
  }
}

/// Which others behave like the columns shown, and how many are left out.
void print_others(const Shown& shown, const std::vector<Telling>& telling, std::ostream& out) {
  const auto& names = shown.climbed.quantities;
  for (std::size_t i = 0; i < shown.columns.size(); ++i) {
    const std::vector<std::size_t>& alike = telling[i].alike;
    if (alike.empty()) continue;
    constexpr std::size_t most = 4;
    std::string list;
    for (std::size_t k = 0; k < std::min(most, alike.size()); ++k) list += (k > 0 ? ", " : "") + names[alike[k]];
    if (alike.size() > most) list += fmt::format(" and {} more", alike.size() - most);
    fmt::print(out, "the same as {}: {}\n", names[telling[i].quantity], list);
  }
  if (telling.size() > shown.columns.size()) {
    std::string list;
    for (std::size_t i = shown.columns.size(); i < telling.size(); ++i) {
      list += (list.empty() ? "" : ", ") + names[telling[i].quantity];
    }
    out << wrapped("these turn as well, ask by --show: " + list, 100);
  }
}

Climb climb_all(const Scene& scene, const Way& way, const std::vector<Quantity>& quantities, const ClimbCall& call,
                const Streams& streams) {
  Progress progress(streams);
  ClimbOptions options;
  options.modes = call.scene.modes;
  options.along_height = way.along_height;
  options.progress = [&](double share) { progress.tell(share); };
  return climb_quantities(scene, way.ladder, quantities, options);
}

Climb::Step step_at(const Solution& solution, const std::vector<Quantity>& asked) {
  Climb::Step step{solution.container(), {}};
  for (const Quantity& quantity : asked) step.values.push_back(value_of(quantity, solution));
  return step;
}

/// Gives quantities of a climb of everything their names, as far as they are told: the shortest that are clear.
void name_those_told(const Scene& scene, const std::vector<Telling>& telling, const std::vector<Quantity>& asked,
                     const std::string& measure, Climb& climbed) {
  const auto give = [&](std::size_t q) { climbed.quantities[q] = scene.tree.tail(asked[q].node) + measure; };
  constexpr std::size_t most_alike = 4;
  for (const Telling& one : telling) {
    give(one.quantity);
    for (std::size_t i = 0; i < std::min(most_alike, one.alike.size()); ++i) give(one.alike[i]);
  }
  for (Turn& turn : climbed.found) turn.name = climbed.quantities[turn.quantity];
}

}  // namespace

void print_climb(const Scene& scene, const ClimbCall& call, const Streams& streams) {
  const Way way = way_of(scene, call);
  const std::vector<double> sizes = shown_sizes(way, call.rungs);
  const bool all = call.show.empty();
  if (!all && split_list(call.show).empty()) {
    throw WrongCall(
        fmt::format("--show {}: write quantities, as in {}.width", call.show, scene.tree.step(scene.tree.root())));
  }
  std::vector<Quantity> asked;
  if (all) asked = all_quantities(scene, way.along_height);
  for (const std::string& text : split_list(call.show)) {
    for (Quantity& quantity : parse_quantities(scene.tree, text)) asked.push_back(std::move(quantity));
  }
  std::vector<Rung> rungs;
  for (const double size : sizes) {
    const std::optional<double> height = way.ladder.height ? std::optional(way.ladder.height->from) : std::nullopt;
    rungs.push_back(way.along_height ? Rung{way.ladder.width.to, size} : Rung{size, height});
  }
  Shown shown{scene, way, climb_all(scene, way, asked, call, streams), {}, {}};
  SceneSolver solver(scene, call.scene.modes);
  for (const Rung& rung : rungs) shown.rows.push_back(step_at(solver.solve(rung), asked));
  std::vector<Telling> telling;
  if (all) {
    telling = most_telling(scene, shown.climbed, asked, way.along_height);
    const std::size_t most_columns = call.format == Format::table ? 6 : telling.size();
    for (std::size_t i = 0; i < std::min(most_columns, telling.size()); ++i) {
      shown.columns.push_back(telling[i].quantity);
    }
    name_those_told(scene, telling, asked, way.along_height ? ".height" : ".width", shown.climbed);
  } else {
    for (std::size_t q = 0; q < asked.size(); ++q) shown.columns.push_back(q);
  }
  std::ostream& out = streams.out;
  switch (call.format) {
    case Format::table:
      out << headline(shown) << '\n';
      if (all) out << wrapped(summary(scene, shown.climbed, asked, telling, way.along_height, call.scene.modes), 100);
      out << '\n';
      if (!shown.columns.empty()) {
        print_rungs(shown, out);
        if (all) print_others(shown, telling, out);
        print_turns(shown, out);
      } else {
        fmt::print(out, "no {} turns\n", way.along_height ? "height" : "width");
      }
      break;
    case Format::json: print_json(shown, out); break;
    case Format::csv: print_csv(shown, call.rungs.empty() ? shown.climbed.steps : shown.rows, out); break;
  }
  if (call.plot.empty()) return;
  const PictureForm form = picture_form(call.plot, "", "--plot");
  write_target(call.plot, plot(shown.climbed, form, {headline(shown), shown.columns, way.along_height}));
}

ExitStatus climb(const ClimbCall& call, const Streams& streams) {
  if (!call.plot.empty()) {
    static_cast<void>(picture_form(call.plot, "", "--plot"));
    require_plotter();
  }
  const Scene scene = load_scene(call.scene, streams);
  print_climb(call.of.empty() ? scene : alone(scene, scene.tree.at(call.of)), call, streams);
  return all_well;
}

}  // namespace fond_ladder::cli
