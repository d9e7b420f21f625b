// SPDX-License-Identifier: MIT
//
// Where a node that is let go at a point would come to stand. The containers that are seen at the point are known from
// painting; in the innermost one, the present children, without the dragged node, decide between which two it goes.
#include <algorithm>
#include <limits>

#include "solve/answers/scrolled_view.hpp"
#include "solve/kinds/grid.hpp"
#include "solve/kinds/line_items.hpp"

namespace fond_ladder::inline v0 {
namespace {

using detail::Index;

double start(const Rect& box, Axis axis) {
  return axis == x_axis ? box.x : box.y;
}
double end(const Rect& box, Axis axis) {
  return start(box, axis) + box.size_on(axis);
}

/// From `at` to `to` on one axis and from `low` to `high` on the other.
Rect rect_on(Axis axis, double at, double to, double low, double high) {
  return axis == x_axis ? Rect{at, low, to - at, high - low} : Rect{low, at, high - low, to - at};
}

class Lander {
 public:
  Lander(const Solution& solution, NodeId carried)
      : solution_(solution), tree_(solution.tree()), carried_(carried), view_(tree_.store(), solution.passes().state) {}

  std::optional<Solution::DropTarget> land(double x, double y) {
    for (NodeId at : solution_.hit_test(x, y)) {
      if (is_carried(at)) continue;
      while (!is_container(solution_.kind(at))) at = tree_.parent(at);
      const Kind kind = solution_.kind(at);
      if (kind == Kind::grid) return in_grid(at);
      if (kind == Kind::stack) return Solution::DropTarget{at, last_place(at), content_box(at)};
      return in_line(at, kind == Kind::row ? x_axis : y_axis, x, y);
    }
    return {};
  }

 private:
  /// The carried node, and whatever goes with it.
  [[nodiscard]] bool is_carried(NodeId node) const {
    for (; carried_ && node; node = tree_.parent(node)) {
      if (node == carried_) return true;
    }
    return false;
  }

  /// A place among children, the carried one taken out.
  [[nodiscard]] std::size_t without_carried(NodeId parent, std::size_t place) const {
    const bool leaves = carried_ && tree_.parent(carried_) == parent && tree_.index_of(carried_) < place;
    return place - (leaves ? 1 : 0);
  }
  [[nodiscard]] std::size_t last_place(NodeId parent) const {
    return without_carried(parent, tree_.child_count(parent));
  }

  [[nodiscard]] Rect content_box(NodeId node) const {
    const Rect box = solution_.box(node);
    const Index i = tree_.store().index_of(node);
    return {box.x + view_.content_edges(i, x_axis).before, box.y + view_.content_edges(i, y_axis).before,
            view_.inner_size(i, x_axis), view_.inner_size(i, y_axis)};
  }

  [[nodiscard]] Solution::DropTarget in_line(NodeId container, Axis along, double x, double y) const {
    const Axis across = along == x_axis ? y_axis : x_axis;
    const double at_along = along == x_axis ? x : y, at_across = along == x_axis ? y : x;
    const bool backwards = detail::lays_backwards(view_, view_.traits(tree_.store().index_of(container)), along);
    std::vector<NodeId> nearest;
    double low = 0, high = 0, least = std::numeric_limits<double>::infinity();
    for (std::vector<NodeId>& line : solution_.laid_lines(container)) {
      std::erase(line, carried_);
      if (line.empty()) continue;
      double from = std::numeric_limits<double>::infinity(), to = -from;
      for (const NodeId child : line) {
        const Rect box = solution_.box(child);
        from = std::min(from, start(box, across));
        to = std::max(to, end(box, across));
      }
      const double away = std::max({0.0, from - at_across, at_across - to});
      if (away >= least) continue;
      least = away;
      nearest = std::move(line);
      low = from;
      high = to;
    }
    if (nearest.empty()) {
      const Rect space = content_box(container);
      const double edge = backwards ? end(space, along) : start(space, along);
      return {container, last_place(container), rect_on(along, edge, edge, start(space, across), end(space, across))};
    }
    const auto next = std::ranges::find_if(nearest, [&](NodeId child) {
      const Rect box = solution_.box(child);
      const double middle = (start(box, along) + end(box, along)) / 2;
      return backwards ? at_along > middle : at_along < middle;
    });
    const auto edge_of = [&](NodeId child, bool far) {
      return far != backwards ? end(solution_.box(child), along) : start(solution_.box(child), along);
    };
    const double edge = next == nearest.begin() ? edge_of(*next, false)
                        : next == nearest.end() ? edge_of(nearest.back(), true)
                                                : (edge_of(*(next - 1), true) + edge_of(*next, false)) / 2;
    const std::size_t place = next == nearest.end() ? tree_.index_of(nearest.back()) + 1 : tree_.index_of(*next);
    return {container, without_carried(container, place), rect_on(along, edge, edge, low, high)};
  }

