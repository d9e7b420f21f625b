// SPDX-License-Identifier: MIT
#pragma once

// The lines of a row or column across its axis: which children are on which, how high (of a wrapping column: how
// wide) each is, and where its baseline is and where it begins. For the passes, and for questions afterwards. CSS
// Flexible Box Layout 1, sections 9.4 and 9.6.
//
// A row's lines are measured twice. Going up nothing that is a percentage of the row's height is known, and such sizes,
// limits, margins and padding count as the percentages rule says; going down they are known.

#include <span>
#include <vector>

#include "solve/kinds/cross.hpp"

namespace fond_ladder::inline v0::detail {

/// The height with which children count: all of their content, or only their minimum (sizes rule, least height).
enum class HeightBy : std::uint8_t { content, least };

template <class N>
[[nodiscard]] N content_height(const ViewOf<N>& view, Index node, HeightBy by) {
  return by == HeightBy::least ? view.least_height(node) : view.need(node);
}

/// How a child of a row or column is aligned across it: its own word, else the container's.
[[nodiscard]] inline Across alignment(const Traits& container, const Traits& child) {
  const auto align =
      static_cast<Across>(child.place_self_across != follows_parent ? child.place_self_across : container.across);
  return align == Across::baseline && container.node_kind() != Kind::row ? Across::start : align;
}
/// Whether a child of a row is aligned by its baseline.
template <class N>
[[nodiscard]] bool stands_on_baseline(const ViewOf<N>& view, const Traits& row, Index node) {
  if (alignment(row, view.traits(node)) != Across::baseline || view.traits(node).way(y_axis) == SizeWay::fill)
    return false;  // what fills begins at the start, as a stretched child does
  return any_child<y_axis>(view, node).auto_margins(false) == 0;
}

/// Whether a child begins a line of its own; marks of a container that lays no lines any more do not count.
template <class N>
[[nodiscard]] bool begins_line(const ViewOf<N>& view, const Traits& container, Index child) {
  const Kind kind = container.node_kind();
  return (kind == Kind::row || kind == Kind::column) && container.wrap && view.has(child, NodeFlag::starts_line);
}

/// Splits the flow of a container into its lines, none measured yet.
template <class N>
void split_lines(const ViewOf<N>& view, const Traits& container, const InFlow& flow, std::vector<LineOf<N>>& lines);

/// Measures the lines of a row going up, percentages of its height being unknown.
template <class N>
void measure_lines_up(const ViewOf<N>& view, const Traits& row, const InFlow& flow, HeightBy by,
                      std::span<LineOf<N>> lines);
/// Measures the lines of a row going down. The edges of its children are resolved against `whole`, its content height.
template <class N>
void measure_lines_down(const ViewOf<N>& view, const Traits& row, const InFlow& flow, N whole,
                        std::span<LineOf<N>> lines);
/// Measures the lines of a wrapping column by the widths of its children.
template <class N>
void measure_column_lines(const ViewOf<N>& view, const InFlow& flow, std::span<LineOf<N>> lines);

template <class N>
[[nodiscard]] N sum_of_lines(std::span<const LineOf<N>> lines, N gap);

/// Lets measured lines of a wrapping container share what space is left across them: their sizes and where they begin.
template <class N>
void spread_lines(const ViewOf<N>& view, Index container, Axis across, N inner, std::span<LineOf<N>> lines);

/// The lines of a wrapping row or column once more, from a finished solve.
template <class N>
[[nodiscard]] std::vector<LineOf<N>> lines_across(const ViewOf<N>& view, Index container);

}  // namespace fond_ladder::inline v0::detail
