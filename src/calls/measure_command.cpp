// SPDX-License-Identifier: MIT
#include <fmt/format.h>

#include <chrono>
#include <optional>
#include <utility>

#include "calls/scene_call.hpp"
#include "calls/scrolled.hpp"
#include "calls/sizes.hpp"
#include "fond_ladder/settings.hpp"
#include "model/find_path.hpp"
#include "print/drop_target.hpp"
#include "print/json_frame.hpp"
#include "print/measure.hpp"
#include "print/settings.hpp"
#include "verify/measure/lists.hpp"

namespace fond_ladder::calls {
namespace {

struct MeasureCall {
  SceneCall scene;
  std::vector<std::string> at;
  std::vector<std::string> hit;
  std::vector<std::string> scrolled;
  bool orders = false;
  bool outline = false;
  bool timing = false;
  std::string settings;     // of which node
  std::string drop_target;  // where something is dropped
  std::string carry;        // which node
  std::string snap;         // density
  Format format = Format::table;
};

Point parse_point(const char* option, const std::string& text) {
  const std::vector<std::string> items = split_list(text);
  const std::string message = fmt::format("{} {}: expected X,Y in pixels, as in 120,40", option, text);
  if (items.size() != 2) throw WrongCall(message);
  return {parse_coordinate(items[0], message), parse_coordinate(items[1], message)};
}

std::optional<double> parse_density(const std::string& text) {
  if (text.empty()) return {};
  const std::string message =
      fmt::format("--snap {}: expected a density above 0 and at most 100 device pixels per pixel", text);
  const double density = parse_coordinate(text, message);
  if (!(density > 0 && density <= 100)) throw WrongCall(message);
  return density;
}

/// How many of the views that are shown instead of boxes are asked for.
int views_of(const MeasureCall& call) {
  return (call.hit.empty() ? 0 : 1) + (call.orders ? 1 : 0) + (call.outline ? 1 : 0) + (call.settings.empty() ? 0 : 1) +
         (call.drop_target.empty() ? 0 : 1);
}

/// Whether boxes with several values of a setting are shown side by side.
bool compares(const MeasureCall& call) {
  return !call.scene.vary.empty() && call.format == Format::table && views_of(call) == 0;
}

void require_sound(const MeasureCall& call) {
  const int views = views_of(call);
  if (views > 1)
    throw WrongCall("--hit, --drop-at, --orders, --tree and --settings are separate views; use one of them");
  if (!call.carry.empty() && call.drop_target.empty())
    throw WrongCall("--dragged needs a drop position; add one, as in --drop-at 120,40");
  if (views > 0 && call.format == Format::csv) throw WrongCall("--format csv: this view has table and json only");
  if (call.timing && (views > 0 || call.format != Format::table)) {
    throw WrongCall("--timing works with the table of boxes only");
  }
  if (!call.scrolled.empty() && !call.snap.empty())
    throw WrongCall("--snap does not work with --scrolled; use one of them");
  if (!call.scene.vary.empty() && call.format == Format::csv)
    throw WrongCall("--format csv: --vary has table and json only");
  if (compares(call) && (call.timing || !call.snap.empty()))
    throw WrongCall("--snap and --timing work with one value; use --set instead of --vary");
}

/// Prints what was asked for, size by size.
class MeasurePrinter {
 public:
  MeasurePrinter(const MeasureCall& call, std::ostream& out)
      : call_(call), out_(out), density_(parse_density(call.snap)) {
    for (const std::string& text : call.hit) points_.push_back(parse_point("--hit", text));
    if (!call.drop_target.empty()) drop_ = parse_point("--drop-at", call.drop_target);
  }

  void print(const Scene& scene, const Solution& solution, const AskedSize& asked, double seconds) {
    const SolvedScene measured{scene, solution, asked};
    if (prints_all_paths()) detail::require_short_paths(solution.tree().store());
    const bool is_first = std::exchange(is_first_, false);  // nothing is begun before there is an answer
    if (call_.format == Format::csv) {
      if (is_first) print_boxes_csv_head(out_);
      return print_boxes_csv(measured, boxes(solution), out_);
    }
    if (call_.format == Format::json) {
      if (is_first) answers_.emplace(out_, "measure");
      return write(measured);
    }
    if (!is_first) out_ << '\n';
    if (!call_.settings.empty()) {
      const NodeId node = node_as_written(scene.tree, call_.settings);
      print_settings(scene.tree.path(node), title_of(scene, solution, asked),
                     settings(scene, node, asked.container_size, call_.scene.modes), out_);
    } else if (drop_) {
      print_drop_target(measured, drop_target(measured), out_);
    } else if (!points_.empty()) {
      print_hit_test(measured, points_, out_);
    } else if (call_.orders) {
      print_orders(measured, out_);
    } else if (call_.outline) {
      print_outline(measured, out_);
    } else {
      print_boxes(measured, boxes(solution), out_);
      if (call_.timing) print_timing(solution, seconds, out_);
    }
  }

  void end() {
    if (answers_) answers_->end();
  }

 private:
  /// Whether each node is named by its whole path.
  [[nodiscard]] bool prints_all_paths() const {
    return call_.format != Format::table && call_.settings.empty() && !drop_ && points_.empty();
  }

  [[nodiscard]] std::vector<Solution::NodeBox> boxes(const Solution& solution) const {
    return density_ ? solution.snapped(*density_) : solution.boxes();
  }

  [[nodiscard]] DropTargetShown drop_target(const SolvedScene& measured) const {
    const NodeId carried = call_.carry.empty() ? NodeId() : measured.scene.tree.at(call_.carry);
    return drop_target_of(measured, *drop_, carried, call_.scene.modes);
  }

