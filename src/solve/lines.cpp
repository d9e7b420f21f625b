// SPDX-License-Identifier: MIT
#include "solve/lines.hpp"

#include <limits>

#include "solve/portions.hpp"
#include "solve/spread.hpp"

namespace fond_ladder::inline v0::detail {
namespace {

/// A child as a line counts it across: its outer size, and where its baseline lies from the start of that.
struct Standing {
  double outer = 0, ascent = 0;
};

/// The line is as high as its tallest child, or as its baseline children are above and below the baseline together.
/// Both are signed: a baseline may lie outside its box, and then takes no room.
template <class StandingOf>
void measure(const View& view, const Traits& row, const InFlow& flow, Line& line, const StandingOf& standing_of) {
  constexpr double nobody = -std::numeric_limits<double>::infinity();
  double ascent = nobody, descent = nobody;
  for (Index i = line.first; i < line.first + line.count; ++i) {
    const bool on_baseline = row.stands_on_base && stands_on_baseline(view, row, flow[i]);
    const Standing child = standing_of(flow[i], on_baseline);
    line.size = std::max(line.size, child.outer);
    if (!on_baseline) continue;
    ascent = std::max(ascent, child.ascent);
    descent = std::max(descent, child.outer - child.ascent);
  }
  if (ascent == nobody) return;
  line.ascent = ascent;
  line.size = std::max(line.size, ascent + descent);
}

}  // namespace

void split_lines(const View& view, const Traits& container, const InFlow& flow, std::vector<Line>& lines) {
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

void measure_lines_up(const View& view, const Traits& row, const InFlow& flow, HeightBy by, std::span<Line> lines) {
  for (Line& line : lines) {
    measure(view, row, flow, line, [&](Index node, bool on_baseline) {
      const double outer = with_child<y_axis>(
          view, node, [&](const auto& child) { return outer_across_up(child, content_height(view, node, by)); });
      if (!on_baseline) return Standing{outer, 0};
      return Standing{outer, view.edges_up(node).margin[y_axis].before + first_baseline(view, node)};
    });
  }
}

void measure_lines_down(const View& view, const Traits& row, const InFlow& flow, double whole, std::span<Line> lines) {
  for (Line& line : lines) {
    measure(view, row, flow, line, [&](Index node, bool on_baseline) {
      const double outer =
          with_child<y_axis>(view, node, [&](const auto& child) { return outer_across_down(view, child, whole); });
      if (!on_baseline) return Standing{outer, 0};
      return Standing{outer, view.edges_down(node).margin[y_axis].before + first_baseline_down(view, node)};
    });
  }
}

void measure_column_lines(const View& view, const InFlow& flow, std::span<Line> lines) {
  for (Line& line : lines) {
    for (Index i = line.first; i < line.first + line.count; ++i) {
      const Child<x_axis, false> child(view, flow[i]);
      const double outer = child.margin_down(false).sum() + view.size(flow[i], x_axis) * child.counted_scale();
      line.size = std::max(line.size, outer);
    }
  }
}

double sum_of_lines(std::span<const Line> lines, double gap) {
  double sum = lines.empty() ? 0 : gap * static_cast<double>(lines.size() - 1);
  for (const Line& line : lines) sum += line.size;
  return sum;
}

void spread_lines(const View& view, Index container, Axis across, double inner, std::span<Line> lines) {
  if (lines.empty()) return;
  const Traits own = view.traits(container);
  const double gap = view.gap_down(container, across, inner);
  const double spare = inner - sum_of_lines(lines, gap);
  const Rest rest = own.rest(across);
  const Spread spread_by = spread(rest, spare, lines.size(), own.scrolls(across));
  const double growth = rest == Rest::stretch && spare > 0 ? spare / static_cast<double>(lines.size()) : 0;
  double at = spread_by.before;
  for (Line& line : lines) {
    line.size += growth;
    line.at = at;
    at += line.size + gap + spread_by.between;
  }
}

std::vector<Line> lines_across(const View& view, Index container) {
  const Traits own = view.traits(container);
  const Axis across = is_row(own) ? y_axis : x_axis;
  const double whole = view.inner_size(container, across);
  std::vector<Index> listed;
  const InFlow flow = view.flow(container, listed);
  std::vector<Line> lines;
  split_lines(view, own, flow, lines);
  is_row(own) ? measure_lines_down(view, own, flow, whole, lines) : measure_column_lines(view, flow, lines);
  spread_lines(view, container, across, whole, lines);
  return lines;
}

}  // namespace fond_ladder::inline v0::detail
