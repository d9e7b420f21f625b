// SPDX-License-Identifier: MIT
#include <fmt/format.h>

#include <algorithm>
#include <cmath>
#include <ostream>

#include "calls/picture_form.hpp"
#include "calls/progress.hpp"
#include "calls/scene_call.hpp"
#include "calls/sizes.hpp"
#include "calls/target_file.hpp"
#include "fond_ladder/climb.hpp"
#include "fond_ladder/plot.hpp"
#include "model/number_text.hpp"
#include "print/climb.hpp"
#include "print/json_frame.hpp"
#include "print/wrapped.hpp"

namespace fond_ladder::calls {
namespace {

struct ClimbCall {
  SceneCall scene;
  std::string width;
  std::string height;
  std::string rungs;
  std::string show;
  std::string of;    // a node, to be climbed alone
  std::string plot;  // a file
  Format format = Format::table;
};

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
    const double size = rung.size.on(way.along_height ? y_axis : x_axis);
    if (size > span.from && size < span.to) sizes.push_back(size);
  }
  std::ranges::sort(sizes);
  sizes.erase(std::unique(sizes.begin(), sizes.end()), sizes.end());
  return sizes;
}

/// The steps at some sizes, solved, so that they are to the last digit what `measure` tells.
std::vector<Climb::Step> steps_at(const Scene& scene, const Way& way, const Climb& climbed,
                                  const std::vector<double>& sizes, const std::vector<std::string>& modes) {
  SceneSolver solver(scene, modes);
  std::vector<Climb::Step> steps;
  for (const double size : sizes) {
    const std::optional<double> height = way.ladder.height ? std::optional(way.ladder.height->from) : std::nullopt;
    const Solution solution = solver.solve(way.along_height ? Rung{way.ladder.width.to, size} : Rung{size, height});
    steps.push_back({solution.container(), {}});
    for (const Quantity& quantity : climbed.quantities) steps.back().values.push_back(value_of(quantity, solution));
  }
  return steps;
}

Climb climb_all(const Scene& scene, const Way& way, const std::vector<Quantity>& quantities, const ClimbCall& call,
                const Streams& streams) {
  Progress progress(streams, "climbing");
  ClimbOptions options;
  options.modes = call.scene.modes;
  options.along_height = way.along_height;
  options.progress = progress.teller();
  return climb_quantities(scene, way.ladder, quantities, options);
}

/// Gives quantities of a climb of everything their names, as far as they are told: the shortest that are clear.
void name_those_told(const Scene& scene, const std::vector<Telling>& telling, Climb& climbed) {
  const std::string measure = climbed.along_height ? ".height" : ".width";
  const auto give = [&](std::size_t q) {
    climbed.quantities[q].text = scene.tree.tail(climbed.quantities[q].node) + measure;
  };
  constexpr std::size_t most_alike = 4;
  for (const Telling& one : telling) {
    give(one.quantity);
    for (std::size_t i = 0; i < std::min(most_alike, one.alike.size()); ++i) give(one.alike[i]);
  }
  for (Turn& turn : climbed.found) turn.name = climbed.quantities[turn.quantity].text;
}

std::vector<Quantity> asked_quantities(const Scene& scene, const std::string& show) {
  const std::vector<std::string> texts = split_list(show);
  if (texts.empty()) {
    throw WrongCall(
        fmt::format("--show {}: write quantities, as in {}.width", show, scene.tree.step(scene.tree.root())));
  }
  std::vector<Quantity> asked;
  for (const std::string& text : texts) {
    for (Quantity& quantity : parse_quantities(scene.tree, text)) asked.push_back(std::move(quantity));
  }
  return asked;
}

/// Which columns are shown: all that were asked for; else those that tell most, in a table six of them.
std::vector<std::size_t> columns_of(const Climb& climbed, const std::vector<Telling>& telling, bool all,
                                    Format format) {
  std::vector<std::size_t> columns;
  if (!all) {
    for (std::size_t q = 0; q < climbed.quantities.size(); ++q) columns.push_back(q);
    return columns;
  }
  constexpr std::size_t most_columns = 6;
  for (const Telling& one : telling) {
    if (format == Format::table && columns.size() == most_columns) break;
    columns.push_back(one.quantity);
  }
  return columns;
}

/// A climb as it is shown: at one height, or over heights at one width.
struct Climbed {
  ShownClimb shown;
  std::vector<Telling> telling;
};

