// SPDX-License-Identifier: MIT
#include <fmt/format.h>

#include <chrono>
#include <optional>

#include "calls/scene_call.hpp"
#include "calls/sizes.hpp"
#include "print/json_frame.hpp"
#include "print/measure.hpp"
#include "print/settings.hpp"

namespace fond_ladder::calls {
namespace {

struct MeasureCall {
  SceneCall scene;
  std::vector<std::string> at;
  std::vector<std::string> under;
  bool orders = false;
  bool outline = false;
  bool timing = false;
  std::string settings;  // of which node
  std::string snap;      // density
  Format format = Format::table;
};

Point parse_point(const std::string& text) {
  const std::vector<std::string> items = split_list(text);
  const std::string message = fmt::format("--under {}: write X,Y in pixels, as in 120,40", text);
  if (items.size() != 2) throw WrongCall(message);
  return {parse_coordinate(items[0], message), parse_coordinate(items[1], message)};
}

std::optional<double> parse_density(const std::string& text) {
  if (text.empty()) return {};
  const std::string message =
      fmt::format("--snap {}: a density is more than 0 and at most 100 device pixels a pixel", text);
  const double density = parse_coordinate(text, message);
  if (!(density > 0 && density <= 100)) throw WrongCall(message);
  return density;
}

void require_sound(const MeasureCall& call) {
  const int views =
      (call.under.empty() ? 0 : 1) + (call.orders ? 1 : 0) + (call.outline ? 1 : 0) + (call.settings.empty() ? 0 : 1);
  if (views > 1)
    throw WrongCall("--under, --orders, --outline and --settings are views of their own; ask for one of them");
  if (views > 0 && call.format == Format::csv) throw WrongCall("--format csv: this view has a table and json only");
  if (call.timing && (views > 0 || call.format != Format::table)) {
    throw WrongCall("--timing goes with the table of boxes only");
  }
}

/// Prints what was asked for, size by size.
class MeasurePrinter {
 public:
  MeasurePrinter(const MeasureCall& call, const Scene& scene, std::ostream& out)
      : call_(call), scene_(scene), out_(out), density_(parse_density(call.snap)) {
    for (const std::string& text : call.under) points_.push_back(parse_point(text));
    if (!call.settings.empty()) node_ = scene.tree.at(call.settings);
    if (call.format == Format::json) answers_.emplace(out, "measure");
    if (call.format == Format::csv) print_boxes_csv_head(out);
  }

  void print(const Solution& solution, const AskedSize& asked, double seconds) {
    const SolvedScene measured{scene_, solution, asked};
    if (call_.format == Format::csv) return print_boxes_csv(measured, boxes(solution), out_);
    if (answers_) return write(measured);
    if (!is_first_) out_ << '\n';
    is_first_ = false;
    if (node_) {
      print_settings(scene_.tree.path(node_), title_of(scene_, solution, asked),
                     settings(scene_, node_, asked.rung, call_.scene.modes), out_);
    } else if (!points_.empty()) {
      print_under(measured, points_, out_);
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
  [[nodiscard]] std::vector<Solution::NodeBox> boxes(const Solution& solution) const {
    return density_ ? solution.snapped(*density_) : solution.boxes();
  }

  void write(const SolvedScene& measured) {
    JsonWriter& json = answers_->next(scene_, call_.scene.file, measured.solution, measured.asked);
    if (node_) {
      json.text("node", scene_.tree.path(node_));
      write_settings(json, settings(scene_, node_, measured.asked.rung, call_.scene.modes));
    } else if (!points_.empty()) {
      write_under(json, measured, points_);
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
  const Scene& scene_;
  std::ostream& out_;
  std::optional<double> density_;
  std::vector<Point> points_;
  NodeId node_;  // whose settings are asked for
  std::optional<JsonAnswers> answers_;
  bool is_first_ = true;
};

ExitStatus measure(const MeasureCall& call, const Streams& streams) {
  require_sound(call);
  const Scene scene = load_scene(call.scene, streams);
  MeasurePrinter measuring(call, scene, streams.out);
  SceneSolver solver(scene, call.scene.modes);
  for (AskedSize& asked : asked_sizes(call.at, scene.ladder)) {
    asked.active = solver.active(asked.rung);
    const auto begin = std::chrono::steady_clock::now();
    const Solution solution = solver.solve(asked.rung);
    const double seconds = std::chrono::duration<double>(std::chrono::steady_clock::now() - begin).count();
    measuring.print(solution, asked, seconds);
  }
  measuring.end();
  return all_well;
}

}  // namespace

Command measure_command() {
  CommandOf<MeasureCall> command("measure", "Where every node is and how large, what is cut, squeezed or unseen");
  MeasureCall& call = command.call();
  Options& options = command.options();
  add_scene(options, call.scene);
  add_sizes(options, call.at);
  options.list("--under", "X,Y", call.under, "The nodes at a point of the container, the front-most first");
  options.flag("--orders", call.orders, "The order of the file, of laying and of painting, container by container");
  options.flag("--outline", call.outline, "The nesting alone, with how each container arranges");
  options.text("--snap", "DENSITY", call.snap, "Boxes in whole device pixels at this density");
  options.text("--settings", "NODE", call.settings, "Every setting of a node that is in force, and whence");
  options.flag("--timing", call.timing, "Also how long the solve took, and how many nodes it visited");
  options.format(call.format, {Format::table, Format::json, Format::csv});
  return command.does(measure);
}

}  // namespace fond_ladder::calls
