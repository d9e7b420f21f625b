// SPDX-License-Identifier: MIT
#include "print/issues.hpp"
#include "print/measure.hpp"
#include "print/sides.hpp"

namespace fond_ladder::inline v0 {
namespace {

void write_tracks(JsonWriter& json, const SolvedScene& measured, NodeId grid) {
  const auto tracks = measured.solution.tracks(grid);
  const auto list = [&](std::string_view key, const std::vector<Solution::TrackBox>& all) {
    json.begin_list(key);
    for (const auto& track : all) {
      json.begin_object();
      json.number("at", track.at);
      json.number("size", track.size);
      if (track.set_by) json.text("set_by", measured.tree().path(track.set_by));
      json.end();
    }
    json.end();
  };
  json.begin_object("tracks");
  list("columns", tracks.columns);
  list("rows", tracks.rows);
  json.end();
}

/// Parts of the parent's content box; null along a side that has no length.
void write_share(JsonWriter& json, const SolvedScene& measured, const Solution::NodeBox& placed) {
  const NodeId parent = measured.tree().parent(placed.node);
  if (!parent) return;
  const Extent space = measured.solution.content_box_size(parent);
  const auto share = [](double size, double of) { return of > 0 ? std::optional(size / of) : std::nullopt; };
  json.begin_object("parent_share");
  json.number("width", share(placed.box.width, space.width));
  json.number("height", share(placed.box.height, space.height));
  json.end();
}

/// What overhangs and what runs into padding, by side; and whether that is meant.
void write_overhang(JsonWriter& json, const Solution& solution, NodeId node) {
  const FourSides overhang = solution.full_overhang(node), into = solution.full_padding_overlap(node);
  if (!overhang.any() && !into.any()) return;
  const Allowed allow = solution.keys(node).allow;
  if (overhang.any()) write_sides(json, "overhang", overhang);
  if (into.any()) write_sides(json, "padding_overlap", into);
  if ((overhang.any() && allow.overhang()) || (!overhang.any() && allow.has(LintRule::overlaps_padding)))
    json.truth("allow", true);
}

}  // namespace

void write_boxes(JsonWriter& json, const SolvedScene& measured, const std::vector<Solution::NodeBox>& boxes) {
  const Solution& solution = measured.solution;
  const Tree& tree = measured.tree();
  std::map<NodeId, std::vector<Issue>> of_node;
  for (const Issue& one : issues(measured.scene, solution)) of_node[one.node].push_back(one);
  json.objects("nodes", boxes, [&](const auto& placed) {
    json.text("path", tree.path(placed.node));
    json.text("kind", word(solution.kind(placed.node)));
    if (const auto active = solution.node_ranges(placed.node); !active.empty()) json.texts("active", active);
    json.number("x", placed.box.x);
    json.number("y", placed.box.y);
    json.number("width", placed.box.width);
    json.number("height", placed.box.height);
    json.extent("preferred", solution.preferred_size(placed.node));
    write_share(json, measured, placed);
    write_overhang(json, solution, placed.node);
    write_issues(json, tree, of_node[placed.node]);
    if (solution.kind(placed.node) == Kind::grid) write_tracks(json, measured, placed.node);
  });
  json.objects("scrollers", scrolling(solution, boxes), [&](const auto& placed) {
    json.text("path", tree.path(placed.node));
    json.extent("content", solution.content_size(placed.node));
    json.extent("scroll_range", solution.scroll_range(placed.node));
  });
  const std::vector<Solution::PartOfList> lists = solution.estimated_lists();
  if (lists.empty()) return;
  json.objects("estimated", lists, [&](const Solution::PartOfList& part) {
    json.text("path", tree.path(part.list));
    json.number(part.axis == x_axis ? "width" : "height", part.length);
    json.number("from", part.arranged);
    json.number("entries", part.entries);
  });
}

}  // namespace fond_ladder::inline v0
