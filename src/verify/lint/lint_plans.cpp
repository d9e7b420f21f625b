// SPDX-License-Identifier: MIT
//
// Plans that do not work out: areas that no child uses, edges without a middle, gaps beside nothing, shares
// that leave no space for the gap.
#include <algorithm>
#include <cmath>

#include "model/area_map.hpp"
#include "model/number_text.hpp"
#include "verify/lint/lint_sight.hpp"

namespace fond_ladder::inline v0 {
namespace {

bool is_in_flow(const SeenNode& one) {
  return one.placed && !one.keys().pin;
}

// --- maps ----------------------------------------------------------------------------------------------------------

void look_at_map(const Seen& seen, const SeenNode& grid, Sightings& sightings) {
  if (grid.keys().kind != Kind::grid || grid.keys().areas.empty()) return;
  std::vector<std::string> taken;
  seen.for_each_child(grid, [&](const SeenNode& child) {
    if (!is_in_flow(child)) return;
    taken.push_back(child.keys().area);
    if (!child.keys().area.empty() || child.keys().cell) return;
    sightings.see(LintRule::no_area, child.node, "area", [&] {
      return Reason{"its grid " + seen.name(grid.node) +
                        " has named areas and this child names none, so it goes into the next free cell",
                    "set its area, or its cell if that is intended"};
    });
  });
  const AreaMap map(grid.keys().areas);
  for (const Area& area : map.areas()) {
    if (std::ranges::find(taken, area.name) != taken.end()) continue;
    sightings.see(LintRule::empty_area, grid.node, "areas." + std::string(area.name), [&] {
      return Reason{"no child is in the area \"" + std::string(area.name) + "\"",
                    "give a child this area, or remove it from the map"};
    });
  }
}

/// Tracks that are as large as what is in them, and hold nothing: the gap beside them stays.
void look_at_idle_tracks(const Seen& seen, const SeenNode& grid, Sightings& sightings) {
  if (grid.keys().kind != Kind::grid || grid.is_empty) return;
  const Extent gap = seen.solution->gap(grid.node);
  if (gap.width <= 0 && gap.height <= 0) return;
  const auto tracks = seen.solution->tracks(grid.node);
  const auto look = [&](const std::vector<Solution::TrackBox>& all, double space, const char* key, const char* one) {
    if (space <= 0 || all.size() < 2) return;
    for (std::size_t i = 0; i < all.size(); ++i) {
      if (all[i].unstretched >= fit_tolerance || all[i].set_by || all[i].share > 0) continue;
      sightings.see(LintRule::empty_track_gap, grid.node, key, [&] {
        return Reason{
            std::string(one) + " " + std::to_string(i) + " is empty but still costs a gap of " + rounded(space),
            "remove the empty track, or use margins instead of the gap"};
      });
      return;
    }
  };
  look(tracks.columns, gap.width, "columns", "column");
  look(tracks.rows, gap.height, "rows", "row");
}

// --- edges and middle ----------------------------------------------------------------------------------------------

bool is_fixed(const Keys& keys, Axis axis) {
  const Sizing& size = keys.size_on(axis);
  return size.way() == Sizing::Way::by_length && !size.length().is_percent() && !keys.weight && keys.grow <= 0 &&
         keys.basis == Sizing();
}

bool has_automatic_margin(const Edges& margin) {
  for (std::size_t side = 0; side < side_words.size(); ++side) {
    const auto edge = margin.given(static_cast<Side>(side));
    if (edge && edge->is_automatic()) return true;
  }
  return false;
}

/// Strips at the edges and something between, all with sizes of their own: the unused space belongs to no child.
void look_for_middle(const Seen& seen, const SeenNode& one, Sightings& sightings) {
  const Keys& keys = one.keys();
  if ((keys.kind != Kind::row && keys.kind != Kind::column) || keys.wrap || keys.equal_sizes ||
      keys.along != Along::start)
    return;
  const Axis axis = keys.kind == Kind::row ? x_axis : y_axis;
  if (axis == x_axis ? scrolls_x(keys.scroll) : scrolls_y(keys.scroll)) return;
  double end = 0;
  std::vector<const SeenNode*> children;
  bool all_fixed = true;
  seen.for_each_child(one, [&](const SeenNode& child) {
    if (child.keys().pin) return;
    all_fixed = all_fixed && is_fixed(child.keys(), axis) && !has_automatic_margin(child.keys().margin);
    const Rect& box = child.box;
    end = std::max(end, axis == x_axis ? box.right() : box.bottom());
    children.push_back(&child);
  });
  if (!all_fixed || children.size() < 3) return;
  const double edge = std::max(children.front()->box.size_on(axis), children.back()->box.size_on(axis));
  const auto is_middle = [&](const SeenNode* child) {  // something that holds things, or far larger than the edges
    const double size = child->box.size_on(axis);
    return is_container(child->keys().kind) && !child->is_empty ? size > edge : seen.is_root(one) && size > 2 * edge;
  };
  if (std::none_of(children.begin() + 1, children.end() - 1, is_middle)) return;
  const FourSides padding = seen.solution->padding(one.node);
  const double unused_space =
      (axis == x_axis ? one.box.right() - padding.right : one.box.bottom() - padding.bottom) - end;
  if (unused_space <= fit_tolerance) return;
  const std::string side = axis == x_axis ? "right" : "bottom", key = side_word(axis);
  sightings.see(
      LintRule::nothing_grows, one.node, "",
      [&] {
        return Reason{"every child has a fixed " + key + ", so space is left at the " + side + ": " +
                          rounded(unused_space) + " at least",
                      "give the middle child a weight instead of a " + key};
      },
      -unused_space);
}

// --- shares and gaps -----------------------------------------------------------------------------------------------

/// The size of a child along the row in percent; none if it is given otherwise.
std::optional<double> percent_along(const Keys& keys, Axis axis) {
  const auto of = [](const Sizing& size) -> std::optional<double> {
    if (size.way() != Sizing::Way::by_length || !size.length().is_percent()) return {};
    return size.length().amount();
  };
  if (const auto basis = of(keys.basis)) return basis;
  if (const auto size = of(keys.size_on(axis))) return size;
  const Limit& least = keys.least_on(axis);
  return least && least->is_percent() ? std::optional(least->amount()) : std::nullopt;
}

/// Shares that would fill a line exactly, but for the gap: they break at every width.
void look_at_shares(const Seen& seen, const SeenNode& one, Sightings& sightings) {
  if (!one.keys().wrap || (one.keys().kind != Kind::row && one.keys().kind != Kind::column)) return;
  const Axis axis = one.keys().kind == Kind::row ? x_axis : y_axis;
  const double gap = seen.solution->gap(one.node).on(axis);
  if (gap <= 0) return;
  const auto lines = seen.solution->laid_lines(one.node);
  for (std::size_t i = 0; i + 1 < lines.size(); ++i) {
    double sum = 0;
    bool all = true;
    std::string words;
    std::vector<NodeId> joined = lines[i];
    joined.push_back(lines[i + 1].front());
    for (const NodeId node : joined) {
      const auto percent = percent_along(seen.solution->keys(node), axis);
      all = all && percent.has_value();
      sum += percent.value_or(0);
      if (percent) words += (words.empty() ? "" : " + ") + rounded(*percent) + " %";
    }
    if (!all || sum < 99 || sum > 100 + 1e-6) continue;
    sightings.see(LintRule::gap_forces_wrap, one.node, "gap", [&] {
      return Reason{words + " leave no space for the gap of " + rounded(gap) + ", so they never share a line",
                    "use weights or a grid, which subtract the gap first, or use less than " +
                        rounded(100 / static_cast<double>(joined.size())) + " %"};
    });
    return;
  }
}

}  // namespace

void look_at_plans(const Seen& seen, Sightings& sightings) {
  for (const SeenNode& one : seen.nodes) {
    if (!one.placed || !is_container(one.keys().kind)) continue;
    look_at_map(seen, one, sightings);
    look_at_idle_tracks(seen, one, sightings);
    look_for_middle(seen, one, sightings);
    look_at_shares(seen, one, sightings);
  }
}

}  // namespace fond_ladder::inline v0
