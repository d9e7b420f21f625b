// SPDX-License-Identifier: MIT
#pragma once

// Lists of which only the entries in view are arranged: rows and columns that scroll along and have `virtualized`.
//
// The children of such a list are its first entry, which is always arranged, and a run of entries in view; how many
// there are in all, and which entry the run begins with, is in the key. Widths and heights on the way up are those
// of the first entry. Along the list nothing is shared: each entry has its preferred size. Entries
// between the first and the run count as large as the first; entries after the run as the average of the arranged ones,
// so that everything follows from this one solve. Which entries are in view is found by lists_in_view.cpp.

#include <algorithm>
#include <cstdint>

#include "solve/kinds/child.hpp"

namespace fond_ladder::inline v0::detail {

/// The axis along which a row or column lays its children.
[[nodiscard]] inline Axis along_of(const Traits& container) {
  return container.node_kind() == Kind::row ? x_axis : y_axis;
}

/// Whether only the entries in view are arranged of a container.
template <class N>
[[nodiscard]] bool is_list(const ViewOf<N>& view, Index container) {
  const Traits own = view.traits(container);
  if (!any_true(own.scroll_x, own.scroll_y)) return false;
  const bool line = own.node_kind() == Kind::row || own.node_kind() == Kind::column;
  if (!line || !own.scrolls(along_of(own)) || own.wrap || own.reverse) return false;
  const auto& keys = view.rare_fields(container).keys;
  return keys && keys->virtualized.on;
}

/// The entries of a list, and those of them that are not arranged.
struct ListedEntries {
  std::uint32_t all = 0;     ///< entries, those that are arranged too
  std::uint32_t before = 0;  ///< between the first and the second child
  std::uint32_t after = 0;   ///< behind the last child
};
/// `arranged`: the children in its flow.
template <class N>
[[nodiscard]] ListedEntries listed_entries(const ViewOf<N>& view, Index list, Index arranged) {
  const Virtualized& list_keys = view.keys(list).virtualized;
  ListedEntries listed{std::max<std::uint32_t>(list_keys.entries, arranged)};
  if (arranged == 0) return {};
  if (arranged > 1) listed.before = std::min<std::uint32_t>(list_keys.second - 1, listed.all - arranged);
  listed.after = listed.all - arranged - listed.before;
  return listed;
}

/// What an entry takes along its list once it has its size, the gap behind it left out.
template <Axis axis, class N>
[[nodiscard]] N taken_along(const ViewOf<N>& view, Index entry, bool flip) {
  const auto child = any_child<axis, N>(view, entry);
  return child.margin_down(flip).sum() + view.size(entry, axis) * child.counted_scale();
}

/// The size of all entries of a list on the way up, each as large as the first; at most the largest length.
template <class N>
[[nodiscard]] N all_like_first(const ViewOf<N>& view, Index list, Index arranged, N first, Axis axis) {
  const auto entries = static_cast<double>(listed_entries(view, list, arranged).all);
  if (entries == 0) return 0;
  return max_of(0.0, min_of(N(limits::largest_length), entries * first + (entries - 1) * view.gap_up(list, axis)));
}

/// How much longer a list is than what of it is arranged, when that has its sizes: on average of those.
template <Axis axis, class N, class Flow>
[[nodiscard]] N invisible_behind(const ViewOf<N>& view, Index list, const Flow& flow, bool flip) {
  const ListedEntries listed = listed_entries(view, list, static_cast<Index>(flow.size()));
  if (listed.after == 0) return 0;
  N sum = 0;
  for (Index i = 0; i < flow.size(); ++i) sum += taken_along<axis, N>(view, flow[i], flip);
  const N gap = view.gap_down(list, axis, view.inner_size(list, axis));
  return static_cast<double>(listed.after) * (sum / static_cast<double>(flow.size()) + gap);
}

/// Lays the arranged entries of a list along it.
template <Axis axis, class N>
void lay_entries(SolveContextOf<N>& context, Index list);

}  // namespace fond_ladder::inline v0::detail
