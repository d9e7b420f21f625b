// SPDX-License-Identifier: MIT
#pragma once

// All measures of a node of a finished solve, written once for the numbers it may be counted in: in pixels they are
// what people read; in numbers in motion each of them also has how it goes on, and up to where.

#include <optional>

#include "fond_ladder/quantity.hpp"
#include "solve/answers/account.hpp"
#include "solve/answers/overhang.hpp"
#include "solve/answers/scrolled_view.hpp"
#include "solve/kinds/grid.hpp"
#include "verify/measure/sight.hpp"

namespace fond_ladder::inline v0::detail {

/// What follows from a box alone; none for other measures.
template <class AnyBox>
[[nodiscard]] auto measure_of_box(const AnyBox& box, Measure measure) {
  using N = std::remove_cvref_t<decltype(box.width)>;
  const auto found = [](const N& number) { return std::optional<N>(number); };
  switch (measure) {
    case Measure::width: return found(box.width);
    case Measure::height: return found(box.height);
    case Measure::left: return found(box.x);
    case Measure::right: return found(box.right());
    case Measure::top: return found(box.y);
    case Measure::bottom: return found(box.bottom());
    case Measure::middle_x: return found(box.x + box.width / 2);
    case Measure::middle_y: return found(box.y + box.height / 2);
    default: return std::optional<N>();
  }
}

/// The tracks of a grid on one axis, with their sizes.
template <Axis axis, class N>
[[nodiscard]] std::vector<SlotOf<N>> tracks_of(const ViewOf<N>& view, Index grid) {
  std::vector<Index> listed;
  GridScratchOf<N> scratch;
  const N inner = view.inner_size(grid, axis);
  grid::size_axis<axis, N>(view, grid, view.flow(grid, listed), Space::known, inner,
                           view.traits(grid).place_content(axis) == PlaceContent::stretch, scratch);
  grid::lay_tracks<axis, N>(view, grid, inner, scratch);
  return std::move(scratch.slots);
}

/// What is left along a row or column, of several lines in the fullest; in a grid beside its columns.
template <class N>
[[nodiscard]] N unused_space_of(const ViewOf<N>& view, Index node) {
  const Kind kind = view.traits(node).node_kind();
  if (kind == Kind::grid) {
    const auto columns = tracks_of<x_axis>(view, node);
    N rest = view.inner_size(node, x_axis);
    const N gap = view.gap_down(node, x_axis, rest);
    for (const auto& column : columns) rest -= column.size;
    return columns.empty() ? rest : rest - gap * static_cast<double>(columns.size() - 1);
  }
  if (kind != Kind::row && kind != Kind::column) return 0;
  N least = view.inner_size(node, kind == Kind::row ? x_axis : y_axis);
  for (const auto& line : line_accounts(view, node)) least = min_of(least, line.unused_space());
  return least;
}

/// What was seen of a solve at one size for one measure, and serves the next one.
template <class N>
struct SeenSoFar {
  LinesSeen<N> lines;
  SightOf<N> reachable{Scrollers::move};
  SightOf<N> in_view{Scrollers::stay};
};

/// A measure of a node that has a place. `seen` is of this solve.
template <class SomeView>
[[nodiscard]] typename SomeView::Number measure_of(const Finished<SomeView>& solve, Index node, Measure measure,
                                                   SeenSoFar<typename SomeView::Number>& seen) {
  using N = typename SomeView::Number;
  const SomeView& view = solve.view;
  const auto count = [](std::size_t number) { return N(static_cast<double>(number)); };
  const bool is_grid = view.traits(node).node_kind() == Kind::grid;
  switch (measure) {
    case Measure::width: return view.size(node, x_axis);
    case Measure::height: return view.size(node, y_axis);
    case Measure::content_width: return content_extent<N>(view, node, x_axis);
    case Measure::content_height: return content_extent<N>(view, node, y_axis);
    case Measure::baseline: return box_from_root(view, node).y + baseline_as_laid<N>(view, node);
    case Measure::lines: return line_count<N>(view, node);
    case Measure::line: return std::max(1, seen.lines.line_of(view, node));
    case Measure::columns: return is_grid ? count(tracks_of<x_axis, N>(view, node).size()) : N(0);
    case Measure::rows: return is_grid ? count(tracks_of<y_axis, N>(view, node).size()) : N(0);
    case Measure::per_line: {
      std::size_t most = 0;
      if (!is_container(view.traits(node).node_kind())) return 0;
      for (const auto& line : laid_lines<N>(view, node)) most = std::max(most, line.size());
      return count(most);
    }
    case Measure::unused_space: return unused_space_of<N>(view, node);
    case Measure::overhang: return max_of(overhang_of(view, node).most(), text_overhang_of(solve, node).most());
    case Measure::overhang_left: return max_of(overhang_of(view, node).left, text_overhang_of(solve, node).left);
    case Measure::overhang_right: return max_of(overhang_of(view, node).right, text_overhang_of(solve, node).right);
    case Measure::overhang_top: return max_of(overhang_of(view, node).top, text_overhang_of(solve, node).top);
    case Measure::overhang_bottom: return max_of(overhang_of(view, node).bottom, text_overhang_of(solve, node).bottom);
    case Measure::overflow_x: return overflow_of(view, node, x_axis);
    case Measure::overflow_y: return overflow_of(view, node, y_axis);
    case Measure::padding_overlap:
      return max_of(padding_overlap_of(view, node).most(), text_padding_overlap_of(solve, node).most());
    case Measure::reachable: return seen.reachable.is_seen(view, node) ? 1 : 0;
    case Measure::in_view: return seen.in_view.is_seen(view, node) ? 1 : 0;
    case Measure::max_overhang: return max_overhang_of(solve, node);
    default: return *measure_of_box(box_from_root(view, node), measure);
  }
}

/// A measure of a place, or whether a node is seen: what moves with scrolling.
template <class SomeView>
[[nodiscard]] std::optional<typename SomeView::Number> place_measured(const SomeView& view, Index node,
                                                                      Measure measure) {
  if (measure == Measure::in_view) {
    SightOf<typename SomeView::Number> sight(Scrollers::stay);
    return sight.is_seen(view, node) ? 1 : 0;
  }
  if (!has_place(view, node)) return {};
  const auto box = box_from_root(view, node);
  if (measure == Measure::baseline) return box.y + baseline_as_laid<typename SomeView::Number>(view, node);
  return measure_of_box(box, measure);
}

/// Whether a node without a place has a measure as well: that it is invisible.
[[nodiscard]] constexpr bool is_of_hidden_too(Measure measure) {
  return measure == Measure::reachable || measure == Measure::in_view;
}

/// A measure of any node: none without a place, but for whether it is seen.
template <class SomeView>
[[nodiscard]] std::optional<typename SomeView::Number> measured(const Finished<SomeView>& solve, Index node,
                                                                Measure measure,
                                                                SeenSoFar<typename SomeView::Number>& seen) {
  if (!is_of_hidden_too(measure) && !has_place(solve.view, node)) return {};
  return measure_of(solve, node, measure, seen);
}

/// The same of a quantity, which may count nodes.
template <class SomeView>
[[nodiscard]] std::optional<typename SomeView::Number> measured(const Finished<SomeView>& solve,
                                                                const Quantity& quantity,
                                                                SeenSoFar<typename SomeView::Number>& seen) {
  const auto index_of = [&](NodeId node) { return solve.store.index_of(node); };
  if (!quantity.scrolled.empty()) {
    using N = typename SomeView::Number;
    const ViewOf<N>& still = solve.view;
    return place_measured(ScrolledViewOf<N>(still, scroll_positions(still, solve.store, quantity.scrolled)),
                          index_of(quantity.node), quantity.measure);
  }
  if (quantity.measure == Measure::node_range) {
    const Index node = index_of(quantity.node);
    if (!has_place(solve.view, node)) return {};
    return solve.forms.own_holds(solve.store, node, quantity.range) ? 1.0 : 0.0;
  }
  if (quantity.measure != Measure::count) return measured(solve, index_of(quantity.node), quantity.measure, seen);
  const auto count =
      std::ranges::count_if(quantity.counted, [&](NodeId node) { return has_place(solve.view, index_of(node)); });
  return static_cast<double>(count);
}

/// As `value_of` (quantity.hpp), of one quantity after the other in one arrangement.
[[nodiscard]] std::optional<double> value_of(const Quantity& quantity, const Solution& solution,
                                             SeenSoFar<double>& seen);

}  // namespace fond_ladder::inline v0::detail
