// SPDX-License-Identifier: MIT
#include "solve/passes/node_ranges.hpp"

#include "model/sound_container.hpp"
#include "solve/kinds/steps.hpp"
#include "solve/numbers/traced_number.hpp"
#include "solve/state/dragged_setting.hpp"

namespace fond_ladder::inline v0::detail {
namespace {

/// Whether a width reaches a bound, but for what may be rounding.
template <class N>
bool reaches(const N& width, double bound) {
  return !exceeds(N(bound), width, line_slack(bound));
}

template <class N>
bool holds(const Range& range, const N& width) {
  return (!range.from_width || reaches(width, *range.from_width)) &&
         (!range.below_width || !reaches(width, *range.below_width));
}

}  // namespace

template <class N>
void NodeRangesOf<N>::mark_all() {
  store_.forms().for_each_declaring(
      [&](Index slot) { context_.set_flag(store_.place_of_slot(slot), NodeFlag::declares, true); });
}

template <class N>
bool NodeRangesOf<N>::is_concerned(Index node, bool arrived, bool edited) const {
  const Index slot = store_.slot(node);
  const bool declares = store_.forms().node_ranges(slot) != nullptr, did = state_.forms.scope(slot) != nullptr;
  return arrived || (edited && (declares || did)) || (did && state_.forms.any_own_holds());
}

template <class N>
void NodeRangesOf<N>::renew(Index node) {
  enter(node, 0);
}

/// Nodes come parents first, and are measured backwards. The widths by content of `node` itself stay: they are those
/// that its parent used.
template <class N>
void NodeRangesOf<N>::enter(Index node, std::uint32_t active) {
  const bool has_percent_edges = context_.traits(node).percent_edges != 0;
  const EdgeSpaceOf<N> resolved = has_percent_edges ? EdgeSpaceOf<N>(context_.edges_down(node)) : EdgeSpaceOf<N>();
  const std::vector<Index>& entered = state_.forms.enter(store_, node, active);
  if constexpr (!std::is_same_v<N, double>) {
    state_.own_resolved.resize(state_.forms.own.size());
    if (state_.dragged != nullptr && !state_.dragged->enter_forms(state_.forms, entered, active)) {
      traced_decisions->opaque = true;
    }
  }
  if (has_percent_edges) context_.take_resolved(node, resolved);  // its parent laid it, and knows no forms of its own
  const N least = context_.min_content(node), most = context_.max_content(node);
  for (std::size_t i = entered.size(); i-- > 0;) {
    context_.set_flag(entered[i], NodeFlag::declares, state_.forms.scope(store_.slot(entered[i])) != nullptr);
    context_.set_flag(entered[i], NodeFlag::keeps_line, false);
    if (i > 0) context_.set_flag(entered[i], NodeFlag::edges_moved, true);
    if (!context_.is_settled(entered[i])) widths_up<N>(context_, entered[i]);
  }
  context_.set_content_widths(node, least, most);
  visited_ += entered.size();
}

template <class N>
bool NodeRangesOf<N>::decide(Index node) {
  const Index slot = store_.slot(node);
  const OwnScope* scope = state_.forms.scope(slot);
  if (scope == nullptr) return false;
  const std::vector<Range>& ranges = *store_.forms().node_ranges(slot);
  const N width = context_.size(node, x_axis);
  std::uint32_t active = 0;
  for (std::size_t i = 0; i < ranges.size(); ++i) active |= holds(ranges[i], width) ? 1U << i : 0U;
  const bool is_other = active != scope->active;
  if (is_other) enter(node, active);
  state_.forms.show_own_inset(node);
  if (is_other) record_removed(node);
  return is_other;
}

template <class N>
void NodeRangesOf<N>::record_removed(Index node) {
  if constexpr (std::is_same_v<N, double>) {
    std::vector<std::pair<Index, bool>> open{{node, true}};
    while (!open.empty()) {
      const auto [at, is_placed] = open.back();
      open.pop_back();
      if (!is_placed && !context_.has(at, NodeFlag::needs_widths)) {
        context_.record_change(at, true);
        context_.set_flag(at, NodeFlag::needs_widths, true);
      }
      const bool shows = is_placed && is_container(context_.traits(at).node_kind());
      store_.for_each_child(at,
                            [&](Index child) { open.emplace_back(child, shows && !context_.traits(child).hidden); });
    }
  }
}

template class NodeRangesOf<double>;
template class NodeRangesOf<TracedNumber>;

}  // namespace fond_ladder::inline v0::detail
