// SPDX-License-Identifier: MIT
#include "solve/kinds/entries.hpp"

#include <type_traits>

#include "solve/kinds/kept_line.hpp"
#include "solve/kinds/line_items.hpp"
#include "solve/numbers/traced_number.hpp"

namespace fond_ladder::inline v0::detail {

template <Axis axis, class N>
void lay_entries(SolveContextOf<N>& context, Index list) {
  if constexpr (axis == y_axis && std::is_same_v<N, double>) kept_line::drop(context, list);
  const Traits own = context.traits(list);
  const N inner = context.inner_size(list, axis);
  const Laying<axis, SolveContextOf<N>> laying{
      context,           list, own, inner, context.gap_down(list, axis, inner), lays_backwards(context, own, axis),
      context.flow(list)};
  const SidesOf<N> edges = context.content_edges(list, axis);
  N at = 0;
  for (Index i = 0; i < laying.flow.size(); ++i) {
    if (!context.is_plain(laying.flow[i])) context.resolve_edges(laying.flow[i], axis, inner);
    const auto child = any_child<axis, N>(context, laying.flow[i]);
    const LineItemOf<N> line_item = line_item_of(laying, child, no_factors);
    const N counted = line_item.clamp(line_item.base), size = counted / child.counted_scale();
    const SidesOf<N> margin = child.margin_down(laying.flip);
    const N from_start = at + margin.before + child.ahead_in(counted, size);
    context.set_place(child.node(), axis, laying.flip ? edges.after - from_start - size : edges.before + from_start);
    context.template set_size<axis>(child.node(), size, child.traits().passive);
    at += margin.sum() + counted + laying.gap;
    if (i == 0) at += static_cast<double>(listed_entries(context, list, laying.flow.size()).before) * at;
  }
}

template void lay_entries<x_axis>(SolveContextOf<double>&, Index);
template void lay_entries<y_axis>(SolveContextOf<double>&, Index);
template void lay_entries<x_axis>(SolveContextOf<TracedNumber>&, Index);
template void lay_entries<y_axis>(SolveContextOf<TracedNumber>&, Index);

}  // namespace fond_ladder::inline v0::detail
