// SPDX-License-Identifier: MIT
#include "solve/entries.hpp"

#include <type_traits>

#include "solve/kept_line.hpp"
#include "solve/moving.hpp"
#include "solve/portions.hpp"

namespace fond_ladder::inline v0::detail {

template <Axis axis, class N>
void lay_entries(FrameOf<N>& frame, Index list) {
  if constexpr (axis == y_axis && std::is_same_v<N, double>) kept_line::drop(frame, list);
  const Traits own = frame.traits(list);
  const N inner = frame.inner_size(list, axis);
  const Laying<axis, FrameOf<N>> laying{
      frame, list, own, inner, frame.gap_down(list, axis, inner), lays_backwards(frame, own, axis), frame.flow(list)};
  const SidesOf<N> edges = frame.content_edges(list, axis);
  N at = 0;
  for (Index i = 0; i < laying.flow.size(); ++i) {
    if (!frame.is_plain(laying.flow[i])) frame.resolve_edges(laying.flow[i], axis, inner);
    const auto child = any_child<axis, N>(frame, laying.flow[i]);
    const PortionOf<N> portion = portion_of(laying, child, no_factors);
    const N counted = portion.held(portion.base), size = counted / child.counted_scale();
    const SidesOf<N> margin = child.margin_down(laying.flip);
    const N from_start = at + margin.before + child.ahead_in(counted, size);
    frame.set_place(child.node(), axis, laying.flip ? edges.after - from_start - size : edges.before + from_start);
    frame.template set_size<axis>(child.node(), size, child.traits().passive);
    at += margin.sum() + counted + laying.gap;
    if (i == 0) at += static_cast<double>(listed_entries(frame, list, laying.flow.size()).before) * at;
  }
}

template void lay_entries<x_axis>(FrameOf<double>&, Index);
template void lay_entries<y_axis>(FrameOf<double>&, Index);
template void lay_entries<x_axis>(FrameOf<Moving>&, Index);
template void lay_entries<y_axis>(FrameOf<Moving>&, Index);

}  // namespace fond_ladder::inline v0::detail
