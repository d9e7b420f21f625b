// SPDX-License-Identifier: MIT
#include "print/drop_target.hpp"

#include <fmt/format.h>
#include <fmt/ostream.h>

#include <algorithm>
#include <cmath>

#include "model/limits.hpp"
#include "model/number_text.hpp"
#include "model/shell_word.hpp"
#include "print/table.hpp"
#include "print/titles.hpp"

namespace fond_ladder::inline v0 {
namespace {

bool differ(const Rect& a, const Rect& b) {
  const auto apart = [](double one, double other) { return std::abs(one - other) > limits::report_tolerance; };
  return apart(a.x, b.x) || apart(a.y, b.y) || apart(a.width, b.width) || apart(a.height, b.height);
}

std::optional<Rect> box_in(const Solution& solution, NodeId node) {
  return solution.is_placed(node) ? std::optional(solution.box(node)) : std::nullopt;
}

/// `between title and alarm`, as they stand in the file without what is dragged.
std::string neighbors(const Tree& tree, const Solution::DropTarget& drop_target, NodeId dragged) {
  std::vector<NodeId> children = tree.children(drop_target.parent);
  std::erase(children, dragged);
  const auto named = [&](std::size_t i) { return "`" + tree.segment(children[i]) + "`"; };
  if (children.empty()) return "which is empty";
  if (drop_target.place == 0) return "before " + named(0);
  if (drop_target.place >= children.size()) return "behind " + named(children.size() - 1);
  return "between " + named(drop_target.place - 1) + " and " + named(drop_target.place);
}

std::string place_text(const Rect& box) {
  return fmt::format("{},{} {} x {}", rounded(box.x), rounded(box.y), rounded(box.width), rounded(box.height));
}

}  // namespace

DropTargetShown drop_target_of(const SolvedScene& measured, const Point& at, NodeId dragged,
                               const std::vector<std::string>& modes) {
  DropTargetShown shown{at, dragged, measured.solution.drop_target(at.x, at.y, dragged), {}, {}, {}};
  if (!shown.drop_target || !dragged) return shown;
  const Tree& written = measured.scene.tree;
  if (!written.contains(shown.drop_target->parent) || written.keys(shown.drop_target->parent).virtualized.entries > 0) {
    shown.refusal = "a virtualized list holds copies only";
    return shown;
  }
  Scene dropped = measured.scene;
  try {
    dropped.tree.move(dragged, shown.drop_target->parent, shown.drop_target->place);
  } catch (const BadValue& fault) {
    shown.refusal = fault.what();
    return shown;
  }
  SceneSolver solver(dropped, modes);
  const Solution after = solver.solve(measured.asked.container_size);
  shown.box = box_in(after, dragged);
  for (const NodeId node : measured.scene.tree.nodes()) {
    if (node == dragged) continue;
    const std::optional<Rect> before = box_in(measured.solution, node), now = box_in(after, node);
    if (before.has_value() != now.has_value() || (before && differ(*before, *now))) {
      shown.moves.push_back({node, before, now});
    }
  }
  return shown;
}

void print_drop_target(const SolvedScene& measured, const DropTargetShown& shown, std::ostream& out) {
  const Tree& tree = measured.tree();
  const std::string who = shown.dragged ? "`" + tree.short_path(shown.dragged) + "`" : "a new node";
  fmt::print(out, "{}: {}, dropped at {},{}, ", title_of(measured.scene, measured.solution, measured.asked), who,
             exact(shown.at.x), exact(shown.at.y));
  if (!shown.drop_target) {
    out << "outside the container, so it goes nowhere\n";
    return;
  }
  const Solution::DropTarget& drop_target = *shown.drop_target;
  fmt::print(out, "goes into `{}`, {}\n", tree.short_path(drop_target.parent),
             neighbors(tree, drop_target, shown.dragged));
  if (!shown.dragged) {
    fmt::print(out, "index {} among its children; indicator at {}\n", drop_target.place,
               place_text(drop_target.indicator));
    return;
  }
  if (!shown.refusal.empty()) {
    fmt::print(out, "but it cannot go there: {}\n", shown.refusal);
    return;
  }
  const std::string move =
      fmt::format("{}={}:{}", tree.short_path(shown.dragged), tree.short_path(drop_target.parent), drop_target.place);
  fmt::print(out, "moves from {} to {}; same as --move {}\n",
             measured.solution.is_placed(shown.dragged) ? place_text(measured.solution.box(shown.dragged)) : "nowhere",
             shown.box ? place_text(*shown.box) : "nowhere", shell_word(move));
  if (shown.moves.empty()) {
    out << "\nno other node moves\n";
    return;
  }
  out << '\n';
  Table table({{"moves"}, {"to"}, {"from"}});
  for (const DropTargetShown::Move& one : shown.moves) {
    table.add({tree.short_path(one.node), one.now ? place_text(*one.now) : "gone",
               one.before ? place_text(*one.before) : "nowhere"});
  }
  table.print(out);
}

void write_drop_target(JsonWriter& json, const SolvedScene& measured, const DropTargetShown& shown) {
  const Tree& tree = measured.tree();
  json.begin_object("drop_target");
  json.number("x", shown.at.x);
  json.number("y", shown.at.y);
  if (shown.dragged) json.text("dragged", tree.path(shown.dragged));
  if (shown.drop_target) {
    json.text("parent", tree.path(shown.drop_target->parent));
    json.number("index", static_cast<double>(shown.drop_target->place));
    json.box("indicator", shown.drop_target->indicator);
  } else {
    json.null("parent");
  }
  if (!shown.refusal.empty()) json.text("refusal", shown.refusal);
  if (shown.dragged && shown.drop_target && shown.refusal.empty()) {
    json.box("box", shown.box);
    json.objects("moves", shown.moves, [&](const DropTargetShown::Move& one) {
      json.text("path", tree.path(one.node));
      json.box("before", one.before);
      json.box("now", one.now);
    });
  }
  json.end();
}

}  // namespace fond_ladder::inline v0
