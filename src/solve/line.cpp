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
#include "solve/kept_line.hpp"
#include "solve/kinds.hpp"
#include "solve/leaf.hpp"
#include "solve/lines.hpp"
#include "solve/portions.hpp"
#include "solve/spread.hpp"

namespace fond_ladder::inline v0::detail {
namespace {

// --- going up ------------------------------------------------------------------------------------------------------

/// The sizes by content of a child along its line, or the outer ones by which it counts there, asked for min-content
/// and for max-content. CSS Flexible Box Layout 1, section 9.9.3.
struct Counted {
  double least, most;
};

/// `kept` is the content that the automatic minimum is of.
template <Axis axis, bool plain>
Counted outer_along_up(const View& view, const Traits& container, const Child<axis, plain>& child, Counted content,
                       double kept) {
  const double inset = child.inset_up(), given = child.given(unknown);
  const Bounds bounds = bounds_in_line(container, child, inset, unknown, kept, given);
  const Factors factors = factors_of(view, container, child);
  const bool can_grow = factors.grow > 0;
  auto [least, most] = content;
  if (factors.weighted) {
    if (!can_grow) least = most = 0;
  } else {
    const double base = child.base_size(inset, unknown, content.most, given);
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
  const InFlow flow = frame.flow(node);
  double least = 0, widest_child = 0, most = 0;
  for (Index i = 0; i < flow.size(); ++i) {
    const Counted counted = with_child<x_axis>(frame, flow[i], [&](const auto& child) {
      leaf::settle(frame, child);
      const Counted content{frame.min_content(child.node()), frame.max_content(child.node())};
      return outer_along_up(frame, own, child, content, content.least);
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
  const InFlow flow = frame.flow(node);
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

/// What is left of a line when its children have their sizes.
struct Left {
  double spare = 0;           ///< for the alignment
  double automatic_part = 0;  ///< for each automatic margin; then nothing is spare
};

/// Shares the room of one line among its children: the sizes of their portions.
template <Axis axis>
Left share_line(const Laying<axis, Frame>& laying, std::span<Portion> portions, Index first) {
  Frame& frame = laying.view;
  const auto count = static_cast<Index>(portions.size());
  const LineMargins margins = margins_of(laying, first, count);
  if (laying.traits.shares_total) take_parts_of(*frame.keys(laying.container).out_of, portions);
  const double room = laying.inner - (laying.gap * (count - 1) + margins.sum);
  const double spare = room - share(portions, room, frame.scratch.sharing);
  if (margins.automatic == 0 || spare <= 0) return {spare, 0};
  return {0, spare / static_cast<double>(margins.automatic)};
}

/// Shares the room of one line, lays its children along it, and sets their sizes and places.
template <Axis axis>
void lay_line(const Laying<axis, Frame>& laying, std::span<Portion> portions, Index first) {
  Frame& frame = laying.view;
  const auto count = static_cast<Index>(portions.size());
  const auto [spare, automatic_part] = share_line(laying, portions, first);
  const Spread spread_by =
      spread(as_rest(static_cast<Along>(laying.traits.along)), spare, count, laying.traits.scrolls(axis));

  const Sides edges = frame.content_edges(laying.container, axis);
  const double step = laying.gap + spread_by.between, part = automatic_part;
  double at = spread_by.before;
  for (Index i = 0; i < count; ++i) {
    const double counted = portions[i].size;
    at +=
        with_child<axis>(frame, laying.flow[first + i], [&frame, &laying, at, counted, edges, part](const auto& child) {
          Sides margin = child.margin_down(laying.flip);
          const unsigned automatic = child.auto_margins(laying.flip);
          if ((automatic & 1U) != 0) margin.before += part;
          if ((automatic & 2U) != 0) margin.after += part;
          const double size = counted / child.counted_scale();
          const double from_start = at + margin.before + child.ahead_in(counted, size);
          frame.set_place(child.node(), axis,
                          laying.flip ? edges.after - from_start - size : edges.before + from_start);
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

/// What each child brings to the sharing, for a content box of `inner` along.
template <Axis axis>
[[gnu::always_inline]] inline Laying<axis, Frame> gather_portions(Frame& frame, Index node, double inner) {
  const Traits own = frame.traits(node);
  Laying<axis, Frame> laying{
      frame, node, own, inner, frame.gap_down(node, axis, inner), lays_backwards(frame, own, axis), frame.flow(node)};
  auto& portions = frame.scratch.portions;
  for (Index i = 0; i < laying.flow.size(); ++i) {
    const Index child = laying.flow[i];
    if (!frame.is_plain(child)) {
      laying.all_plain = false;
      frame.resolve_edges(child, axis, inner);
    }
    portions[i] =
        with_child<axis>(frame, child, [&laying](const auto& any_child) { return portion_of(laying, any_child); });
  }
  return laying;
}

template <Axis axis>
void lay_along(Frame& frame, Index node) {
  if (axis == y_axis && kept_line::stands(frame, node) && kept_line::lay(frame, node)) return;
  const auto laying = gather_portions<axis>(frame, node, frame.inner_size(node, axis));
  const std::span portions(frame.scratch.portions.data(), laying.flow.size());
  if (!laying.traits.wrap) {
    if (!portions.empty()) lay_line(laying, portions, 0);
    if constexpr (axis == y_axis) kept_line::note(frame, node, portions, laying.all_plain);
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

/// The lines of a row that wraps, or in which baselines count: without wrapping one line as high as the content box.
std::span<const Line> measured_lines(Frame& frame, Index node, const InFlow& flow, double inner) {
  const Traits own = frame.traits(node);
  auto& lines = frame.scratch.lines;
  for (Index i = 0; i < flow.size(); ++i) {
    if (!frame.is_plain(flow[i])) frame.resolve_edges(flow[i], y_axis, inner);
  }
  split_lines(frame, own, flow, lines);
  measure_lines_down(frame, own, flow, inner, lines);
  if (own.wrap) {
    spread_lines(frame, node, y_axis, inner, lines);
  } else {
    for (Line& line : lines) line.size = inner;
  }
  return lines;
}

/// Across of a row: its lines, known since pass 2, get their heights and their children's.
void lay_across_row(Frame& frame, Index node) {
  const Traits own = frame.traits(node);
  const InFlow flow = frame.flow(node);
  const CrossAxis<y_axis> across(frame, node, false);
  const Line whole{0, flow.size(), across.whole, 0, 0};
  const bool simple = !own.wrap && !own.stands_on_base;
  for (const Line& line : simple ? std::span(&whole, 1) : measured_lines(frame, node, flow, across.whole)) {
    for (Index i = line.first; i < line.first + line.count; ++i) {
      const Index child = flow[i];
      double to_baseline = -1;
      if (own.stands_on_base && stands_on_baseline(frame, own, child)) {
        const double ascent = frame.edges_down(child).margin[y_axis].before + first_baseline_down(frame, child);
        to_baseline = line.ascent - ascent;
      }
      place_across(frame, across, child, {line.at, line.size}, alignment(own, frame.traits(child)), to_baseline);
    }
  }
}

/// Across of a column, in pass 2: every child fills or fits the whole width. A wrapping column does not stretch.
void lay_across_column(Frame& frame, Index node) {
  const Traits own = frame.traits(node);
  const InFlow flow = frame.flow(node);
  const CrossAxis<x_axis> across(frame, node, frame.mirrored);
  for (Index i = 0; i < flow.size(); ++i) {
    Across align = alignment(own, frame.traits(flow[i]));
    if (own.wrap && align == Across::stretch) align = Across::start;
    place_across(frame, across, flow[i], {0, across.whole}, align);
  }
  kept_line::drop(frame, node);  // their heights may follow
}

/// The lines of a wrapping column, in pass 4: widths stand, places across are known only now.
void lay_lines_of_column(Frame& frame, Index node) {
  const Traits own = frame.traits(node);
  const InFlow flow = frame.flow(node);
  const CrossAxis<x_axis> across(frame, node, frame.mirrored);
  auto& lines = frame.scratch.lines;
  split_lines(frame, own, flow, lines);
  measure_column_lines(frame, flow, lines);
  spread_lines(frame, node, x_axis, across.whole, lines);
  for (const Line& line : lines) {
    for (Index i = line.first; i < line.first + line.count; ++i) {
      const Child<x_axis, false> child(frame, flow[i]);
      Across align = alignment(own, child.traits());
      if (align == Across::stretch) align = Across::start;
      const double width = frame.size(flow[i], x_axis);
      frame.set_place(flow[i], x_axis, place_in_slot(across, child, {line.at, line.size}, width, align, -1));
    }
  }
}

// --- heights and baselines, going up -------------------------------------------------------------------------------

/// First baseline of a row of the given natural height: of its first line's first baseline child, else of its first
/// child where it lies.
double row_baseline(const Frame& frame, Index node, const InFlow& flow, double height) {
  const Traits own = frame.traits(node);
  const Sides inset = frame.edges_up(node).inset[y_axis];
  const Line& line = frame.scratch.lines.front();
  for (Index i = line.first; own.stands_on_base && i < line.first + line.count; ++i) {
    if (stands_on_baseline(frame, own, flow[i])) return inset.before + line.ascent;
  }
  const Child<y_axis, false> first(frame, flow[0]);
  const double room = own.wrap ? line.size : height - inset.sum();
  const double spare = room - outer_across_up(first, frame.need(flow[0]));
  const double ahead = ahead_by(first.auto_margins(false), spare, alignment(own, first.traits()), own.scroll_y);
  return inset.before + first.margin_up().before + ahead + first_baseline(frame, flow[0]);
}

void heights_up_row(Frame& frame, Index node) {
  const Traits own = frame.traits(node);
  const InFlow flow = frame.flow(node);
  auto& lines = frame.scratch.lines;
  const double inset = frame.edges_up(node).inset[y_axis].sum(), gap = frame.gap_up(node, y_axis);
  const auto by_lines = [&](HeightBy by) {
    split_lines(frame, own, flow, lines);
    measure_lines_up(frame, own, flow, by, lines);
    return frame.height_by_aspect(node, inset + std::max(0.0, sum_of_lines(lines, gap)));
  };
  if (own.holds_scroller) frame.set_least_height(node, own.scroll_y ? inset : by_lines(HeightBy::least));
  frame.set_need(node, by_lines(HeightBy::content));
  const double height = natural_height(frame, node);
  frame.set_baseline(node, flow.size() == 0 ? height : row_baseline(frame, node, flow, height));
}

/// How far automatic margins push the first child of a column of the given natural height from where it is laid.
double pushed_ahead(Frame& frame, Index node, double height) {
  const double inset = frame.edges_up(node).inset[y_axis].sum();
  const auto laying = gather_portions<y_axis>(frame, node, std::max(0.0, height - inset));
  const unsigned automatic = Child<y_axis, false>(frame, laying.flow[0]).auto_margins(laying.flip);
  if ((automatic & 1U) == 0) return 0;
  const Index end = laying.traits.wrap ? end_of_line(laying, 0) : laying.flow.size();
  return share_line(laying, std::span(frame.scratch.portions.data(), end), 0).automatic_part;
}

/// First baseline of a column: its first child's, as laid.
double column_baseline(Frame& frame, Index node, Index first, double height) {
  const Sides inset = frame.edges_up(node).inset[y_axis], margin = frame.edges_up(first).margin[y_axis];
  const double ahead = frame.traits(first).auto_margin ? pushed_ahead(frame, node, height) : 0;
  if (!frame.traits(node).reverse) return inset.before + margin.before + ahead + first_baseline(frame, first);
  return height - inset.after - margin.after - ahead - natural_height(frame, first) + first_baseline(frame, first);
}

/// What a child counts of the least height of its column. A scroller counts its padding, its minimum, or its height
/// where it cannot shrink.
template <bool plain>
double least_along(const Frame& frame, const Traits& column, const Child<y_axis, plain>& child) {
  const double least = frame.least_height(child.node());
  if (!child.traits().scroll_y) return outer_along_up(frame, column, child, Counted{least, least}, least).least;
  const bool rigid = child.shrink() == 0 && !factors_of(frame, column, child).weighted;
  const double given = rigid ? child.given(unknown) : -1;
  const Bounds bounds = child.bounds(child.inset_up(), unknown);
  return bounds.held(given >= 0 ? given : least) * child.counted_scale() + child.margin_up().sum();
}

void heights_up_column(Frame& frame, Index node) {
  const Traits own = frame.traits(node);
  const InFlow flow = frame.flow(node);
  const double inset = frame.edges_up(node).inset[y_axis].sum();
  const double gaps = flow.size() > 1 ? frame.gap_up(node, y_axis) * (flow.size() - 1) : 0;
  const auto by_sum = [&](double sum) { return frame.height_by_aspect(node, inset + std::max(0.0, sum)); };
  const auto by_children = [&](const auto& counted) {
    double sum = gaps;
    for (Index i = 0; i < flow.size(); ++i) sum += with_child<y_axis>(frame, flow[i], counted);
    return by_sum(sum);
  };
  if (own.holds_scroller) {
    const auto least = [&](const auto& child) { return least_along(frame, own, child); };
    frame.set_least_height(node, own.scroll_y ? inset : by_children(least));
  }
  if (kept_line::stands(frame, node)) {
    frame.set_need(node, by_sum(kept_line::sum(frame, node, gaps)));
  } else {
    frame.set_need(
        node, by_children([&](const auto& child) {
          const double need = frame.need(child.node());
          return outer_along_up(frame, own, child, Counted{need, need}, frame.least_height(child.node())).least;
        }));
  }
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

void lay_one_across(Frame& frame, Index container, Index child) {
  const Traits own = frame.traits(container);
  const Across align = alignment(own, frame.traits(child));
  if (is_row(own)) {
    const CrossAxis<y_axis> across(frame, container, false);
    place_across(frame, across, child, {0, across.whole}, align);
  } else {
    const CrossAxis<x_axis> across(frame, container, frame.mirrored);
    place_across(frame, across, child, {0, across.whole}, align);
  }
}

}  // namespace line
}  // namespace fond_ladder::inline v0::detail
