// SPDX-License-Identifier: MIT
#include <fmt/format.h>
#include <fmt/ostream.h>

#include <chrono>
#include <cmath>
#include <iostream>

#include "cli/command.hpp"
#include "cli/commands/measure_views.hpp"
#include "cli/output.hpp"
#include "cli/sizes.hpp"
#include "model/printable.hpp"
#include "print/table.hpp"

namespace fond_ladder::cli {
namespace {

constexpr std::array<std::string_view, 4> side_names{"top", "right", "bottom", "left"};

std::array<double, 4> by_side(const FourSides& cut) {
  return {cut.top, cut.right, cut.bottom, cut.left};
}

/// What sticks out of the parent, or of a text its own words.
FourSides all_cut(const Solution& solution, NodeId node) {
  const FourSides own = solution.cut(node), words = solution.words_cut(node);
  return {std::max(own.top, words.top), std::max(own.right, words.right), std::max(own.bottom, words.bottom),
          std::max(own.left, words.left)};
}

std::string size_text(Extent size) {
  return rounded(size.width) + " x " + rounded(size.height);
}

/// `by 3.5 at the right of bar`, side by side; a text can also stick out of its own box.
std::string cut_text(const Scene& scene, const Solution& solution, NodeId node) {
  std::string text;
  const auto list = [&](const FourSides& cut, const std::string& of) {
    const auto sides = by_side(cut);
    for (std::size_t i = 0; i < sides.size(); ++i) {
      if (sides[i] <= 0) continue;
      text += fmt::format("{}{} at the {} of {}", text.empty() ? "by " : ", by ", rounded(sides[i]), side_names[i], of);
    }
  };
  if (const NodeId parent = scene.tree.parent(node)) list(solution.cut(node), scene.tree.step(parent));
  list(solution.words_cut(node), "its own box");
  return text;
}

std::size_t count_cut(const Solution& solution, const std::vector<Solution::NodeBox>& boxes) {
  std::size_t cut = 0;
  for (const auto& placed : boxes) cut += all_cut(solution, placed.node).any() ? 1 : 0;
  return cut;
}

/// A node's size as percent of its parent's content box.
std::string share_text(const Scene& scene, const Solution& solution, const Solution::NodeBox& placed) {
  const NodeId parent = scene.tree.parent(placed.node);
  if (!parent) return "";
  const Extent room = solution.room_in(parent);
  const auto percent = [](double size, double of) { return of > 0 ? fmt::format("{:.0f}%", size / of * 100) : "-"; };
  return percent(placed.box.width, room.width) + " x " + percent(placed.box.height, room.height);
}

/// The first line says whether all is well; the lines behind it what is not, and where.
void print_answer(const Scene& scene, const Solution& solution, const AskedSize& asked,
                  const std::vector<Solution::NodeBox>& boxes, std::ostream& out) {
  const std::size_t cut = count_cut(solution, boxes);
  fmt::print(out, "{}: {}\n", title_of(scene, solution, asked),
             cut == 0   ? "every node lies inside its parent"
             : cut == 1 ? "1 node sticks out"
                        : fmt::format("{} nodes stick out", cut));
  for (const auto& placed : boxes) {
    const std::string text = cut_text(scene, solution, placed.node);
    if (!text.empty()) fmt::print(out, "  {}: {}\n", scene.tree.path(placed.node), text);
  }
  out << '\n';
}

void print_table(const Scene& scene, const Solution& solution, const std::vector<Solution::NodeBox>& boxes,
                 std::ostream& out) {
  Table table({{"path"},
               {"kind"},
               {"x", Table::Align::numbers},
               {"y", Table::Align::numbers},
               {"width", Table::Align::numbers},
               {"height", Table::Align::numbers},
               {"wished"},
               {"of parent"}});
  for (const auto& placed : boxes) {
    table.add({indented(scene.tree.step(placed.node), placed.depth),
               std::string(word(solution.tree().kind(placed.node))), rounded(placed.box.x), rounded(placed.box.y),
               rounded(placed.box.width), rounded(placed.box.height), size_text(solution.wished(placed.node)),
               share_text(scene, solution, placed)});
  }
  table.print(out);
}

/// What scrolls, and how far.
void print_scrollers(const Scene& scene, const Solution& solution, const std::vector<Solution::NodeBox>& boxes,
                     std::ostream& out) {
  Table table({{"scrolls"}, {"content"}, {"by at most"}});
  bool any = false;
  for (const auto& placed : boxes) {
    if (solution.tree().keys(placed.node).scroll == Scroll::none) continue;
    any = true;
    table.add({scene.tree.path(placed.node), size_text(solution.content_size(placed.node)),
               size_text(solution.scroll_range(placed.node))});
  }
  if (!any) return;
  out << '\n';
  table.print(out);
}

void print_json(const Scene& scene, const Solution& solution, const std::vector<Solution::NodeBox>& boxes,
                std::ostream& out) {
  const Extent at = solution.container();
  fmt::print(out, "{{\"scene\": {}, \"at\": {{\"width\": {}, \"height\": {}}},\n \"nodes\": [", json_text(scene.title),
             exact(at.width), exact(at.height));
  std::string comma;
  for (const auto& placed : boxes) {
    fmt::print(out, "{}\n  {{\"path\": {}, \"kind\": \"{}\", \"x\": {}, \"y\": {}, \"width\": {}, \"height\": {}",
               comma, json_text(scene.tree.path(placed.node)), word(solution.tree().kind(placed.node)),
               exact(placed.box.x), exact(placed.box.y), exact(placed.box.width), exact(placed.box.height));
    comma = ",";
    const FourSides cut = all_cut(solution, placed.node);
    if (cut.any()) {
      const auto sides = by_side(cut);
      std::string list;
      for (std::size_t i = 0; i < sides.size(); ++i) {
        if (sides[i] > 0) list += fmt::format("{}\"{}\": {}", list.empty() ? "" : ", ", side_names[i], exact(sides[i]));
      }
      fmt::print(out, ", \"cut\": {{{}}}", list);
    }
    if (solution.tree().kind(placed.node) == Kind::grid) {
      fmt::print(out, ",\n   \"tracks\": {}", json_tracks(scene, solution, placed.node));
    }
    fmt::print(out, "}}");
  }
  fmt::print(out, "]}}");
}

constexpr auto csv_head =
    "at_width,at_height,path,kind,x,y,width,height,wished_width,wished_height,cut_top,cut_right,cut_bottom,cut_left\n";

void print_csv(const Scene& scene, const Solution& solution, const std::vector<Solution::NodeBox>& boxes,
               std::ostream& out) {
  const Extent at = solution.container();
  for (const auto& placed : boxes) {
    const Extent wished = solution.wished(placed.node);
    std::string line =
        csv_text(scene.tree.path(placed.node)) + "," + std::string(word(solution.tree().kind(placed.node)));
    for (const double number :
         {placed.box.x, placed.box.y, placed.box.width, placed.box.height, wished.width, wished.height}) {
      line += "," + exact(number);
    }
    for (const double side : by_side(all_cut(solution, placed.node))) line += "," + exact(side);
    fmt::print(out, "{},{},{}\n", exact(at.width), exact(at.height), line);
  }
}

void print_timing(double seconds, const Solution& solution, std::ostream& out) {
  const auto visited = solution.visited();
  const std::size_t nodes = solution.tree().size();
  fmt::print(out, "\nsolved {} nodes in {:.3f} ms\n", nodes, seconds * 1000);
  constexpr std::array<std::string_view, 4> passes{"widths up", "widths down", "heights up", "heights down"};
  Table table({{"pass"}, {"visited", Table::Align::numbers}, {"skipped", Table::Align::numbers}});
  for (std::size_t i = 0; i < passes.size(); ++i) {
    table.add({std::string(passes[i]), std::to_string(visited[i]), std::to_string(nodes - visited[i])});
  }
  table.print(out);
}

/// Prints one arrangement in the view and the format that were asked for.
void print_one(const Scene& scene, const Solution& solution, const AskedSize& asked, double seconds,
               const MeasureOptions& options, std::ostream& out) {
  if (!options.settings.empty()) {
    return print_settings(scene, asked, title_of(scene, solution, asked), options, out);
  }
  if (!options.under.empty()) return print_under(scene, solution, options, out);
  if (options.orders) return print_orders(scene, solution, options, out);
  if (options.outline) return print_outline(scene, solution, options, out);
  const auto boxes = options.snap > 0 ? solution.snapped(options.snap) : solution.boxes();
  switch (options.format) {
    case Format::table:
      print_answer(scene, solution, asked, boxes, out);
      print_table(scene, solution, boxes, out);
      print_tracks(scene, solution, out);
      print_scrollers(scene, solution, boxes, out);
      if (options.timing) print_timing(seconds, solution, out);
      break;
    case Format::json: return print_json(scene, solution, boxes, out);
    case Format::csv: return print_csv(scene, solution, boxes, out);
  }
}

void require_sound(const MeasureOptions& options) {
  const int views = (options.under.empty() ? 0 : 1) + (options.orders ? 1 : 0) + (options.outline ? 1 : 0) +
                    (options.settings.empty() ? 0 : 1);
  if (views > 1)
    throw WrongCall("--under, --orders, --outline and --settings are views of their own; ask for one of them");
  if (views > 0 && options.format == Format::csv) throw WrongCall("--format csv: this view has a table and json only");
  if (options.timing && (views > 0 || options.format != Format::table)) {
    throw WrongCall("--timing goes with the table of boxes only");
  }
  if (options.snap_given && !(options.snap > 0 && options.snap <= 100)) {
    throw WrongCall("--snap: a density is more than 0 and at most 100 device pixels a pixel");
  }
}

}  // namespace

std::string title_of(const Scene& scene, const Solution& solution, const AskedSize& asked) {
  std::string title = printable(scene.name());
  title += " at " + size_text(solution.container());
  if (!asked.name.empty()) title += " (" + asked.name + ")";
  if (!asked.active.empty()) title += fmt::format(" [{}]", fmt::join(asked.active, ", "));
  if (!asked.rung.width && !asked.rung.height) return title + " (size by content)";
  if (!asked.rung.height) title += " (height by content)";
  return title;
}

void print_measure(const Scene& scene, const MeasureOptions& options, const Streams& streams) {
  require_sound(options);
  std::vector<AskedSize> sizes = asked_sizes(options.at, scene.ladder);
  std::ostream& out = streams.out;
  const bool json = options.format == Format::json;
  if (options.format == Format::csv) out << csv_head;
  if (json && sizes.size() > 1) out << "[";
  SceneSolver solver(scene, options.scene.modes);
  for (std::size_t i = 0; i < sizes.size(); ++i) {
    sizes[i].active = solver.active(sizes[i].rung);
    const auto begin = std::chrono::steady_clock::now();
    const Solution solution = solver.solve(sizes[i].rung);
    const double seconds = std::chrono::duration<double>(std::chrono::steady_clock::now() - begin).count();
    if (i > 0) out << (json ? ",\n" : options.format == Format::table ? "\n" : "");
    print_one(scene, solution, sizes[i], seconds, options, out);
  }
  if (json) out << (sizes.size() > 1 ? "]\n" : "\n");
}

ExitStatus measure(const MeasureOptions& options, const Streams& streams) {
  print_measure(load_scene(options.scene, streams), options, streams);
  return all_well;
}

}  // namespace fond_ladder::cli