  /// The cell that the carried node finds behind all others, or a new one of one track each way would.
  [[nodiscard]] detail::CellRange next_cell(NodeId grid) const {
    const Index i = tree_.store().index_of(grid),
                carried = carried_ ? tree_.store().index_of(carried_) : detail::no_index;
    std::vector<Index> listed;
    const detail::InFlow flow = view_.flow(i, listed);
    std::vector<Index> others;
    for (Index k = 0; k < flow.size(); ++k) {
      if (flow[k] != carried) others.push_back(flow[k]);
    }
    if (carried_) others.push_back(carried);
    detail::CellScratch scratch;
    const detail::InFlow all(0, static_cast<Index>(others.size()), others.data());
    const auto counts = detail::grid::place(view_, i, all, view_.inner_size(i, x_axis), scratch);
    if (carried_) return scratch.cells.back();

    const Keys keys = solution_.keys(grid);
    const Axis minor = keys.flow == Flow::rows ? x_axis : y_axis, major = minor == x_axis ? y_axis : x_axis;
    const std::size_t wide = std::max<std::size_t>(1, counts.on(minor));
    std::vector<bool> taken(wide * counts.on(major));
    std::size_t from = 0;
    for (std::size_t child = 0; child < others.size(); ++child) {
      const detail::CellRange& cell = scratch.cells[child];
      for (std::size_t line = cell.first(major); line < cell.first(major) + cell.count(major); ++line) {
        for (std::size_t k = cell.first(minor); k < cell.first(minor) + cell.count(minor); ++k) {
          taken[line * wide + k] = true;
        }
      }
      const bool finds_one = !view_.traits(others[child]).celled;
      if (!keys.dense && finds_one) from = cell.first(major) * wide + cell.first(minor);
    }
    while (from < taken.size() && taken[from]) ++from;
    const auto line = static_cast<std::uint16_t>(from / wide), k = static_cast<std::uint16_t>(from % wide);
    return minor == x_axis ? detail::CellRange{k, line, 1, 1} : detail::CellRange{line, k, 1, 1};
  }

  [[nodiscard]] Solution::DropTarget in_grid(NodeId grid) const {
    const Solution::GridTracks tracks = solution_.tracks(grid);
    const detail::CellRange cell = next_cell(grid);
    const Rect space = content_box(grid);
    const auto extent = [&](const std::vector<Solution::TrackBox>& all, Axis axis) {
      const double last = all.empty() ? start(space, axis) : all.back().at + all.back().size;
      double from = last, to = last;  // where a track that is not there yet would begin
      for (std::size_t i = cell.first(axis); i < cell.first(axis) + cell.count(axis) && i < all.size(); ++i) {
        from = i == cell.first(axis) ? all[i].at : std::min(from, all[i].at);
        to = i == cell.first(axis) ? all[i].at + all[i].size : std::max(to, all[i].at + all[i].size);
      }
      return detail::Sides{from, to};
    };
    const detail::Sides x = extent(tracks.columns, x_axis), y = extent(tracks.rows, y_axis);
    return {grid, last_place(grid), {x.before, y.before, x.after - x.before, y.after - y.before}};
  }

  const Solution& solution_;
  const Tree& tree_;
  NodeId carried_;
  detail::View view_;
};

}  // namespace

std::optional<Solution::DropTarget> Solution::drop_target(double x, double y, NodeId node) const {
  if (node) static_cast<void>(tree().store().index_of(node));
  return Lander(*this, node).land(x, y);
}

}  // namespace fond_ladder::inline v0
