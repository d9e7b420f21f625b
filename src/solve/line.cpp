// SPDX-License-Identifier: MIT
//
// Rows and columns. Along its axis a line shares its room among its children by base sizes and factors (share.hpp);
// across, each child fills or fits its line (cross.hpp). A row shares in pass 2 and fits in pass 4, a column the other
// way round: the same code with the axis exchanged. CSS Flexible Box Layout 1, section 9.
//
// Wrapping breaks the children into lines by their clamped bases, before any sharing; every line then shares by itself.
// A row breaks in pass 2 and leaves a mark at each line's first child for passes 3 and 4. A column breaks in pass 4,
// when its height is final; its width was that of one line, so further lines stick out unless it has room.
//
// Tests: line_test.cpp, and the plain arranger in tests/ that is held against all kinds.
#include "solve/cross.hpp"
#include "solve/kinds.hpp"
#include "solve/leaf.hpp"
#include "solve/portions.hpp"
#include "solve/spread.hpp"

namespace fond_ladder::detail {
namespace {

Across alignment(const Traits& container, const Traits& child) {
  const auto align = static_cast<Across>(child.self_across != follows_parent ? child.self_across : container.across);
  return align == Across::baseline && !is_row(container) ? Across::start : align;
}

// --- going up ------------------------------------------------------------------------------------------------------

/// The outer sizes by which a child counts along its line, asked for min-content and for max-content. CSS Flexible Box
/// Layout 1, section 9.9.3.
struct Counted {
  double least, most;
};

template <Axis axis, bool plain>
Counted outer_along_up(const View& view, const Traits& container, const Child<axis, plain>& child, double min_content,
                       double max_content) {
  const double inset = child.inset_up(), given = child.given(unknown);
  const Bounds bounds = bounds_in_line(container, child, inset, unknown, min_content, given);
  const Factors factors = factors_of(view, container, child);
  const bool can_grow = factors.grow > 0;
  double least = min_content, most = max_content;
  if (factors.weighted) {
    if (!can_grow) least = most = 0;
  } else {
    const double base = child.base_size(inset, unknown, max_content, given);
    const bool can_shrink = container.scrolls(axis) ? false : child.shrink() > 0;
    if (given >= 0) least = most = given;
    if (!can_shrink) {
      least = std::max(least, base);
      most = std::max(most, base);
    }
    if (!can_grow) {
      least = std::min(least, base);
      most = std::min(most, base);
    }
  }
  const double scale = child.counted_scale(), margins = child.margin_up().sum();
  return {bounds.held(least) * scale + margins, bounds.held(most) * scale + margins};
}

void widths_up_row(Frame& frame, Index node) {
  const Traits own = frame.traits(node);
  const Flow flow = frame.flow(node);
  double least = 0, widest_child = 0, most = 0;
  for (Index i = 0; i < flow.size(); ++i) {
    const Counted counted = with_child<x_axis>(frame, flow[i], [&](const auto& child) {
      leaf::settle(frame, child);
      return outer_along_up(frame, own, child, frame.min_content(child.node()), frame.max_content(child.node()));
    });
    least += counted.least;
    widest_child = std::max(widest_child, counted.least);
    most += counted.most;
  }
  const double gaps = flow.size() > 1 ? frame.gap_up(node, x_axis) * (flow.size() - 1) : 0;
  const double inset = frame.edges_up(node).inset[x_axis].sum();
  const double narrowest = own.wrap ? widest_child : std::max(0.0, least + gaps);
  frame.set_content_widths(node, own.scroll_x ? inset : inset + narrowest, inset + std::max(0.0, most + gaps));
}

void widths_up_column(Frame& frame, Index node) {
  const Flow flow = frame.flow(node);
  double least = 0, most = 0;
  for (Index i = 0; i < flow.size(); ++i) {
    const Counted counted = with_child<x_axis>(frame, flow[i], [&](const auto& child) {
      leaf::settle(frame, child);
      return Counted{outer_across_up(child, frame.min_content(child.node())),
                     outer_across_up(child, frame.max_content(child.node()))};
    });
    least = std::max(least, counted.least);
    most = std::max(most, counted.most);
  }
  const double inset = frame.edges_up(node).inset[x_axis].sum();
  frame.set_content_widths(node, frame.traits(node).scroll_x ? inset : inset + least, inset + most);
}

// --- sharing along the axis, on the way down -----------------------------------------------------------------------

/// Shares the room of one line, lays its children along it, and sets their sizes and places.
template <Axis axis>
void lay_line(const Laying<axis, Frame>& laying, std::span<Portion> portions, Index first) {
  Frame& frame = laying.view;
  const auto count = static_cast<Index>(portions.size());
  const LineMargins margins = margins_of(laying, first, count);
  if (laying.traits.shares_total) take_parts_of(*frame.keys(laying.container).out_of, portions);
  const double room = laying.inner - (laying.gap * (count - 1) + margins.sum);
  double spare = room - share(portions, room, frame.scratch.sharing);
  const double automatic_part = margins.automatic > 0 && spare > 0 ? spare / static_cast<double>(margins.automatic) : 0;
  if (automatic_part > 0) spare = 0;
  const Spread spread_by =
      spread(as_rest(static_cast<Along>(laying.traits.along)), spare, count, laying.traits.scrolls(axis));

  const Sides inset = frame.edges_down(laying.container).inset[axis];
  const double far_edge = frame.size(laying.container, axis) - inset.after;
  const double step = laying.gap + spread_by.between;
  double at = spread_by.before;
  for (Index i = 0; i < count; ++i) {
    const double counted = portions[i].size;
    at += with_child<axis>(frame, laying.flow[first + i],
                           [&frame, &laying, at, counted, inset, far_edge, automatic_part](const auto& child) {
                             Sides margin = child.margin_down(laying.flip);
                             const unsigned automatic = child.auto_margins(laying.flip);
                             if ((automatic & 1U) != 0) margin.before += automatic_part;
                             if ((automatic & 2U) != 0) margin.after += automatic_part;
                             const double size = counted / child.counted_scale();
                             const double from_start = at + margin.before + child.ahead_in(counted, size);
                             frame.set_place(child.node(), axis,
                                             laying.flip ? far_edge - from_start - size : inset.before + from_start);
                             frame.template set_size<axis>(child.node(), size, child.traits().passive);
                             return margin.sum() + counted;
                           });
    at += step;
  }
}

/// Where the line that begins at `first` ends (wrapping rule).
template <Axis axis>
Index end_of_line(const Laying<axis, Frame>& laying, Index first) {
  const auto& portions = laying.view.scratch.portions;
  const double most = laying.inner + limits::line_tolerance * std::max(1.0, laying.inner);
  double taken = 0;
  Index i = first;
  for (; i < laying.flow.size(); ++i) {
    if (i > first) taken += laying.gap;
    taken += with_child<axis>(laying.view, laying.flow[i],
                              [&](const auto& child) { return child.margin_down(laying.flip).sum(); });
    taken += portions[i].held(portions[i].base);
    if (i > first && taken > most) break;
  }
  return i;
}

template <Axis axis>
void lay_along(Frame& frame, Index node) {
  const double inner = frame.inner_size(node, axis);
  const Traits own = frame.traits(node);
  Laying<axis, Frame> laying{
      frame, node, own, inner, frame.gap_down(node, axis, inner), lays_backwards(frame, own, axis), frame.flow(node)};
  const std::span portions(frame.scratch.portions.data(), laying.flow.size());
  for (Index i = 0; i < laying.flow.size(); ++i) {
    const Index child = laying.flow[i];
    if (!frame.is_plain(child)) {
      laying.all_plain = false;
      frame.resolve_edges(child, axis, inner);
    }
    portions[i] =
        with_child<axis>(frame, child, [&laying](const auto& any_child) { return portion_of(laying, any_child); });
  }
  if (!own.wrap) {
    if (!portions.empty()) lay_line(laying, portions, 0);
    return;
  }
  for (Index first = 0; first < laying.flow.size();) {
    const Index end = end_of_line(laying, first);
    for (Index i = first; i < end; ++i) frame.set_flag(laying.flow[i], NodeFlag::starts_line, i == first);
    lay_line(laying, portions.subspan(first, end - first), first);
    first = end;
  }
}

// --- lines across the axis -----------------------------------------------------------------------------------------

bool stands_on_baseline(const Frame& frame, const Traits& container, Index node) {
  if (alignment(container, frame.traits(node)) != Across::baseline) return false;
  return Child<y_axis, false>(frame, node).auto_margins(false) == 0;
}

/// Splits the flow of a container into its lines.
void split_lines(Frame& frame, const Traits& container, const Flow& flow) {
  auto& lines = frame.scratch.lines;
  lines.clear();
  for (Index i = 0; i < flow.size(); ++i) {
    if (i == 0 || (container.wrap && frame.has(flow[i], NodeFlag::starts_line))) lines.push_back({i, 0, 0, 0});
    ++lines.back().count;
  }
}

/// The height that a line of a row needs, and where its baseline lies.
void measure_row_line(const Frame& frame, const Traits& row, const Flow& flow, Line& line) {
  double descent = 0;
  for (Index i = line.first; i < line.first + line.count; ++i) {
    const Index node = flow[i];
    const double outer =
        with_child<y_axis>(frame, node, [&](const auto& child) { return outer_across_up(child, frame.need(node)); });
    line.size = std::max(line.size, outer);
    if (row.stands_on_base && stands_on_baseline(frame, row, node)) {
      const double ascent = frame.edges_up(node).margin[y_axis].before + first_baseline(frame, node);
      line.ascent = std::max(line.ascent, ascent);
      descent = std::max(descent, outer - ascent);
    }
  }
  line.size = std::max(line.size, line.ascent + descent);
}

void measure_row_lines(Frame& frame, const Traits& row, const Flow& flow) {
  split_lines(frame, row, flow);
  for (Line& line : frame.scratch.lines) measure_row_line(frame, row, flow, line);
}

double sum_of_lines(const std::vector<Line>& lines, double gap) {
  double sum = lines.empty() ? 0 : gap * static_cast<double>(lines.size() - 1);
  for (const Line& line : lines) sum += line.size;
  return sum;
}

/// Lets the lines share what room is left across them, and calls `each(line, where it begins)`.
template <class Each>
void lay_lines(Frame& frame, Index node, Axis across, double inner, Each each) {
  auto& lines = frame.scratch.lines;
  if (lines.empty()) return;
  const Traits own = frame.traits(node);
  const double gap = frame.gap_down(node, across, inner);
  const double spare = inner - sum_of_lines(lines, gap);
  const Rest rest = own.rest(across);
  const Spread spread_by = spread(rest, spare, lines.size(), own.scrolls(across));
  const double growth = rest == Rest::stretch && spare > 0 ? spare / static_cast<double>(lines.size()) : 0;
  double at = spread_by.before;
  for (Line& line : lines) {
    line.size += growth;
    each(line, at);
    at += line.size + gap + spread_by.between;
  }
}

/// Across of a row: its lines, known since pass 2, get their heights and their children's.
void lay_across_row(Frame& frame, Index node) {
  const Traits own = frame.traits(node);
  const Flow flow = frame.flow(node);
  const CrossAxis<y_axis> across(frame, node, false);
  const auto lay = [&](const Line& line, double at) {
    for (Index i = line.first; i < line.first + line.count; ++i) {
      const Index child = flow[i];
      double to_baseline = -1;
      if (own.stands_on_base && stands_on_baseline(frame, own, child)) {
        to_baseline = line.ascent - frame.edges_up(child).margin[y_axis].before - first_baseline(frame, child);
      }
      place_across(frame, across, child, {at, line.size}, alignment(own, frame.traits(child)), to_baseline);
    }
  };
  if (!own.wrap && !own.stands_on_base) return lay({0, flow.size(), across.whole, 0}, 0);
  measure_row_lines(frame, own, flow);
  if (own.wrap) return lay_lines(frame, node, y_axis, across.whole, lay);
  for (Line& line : frame.scratch.lines) {
    line.size = across.whole;
    lay(line, 0);
  }
}

/// Across of a column, in pass 2: every child fills or fits the whole width. A wrapping column does not stretch.
void lay_across_column(Frame& frame, Index node) {
  const Traits own = frame.traits(node);
  const Flow flow = frame.flow(node);
  const CrossAxis<x_axis> across(frame, node, frame.mirrored);
  for (Index i = 0; i < flow.size(); ++i) {
    Across align = alignment(own, frame.traits(flow[i]));
    if (own.wrap && align == Across::stretch) align = Across::start;
    place_across(frame, across, flow[i], {0, across.whole}, align);
  }
}

/// The lines of a wrapping column, in pass 4: widths stand, places across are known only now.
void lay_lines_of_column(Frame& frame, Index node) {
  const Traits own = frame.traits(node);
  const Flow flow = frame.flow(node);
  const CrossAxis<x_axis> across(frame, node, frame.mirrored);
  split_lines(frame, own, flow);
  for (Line& line : frame.scratch.lines) {
    for (Index i = line.first; i < line.first + line.count; ++i) {
      const Child<x_axis, false> child(frame, flow[i]);
      const double outer = child.margin_down(false).sum() + frame.size(flow[i], x_axis) * child.counted_scale();
      line.size = std::max(line.size, outer);
    }
  }
  lay_lines(frame, node, x_axis, across.whole, [&](const Line& line, double at) {
    for (Index i = line.first; i < line.first + line.count; ++i) {
      const Child<x_axis, false> child(frame, flow[i]);
      Across align = alignment(own, child.traits());
      if (align == Across::stretch) align = Across::start;
      const double width = frame.size(flow[i], x_axis);
      frame.set_place(flow[i], x_axis, place_in_slot(across, child, {at, line.size}, width, align, -1));
    }
  });
}

// --- heights and baselines, going up -------------------------------------------------------------------------------

/// First baseline of a row of the given natural height: of its first line's first baseline child, else of its first
/// child as aligned.
double row_baseline(const Frame& frame, Index node, const Flow& flow, double height) {
  const Traits own = frame.traits(node);
  const Sides inset = frame.edges_up(node).inset[y_axis];
  const Line& line = frame.scratch.lines.front();
  for (Index i = line.first; own.stands_on_base && i < line.first + line.count; ++i) {
    if (stands_on_baseline(frame, own, flow[i])) return inset.before + line.ascent;
  }
  const Index first = flow[0];
  const Sides margin = frame.edges_up(first).margin[y_axis];
  double ahead = 0;
  const Across align = alignment(own, frame.traits(first));
  if (align == Across::center || align == Across::end) {
    const double outer = outer_across_up(Child<y_axis, false>(frame, first), frame.need(first));
    const double room = (own.wrap ? line.size : height - inset.sum()) - outer;
    ahead = align == Across::center ? room / 2 : room;
  }
  return inset.before + margin.before + ahead + first_baseline(frame, first);
}

void heights_up_row(Frame& frame, Index node) {
  const Traits own = frame.traits(node);
  const Flow flow = frame.flow(node);
  auto& lines = frame.scratch.lines;
  if (own.wrap) {
    measure_row_lines(frame, own, flow);
  } else {
    lines.assign(1, {0, flow.size(), 0, 0});
    measure_row_line(frame, own, flow, lines.front());
  }
  const Sides inset = frame.edges_up(node).inset[y_axis];
  const double need = inset.sum() + std::max(0.0, sum_of_lines(lines, frame.gap_up(node, y_axis)));
  frame.set_need(node, frame.height_by_aspect(node, need));
  const double height = natural_height(frame, node);
  frame.set_baseline(node, flow.size() == 0 ? height : row_baseline(frame, node, flow, height));
}

/// First baseline of a column: its first child's, as laid.
double column_baseline(const Frame& frame, Index node, Index first, double height) {
  const Sides inset = frame.edges_up(node).inset[y_axis], margin = frame.edges_up(first).margin[y_axis];
  if (!frame.traits(node).reverse) return inset.before + margin.before + first_baseline(frame, first);
  return height - inset.after - margin.after - natural_height(frame, first) + first_baseline(frame, first);
}

void heights_up_column(Frame& frame, Index node) {
  const Traits own = frame.traits(node);
  const Flow flow = frame.flow(node);
  double sum = flow.size() > 1 ? frame.gap_up(node, y_axis) * (flow.size() - 1) : 0;
  for (Index i = 0; i < flow.size(); ++i) {
    const double need = frame.need(flow[i]);
    sum += with_child<y_axis>(frame, flow[i],
                              [&](const auto& child) { return outer_along_up(frame, own, child, need, need).least; });
  }
  const double insets = frame.edges_up(node).inset[y_axis].sum();
  frame.set_need(node, frame.height_by_aspect(node, insets + std::max(0.0, sum)));
  const double height = natural_height(frame, node);
  frame.set_baseline(node, flow.size() == 0 ? height : column_baseline(frame, node, flow[0], height));
}

}  // namespace

namespace line {

void widths_up(Frame& frame, Index node) {
  leaf::settle_pinned(frame, node);
  is_row(frame.traits(node)) ? widths_up_row(frame, node) : widths_up_column(frame, node);
}

void widths_down(Frame& frame, Index node) {
  is_row(frame.traits(node)) ? lay_along<x_axis>(frame, node) : lay_across_column(frame, node);
  place_pinned(frame, node, x_axis);
}

void heights_up(Frame& frame, Index node) {
  is_row(frame.traits(node)) ? heights_up_row(frame, node) : heights_up_column(frame, node);
}

void heights_down(Frame& frame, Index node) {
  const Traits own = frame.traits(node);
  if (is_row(own)) {
    lay_across_row(frame, node);
  } else {
    lay_along<y_axis>(frame, node);
    if (own.wrap) lay_lines_of_column(frame, node);
  }
  place_pinned(frame, node, y_axis);
}

}  // namespace line
}  // namespace fond_ladder::detail
