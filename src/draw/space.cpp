// SPDX-License-Identifier: MIT
#include "draw/space.hpp"

#include <algorithm>

#include "draw/marks.hpp"

namespace fond_ladder::inline v0::picture {
namespace {

Rect inside(const Rect& box, const FourSides& edge) {
  return {box.x + edge.left, box.y + edge.top, std::max(0.0, box.width - edge.left - edge.right),
          std::max(0.0, box.height - edge.top - edge.bottom)};
}

/// A stretch on one axis.
struct Stretch {
  double from = 0, to = 0;
};

/// A rectangle by its stretches along and across a row or, with `upright`, a column.
Rect rectangle(Stretch along, Stretch across, bool upright) {
  if (upright) std::swap(along, across);
  return {along.from, across.from, along.to - along.from, across.to - across.from};
}

struct Parts {
  std::vector<Stretch> gaps, unused_space;
};

/// The parts between `filled` intervals, in order, from `whole.from` to `whole.to`.
Parts between(const std::vector<Stretch>& filled, Stretch whole, double gap) {
  Parts parts;
  const auto add = [](std::vector<Stretch>& list, double from, double to) {
    if (to > from) list.push_back({from, to});
  };
  double reached = whole.from;
  for (std::size_t i = 0; i < filled.size(); ++i) {
    const double by_gap = i == 0 ? reached : std::min(reached + gap, filled[i].from);
    add(parts.gaps, reached, by_gap);
    add(parts.unused_space, std::max(reached, by_gap), filled[i].from);
    reached = std::max(reached, filled[i].to);
  }
  add(parts.unused_space, reached, whole.to);
  return parts;
}

struct Outer {
  Stretch along, across;
};

Outer outer_of(const Solution& solution, NodeId child, bool upright) {
  const Rect box = solution.relative_box(child);
  const FourSides margin = solution.margin(child);
  const Stretch x{box.x - margin.left, box.right() + margin.right};
  const Stretch y{box.y - margin.top, box.bottom() + margin.bottom};
  return upright ? Outer{y, x} : Outer{x, y};
}

void split_line_container(const Solution& solution, NodeId node, const Keys& keys, const Rect& content, Space& space) {
  const bool upright = keys.kind == Kind::column;
  const Extent gap = solution.gap(node);
  const Stretch x{content.x, content.right()}, y{content.y, content.bottom()};
  const Stretch whole_along = upright ? y : x, whole_across = upright ? x : y;
  const auto by_place = [](Stretch a, Stretch b) { return a.from < b.from; };
  const auto add = [&](std::vector<Rect>& list, const Stretch& along, const Stretch& across) {
    list.push_back(rectangle(along, across, upright));
  };

  std::vector<Stretch> bands;
  for (const auto& line : solution.laid_lines(node)) {
    std::vector<Stretch> filled;
    Stretch band = whole_across;
    for (const NodeId child : line) {
      const Outer outer = outer_of(solution, child, upright);
      if (filled.empty() && keys.wrap) band = outer.across;
      if (keys.wrap) band = {std::min(band.from, outer.across.from), std::max(band.to, outer.across.to)};
      filled.push_back(outer.along);
    }
    std::ranges::sort(filled, by_place);
    const Parts parts = between(filled, whole_along, upright ? gap.height : gap.width);
    for (const Stretch& along : parts.gaps) add(space.gaps, along, band);
    for (const Stretch& along : parts.unused_space) add(space.unused_space, along, band);
    bands.push_back(band);
  }
  std::ranges::sort(bands, by_place);
  const Parts parts = between(bands, whole_across, upright ? gap.width : gap.height);
  for (const Stretch& across : parts.gaps) add(space.gaps, whole_along, across);
  for (const Stretch& across : parts.unused_space) add(space.unused_space, whole_along, across);
}

void split_grid(const Solution& solution, NodeId node, const Rect& content, Space& space) {
  const auto tracks = solution.tracks(node);
  const Rect corner = solution.box(node);
  const Extent gap = solution.gap(node);
  const auto stretches = [](const std::vector<Solution::TrackBox>& all, double origin) {
    std::vector<Stretch> filled;
    for (const auto& track : all) filled.push_back({track.at - origin, track.at + track.size - origin});
    std::ranges::sort(filled, [](Stretch a, Stretch b) { return a.from < b.from; });
    return filled;
  };
  const std::vector<Stretch> columns = stretches(tracks.columns, corner.x), rows = stretches(tracks.rows, corner.y);
  if (columns.empty() || rows.empty()) return;
  const Stretch x{columns.front().from, columns.back().to}, y{rows.front().from, rows.back().to};
  const Parts across = between(columns, {content.x, content.right()}, std::max(0.0, gap.width));
  const Parts down = between(rows, {content.y, content.bottom()}, std::max(0.0, gap.height));
  for (const Stretch& column : across.gaps) space.gaps.push_back(rectangle(column, y, false));
  for (const Stretch& row : down.gaps) space.gaps.push_back(rectangle(x, row, false));
  for (const Stretch& column : across.unused_space) {
    space.unused_space.push_back(rectangle(column, {content.y, content.bottom()}, false));
  }
  for (const Stretch& row : down.unused_space) space.unused_space.push_back(rectangle(x, row, false));
  for (const Stretch& column : columns) space.tracks.push_back(rectangle(column, y, false));
  for (const Stretch& row : rows) space.tracks.push_back(rectangle(x, row, false));
}

/// Of what scrolls, the padding behind the content is where the content ends, not where the view does.
std::vector<Rect> padding_of_scroller(const Solution& solution, NodeId node, const Keys& keys) {
  Rect whole = padding_box(solution, node), content = content_box(solution, node);
  const Extent extent = solution.content_size(node);
  const auto longer = [](double& size, double& inside, double by) { size += by, inside += by; };
  if (scrolls_y(keys.scroll)) longer(whole.height, content.height, std::max(0.0, extent.height - whole.height));
  if (scrolls_x(keys.scroll)) {
    const double by = std::max(0.0, extent.width - whole.width);
    longer(whole.width, content.width, by);
    const bool backwards = (solution.tree().direction() == Direction::rtl) != (keys.reverse && keys.kind == Kind::row);
    if (backwards) whole.x -= by, content.x -= by;
  }
  return beyond(whole, content);
}

}  // namespace

Rect padding_box(const Solution& solution, NodeId node) {
  const Rect box = solution.relative_box(node);
  const Keys keys = solution.keys(node);
  return inside({0, 0, box.width, box.height},
                keys.border_at == BorderAt::inside ? solution.border(node) : FourSides{});
}

Rect content_box(const Solution& solution, NodeId node) {
  return inside(padding_box(solution, node), solution.padding(node));
}

Space space_of(const Solution& solution, NodeId node) {
  Space space;
  const Keys keys = solution.keys(node);
  const Rect content = content_box(solution, node);
  space.padding = beyond(padding_box(solution, node), content);
  if (keys.scroll != Scroll::none) space.padding = padding_of_scroller(solution, node, keys);
  if (keys.kind == Kind::row || keys.kind == Kind::column) {
    split_line_container(solution, node, keys, content, space);
  }
  if (keys.kind == Kind::grid) split_grid(solution, node, content, space);
  return space;
}

}  // namespace fond_ladder::inline v0::picture
