// SPDX-License-Identifier: MIT
#include "solve/answers/account.hpp"

#include "solve/kinds/entries.hpp"
#include "solve/kinds/line_items.hpp"
#include "solve/kinds/lines.hpp"
#include "solve/numbers/traced_number.hpp"

namespace fond_ladder::inline v0::detail {
namespace {

template <Axis axis, class N>
std::vector<LineAccountOf<N>> accounts_along(const ViewOf<N>& view, Index node) {
  const N inner = view.inner_size(node, axis);
  const Traits own = view.traits(node);
  std::vector<Index> listed;
  const Laying<axis, const ViewOf<N>> laying{view,
                                             node,
                                             own,
                                             inner,
                                             view.gap_down(node, axis, inner),
                                             lays_backwards(view, own, axis),
                                             view.flow(node, listed)};
  const bool list = is_list(view, node);
  std::vector<LineAccountOf<N>> lines;
  for (Index i = 0; i < laying.flow.size(); ++i) {
    const Index child = laying.flow[i];
    if (i == 0 || begins_line(view, own, child)) lines.push_back({inner, laying.gap, 0, 1, {}});
    with_child<axis>(view, child, [&](const auto& any_child) {
      ChildAccountOf<N> account;
      account.node = child;
      const Factors factors = list ? no_factors : factors_of(view, own, any_child);
      account.weighted = factors.weighted;
      account.line_item = line_item_of(laying, any_child, factors);
      account.line_item.size = view.size(child, axis) * any_child.counted_scale();
      account.margin = any_child.margin_down(laying.flip);
      account.auto_margins = any_child.auto_margins(laying.flip);
      lines.back().margins += account.margin.sum();
      lines.back().children.push_back(account);
    });
  }
  if (own.shares_total) {
    for (LineAccountOf<N>& line : lines) {
      N sum = 0;
      for (const ChildAccountOf<N>& child : line.children) sum += child.line_item.grow;
      line.factors = max_of(N(*view.keys(node).out_of), sum);
      for (ChildAccountOf<N>& child : line.children) child.line_item.grow /= line.factors > 0 ? line.factors : N(1);
    }
  }
  return lines;
}

}  // namespace

template <class N>
std::vector<LineAccountOf<N>> line_accounts(const ViewOf<N>& view, Index container) {
  return is_row(view.traits(container)) ? accounts_along<x_axis>(view, container)
                                        : accounts_along<y_axis>(view, container);
}

template std::vector<LineAccount> line_accounts(const View&, Index);
template std::vector<LineAccountOf<TracedNumber>> line_accounts(const ViewOf<TracedNumber>&, Index);

}  // namespace fond_ladder::inline v0::detail
