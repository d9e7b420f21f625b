// SPDX-License-Identifier: MIT
#include "solve/kept_line.hpp"

#include "solve/portions.hpp"
#include "solve/spread.hpp"

namespace fond_ladder::inline v0::detail::kept_line {
namespace {

/// Shorter ones are looked at as fast as their flags are set.
constexpr std::size_t worth_keeping = 16;

bool cannot_shrink(const Portion& portion) {
  return portion.shrink == 0 || portion.least >= portion.base;
}

}  // namespace

void note(Frame& frame, Index column, std::span<const Portion> portions, bool all_plain) {
  if (portions.size() < worth_keeping) return drop(frame, column);
  const Traits own = frame.traits(column);
  bool keeps = all_plain && !own.wrap && !own.odd_children && !own.holds_scroller && !own.alike && !own.shares_total;
  bool stiff = true;
  if (keeps) {
    for (const Portion& portion : portions) {
      keeps &= portion.grow == 0 && portion.size == portion.held(portion.base);
      stiff &= cannot_shrink(portion);
    }
  }
  frame.set_flag(column, NodeFlag::keeps_line, keeps);
  frame.set_flag(column, NodeFlag::stiff_line, stiff);
}

void take_child(Frame& frame, Index column, Index child) {
  if (!frame.has(column, NodeFlag::keeps_line)) return;
  if (!frame.is_plain(child) || frame.traits(child).holds_scroller) return drop(frame, column);
  const Laying<y_axis, Frame> laying{frame, column, frame.traits(column), 0, 0, false, frame.all_children(column)};
  const Portion portion = portion_of(laying, Child<y_axis, true>(frame, child));
  if (portion.grow != 0) return drop(frame, column);
  frame.keep_size(child, y_axis, portion.held(portion.base));
  if (!cannot_shrink(portion)) frame.set_flag(column, NodeFlag::stiff_line, false);
}

double sum(const View& view, Index column, double first) {
  const Index from = view.first_child(column), behind = from + view.child_count(column);
  for (Index child = from; child < behind; ++child) first += view.size(child, y_axis);
  return first;
}

bool lay(Frame& frame, Index column) {
  const Traits own = frame.traits(column);
  const Index from = frame.first_child(column), count = frame.child_count(column);
  if (count == 0) return true;
  const double inner = frame.inner_size(column, y_axis), gap = frame.gap_down(column, y_axis, inner);
  const double room = inner - gap * (count - 1), taken = sum(frame, column, 0);
  if (taken > room && !frame.has(column, NodeFlag::stiff_line)) return false;
  const Spread spread_by = spread(as_rest(static_cast<Along>(own.along)), room - taken, count, own.scrolls(y_axis));
  const Sides edges = frame.content_edges(column, y_axis);
  const double step = gap + spread_by.between;
  const bool flip = lays_backwards(frame, own, y_axis);
  double at = spread_by.before;
  for (Index child = from; child < from + count; ++child) {
    const double size = frame.size(child, y_axis);
    frame.set_place(child, y_axis, flip ? edges.after - at - size : edges.before + at);
    at += size;
    at += step;
  }
  return true;
}

}  // namespace fond_ladder::inline v0::detail::kept_line
