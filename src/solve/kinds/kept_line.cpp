// SPDX-License-Identifier: MIT
#include "solve/kinds/kept_line.hpp"

#include "solve/kinds/line_items.hpp"
#include "solve/sharing/spread.hpp"

namespace fond_ladder::inline v0::detail::kept_line {
namespace {

/// Shorter ones are looked at as fast as their flags are set.
constexpr std::size_t worth_keeping = 16;

bool cannot_shrink(const LineItem& line_item) {
  return line_item.shrink == 0 || line_item.least >= line_item.base;
}

}  // namespace

void note(SolveContext& context, Index column, std::span<const LineItem> line_items, bool all_plain) {
  if (line_items.size() < worth_keeping) return drop(context, column);
  const Traits own = context.traits(column);
  bool keeps =
      all_plain && !own.wrap && !own.odd_children && !own.holds_scroller && !own.equal_sizes && !own.shares_total;
  bool stiff = true;
  if (keeps) {
    for (const LineItem& line_item : line_items) {
      keeps &= line_item.grow == 0 && line_item.size == line_item.clamp(line_item.base);
      stiff &= cannot_shrink(line_item);
    }
  }
  context.set_flag(column, NodeFlag::keeps_line, keeps);
  context.set_flag(column, NodeFlag::stiff_line, stiff);
}

void take_child(SolveContext& context, Index column, Index child) {
  if (!context.has(column, NodeFlag::keeps_line)) return;
  if (!context.is_plain(child) || context.traits(child).holds_scroller) return drop(context, column);
  const Laying<y_axis, SolveContext> laying{context, column, context.traits(column),      0,
                                            0,       false,  context.all_children(column)};
  const LineItem line_item = line_item_of(laying, Child<y_axis, true>(context, child));
  if (line_item.grow != 0) return drop(context, column);
  context.keep_size(child, y_axis, line_item.clamp(line_item.base));
  if (!cannot_shrink(line_item)) context.set_flag(column, NodeFlag::stiff_line, false);
}

double sum(const View& view, Index column, double first) {
  const Index from = view.first_child(column), behind = from + view.child_count(column);
  for (Index child = from; child < behind; ++child) first += view.size(child, y_axis);
  return first;
}

bool lay(SolveContext& context, Index column) {
  const Traits own = context.traits(column);
  const Index from = context.first_child(column), count = context.child_count(column);
  if (count == 0) return true;
  const double inner = context.inner_size(column, y_axis), gap = context.gap_down(column, y_axis, inner);
  const double space = inner - gap * (count - 1), taken = sum(context, column, 0);
  if (taken > space && !context.has(column, NodeFlag::stiff_line)) return false;
  const Spread spread_by = spread(as_rest(static_cast<Along>(own.along)), space - taken, count, own.scrolls(y_axis));
  const Sides edges = context.content_edges(column, y_axis);
  const double step = gap + spread_by.between;
  const bool flip = lays_backwards(context, own, y_axis);
  double at = spread_by.before;
  for (Index child = from; child < from + count; ++child) {
    const double size = context.size(child, y_axis);
    context.set_place(child, y_axis, flip ? edges.after - at - size : edges.before + at);
    at += size;
    at += step;
  }
  return true;
}

}  // namespace fond_ladder::inline v0::detail::kept_line
