// SPDX-License-Identifier: MIT
//
// Rows and columns. Along its axis a line shares its space among its children by base sizes and factors (share.hpp);
// across, each child fills or fits its line (cross.hpp). A row shares in pass 2 and fits in pass 4, a column the other
// way round: the same code with the axis exchanged. CSS Flexible Box Layout 1, section 9.
//
// Wrapping breaks the children into lines by their clamped bases, before any sharing; every line then shares by itself.
// A row breaks in pass 2 and leaves a mark at each line's first child for passes 3 and 4. A column breaks in pass 4,
// when its height is final; its width was that of one line, so further lines overhang unless it has space.
//
// Tests: line_test.cpp, and the plain arranger in tests/ that is held against all kinds.
#include "solve/kinds/along_up.hpp"
#include "solve/kinds/entries.hpp"
#include "solve/kinds/kept_line.hpp"
#include "solve/kinds/kinds.hpp"
#include "solve/kinds/leaf.hpp"
#include "solve/kinds/line_items.hpp"
#include "solve/kinds/lines.hpp"
#include "solve/numbers/traced_number.hpp"
#include "solve/sharing/spread.hpp"

namespace fond_ladder::inline v0::detail {
namespace {

// --- going up ------------------------------------------------------------------------------------------------------

/// Of a child asked for min-content and for max-content.
template <class N>
struct Counted {
  N least, most;
};

template <class N>
void widths_up_row(SolveContextOf<N>& context, Index node) {
  const Traits own = context.traits(node);
  const InFlow flow = context.flow(node);
  N least = 0, widest_child = 0, most = 0;
  for (Index i = 0; i < flow.size(); ++i) {
    const Counted<N> counted = with_child<x_axis, N>(context, flow[i], [&](const auto& child) {
      leaf::settle(context, child);
      const N narrowest = context.min_content(child.node()), widest = context.max_content(child.node());
      const AlongUp along(context, own, child, widest, narrowest);
      return Counted<N>{along.outer(narrowest), along.outer(widest)};
    });
    least += counted.least;
    widest_child = max_of(widest_child, counted.least);
    most += counted.most;
  }
  const N gaps = flow.size() > 1 ? context.gap_up(node, x_axis) * (flow.size() - 1) : 0.0;
  const N inset = context.edges_up(node).inset[x_axis].sum();
  if (is_list(context, node)) {
    const N first = flow.size() == 0 ? N(0) : with_child<x_axis, N>(context, flow[0], [&](const auto& child) {
      const N widest = context.max_content(child.node());
      return AlongUp(context, own, child, widest, context.min_content(child.node())).outer(widest);
    });
    return context.set_content_widths(node, inset,
                                      inset + all_like_first<N>(context, node, flow.size(), first, x_axis));
  }
  const N narrowest = own.wrap ? widest_child : max_of(0.0, least + gaps);
  context.set_content_widths(node, own.scroll_x ? N(inset) : inset + narrowest, inset + max_of(0.0, most + gaps));
}

template <class N>
void widths_up_column(SolveContextOf<N>& context, Index node) {
  const InFlow all = context.flow(node), flow = is_list(context, node) ? all.first(1) : all;
  for (Index i = flow.size(); i < all.size(); ++i) {
    with_child<x_axis, N>(context, all[i], [&](const auto& child) { leaf::settle(context, child); });
  }
  N least = 0, most = 0;
  for (Index i = 0; i < flow.size(); ++i) {
    const Counted<N> counted = with_child<x_axis, N>(context, flow[i], [&](const auto& child) {
      leaf::settle(context, child);
      return Counted<N>{outer_across_up(child, context.min_content(child.node())),
                        outer_across_up(child, context.max_content(child.node()))};
    });
    least = max_of(least, counted.least);
    most = max_of(most, counted.most);
  }
  const N inset = context.edges_up(node).inset[x_axis].sum();
  context.set_content_widths(node, context.traits(node).scroll_x ? N(inset) : inset + least, inset + most);
}

// --- sharing along the axis, on the way down -----------------------------------------------------------------------

/// What is left of a line when its children have their sizes.
template <class N>
struct Left {
  N unused_space = 0;    ///< for the alignment
  N automatic_part = 0;  ///< for each automatic margin; then nothing is spare
};

/// What a line takes before its space is shared.
template <class N>
struct LineTakes {
  N wanted = 0;  ///< by the children
  LineMargins<N> margins;
};

/// Shares the space of one line among its children: the sizes of their portions.
template <Axis axis, class N>
Left<N> share_line(const Laying<axis, SolveContextOf<N>>& laying, std::span<LineItemOf<N>> line_items,
                   const LineTakes<N>& taken) {
  SolveContextOf<N>& context = laying.view;
  if (laying.traits.shares_total) take_parts_of<N>(*context.keys(laying.container).out_of, line_items);
  const N space = laying.inner - (laying.gap * static_cast<double>(line_items.size() - 1) + taken.margins.sum);
  const N unused_space = space - share<N>(line_items, space, taken.wanted, context.scratch.sharing);
  if (taken.margins.automatic == 0 || unused_space <= 0) return {unused_space, 0};
  return {0, unused_space / static_cast<double>(taken.margins.automatic)};
}

/// Shares the space of one line, lays its children along it, and sets their sizes and places.
template <Axis axis, class N>
void lay_line(const Laying<axis, SolveContextOf<N>>& laying, std::span<LineItemOf<N>> line_items, Index first,
              const LineTakes<N>& taken) {
  SolveContextOf<N>& context = laying.view;
  const InFlow flow = laying.flow;
  const bool flip = laying.flip;
  const auto count = static_cast<Index>(line_items.size());
  const auto [unused_space, automatic_part] = share_line<axis, N>(laying, line_items, taken);
  const SpreadOf<N> spread_by =
      spread(as_rest(static_cast<Along>(laying.traits.along)), unused_space, count, laying.traits.scrolls(axis));

  const SidesOf<N> edges = context.content_edges(laying.container, axis);
  const N step = laying.gap + spread_by.between, part = automatic_part;
  N at = spread_by.before;
  for (Index i = 0; i < count; ++i) {
    const N counted = line_items[i].size;
    at += with_child<axis, N>(context, flow[first + i], [&context, flip, at, counted, edges, part](const auto& child) {
      SidesOf<N> margin = child.margin_down(flip);
      const unsigned automatic = child.auto_margins(flip);
      if ((automatic & 1U) != 0) margin.before += part;
      if ((automatic & 2U) != 0) margin.after += part;
      const N size = counted / child.counted_scale();
      const N from_start = at + margin.before + child.ahead_in(counted, size);
      context.set_place(child.node(), axis, flip ? edges.after - from_start - size : edges.before + from_start);
      context.template set_size<axis>(child.node(), size, child.traits().passive);
      return margin.sum() + counted;
    });
    at += step;
  }
}

/// Where the line that begins at `first` ends (wrapping rule).
template <Axis axis, class N>
Index end_of_line(const Laying<axis, SolveContextOf<N>>& laying, Index first) {
  const auto& line_items = laying.view.scratch.line_items;
  const double slack = line_slack(laying.inner);
  N taken = 0;
  Index i = first;
  for (; i < laying.flow.size(); ++i) {
    if (i > first) taken += laying.gap;
    taken += with_child<axis, N>(laying.view, laying.flow[i],
                                 [&](const auto& child) { return child.margin_down(laying.flip).sum(); });
    taken += line_items[i].clamp(line_items[i].base);
    if (i > first && exceeds(taken, laying.inner, slack)) break;
  }
  return i;
}

/// What each child brings to the sharing, and what they take together.
template <Axis axis, class N>
struct Gathered {
  Laying<axis, SolveContextOf<N>> laying;
  std::span<LineItemOf<N>> line_items;
  LineTakes<N> taken;     ///< of children that do not wrap: all in one line
  bool all_plain = true;  ///< nothing has margins
};

/// For a content box of `inner` along.
template <Axis axis, class N>
[[gnu::always_inline]] inline Gathered<axis, N> gather_line_items(SolveContextOf<N>& context, Index node, N inner) {
  const Traits own = context.traits(node);
  const InFlow flow = context.flow(node);
  Gathered<axis, N> gathered{
      {context, node, own, inner, context.gap_down(node, axis, inner), lays_backwards(context, own, axis), flow},
      {context.scratch.line_items.data(), flow.size()},
      {}};
  N wanted = 0;
  for (Index i = 0; i < flow.size(); ++i) {
    const Index child = flow[i];
    if (!context.is_plain(child)) {
      gathered.all_plain = false;
      context.resolve_edges(child, axis, inner);
      if (!own.wrap) gathered.taken.margins.add(any_child<axis, N>(context, child), gathered.laying.flip);
    }
    LineItemOf<N>& line_item = gathered.line_items[i];
    wanted += with_child<axis, N>(
        context, child, [&](const auto& any_child) { return put_line_item(gathered.laying, any_child, line_item); });
  }
  gathered.taken.wanted = wanted;
  return gathered;
}

template <Axis axis, class N>
void lay_along(SolveContextOf<N>& context, Index node) {
  if (is_list(context, node)) return lay_entries<axis, N>(context, node);
  if constexpr (axis == y_axis && std::is_same_v<N, double>) {
    if (kept_line::stands(context, node) && kept_line::lay(context, node)) return;
  }
  const auto [laying, line_items, taken, all_plain] =
      gather_line_items<axis, N>(context, node, context.inner_size(node, axis));
  if (!laying.traits.wrap) {
    if (!line_items.empty()) lay_line<axis, N>(laying, line_items, 0, taken);
    if constexpr (axis == y_axis && std::is_same_v<N, double>) kept_line::note(context, node, line_items, all_plain);
    return;
  }
  for (Index first = 0; first < laying.flow.size();) {
    const Index end = end_of_line<axis, N>(laying, first);
    for (Index i = first; i < end; ++i) context.set_flag(laying.flow[i], NodeFlag::starts_line, i == first);
    const std::span<LineItemOf<N>> line = line_items.subspan(first, end - first);
    lay_line<axis, N>(laying, line, first, {wanted_by<N>(line), margins_of(laying, first, end - first)});
    first = end;
  }
}

// --- lines across the axis -----------------------------------------------------------------------------------------

/// The lines of a row that wraps, or in which baselines count: without wrapping one line as high as the content box.
template <class N>
std::span<const LineOf<N>> measured_lines(SolveContextOf<N>& context, Index node, const InFlow& flow, N inner) {
  const Traits own = context.traits(node);
  auto& lines = context.scratch.lines;
  for (Index i = 0; i < flow.size(); ++i) {
    if (!context.is_plain(flow[i])) context.resolve_edges(flow[i], y_axis, inner);
  }
  split_lines<N>(context, own, flow, lines);
  measure_lines_down<N>(context, own, flow, inner, lines);
  if (own.wrap) {
    spread_lines<N>(context, node, y_axis, inner, lines);
  } else {
    for (LineOf<N>& line : lines) line.size = inner;
  }
  return lines;
}

/// Across of a row: its lines, known since pass 2, get their heights and their children's.
template <class N>
void lay_across_row(SolveContextOf<N>& context, Index node) {
  const Traits own = context.traits(node);
  const InFlow flow = context.flow(node);
  const CrossAxis<y_axis, N> across(context, node, false);
  const LineOf<N> whole{0, flow.size(), across.whole, 0, 0};
  const bool simple = !own.wrap && !own.stands_on_base;
  for (const LineOf<N>& line :
       simple ? std::span<const LineOf<N>>(&whole, 1) : measured_lines<N>(context, node, flow, across.whole)) {
    for (Index i = line.first; i < line.first + line.count; ++i) {
      const Index child = flow[i];
      N to_baseline = -1;
      if (own.stands_on_base && stands_on_baseline<N>(context, own, child)) {
        const N ascent = context.edges_down(child).margin[y_axis].before + first_baseline_down<N>(context, child);
        to_baseline = line.ascent - ascent;
      }
      place_across<y_axis, N>(context, across, child, {line.at, line.size}, alignment(own, context.traits(child)),
                              to_baseline);
    }
  }
}

/// Across of a column, in pass 2: every child fills or fits the whole width. A wrapping column does not stretch.
template <class N>
void lay_across_column(SolveContextOf<N>& context, Index node) {
  const Traits own = context.traits(node);
  const InFlow flow = context.flow(node);
  const CrossAxis<x_axis, N> across(context, node, context.mirrored);
  for (Index i = 0; i < flow.size(); ++i) {
    const Index child = flow[i];
    Across align = alignment(own, context.traits(child));
    if (own.wrap && align == Across::stretch) align = Across::start;
    place_across<x_axis, N>(context, across, child, {0, across.whole}, align);
  }
  if constexpr (std::is_same_v<N, double>) kept_line::drop(context, node);  // their heights may follow
}

/// The lines of a wrapping column, in pass 4: widths stand, places across are known only now.
template <class N>
void lay_lines_of_column(SolveContextOf<N>& context, Index node) {
  const Traits own = context.traits(node);
  const InFlow flow = context.flow(node);
  const CrossAxis<x_axis, N> across(context, node, context.mirrored);
  auto& lines = context.scratch.lines;
  split_lines<N>(context, own, flow, lines);
  measure_column_lines<N>(context, flow, lines);
  spread_lines<N>(context, node, x_axis, across.whole, lines);
  for (const LineOf<N>& line : lines) {
    for (Index i = line.first; i < line.first + line.count; ++i) {
      const auto child = any_child<x_axis, N>(context, flow[i]);
      Across align = alignment(own, child.traits());
      if (align == Across::stretch) align = Across::start;
      const N width = context.size(flow[i], x_axis);
      context.set_place(flow[i], x_axis,
                        place_in_slot<x_axis, false, N>(across, child, {line.at, line.size}, width, align, -1));
    }
  }
}

// --- heights and baselines, going up -------------------------------------------------------------------------------

/// First baseline of a row of the given natural height: of its first line's first baseline child, else of its first
/// child.
template <class N>
N row_baseline(const SolveContextOf<N>& context, Index node, const InFlow& flow, N height) {
  const Traits own = context.traits(node);
  const SidesOf<N> inset = context.edges_up(node).inset[y_axis];
  const LineOf<N>& line = context.scratch.lines.front();
  for (Index i = line.first; own.stands_on_base && i < line.first + line.count; ++i) {
    if (stands_on_baseline<N>(context, own, flow[i])) return inset.before + line.ascent;
  }
  const auto first = any_child<y_axis, N>(context, flow[0]);
  const N space = own.wrap ? line.size : height - inset.sum();
  const N unused_space = space - outer_across_up(first, context.need(flow[0]));
  const N ahead = ahead_by(first.auto_margins(false), unused_space, alignment(own, first.traits()), own.scroll_y);
  return inset.before + first.margin_up().before + ahead + first_baseline<N>(context, flow[0]);
}

template <class N>
void heights_up_row(SolveContextOf<N>& context, Index node) {
  const Traits own = context.traits(node);
  const InFlow all = context.flow(node), flow = is_list(context, node) ? all.first(1) : all;
  auto& lines = context.scratch.lines;
  const N inset = context.edges_up(node).inset[y_axis].sum(), gap = context.gap_up(node, y_axis);
  const auto by_lines = [&](HeightBy by) {
    split_lines<N>(context, own, flow, lines);
    measure_lines_up<N>(context, own, flow, by, lines);
    return context.height_by_aspect(node, inset + max_of(0.0, sum_of_lines<N>(lines, gap)));
  };
  if (own.holds_scroller) context.set_least_height(node, own.scroll_y ? N(inset) : by_lines(HeightBy::least));
  context.set_need(node, by_lines(HeightBy::content));
  const N height = natural_height<N>(context, node);
  context.set_baseline(node, flow.size() == 0 ? height : row_baseline(context, node, flow, height));
}

/// How far automatic margins push the first child of a column of the given natural height from where it is laid.
template <class N>
N pushed_ahead(SolveContextOf<N>& context, Index node, N height) {
  const N inset = context.edges_up(node).inset[y_axis].sum();
  const auto [laying, line_items, taken, _] = gather_line_items<y_axis, N>(context, node, max_of(0.0, height - inset));
  const unsigned automatic = any_child<y_axis, N>(context, laying.flow[0]).auto_margins(laying.flip);
  if ((automatic & 1U) == 0) return 0;
  if (!laying.traits.wrap) return share_line<y_axis, N>(laying, line_items, taken).automatic_part;
  const Index end = end_of_line<y_axis, N>(laying, 0);
  const std::span<LineItemOf<N>> line = line_items.first(end);
  return share_line<y_axis, N>(laying, line, {wanted_by<N>(line), margins_of(laying, 0, end)}).automatic_part;
}

/// First baseline of a column: its first child's, as laid.
template <class N>
N column_baseline(SolveContextOf<N>& context, Index node, Index first, N height) {
  const SidesOf<N> inset = context.edges_up(node).inset[y_axis], margin = context.edges_up(first).margin[y_axis];
  const N ahead =
      context.traits(first).auto_margin && !is_list(context, node) ? pushed_ahead(context, node, height) : 0;
  if (!context.traits(node).reverse) return inset.before + margin.before + ahead + first_baseline<N>(context, first);
  return height - inset.after - margin.after - ahead - natural_height<N>(context, first) +
         first_baseline<N>(context, first);
}

/// What a child counts of the least height of its column: what it can shrink to, or the height that it keeps where it
/// cannot. A scroller that can shrinks to its padding, or its minimum.
template <bool plain, class N>
N least_along(const SolveContextOf<N>& context, const Traits& column, const Child<y_axis, plain, N>& child) {
  const N least = context.least_height(child.node());
  const bool rigid = !child.can_shrink() && !factors_of(context, column, child).weighted;
  if (rigid || !child.traits().scroll_y)
    return AlongUp(context, column, child, context.need(child.node()), least).outer(least);
  const BoundsOf<N> bounds = child.bounds(child.inset_up(), unknown);
  return bounds.clamp(least) * child.counted_scale() + child.margin_up().sum();
}

template <class N>
void heights_up_column(SolveContextOf<N>& context, Index node) {
  const Traits own = context.traits(node);
  const InFlow flow = context.flow(node);
  const N inset = context.edges_up(node).inset[y_axis].sum();
  const N gaps = flow.size() > 1 ? context.gap_up(node, y_axis) * (flow.size() - 1) : 0.0;
  const auto by_sum = [&](N sum) { return context.height_by_aspect(node, inset + max_of(0.0, sum)); };
  const bool list = is_list(context, node);
  const auto by_children = [&](const auto& counted) {
    if (list && flow.size() > 0) {
      const N first = with_child<y_axis, N>(context, flow[0], counted);
      return by_sum(all_like_first<N>(context, node, flow.size(), first, y_axis));
    }
    N sum = gaps;
    for (Index i = 0; i < flow.size(); ++i) sum += with_child<y_axis, N>(context, flow[i], counted);
    return by_sum(sum);
  };
  if (own.holds_scroller) {
    const auto least = [&](const auto& child) { return least_along(context, own, child); };
    context.set_least_height(node, own.scroll_y ? N(inset) : by_children(least));
  }
  bool stands = false;
  if constexpr (std::is_same_v<N, double>) {
    stands = !list && kept_line::stands(context, node);
    if (stands) context.set_need(node, by_sum(kept_line::sum(context, node, gaps)));
  }
  if (!stands) {
    context.set_need(node, by_children([&](const auto& child) {
                       const N need = context.need(child.node());
                       return AlongUp(context, own, child, need, context.least_height(child.node())).outer(need);
                     }));
  }
  const N height = natural_height<N>(context, node);
  context.set_baseline(node, flow.size() == 0 ? height : column_baseline(context, node, flow[0], height));
}

}  // namespace

namespace line {

template <class N>
void widths_up(SolveContextOf<N>& context, Index node) {
  leaf::settle_pinned(context, node);
  is_row(context.traits(node)) ? widths_up_row<N>(context, node) : widths_up_column<N>(context, node);
}

template <class N>
void widths_down(SolveContextOf<N>& context, Index node) {
  is_row(context.traits(node)) ? lay_along<x_axis, N>(context, node) : lay_across_column<N>(context, node);
  place_pinned(context, node, x_axis);
}

template <class N>
void heights_up(SolveContextOf<N>& context, Index node) {
  is_row(context.traits(node)) ? heights_up_row<N>(context, node) : heights_up_column<N>(context, node);
}

template <class N>
void heights_down(SolveContextOf<N>& context, Index node) {
  const Traits own = context.traits(node);
  if (is_row(own)) {
    lay_across_row<N>(context, node);
  } else {
    lay_along<y_axis, N>(context, node);
    if (own.wrap) lay_lines_of_column<N>(context, node);
  }
  place_pinned(context, node, y_axis);
}

void lay_one_across(SolveContext& context, Index container, Index child) {
  const Traits own = context.traits(container);
  const Across align = alignment(own, context.traits(child));
  if (is_row(own)) {
    const CrossAxis<y_axis, double> across(context, container, false);
    place_across<y_axis, double>(context, across, child, {0, across.whole}, align);
  } else {
    const CrossAxis<x_axis, double> across(context, container, context.mirrored);
    place_across<x_axis, double>(context, across, child, {0, across.whole}, align);
  }
}

FOND_LADDER_STEPS_FOR(double)
FOND_LADDER_STEPS_FOR(TracedNumber)

}  // namespace line
}  // namespace fond_ladder::inline v0::detail
