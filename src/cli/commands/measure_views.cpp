// SPDX-License-Identifier: MIT
#include "cli/commands/measure_views.hpp"

#include <fmt/format.h>
#include <fmt/ostream.h>

#include <algorithm>
#include <map>
#include <ostream>

#include "cli/output.hpp"
#include "cli/sizes.hpp"
#include "print/table.hpp"

namespace fond_ladder::cli {
namespace {

/// The head and the tail of a JSON answer, the list in between being `name`.
void print_json_list(const Scene& scene, const Solution& solution, std::string_view name,
                     const std::vector<std::string>& items, std::ostream& out) {
  const Extent at = solution.container();
  fmt::print(out, "{{\"scene\": {}, \"at\": {{\"width\": {}, \"height\": {}}},\n \"{}\": [\n  {}]}}",
             json_text(scene.title), exact(at.width), exact(at.height), name, fmt::join(items, ",\n  "));
}

std::string json_list(const std::vector<std::string>& texts) {
  std::vector<std::string> quoted;
  for (const std::string& text : texts) quoted.push_back(json_text(text));
  return fmt::format("[{}]", fmt::join(quoted, ", "));
}

Pair parse_point(const std::string& text) {
  const std::vector<std::string> items = split_list(text);
  const std::string message = fmt::format("--under {}: write X,Y in pixels, as in 120,40", text);
  if (items.size() != 2) throw WrongCall(message);
  return {parse_coordinate(items[0], message), parse_coordinate(items[1], message)};
}

/// The children of one container, three ways.
struct Orders {
  NodeId container;
  std::vector<NodeId> file, laid, painted;
};

std::vector<Orders> all_orders(const Scene& scene, const Solution& solution) {
  const Tree& tree = scene.tree;
  std::map<NodeId, std::vector<NodeId>> painted;
  for (const auto& one : solution.painted()) {
    if (const NodeId parent = tree.parent(one.node)) painted[parent].push_back(one.node);
  }
  std::vector<Orders> all;
  for (const auto& placed : solution.boxes()) {
    if (!is_container(tree.kind(placed.node)) || tree.child_count(placed.node) < 2) continue;
    all.push_back({placed.node, tree.children(placed.node), solution.laid_order(placed.node), painted[placed.node]});
  }
  return all;
}

/// The direction on the screen in which a container lays its children.
std::string direction_of(const Scene& scene, const Keys& keys) {
  const bool rtl = scene.tree.direction() == Direction::rtl;
  if (keys.kind == Kind::row) return (keys.reverse != rtl) ? "right to left" : "left to right";
  if (keys.kind == Kind::column) return keys.reverse ? "bottom to top" : "top to bottom";
  return "over one another";
}

std::string arrangement_of(const Scene& scene, const Solution& solution, NodeId node, const Keys& keys) {
  if (!is_container(keys.kind)) return "";
  std::string text = direction_of(scene, keys);
  if (keys.kind == Kind::row || keys.kind == Kind::column) {
    if (keys.wrap) text += ", wrapping";
    text += fmt::format("; {} along, {} across", word(keys.along), word(keys.across));
  } else {
    const Across unsaid = keys.kind == Kind::grid ? Across::stretch : Across::start;
    if (keys.kind == Kind::grid) {
      const auto tracks = solution.tracks(node);
      text =
          fmt::format("in {} by {} cells, {}{}", tracks.columns.size(), tracks.rows.size(),
                      keys.flow == Flow::rows ? "row by row" : "column by column", keys.dense ? ", holes filled" : "");
    }
    text += fmt::format("; {} sideways, {} up and down", word(keys.align.x.value_or(unsaid)),
                        word(keys.align.y.value_or(unsaid)));
  }
  if (keys.scroll != Scroll::none)
    text += keys.scroll == Scroll::both ? "; scrolls" : fmt::format("; scrolls in {}", word(keys.scroll));
  return text;
}

}  // namespace

void print_under(const Scene& scene, const Solution& solution, const MeasureOptions& options, std::ostream& out) {
  std::vector<std::string> items;
  for (const std::string& text : options.under) {
    const Pair point = parse_point(text);
    const std::vector<NodeId> hit = solution.under(point.x, point.y);
    std::vector<std::string> paths;
    for (const NodeId node : hit) paths.push_back(scene.tree.path(node));
    if (options.format == Format::json) {
      items.push_back(
          fmt::format("{{\"x\": {}, \"y\": {}, \"nodes\": {}}}", exact(point.x), exact(point.y), json_list(paths)));
      continue;
    }
    fmt::print(out, "under {},{}: {}\n", exact(point.x), exact(point.y), paths.empty() ? "nothing" : paths.front());
    for (std::size_t i = 1; i < paths.size(); ++i) fmt::print(out, "  behind it: {}\n", paths[i]);
  }
  if (options.format == Format::json) print_json_list(scene, solution, "under", items, out);
}

void print_orders(const Scene& scene, const Solution& solution, const MeasureOptions& options, std::ostream& out) {
  std::vector<std::string> items;
  Table table({{"container"}, {"order"}, {"children"}});
  const Tree& tree = scene.tree;
  for (const Orders& orders : all_orders(scene, solution)) {
    if (options.format == Format::json) {
      const auto paths = [&](const std::vector<NodeId>& nodes) {
        std::vector<std::string> all;
        for (const NodeId node : nodes) all.push_back(tree.path(node));
        return json_list(all);
      };
      items.push_back(fmt::format("{{\"path\": {}, \"file\": {}, \"laid\": {}, \"painted\": {}}}",
                                  json_text(tree.path(orders.container)), paths(orders.file), paths(orders.laid),
                                  paths(orders.painted)));
      continue;
    }
    const auto list = [&](const std::vector<NodeId>& nodes) {
      std::string names;
      for (const NodeId node : nodes) names += (names.empty() ? "" : " ") + tree.step(node);
      return names;
    };
    table.add({tree.path(orders.container), "file", list(orders.file)});
    table.add({"", "laid", orders.laid == orders.file ? "the same" : list(orders.laid)});
    table.add({"", "painted", orders.painted == orders.file ? "the same" : list(orders.painted)});
  }
  if (options.format == Format::json) return print_json_list(scene, solution, "orders", items, out);
  table.print(out);
}

void print_outline(const Scene& scene, const Solution& solution, const MeasureOptions& options, std::ostream& out) {
  std::vector<std::string> items;
  Table table({{"path"}, {"kind"}, {"lays its children"}});
  for (const auto& placed : solution.boxes()) {
    const Keys keys = solution.tree().keys(placed.node);
    const std::string how = arrangement_of(scene, solution, placed.node, keys);
    if (options.format == Format::json) {
      items.push_back(fmt::format("{{\"path\": {}, \"kind\": \"{}\", \"depth\": {}, \"lays\": {}}}",
                                  json_text(scene.tree.path(placed.node)), word(keys.kind), placed.depth,
                                  json_text(how)));
      continue;
    }
    table.add({indented(scene.tree.step(placed.node), placed.depth), std::string(word(keys.kind)), how});
  }
  if (options.format == Format::json) return print_json_list(scene, solution, "outline", items, out);
  table.print(out);
}

void print_tracks(const Scene& scene, const Solution& solution, std::ostream& out) {
  Table table({{"tracks"}, {"at", Table::Align::numbers}, {"size", Table::Align::numbers}, {"set by"}});
  bool any = false;
  for (const auto& placed : solution.boxes()) {
    if (solution.tree().kind(placed.node) != Kind::grid) continue;
    any = true;
    table.add({scene.tree.path(placed.node)});
    const auto tracks = solution.tracks(placed.node);
    const auto add = [&](const char* what, const std::vector<Solution::TrackBox>& all) {
      for (std::size_t i = 0; i < all.size(); ++i) {
        table.add({fmt::format("  {} {}", what, i), rounded(all[i].at), rounded(all[i].size),
                   all[i].set_by ? scene.tree.step(all[i].set_by) : ""});
      }
    };
    add("column", tracks.columns);
    add("row", tracks.rows);
  }
  if (!any) return;
  out << '\n';
  table.print(out);
}

std::string json_tracks(const Scene& scene, const Solution& solution, NodeId grid) {
  const auto list = [&](const std::vector<Solution::TrackBox>& tracks) {
    std::vector<std::string> items;
    for (const auto& track : tracks) {
      const std::string set_by =
          track.set_by ? fmt::format(", \"set_by\": {}", json_text(scene.tree.path(track.set_by))) : "";
      items.push_back(fmt::format("{{\"at\": {}, \"size\": {}{}}}", exact(track.at), exact(track.size), set_by));
    }
    return fmt::format("[{}]", fmt::join(items, ", "));
  };
  const auto tracks = solution.tracks(grid);
  return fmt::format("{{\"columns\": {},\n              \"rows\": {}}}", list(tracks.columns), list(tracks.rows));
}

}  // namespace fond_ladder::cli
