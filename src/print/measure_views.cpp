// SPDX-License-Identifier: MIT
#include <fmt/format.h>
#include <fmt/ostream.h>

#include <map>

#include "model/number_text.hpp"
#include "print/measure.hpp"
#include "print/table.hpp"

namespace fond_ladder::inline v0 {
namespace {

std::vector<std::string> paths_of(const Tree& tree, const std::vector<NodeId>& nodes) {
  std::vector<std::string> paths;
  for (const NodeId node : nodes) paths.push_back(tree.path(node));
  return paths;
}

/// The children of one container, three ways.
struct Orders {
  NodeId container;
  std::vector<NodeId> file, laid, painted;
};

std::vector<Orders> all_orders(const SolvedScene& measured) {
  const Tree& tree = measured.tree();
  std::map<NodeId, std::vector<NodeId>> painted;
  for (const auto& one : measured.solution.painted()) {
    if (const NodeId parent = tree.parent(one.node)) painted[parent].push_back(one.node);
  }
  std::vector<Orders> all;
  for (const auto& placed : measured.solution.boxes()) {
    if (!is_container(measured.solution.kind(placed.node)) || tree.child_count(placed.node) < 2) continue;
    all.push_back(
        {placed.node, tree.children(placed.node), measured.solution.laid_order(placed.node), painted[placed.node]});
  }
  return all;
}

/// The direction on the screen in which a container lays its children.
std::string direction_of(const Scene& scene, const Keys& keys) {
  const bool rtl = scene.tree.direction() == Direction::rtl;
  if (keys.kind == Kind::row) return (keys.reverse != rtl) ? "right to left" : "left to right";
  if (keys.kind == Kind::column) return keys.reverse ? "bottom to top" : "top to bottom";
  return "stacked";
}

/// How a container arranges its children, in words; nothing of a leaf.
std::string way_of_laying(const SolvedScene& measured, NodeId node, const Keys& keys) {
  if (!is_container(keys.kind)) return "";
  std::string text = direction_of(measured.scene, keys);
  if (keys.kind == Kind::row || keys.kind == Kind::column) {
    if (keys.wrap) text += ", wrapping";
    text += fmt::format("; {} along, {} across", word(keys.along), word(keys.across));
  } else {
    const Across defaults = keys.kind == Kind::grid ? Across::stretch : Across::start;
    if (keys.kind == Kind::grid) {
      const auto tracks = measured.solution.tracks(node);
      text =
          fmt::format("in {} by {} cells, {}{}", tracks.columns.size(), tracks.rows.size(),
                      keys.flow == Flow::rows ? "row by row" : "column by column", keys.dense ? ", gaps filled" : "");
    }
    text += fmt::format("; {} horizontally, {} vertically", word(keys.place_items.x.value_or(defaults)),
                        word(keys.place_items.y.value_or(defaults)));
  }
  if (keys.scroll != Scroll::none)
    text += keys.scroll == Scroll::both ? "; scrolls" : fmt::format("; scrolls in {}", word(keys.scroll));
  return text;
}

}  // namespace

void print_hit_test(const SolvedScene& measured, const std::vector<Point>& points, std::ostream& out) {
  for (const Point& point : points) {
    const std::vector<std::string> paths = paths_of(measured.tree(), measured.solution.hit_test(point.x, point.y));
    fmt::print(out, "at {},{}: {}\n", exact(point.x), exact(point.y), paths.empty() ? "nothing" : paths.front());
    for (std::size_t i = 1; i < paths.size(); ++i) fmt::print(out, "  behind it: {}\n", paths[i]);
  }
}

void write_hit_test(JsonWriter& json, const SolvedScene& measured, const std::vector<Point>& points) {
  json.objects("hit_test", points, [&](const auto& point) {
    json.number("x", point.x);
    json.number("y", point.y);
    json.texts("nodes", paths_of(measured.tree(), measured.solution.hit_test(point.x, point.y)));
  });
}

void print_orders(const SolvedScene& measured, std::ostream& out) {
  Table table({{"container"}, {"order"}, {"children"}});
  const Tree& tree = measured.tree();
  const auto list = [&](const std::vector<NodeId>& nodes) {
    std::string names;
    for (const NodeId node : nodes) names += (names.empty() ? "" : " ") + tree.segment(node);
    return names;
  };
  for (const Orders& orders : all_orders(measured)) {
    table.add({tree.path(orders.container), "file", list(orders.file)});
    table.add({"", "laid", orders.laid == orders.file ? "the same" : list(orders.laid)});
    table.add({"", "painted", orders.painted == orders.file ? "the same" : list(orders.painted)});
  }
  table.print(out);
}

void write_orders(JsonWriter& json, const SolvedScene& measured) {
  const Tree& tree = measured.tree();
  json.objects("orders", all_orders(measured), [&](const auto& orders) {
    json.text("path", tree.path(orders.container));
    json.texts("file", paths_of(tree, orders.file));
    json.texts("layout", paths_of(tree, orders.laid));
    json.texts("paint", paths_of(tree, orders.painted));
  });
}

void print_outline(const SolvedScene& measured, std::ostream& out) {
  Table table({{"path"}, {"kind"}, {"lays out its children"}});
  for (const auto& placed : measured.solution.boxes()) {
    const Keys keys = measured.solution.keys(placed.node);
    table.add({indented(measured.tree().segment(placed.node), placed.depth), std::string(word(keys.kind)),
               way_of_laying(measured, placed.node, keys)});
  }
  table.print(out);
}

void write_outline(JsonWriter& json, const SolvedScene& measured) {
  json.objects("tree", measured.solution.boxes(), [&](const auto& placed) {
    const Keys keys = measured.solution.keys(placed.node);
    json.text("path", measured.tree().path(placed.node));
    json.text("kind", word(keys.kind));
    json.number("depth", placed.depth);
    json.text("layout", way_of_laying(measured, placed.node, keys));
  });
}

}  // namespace fond_ladder::inline v0
