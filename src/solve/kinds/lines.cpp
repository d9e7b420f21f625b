// SPDX-License-Identifier: MIT
#include "solve/kinds/lines.hpp"

#include <limits>

#include "solve/kinds/line_items.hpp"
#include "solve/numbers/traced_number.hpp"
#include "solve/sharing/spread.hpp"

namespace fond_ladder::inline v0::detail {
namespace {

/// A child as it counts across its line: its outer size, and the distance from its start to its baseline.
template <class N>
struct Standing {
  N outer = 0, ascent = 0;
};

/// The line is as high as its tallest child, or as its baseline children are above and below the baseline together.
/// Both are signed: a baseline may lie outside its box, and then takes no space.
template <class N, class StandingOf>
void measure(const ViewOf<N>& view, const Traits& row, const InFlow& flow, LineOf<N>& line,
             const StandingOf& standing_of) {
  constexpr double nobody = -std::numeric_limits<double>::infinity();
  N ascent = nobody, descent = nobody;
  bool anybody = false;
  for (Index i = line.first; i < line.first + line.count; ++i) {
    const bool on_baseline = row.stands_on_base && stands_on_baseline(view, row, flow[i]);
    const Standing<N> child = standing_of(flow[i], on_baseline);
    line.size = max_of(line.size, child.outer);
    if (!on_baseline) continue;
    anybody = true;
    ascent = max_of(ascent, child.ascent);
    descent = max_of(descent, child.outer - child.ascent);
  }
  if (!anybody) return;
  line.ascent = ascent;
  line.size = max_of(line.size, ascent + descent);
}

}  // namespace

template <class N>
void split_lines(const ViewOf<N>& view, const Traits& container, const InFlow& flow, std::vector<LineOf<N>>& lines) {
  lines.clear();
  if (!container.wrap) {
    if (flow.size() > 0) lines.push_back({0, flow.size(), 0, 0, 0});
    return;
  }
  for (Index i = 0; i < flow.size(); ++i) {
    if (i == 0 || begins_line(view, container, flow[i])) lines.push_back({i, 0, 0, 0, 0});
    ++lines.back().count;
  }
}

template <class N>
void measure_lines_up(const ViewOf<N>& view, const Traits& row, const InFlow& flow, HeightBy by,
                      std::span<LineOf<N>> lines) {
  for (LineOf<N>& line : lines) {
    measure(view, row, flow, line, [&](Index node, bool on_baseline) {
      const N outer = with_child<y_axis>(
          view, node, [&](const auto& child) { return outer_across_up(child, content_height(view, node, by)); });
      if (!on_baseline) return Standing<N>{outer, 0};
      return Standing<N>{outer, view.edges_up(node).margin[y_axis].before + first_baseline(view, node)};
    });
  }
}

template <class N>
void measure_lines_down(const ViewOf<N>& view, const Traits& row, const InFlow& flow, N whole,
                        std::span<LineOf<N>> lines) {
  for (LineOf<N>& line : lines) {
    measure(view, row, flow, line, [&](Index node, bool on_baseline) {
      const N outer =
          with_child<y_axis>(view, node, [&](const auto& child) { return outer_across_down(view, child, whole); });
      if (!on_baseline) return Standing<N>{outer, 0};
      return Standing<N>{outer, view.edges_down(node).margin[y_axis].before + first_baseline_down(view, node)};
    });
  }
}

template <class N>
void measure_column_lines(const ViewOf<N>& view, const InFlow& flow, std::span<LineOf<N>> lines) {
  for (LineOf<N>& line : lines) {
    for (Index i = line.first; i < line.first + line.count; ++i) {
      const auto child = any_child<x_axis>(view, flow[i]);
      const N outer = child.margin_down(false).sum() + view.size(flow[i], x_axis) * child.counted_scale();
      line.size = max_of(line.size, outer);
    }
  }
}

template <class N>
N sum_of_lines(std::span<const LineOf<N>> lines, N gap) {
  N sum = lines.empty() ? N(0) : gap * static_cast<double>(lines.size() - 1);
  for (const LineOf<N>& line : lines) sum += line.size;
  return sum;
}

template <class N>
void spread_lines(const ViewOf<N>& view, Index container, Axis across, N inner, std::span<LineOf<N>> lines) {
  if (lines.empty()) return;
  const Traits own = view.traits(container);
  const N gap = view.gap_down(container, across, inner);
  const N unused_space = inner - sum_of_lines<N>(lines, gap);
  const PlaceContent rest = own.place_content(across);
  const SpreadOf<N> spread_by = spread(rest, unused_space, lines.size(), own.scrolls(across));
  const N growth =
      rest == PlaceContent::stretch && unused_space > 0 ? unused_space / static_cast<double>(lines.size()) : N(0);
  N at = spread_by.before;
  for (LineOf<N>& line : lines) {
    line.size += growth;
    line.at = at;
    at += line.size + gap + spread_by.between;
  }
}

template <class N>
std::vector<LineOf<N>> lines_across(const ViewOf<N>& view, Index container) {
  const Traits own = view.traits(container);
  const Axis across = is_row(own) ? y_axis : x_axis;
  const N whole = view.inner_size(container, across);
  std::vector<Index> listed;
  const InFlow flow = view.flow(container, listed);
  std::vector<LineOf<N>> lines;
  split_lines(view, own, flow, lines);
  is_row(own) ? measure_lines_down<N>(view, own, flow, whole, lines) : measure_column_lines<N>(view, flow, lines);
  spread_lines<N>(view, container, across, whole, lines);
  return lines;
}

template std::vector<Line> lines_across(const View&, Index);
#define FOND_LADDER_LINES_OF(N)                                                                                   \
  template void split_lines(const ViewOf<N>&, const Traits&, const InFlow&, std::vector<LineOf<N>>&);             \
  template void measure_lines_up(const ViewOf<N>&, const Traits&, const InFlow&, HeightBy, std::span<LineOf<N>>); \
  template void measure_lines_down(const ViewOf<N>&, const Traits&, const InFlow&, N, std::span<LineOf<N>>);      \
  template void measure_column_lines(const ViewOf<N>&, const InFlow&, std::span<LineOf<N>>);                      \
  template N sum_of_lines(std::span<const LineOf<N>>, N);                                                         \
  template void spread_lines(const ViewOf<N>&, Index, Axis, N, std::span<LineOf<N>>);
FOND_LADDER_LINES_OF(double)
FOND_LADDER_LINES_OF(TracedNumber)

}  // namespace fond_ladder::inline v0::detail