  void write(const SolvedScene& measured) {
    const Scene& scene = measured.scene;
    JsonWriter& json = answers_->next(scene, call_.scene.file, measured.solution, measured.asked);
    if (!call_.settings.empty()) {
      const NodeId node = node_as_written(scene.tree, call_.settings);
      json.text("node", scene.tree.path(node));
      write_settings(json, settings(scene, node, measured.asked.container_size, call_.scene.modes));
    } else if (drop_) {
      write_drop_target(json, measured, drop_target(measured));
    } else if (!points_.empty()) {
      write_hit_test(json, measured, points_);
    } else if (call_.orders) {
      write_orders(json, measured);
    } else if (call_.outline) {
      write_outline(json, measured);
    } else {
      if (density_) json.number("density", *density_);
      write_boxes(json, measured, boxes(measured.solution));
    }
  }

  const MeasureCall& call_;
  std::ostream& out_;
  std::optional<double> density_;
  std::vector<Point> points_;
  std::optional<Point> drop_;
  std::optional<JsonAnswers> answers_;
  bool is_first_ = true;
};

/// The requested sizes, labeled with the value when several values of a setting are compared.
std::vector<AskedSize> sizes_of(const MeasureCall& call, const Variant& value, const SceneSolver& solver) {
  std::vector<AskedSize> sizes = asked_sizes(call.at, value.scene.ladder);
  for (AskedSize& asked : sizes) {
    asked.active = solver.active(asked.container_size);
    if (!call.scene.vary.empty()) asked.with = value.name;
  }
  return sizes;
}

/// Adds the scroll positions to the description of a size.
void note_scrolled(const std::string& description, AskedSize& asked) {
  if (!description.empty()) asked.with += (asked.with.empty() ? "" : ", ") + description;
}

/// Size by size, the nodes that are elsewhere with another value.
void compare_values(const MeasureCall& call, const std::vector<Variant>& values, std::ostream& out) {
  std::vector<SceneSolver> solvers;
  std::vector<std::vector<AskedSize>> sizes;
  for (const Variant& value : values) {
    solvers.emplace_back(value.scene, value.modes);
    sizes.push_back(sizes_of(call, value, solvers.back()));
  }
  for (std::size_t i = 0; i < sizes.front().size(); ++i) {
    std::vector<Solution> solutions;
    for (std::size_t v = 0; v < values.size(); ++v) {
      const auto [solution, description] = solve_scrolled(solvers[v], sizes[v].at(i).container_size, call.scrolled);
      solutions.push_back(solution);
      note_scrolled(description, sizes[v][i]);
    }
    std::vector<SolvedScene> measured;
    for (std::size_t v = 0; v < values.size(); ++v) measured.push_back({values[v].scene, solutions[v], sizes[v][i]});
    if (i > 0) out << '\n';
    print_side_by_side(parse_values(call.scene.vary).setting, measured, out);
  }
}

ExitStatus measure(const MeasureCall& call, const Streams& streams) {
  require_sound(call);
  const std::vector<Variant> values = load_values(call.scene, streams);
  if (!call.settings.empty()) {  // a wrong name comes to light before anything is printed
    for (const Variant& value : values) static_cast<void>(node_as_written(value.scene.tree, call.settings));
  }
  if (!call.carry.empty()) {
    for (const Variant& value : values) {
      if (value.scene.tree.at(call.carry) == value.scene.tree.root())
        throw WrongCall(fmt::format("--dragged {}: the root cannot be dragged; name another node", call.carry));
    }
  }
  if (compares(call)) {
    compare_values(call, values, streams.out);
    return all_well;
  }
  MeasurePrinter measuring(call, streams.out);
  for (const Variant& value : values) {
    SceneSolver solver(value.scene, value.modes);
    for (AskedSize& asked : sizes_of(call, value, solver)) {
      const auto begin = std::chrono::steady_clock::now();
      const auto [solution, description] = solve_scrolled(solver, asked.container_size, call.scrolled);
      const double seconds = std::chrono::duration<double>(std::chrono::steady_clock::now() - begin).count();
      note_scrolled(description, asked);
      measuring.print(value.scene, solution, asked, seconds);
    }
  }
  measuring.end();
  return all_well;
}

}  // namespace

Command measure_command() {
  CommandOf<MeasureCall> command("measure",
                                 "Print position and size of every node, and what overhangs, is squeezed or invisible");
  MeasureCall& call = command.call();
  Options& options = command.options();
  add_scene(options, call.scene);
  add_sizes(options, call.at);
  add_values(options, call.scene, "Compare values of a setting side by side, as in beds.width=200,240,300");
  options.list("--hit", "X,Y", call.hit, "List the nodes at a point of the container, frontmost first");
  options.text("--drop-at", "X,Y", call.drop_target, "Print where a node dropped at this point would go");
  options.text("--dragged", "NODE", call.carry, "With --drop-at: name the dragged node, and print what moves");
  add_scrolled(options, call.scrolled);
  options.flag("--orders", call.orders, "Print the file, layout and paint order of every container");
  options.flag("--tree", call.outline, "Print the tree of nodes, and how each container arranges its children");
  options.text("--snap", "DENSITY", call.snap, "Print boxes in whole device pixels at this density");
  options.text("--settings", "NODE", call.settings, "Print every setting in effect on a node, and where it comes from");
  options.flag("--timing", call.timing, "Also print how long the solve took, and how many nodes it visited");
  options.format(call.format, {Format::table, Format::json, Format::csv});
  return command.does(measure);
}

}  // namespace fond_ladder::calls
