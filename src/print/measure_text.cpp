// SPDX-License-Identifier: MIT
#include <fmt/format.h>
#include <fmt/ostream.h>

#include <array>

#include "model/number_text.hpp"
#include "model/thousands.hpp"
#include "print/csv_text.hpp"
#include "print/issues.hpp"
#include "print/measure.hpp"
#include "print/sides.hpp"
#include "print/table.hpp"

namespace fond_ladder::inline v0 {
namespace {

/// A node's size as percent of its parent's content box.
std::string share_text(const SolvedScene& measured, const Solution::NodeBox& placed) {
  const NodeId parent = measured.tree().parent(placed.node);
  if (!parent) return "";
  const Extent space = measured.solution.content_box_size(parent);
  const auto percent = [](double size, double of) { return of > 0 ? fmt::format("{:.0f}%", size / of * 100) : "-"; };
  return percent(placed.box.width, space.width) + " x " + percent(placed.box.height, space.height);
}

/// What a node is, with those of its node ranges that hold, as `column [tight]`.
std::string kind_text(const Solution& solution, NodeId node) {
  const std::vector<std::string> active = solution.node_ranges(node);
  const std::string kind(word(solution.kind(node)));
  return active.empty() ? kind : fmt::format("{} [{}]", kind, fmt::join(active, ", "));
}

/// The first line says whether all is well; the lines after it say what is not, and where.
void print_answer(const SolvedScene& measured, std::ostream& out) {
  const std::vector<Issue> bad = issues(measured.scene, measured.solution);
  fmt::print(out, "{}: {}\n", title_of(measured.scene, measured.solution, measured.asked), verdict(bad));
  print_issues(measured, bad, out);
  for (const Solution::PartOfList& part : measured.solution.estimated_lists()) {
    fmt::print(out, "  {}: about {} {}, estimated from {} of {} entries\n", measured.tree().short_path(part.list),
               in_thousands(part.length), part.axis == x_axis ? "wide" : "high", in_thousands(part.arranged),
               in_thousands(part.entries));
  }
  out << '\n';
}

void print_table(const SolvedScene& measured, const std::vector<Solution::NodeBox>& boxes, std::ostream& out) {
  using enum Table::Align;
  Table table({{"path"},
               {"kind"},
               {"x", numbers},
               {"y", numbers},
               {"width", numbers},
               {"height", numbers},
               {"preferred"},
               {"of parent"}});
  const Solution& solution = measured.solution;
  for (const auto& placed : boxes) {
    table.add({indented(measured.tree().segment(placed.node), placed.depth), kind_text(solution, placed.node),
               rounded(placed.box.x), rounded(placed.box.y), rounded(placed.box.width), rounded(placed.box.height),
               size_text(solution.preferred_size(placed.node)), share_text(measured, placed)});
  }
  table.print(out);
}

/// The columns and rows of every grid: position, size, and the child that made them so large. Nothing if there
/// is no grid.
void print_tracks(const SolvedScene& measured, std::ostream& out) {
  Table table({{"tracks"}, {"at", Table::Align::numbers}, {"size", Table::Align::numbers}, {"set by"}});
  bool any = false;
  const Tree& tree = measured.tree();
  for (const auto& placed : measured.solution.boxes()) {
    if (measured.solution.kind(placed.node) != Kind::grid) continue;
    any = true;
    table.add({tree.path(placed.node)});
    const auto tracks = measured.solution.tracks(placed.node);
    const auto add = [&](const char* what, const std::vector<Solution::TrackBox>& all) {
      for (std::size_t i = 0; i < all.size(); ++i) {
        table.add({fmt::format("  {} {}", what, i), rounded(all[i].at), rounded(all[i].size),
                   all[i].set_by ? tree.segment(all[i].set_by) : ""});
      }
    };
    add("column", tracks.columns);
    add("row", tracks.rows);
  }
  if (!any) return;
  out << '\n';
  table.print(out);
}

/// What scrolls, and how far.
void print_scrollers(const SolvedScene& measured, const std::vector<Solution::NodeBox>& boxes, std::ostream& out) {
  const std::vector<Solution::NodeBox> all = scrolling(measured.solution, boxes);
  if (all.empty()) return;
  Table table({{"scrolls"}, {"content"}, {"by at most"}});
  for (const auto& placed : all) {
    table.add({measured.tree().path(placed.node), size_text(measured.solution.content_size(placed.node)),
               size_text(measured.solution.scroll_range(placed.node))});
  }
  out << '\n';
  table.print(out);
}

}  // namespace

std::string indented(const std::string& name, int depth) {
  constexpr int deepest = 12;
  const auto blanks = [](int levels) { return std::string(2 * static_cast<std::size_t>(levels), ' '); };
  if (depth <= deepest) return blanks(depth) + name;
  return fmt::format("{}({}) {}", blanks(deepest), depth, name);
}

std::vector<Solution::NodeBox> scrolling(const Solution& solution, std::vector<Solution::NodeBox> boxes) {
  std::erase_if(boxes, [&](const auto& placed) { return solution.keys(placed.node).scroll == Scroll::none; });
  return boxes;
}

void print_boxes(const SolvedScene& measured, const std::vector<Solution::NodeBox>& boxes, std::ostream& out) {
  print_answer(measured, out);
  print_table(measured, boxes, out);
  print_tracks(measured, out);
  print_scrollers(measured, boxes, out);
}

void print_timing(const Solution& solution, double seconds, std::ostream& out) {
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

void print_boxes_csv_head(std::ostream& out) {
  out << "at_width,at_height,path,kind,x,y,width,height,preferred_width,preferred_height,overhang_top,overhang_right,"
         "overhang_bottom,overhang_left\n";
}

void print_boxes_csv(const SolvedScene& measured, const std::vector<Solution::NodeBox>& boxes, std::ostream& out) {
  const Extent at = measured.solution.container();
  for (const auto& placed : boxes) {
    const Extent preferred_size = measured.solution.preferred_size(placed.node);
    std::string line =
        csv_text(measured.tree().path(placed.node)) + "," + std::string(word(measured.solution.kind(placed.node)));
    for (const double number : {placed.box.x, placed.box.y, placed.box.width, placed.box.height, preferred_size.width,
                                preferred_size.height}) {
      line += "," + exact(number);
    }
    for (const double side : by_side(measured.solution.full_overhang(placed.node))) line += "," + exact(side);
    fmt::print(out, "{},{},{}\n", exact(at.width), exact(at.height), line);
  }
}

}  // namespace fond_ladder::inline v0
