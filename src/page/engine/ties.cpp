// SPDX-License-Identifier: MIT
#include "page/engine/ties.hpp"

#include <algorithm>
#include <cmath>
#include <sstream>

#include "model/number_text.hpp"
#include "print/json_writer.hpp"

namespace fond_ladder::page {
namespace {

constexpr auto side_names = words_of<PinSide>;
/// Those that a hand pulls from, and pulls to: on paper, left is left.
constexpr std::array<PinSide, 6> edges{PinSide::left, PinSide::right,  PinSide::middle_x,
                                       PinSide::top,  PinSide::bottom, PinSide::middle_y};

/// The position of an edge of a box on its axis.
double edge_of(const Rect& box, PinSide side, bool mirrored) {
  switch (side) {
    case PinSide::left: return box.x;
    case PinSide::right: return box.right();
    case PinSide::start: return mirrored ? box.right() : box.x;
    case PinSide::end: return mirrored ? box.x : box.right();
    case PinSide::top: return box.y;
    case PinSide::bottom: return box.bottom();
    case PinSide::middle_x: return box.x + box.width / 2;
    case PinSide::middle_y: return box.y + box.height / 2;
  }
  return 0;
}

using picture::Point;

/// The middle of an edge.
Point middle_of(const Rect& box, PinSide side, bool mirrored) {
  const double at = edge_of(box, side, mirrored);
  return axis_of(side) == x_axis ? Point{at, box.y + box.height / 2} : Point{box.x + box.width / 2, at};
}

/// How far a point is from an edge of a box.
double distance(const Rect& box, PinSide side, double x, double y) {
  const double at = edge_of(box, side, false);
  const auto outside = [](double value, double from, double to) { return std::max({from - value, 0.0, value - to}); };
  return axis_of(side) == x_axis ? std::hypot(x - at, outside(y, box.y, box.bottom()))
                                 : std::hypot(y - at, outside(x, box.x, box.right()));
}

std::string word_of(PinSide side) {
  return std::string(side_names[static_cast<std::size_t>(side)]);
}

/// `photo.right + 12`
std::string tied_to(const std::string& step, PinSide edge, double plus) {
  constexpr double fine = 100;
  const double rounded = std::round(plus * fine) / fine;
  return step + "." + word_of(edge) + (rounded == 0 ? "" : (rounded < 0 ? " - " : " + ") + exact(std::abs(rounded)));
}

/// An edge of a sibling.
struct Edge {
  NodeId of;
  PinSide side{};
};
/// Those that a side of a node can be tied to, in the order of the file.
std::vector<Edge> edges_for(const ShownScene& shown, NodeId node, PinSide side) {
  std::vector<Edge> all;
  for (const NodeId sibling : shown.tree().children(shown.tree().parent(node))) {
    if (sibling == node || !shown.solution().is_placed(sibling)) continue;
    for (const PinSide one : edges) {
      if (axis_of(one) == axis_of(side)) all.push_back({sibling, one});
    }
  }
  return all;
}

/// What ties a side to an edge with the distance that there is, and how that is tried.
void write_tie(JsonWriter& json, const ShownScene& shown, NodeId node, PinSide side, const Edge& edge) {
  const Solution& solution = shown.solution();
  const double plus = edge_of(solution.box(node), side, false) - edge_of(solution.box(edge.of), edge.side, false);
  const std::string words = tied_to(shown.tree().segment(edge.of), edge.side, plus);
  json.text("words", words);
  json.text("tried", shown.tree().path(node) + ".pin." + word_of(side) + "=" + words);
}

}  // namespace

std::string ties(const ShownScene& shown, NodeId node) {
  const Solution& solution = shown.solution();
  const Tree& tree = shown.tree();
  std::ostringstream out;
  JsonWriter json(out);
  json.begin_object();
  const bool pinned = solution.is_placed(node) && solution.keys(node).pin.has_value();
  const Pin pin = pinned ? *solution.keys(node).pin : Pin();
  const Rect box = solution.painted_box(node);
  const bool mirrored = tree.direction() == Direction::rtl;
  std::vector<std::pair<Point, Point>> lines;
  for (const Ties::SideTie& one : pin.ties) {
    NodeId to = one.tie.node;
    for (const NodeId sibling : tree.children(tree.parent(node))) {
      if (!to && tree.segment(sibling) == one.tie.to) to = sibling;
    }
    if (to && solution.is_placed(to))
      lines.emplace_back(middle_of(box, one.side, mirrored),
                         middle_of(solution.painted_box(to), one.tie.edge, mirrored));
  }
  json.objects("lines", lines, [&](const std::pair<Point, Point>& line) {
    json.number("x", line.first.x);
    json.number("y", line.first.y);
    json.number("to_x", line.second.x);
    json.number("to_y", line.second.y);
  });
  std::vector<PinSide> sides;
  if (pinned)
    std::ranges::copy_if(edges, std::back_inserter(sides),
                         [](PinSide side) { return side != PinSide::middle_x && side != PinSide::middle_y; });
  json.objects("sides", sides, [&](PinSide side) {
    const Point at = middle_of(box, side, mirrored);
    json.text("side", word_of(side));
    json.number("number", static_cast<double>(side));
    json.number("x", at.x);
    json.number("y", at.y);
  });
  json.end();
  return out.str();
}

std::string tie(const ShownScene& shown, NodeId node, PinSide side, double x, double y) {
  constexpr double near = 24;
  const std::vector<Edge> all = edges_for(shown, node, side);
  const auto away = [&](const Edge& edge) { return distance(shown.solution().painted_box(edge.of), edge.side, x, y); };
  const auto nearest = std::ranges::min_element(all, {}, away);
  if (nearest == all.end() || away(*nearest) >= near) return "null";
  const Point at = middle_of(shown.solution().painted_box(nearest->of), nearest->side, false);
  std::ostringstream out;
  JsonWriter json(out);
  json.begin_object();
  write_tie(json, shown, node, side, *nearest);
  json.number("x", at.x);
  json.number("y", at.y);
  json.end();
  return out.str();
}

std::string possible_ties(const ShownScene& shown, NodeId node, PinSide side) {
  std::ostringstream out;
  JsonWriter json(out);
  json.begin_object();
  json.objects("ties", edges_for(shown, node, side),
               [&](const Edge& edge) { write_tie(json, shown, node, side, edge); });
  json.end();
  return out.str();
}

}  // namespace fond_ladder::page
