// SPDX-License-Identifier: MIT
//
// What containers have to know of what is in them. An edit raises it where it arises; raised too far it costs time,
// never a number; packing finds it afresh. What a node can be in any of its forms counts, for the tree serves solvers
// in all.
#include "model/tree_store.hpp"

#include <algorithm>

namespace fond_ladder::inline v0::detail {

TreeStore::Left TreeStore::leaving(Index node) const {
  const Traits own = flat_.traits[node];
  return {forms_of(node) != nullptr || (!own.hidden && !own.pinned), is_odd(node)};
}

Traits TreeStore::in_all_forms(Index node) const {
  Traits all = flat_.traits[node];
  for (const NodeForm& form : *forms_of(node)) {
    const Keys& keys = form.change.values();
    all.hidden |= keys.hidden ? 1U : 0U;
    all.pinned |= keys.pin ? 1U : 0U;
    all.ordered |= keys.order.rank != 0 ? 1U : 0U;
    all.celled |= keys.cell || keys.span != CellSpan{} || !keys.area.empty() ? 1U : 0U;
    all.scroll_y |= scrolls_y(keys.scroll) ? 1U : 0U;
    all.percent_edges |= has_percentage(keys.margin) || has_percentage(keys.padding) ? 1U : 0U;
    if (keys.place_self.across == Across::baseline)
      all.place_self_across = static_cast<std::uint64_t>(Across::baseline);
    if (keys.kind == Kind::grid) all.kind = static_cast<std::uint64_t>(Kind::grid);
  }
  return all;
}

void TreeStore::keep_facts(Index node, Traits& traits) const {
  const Traits was = flat_.traits[node];
  traits.odd_children = was.odd_children;
  traits.odd_cells = was.odd_cells;
  traits.stands_on_base = was.stands_on_base || static_cast<Across>(traits.across) == Across::baseline;
  traits.holds_scroller = traits.scroll_y;
  if (!is_container(traits.node_kind())) return;
  traits.holds_scroller |= was.holds_scroller;
  if (is_container(was.node_kind())) return;
  for_each_child(node, [&](Index child) {  // its descendants count from here on
    traits.holds_scroller |= flat_.traits[child].holds_scroller;
  });
}

void TreeStore::notify_parent(Index node) {
  const Traits traits = at_most(node);
  has_percent_edges_ |= traits.percent_edges != 0;
  has_grids_ |= traits.node_kind() == Kind::grid;
  if (flat_.parent[node] == no_index) return;
  Traits& above = flat_.traits[flat_.parent[node]];
  above.odd_cells |= traits.celled;
  above.stands_on_base |= traits.place_self_across == static_cast<std::uint64_t>(Across::baseline) ? 1U : 0U;
}

void TreeStore::notify_scroller(Index node, bool is_dirty) {
  if (!at_most(node).scroll_y && !flat_.traits[node].holds_scroller) return;
  const auto may_hold = [&](Index one) { return is_container(kind(one)) || forms_of(one) != nullptr; };
  flat_.traits[node].holds_scroller = 1;
  has_scrollers_ = true;
  for (node = flat_.parent[node]; node != no_index && may_hold(node); node = flat_.parent[node]) {
    if (flat_.traits[node].holds_scroller) return;
    flat_.traits[node].holds_scroller = 1;
    if (is_dirty) stamp(node, Edit::own);  // solvers have no least height of it yet
  }
}

void TreeStore::count_odd_child(Index above, bool was, bool is) {
  if (was == is || above == no_index) return;
  Ahead& counted = ahead_[above];
  if (counted.odd < Ahead::many) {
    counted.odd += is ? 1 : -1;
  } else if (was) {
    Index odd = 0;
    for_each_child(above, [&](Index child) { odd += is_odd(child) ? 1 : 0; });
    counted.odd = std::min(odd, Ahead::many);
  }
  flat_.traits[above].odd_children = counted.odd > 0;
}

void TreeStore::survey() {
  has_percent_edges_ = false;
  has_grids_ = false;
  has_scrollers_ = false;
  most_children_ = 0;
  for (Index node = 0; node < flat_.size(); ++node) {
    Traits& traits = flat_.traits[node];
    traits.odd_children = 0;
    traits.odd_cells = 0;
    traits.holds_scroller = traits.scroll_y;
    traits.stands_on_base = static_cast<Across>(traits.across) == Across::baseline;
    most_children_ = std::max<std::size_t>(most_children_, flat_.child_count[node]);
    notify_parent(node);
    count_odd_child(flat_.parent[node], false, is_odd(node));
    notify_scroller(node, false);
  }
}

}  // namespace fond_ladder::inline v0::detail
