// SPDX-License-Identifier: MIT
#include <fmt/format.h>

#include <algorithm>
#include <cmath>
#include <ostream>

#include "calls/picture_form.hpp"
#include "calls/progress.hpp"
#include "calls/scene_call.hpp"
#include "calls/scrolled.hpp"
#include "calls/sizes.hpp"
#include "calls/target_file.hpp"
#include "fond_ladder/plot.hpp"
#include "fond_ladder/sweep.hpp"
#include "model/number_text.hpp"
#include "print/json_frame.hpp"
#include "print/sweep.hpp"
#include "print/wrapped.hpp"

namespace fond_ladder::calls {
namespace {

struct SweepCall {
  SceneCall scene;
  std::string width;
  std::string height;
  std::string sizes;
  std::string show;
  std::string as_root;          // a node, to be swept alone
  std::vector<std::string> at;  // where a setting is dragged
  std::vector<std::string> scrolled;
  std::string plot;  // a file
  Format format = Format::table;
};

/// What is swept, and which side of the container.
struct Way {
  Ladder ladder;
  bool along_height = false;
  bool one_of_two = false;  // heights of the ladder: named sizes are shown at their own
  [[nodiscard]] Interval span() const { return along_height ? ladder.height.value_or(Interval()) : ladder.width; }
};

/// The ladder of the scene, with the overrides of the command line.
Way way_of(const Scene& scene, const SweepCall& call) {
  Way way{scene.ladder, false};
  if (!call.width.empty()) way.ladder.width = sizes_asked(call.width, "--width", scene.ladder.width);
  if (!call.height.empty()) way.ladder.height = sizes_asked(call.height, "--height", scene.ladder.height);
  const bool heights = !call.height.empty() && way.ladder.height->from < way.ladder.height->to;
  const bool widths = !call.width.empty() && way.ladder.width.from < way.ladder.width.to;
  if (heights && widths) throw WrongCall("sweep: two ranges; write one size for --width or for --height");
  way.along_height = heights;
  return way;
}

/// The sizes or values asked for, which lie in the span that an option gives.
std::vector<double> asked_container_sizes(const Interval& span, std::vector<double> sizes, const char* option) {
  for (const double size : sizes) {
    if (size < span.from || size > span.to) {
      throw WrongCall(fmt::format("--sizes: {} is not between {} and {}; widen {}", exact(size), exact(span.from),
                                  exact(span.to), option));
    }
  }
  return sizes;
}

/// The sizes shown: those asked for, else both ends of the ladder and its named sizes between them.
std::vector<double> shown_sizes(const Way& way, const std::string& asked) {
  const Interval span = way.span();
  if (!asked.empty())
    return asked_container_sizes(span, parse_sizes(asked, "--sizes"), way.along_height ? "--height" : "--width");
  std::vector<double> sizes{span.from, span.to};
  for (const NamedSize& container_size : way.ladder.named_sizes) {
    const std::optional<double> size = way.along_height ? container_size.height : container_size.width;
    if (size && *size > span.from && *size < span.to) sizes.push_back(*size);
  }
  std::ranges::sort(sizes);
  sizes.erase(std::unique(sizes.begin(), sizes.end()), sizes.end());
  return sizes;
}

/// The steps at some sizes, solved, so that they equal what `measure` prints to the last digit.
std::vector<Sweep::Step> steps_at(const Scene& scene, const Way& way, const Sweep& swept,
                                  const std::vector<double>& sizes, const std::vector<std::string>& modes) {
  SceneSolver solver(scene, modes);
  std::vector<Sweep::Step> steps;
  for (const double size : sizes) {
    std::optional<double> height = way.ladder.height ? std::optional(way.ladder.height->from) : std::nullopt;
    for (const NamedSize& container_size : way.ladder.named_sizes) {
      if (way.one_of_two && container_size.width == size) height = way.ladder.size_of(container_size).height;
    }
    const Solution solution =
        solver.solve(way.along_height ? ContainerSize{way.ladder.width.to, size} : ContainerSize{size, height});
    steps.push_back({solution.container(), {}, size});
    for (const Quantity& quantity : swept.quantities) steps.back().values.push_back(value_of(quantity, solution));
  }
  return steps;
}

Sweep sweep_all(const Scene& scene, const Way& way, const std::vector<Quantity>& quantities, const SweepCall& call,
                const Streams& streams) {
  ProgressLine progress(streams, "sweeping");
  SweepOptions options;
  options.modes = call.scene.modes;
  options.along_height = way.along_height;
  options.progress = progress.teller();
  return sweep_quantities(scene, way.ladder, quantities, options);
}

/// Names the printed quantities of a sweep of everything: the shortest names that are unambiguous.
void name_printed(const Scene& scene, const std::vector<Telling>& telling, Sweep& swept) {
  const auto add = [&](std::size_t q) {
    Quantity& quantity = swept.quantities[q];
    quantity.text = scene.tree.short_path(quantity.node) + "." + std::string(quantity.word());
  };
  constexpr std::size_t most_alike = 4;
  for (const Telling& one : telling) {
    add(one.quantity);
    for (std::size_t i = 0; i < std::min(most_alike, one.group.size()); ++i) add(one.group[i]);
  }
  for (Breakpoint& breakpoint : swept.found) breakpoint.name = swept.quantities[breakpoint.quantity].text;
}

std::vector<Quantity> asked_quantities(const Scene& scene, const SweepCall& call) {
  const std::vector<std::string> texts = split_list(call.show);
  if (texts.empty()) {
    throw WrongCall(fmt::format("--show {}: expected quantities, as in {}.width", call.show,
                                scene.tree.segment(scene.tree.root())));
  }
  std::vector<Quantity> asked = parse_quantities(scene.tree, texts);
  const std::vector<Solution::ScrolledTo> positions = positions_asked(scene, call.scrolled);
  for (Quantity& quantity : asked) {
    if (quantity.moves_with_scrolling()) quantity.scrolled = positions;
  }
  return asked;
}

/// The columns to show: all that were asked for; else the most informative ones, six in a table.
std::vector<std::size_t> columns_of(const Sweep& swept, const std::vector<Telling>& telling, bool all, Format format) {
  std::vector<std::size_t> columns;
  if (!all) {
    for (std::size_t q = 0; q < swept.quantities.size(); ++q) columns.push_back(q);
    return columns;
  }
  constexpr std::size_t most_columns = 6;
  for (const Telling& one : telling) {
    if (format == Format::table && columns.size() == most_columns) break;
    columns.push_back(one.quantity);
  }
  return columns;
}

/// A sweep as it is shown: at one height, or over heights at one width.
struct Swept {
  ShownSweep shown;
  std::vector<Telling> telling;
};

void choose_columns(const Scene& scene, const SweepCall& call, Swept& swept) {
  ShownSweep& shown = swept.shown;
  const bool all = call.show.empty();
  if (all) {
    swept.telling = most_telling(scene, shown.swept);
    name_printed(scene, swept.telling, shown.swept);
  }
  shown.columns = columns_of(shown.swept, swept.telling, all, call.format);
}

Swept sweep_way(const Scene& scene, const Way& way, const SweepCall& call, const Streams& streams) {
  const std::vector<double> sizes = shown_sizes(way, call.sizes);
  const bool all = call.show.empty();
  const std::vector<Quantity> asked = all ? all_quantities(scene, {way.along_height ? Measure::height : Measure::width})
                                          : asked_quantities(scene, call);
  Swept swept{{scene, way.ladder, sweep_all(scene, way, asked, call, streams)}, {}};
  ShownSweep& shown = swept.shown;
  shown.rows = steps_at(scene, way, shown.swept, sizes, call.scene.modes);
  choose_columns(scene, call, swept);
  return swept;
}

void print_table(const Swept& swept, const SweepCall& call, std::ostream& out) {
  const ShownSweep& shown = swept.shown;
  out << headline(shown) << '\n';
  if (call.show.empty()) out << wrapped(summary(shown.scene, shown.swept, swept.telling, call.scene.modes), 100);
  print_swept(shown, swept.telling, out);
}

void write_plot(const ShownSweep& shown, const SweepCall& call, const Streams& streams) {
  if (call.plot.empty()) return;
  const PictureForm form = picture_form(call.plot, "", "--plot");
  write_target(streams, call.plot, plot(shown.swept, form, {headline(shown), shown.columns}));
}

/// Whether the same quantities have the same breakpoints.
bool breakpoint_alike(const Sweep& a, const Sweep& b) {
  return std::ranges::equal(a.found, b.found, [](const Breakpoint& one, const Breakpoint& other) {
    constexpr double near = 1e-6;
    return one.quantity == other.quantity && one.kind == other.kind && std::abs(one.at - other.at) <= near;
  });
}

/// What differs at the other height of a ladder with two heights.
void print_other_end(const Swept& low, const Swept& high, const SweepCall& call, std::ostream& out) {
  out << '\n';
  if (breakpoint_alike(low.shown.swept, high.shown.swept)) {
    out << exact(high.shown.ladder.height->from) << " high: "
        << (low.shown.swept.found.empty() ? "no breakpoints either" : "the same quantities have the same breakpoints")
        << '\n';
  } else {
    print_table(high, call, out);
  }
}

ExitStatus sweep_scene(const Scene& scene, const SweepCall& call, const Streams& streams) {
  Way way = way_of(scene, call);
  std::optional<Way> other_end;  // of a ladder with two heights
  if (!way.along_height && way.ladder.height && way.ladder.height->from < way.ladder.height->to) {
    way.one_of_two = true;
    other_end = way;
    other_end->ladder.height = Interval(way.ladder.height->to);
    way.ladder.height = Interval(way.ladder.height->from);
  }
  const Swept swept = sweep_way(scene, way, call, streams);
  const ShownSweep& shown = swept.shown;
  std::ostream& out = streams.out;
  switch (call.format) {
    case Format::table:
      print_table(swept, call, out);
      if (other_end) print_other_end(swept, sweep_way(scene, *other_end, call, streams), call, out);
      break;
    case Format::json: {
      JsonAnswers answers(out, "sweep");
      write_swept(answers.next(scene, call.scene.file, way.ladder), shown);
      if (other_end) {
        const Swept other = sweep_way(scene, *other_end, call, streams);
        write_swept(answers.next(scene, call.scene.file, other_end->ladder), other.shown);
      }
      answers.end();
      break;
    }
    case Format::csv: print_swept_csv(shown, call.sizes.empty() ? shown.swept.steps : shown.rows, out); break;
  }
  write_plot(shown, call, streams);
  return all_well;
}

// --- settings ------------------------------------------------------------------------------------------------------

/// The values shown: those asked for, else both ends and three between them.
std::vector<double> shown_values(const Interval& values, const std::string& asked) {
  std::vector<double> shown;
  for (const std::string& item : split_list(asked))
    shown.push_back(parse_coordinate(item, "--sizes: \"" + item + "\" is not a number"));
  if (!shown.empty()) return asked_container_sizes(values, std::move(shown), "--vary");
  constexpr int pieces = 4;
  for (int i = 0; i <= pieces; ++i) shown.push_back(values.from + (values.to - values.from) * i / pieces);
  return shown;
}

Swept sweep_values(const Scene& scene, const Varied& varied, const std::string& unit, const AskedSize& size,
                   const SweepCall& call, const Streams& streams) {
  ProgressLine progress(streams, "sweeping");
  SweepOptions options;
  options.modes = call.scene.modes;
  options.progress = progress.teller();
  const std::vector<Quantity> asked =
      call.show.empty() ? all_quantities(scene, {Measure::width, Measure::height}) : asked_quantities(scene, call);
  Swept swept{{scene, scene.ladder, sweep_setting(varied, size.container_size, asked, options)}, {}};
  ShownSweep& shown = swept.shown;
  shown.at = size;
  shown.unit = unit;
  for (const double value : shown_values(varied.values, call.sizes)) {
    const Solution solution = solve(varied.at(value), size.container_size, call.scene.modes);
    Sweep::Step& row = shown.rows.emplace_back(Sweep::Step{solution.container(), {}, value});
    for (const Quantity& quantity : asked) row.values.push_back(value_of(quantity, solution));
  }
  choose_columns(scene, call, swept);
  return swept;
}

/// A setting is dragged instead of the container, at each of some sizes.
ExitStatus sweep_each_size(const SweepCall& call, const Streams& streams) {
  if (!call.width.empty() || !call.height.empty())
    throw WrongCall("sweep: --vary keeps the container at one size; set it with --at, as in --at 1280x800");
  const AskedVary asked = parse_vary(call.scene.vary);
  if (!asked.span) {
    throw WrongCall(fmt::format(
        "sweep: --vary needs a range of numbers, as in {}=100..400; measure, draw and check compare single values",
        asked.setting));
  }
  Varied varied = load_varied(call.scene, asked, streams);
  if (!call.as_root.empty()) {
    varied.at = [whole = varied.at, path = call.as_root](double value) {
      const Scene scene = whole(value);
      return alone(scene, scene.tree.at(path));
    };
  }
  const Scene scene = varied.at(varied.values.from);
  std::vector<AskedSize> sizes = asked_sizes({exact(scene.ladder.width.to)}, scene.ladder);
  if (!call.at.empty()) sizes = asked_sizes(call.at, scene.ladder);
  if (sizes.size() > 1 && (!call.plot.empty() || call.format == Format::csv))
    throw WrongCall("sweep: --plot and --format csv take one size; keep one --at");
  std::vector<Swept> all;  // what cannot be swept comes to light before anything is printed
  for (const AskedSize& size : sizes) all.push_back(sweep_values(scene, varied, asked.unit, size, call, streams));
  std::optional<JsonAnswers> answers;
  if (call.format == Format::json) answers.emplace(streams.out, "sweep");
  for (const Swept& swept : all) {
    const ShownSweep& shown = swept.shown;
    if (answers) {
      const Solution solution = solve(scene, shown.at.container_size, call.scene.modes);
      write_swept(answers->next(scene, call.scene.file, solution, shown.at), shown);
    } else if (call.format == Format::csv) {
      print_swept_csv(shown, call.sizes.empty() ? shown.swept.steps : shown.rows, streams.out);
    } else {
      if (&swept != &all.front()) streams.out << '\n';
      print_table(swept, call, streams.out);
    }
    write_plot(shown, call, streams);
  }
  if (answers) answers->end();
  return all_well;
}

ExitStatus sweep(const SweepCall& call, const Streams& streams) {
  if (!call.plot.empty()) {
    static_cast<void>(picture_form(call.plot, "", "--plot"));
    add_target(streams, "--plot", call.plot);
    require_plotter();
  }
  if (!call.scrolled.empty() && call.show.empty())
    throw WrongCall("sweep: --scrolled changes positions only; ask for one, as in --show entry.bottom");
  if (!call.scene.vary.empty()) return sweep_each_size(call, streams);
  if (!call.at.empty()) {
    throw WrongCall("sweep: --at needs --vary; set sizes with --width and --height, as in --width 360..1440");
  }
  const Scene scene = load_scene(call.scene, streams);
  return sweep_scene(call.as_root.empty() ? scene : alone(scene, scene.tree.at(call.as_root)), call, streams);
}

}  // namespace

Command sweep_command() {
  CommandOf<SweepCall> command("sweep", "Print how quantities change while the container grows, and why");
  SweepCall& call = command.call();
  Options& options = command.options();
  add_scene(options, call.scene);
  options.text("--show", "LIST", call.show,
               "Print these quantities, as in beds.width,cards/*.height; default: a summary of all breakpoints");
  options.text("--width", "all|N|A..B", call.width,
               "Sweep these widths, or hold one; default: all, those of the ladder");
  options.text("--height", "all|N|A..B", call.height,
               "Hold one height, or sweep these instead of widths; default: both heights of the ladder");
  options.text("--sizes", "LIST", call.sizes, "Print values at these sizes, as in 360,640,1024");
  options.text("--vary", "NODE.KEY=FROM..TO", call.scene.vary,
               "Sweep a setting instead of the container, as in beds.width=100..400");
  options.list("--at", "SIZE", call.at, "With --vary: use this container size, as in 1280x800; repeatable");
  options.text("--as-root", "NODE", call.as_root, "Sweep this node as if it were the root");
  add_scrolled(options, call.scrolled);
  options.text("--plot", "FILE", call.plot, "Also draw the curves to an .svg, .png or .pdf file");
  options.format(call.format, {Format::table, Format::json, Format::csv});
  return command.does(sweep);
}

}  // namespace fond_ladder::calls