Climbed climb_way(const Scene& scene, const Way& way, const ClimbCall& call, const Streams& streams) {
  const std::vector<double> sizes = shown_sizes(way, call.rungs);
  const bool all = call.show.empty();
  const std::vector<Quantity> asked =
      all ? all_quantities(scene, way.along_height) : asked_quantities(scene, call.show);
  Climbed climbed{{scene, way.ladder, climb_all(scene, way, asked, call, streams)}, {}};
  ShownClimb& shown = climbed.shown;
  shown.rows = steps_at(scene, way, shown.climbed, sizes, call.scene.modes);
  if (all) {
    climbed.telling = most_telling(scene, shown.climbed);
    name_those_told(scene, climbed.telling, shown.climbed);
  }
  shown.columns = columns_of(shown.climbed, climbed.telling, all, call.format);
  return climbed;
}

void print_table(const Climbed& climbed, const ClimbCall& call, std::ostream& out) {
  const ShownClimb& shown = climbed.shown;
  out << headline(shown) << '\n';
  if (call.show.empty()) out << wrapped(summary(shown.scene, shown.climbed, climbed.telling, call.scene.modes), 100);
  print_climbed(shown, climbed.telling, out);
}

/// Whether the same quantities turn at the same sizes in the same manner.
bool turn_alike(const Climb& a, const Climb& b) {
  return std::ranges::equal(a.found, b.found, [](const Turn& one, const Turn& other) {
    constexpr double near = 1e-6;
    return one.quantity == other.quantity && one.kind == other.kind && std::abs(one.at - other.at) <= near;
  });
}

/// What is said of the other end of a ladder with two heights.
void print_other_end(const Climbed& low, const Climbed& high, const ClimbCall& call, std::ostream& out) {
  out << '\n';
  if (turn_alike(low.shown.climbed, high.shown.climbed)) {
    out << exact(high.shown.ladder.height->from) << " high: "
        << (low.shown.climbed.found.empty() ? "no turns either" : "the same quantities turn at the same widths")
        << '\n';
  } else {
    print_table(high, call, out);
  }
}

ExitStatus climb_scene(const Scene& scene, const ClimbCall& call, const Streams& streams) {
  Way way = way_of(scene, call);
  std::optional<Way> other_end;  // of a ladder with two heights
  if (!way.along_height && way.ladder.height && way.ladder.height->from < way.ladder.height->to) {
    other_end = way;
    other_end->ladder.height = Span(way.ladder.height->to);
    way.ladder.height = Span(way.ladder.height->from);
  }
  const Climbed climbed = climb_way(scene, way, call, streams);
  const ShownClimb& shown = climbed.shown;
  std::ostream& out = streams.out;
  switch (call.format) {
    case Format::table:
      print_table(climbed, call, out);
      if (other_end) print_other_end(climbed, climb_way(scene, *other_end, call, streams), call, out);
      break;
    case Format::json: {
      JsonAnswers answers(out, "climb");
      write_climbed(answers.next(scene, call.scene.file, way.ladder), shown);
      if (other_end) {
        const Climbed other = climb_way(scene, *other_end, call, streams);
        write_climbed(answers.next(scene, call.scene.file, other_end->ladder), other.shown);
      }
      answers.end();
      break;
    }
    case Format::csv: print_climbed_csv(shown, call.rungs.empty() ? shown.climbed.steps : shown.rows, out); break;
  }
  if (call.plot.empty()) return all_well;
  const PictureForm form = picture_form(call.plot, "", "--plot");
  write_target(call.plot, plot(shown.climbed, form, {headline(shown), shown.columns}));
  return all_well;
}

ExitStatus climb(const ClimbCall& call, const Streams& streams) {
  if (!call.plot.empty()) {
    static_cast<void>(picture_form(call.plot, "", "--plot"));
    require_target(call.plot);
    require_plotter();
  }
  const Scene scene = load_scene(call.scene, streams);
  return climb_scene(call.of.empty() ? scene : alone(scene, scene.tree.at(call.of)), call, streams);
}

}  // namespace

Command climb_command() {
  CommandOf<ClimbCall> command("climb", "How quantities change while the container grows");
  ClimbCall& call = command.call();
  Options& options = command.options();
  add_scene(options, call.scene);
  options.text("--show", "LIST", call.show,
               "Quantities, as in beds.width,cards/*.height; left out: the widths that turn, with a summary");
  options.text("--width", "FROM..TO", call.width, "The widths to climb, or one; the scene's ladder when left out");
  options.text("--height", "SIZE|FROM..TO", call.height, "A fixed height, or heights to climb instead of widths");
  options.text("--rungs", "LIST", call.rungs, "The sizes to show, as in 360,640,1024");
  options.text("--of", "NODE", call.of, "Climb this node alone: it fills the container");
  options.text("--plot", "FILE", call.plot, "Also draw the curves, an .svg, .png or .pdf file");
  options.format(call.format, {Format::table, Format::json, Format::csv});
  return command.does(climb);
}

}  // namespace fond_ladder::calls
