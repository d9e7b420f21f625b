// SPDX-License-Identifier: MIT
#include "solve/state/solve_context.hpp"

#include "solve/numbers/traced_number.hpp"
#include "solve/state/dragged_setting.hpp"

namespace fond_ladder::inline v0::detail {
namespace {

/// An automatic margin has none.
Length length_of(const Edge& edge) {
  return edge.is_automatic() ? Length() : edge.length();
}

}  // namespace

template <class N>
ViewOf<N>::ViewOf(const TreeStore& store, const StateOf<N>& results)
    : em(store.em()),
      mirrored(store.direction() == Direction::rtl),
      text_shaper(store.setting().text_shaper.get()),
      resolved_(results.resolved.data()),
      own_resolved_(&results.own_resolved),
      dragged_(results.dragged),
      rare_fields_(store.rare_fields_list().data()),
      contents_(store.contents().data()),
      own_(results.forms.own.data()) {
  const Flat& flat = store.flat();
  first_child_ = flat.first_child.data();
  child_count_ = flat.child_count.data();
  parent_ = flat.parent.data();
  see(results.forms.exist() ? results.forms.records : flat);
  min_content_ = results.min_content.data();
  max_content_ = results.max_content.data();
  need_ = results.need.data();
  least_height_ = results.least_height.data();
  baseline_ = results.baseline.data();
  flags_ = results.flags.data();
  cells_ = results.cells.data();
  for (std::size_t axis = 0; axis < 2; ++axis) {
    size_[axis] = results.size[axis].data();
    place_[axis] = results.place[axis].data();
  }
}

/// The arrays that keys were compiled to: the tree's, or those of a solver that sees other forms.
template <class N>
void ViewOf<N>::see(const Records& records) {
  traits_ = records.traits.data();
  extra_ = records.rare_fields.data();
  content_ = records.content.data();
  grow_ = records.grow.data();
  for (std::size_t axis = 0; axis < 2; ++axis) {
    given_[axis] = records.given[axis].data();
    smallest_[axis] = records.smallest[axis].data();
    largest_[axis] = records.largest[axis].data();
    inner_[axis] = records.inner[axis].data();
  }
}

template <class N>
SolveContextOf<N>::SolveContextOf(const TreeStore& tree, StateOf<N>& state, ScratchOf<N>& scratch_space,
                                  ChangeLog& changes)
    : View(tree, state),
      scratch(scratch_space),
      store(tree),
      state_(state),
      changes_(changes),
      records_changes_(changes.wanted && !changes.everything) {
  min_content_out_ = state.min_content.data();
  max_content_out_ = state.max_content.data();
  need_out_ = state.need.data();
  least_height_out_ = state.least_height.data();
  baseline_out_ = state.baseline.data();
  flags_out_ = state.flags.data();
  cells_out_ = state.cells.data();
  visits_ = state.visits.data();
  for (std::size_t axis = 0; axis < 2; ++axis) {
    size_out_[axis] = state.size[axis].data();
    place_out_[axis] = state.place[axis].data();
  }
}

template <class N>
void SolveContextOf<N>::write_change_down(Index node, bool had_place) {
  if (has(node, NodeFlag::change_recorded)) return;
  set_flag(node, NodeFlag::change_recorded, true);
  if constexpr (std::is_same_v<N, double>) {  // others follow no changes
    changes_.boxes.push_back(
        {node, {place(node, x_axis), place(node, y_axis)}, {size(node, x_axis), size(node, y_axis)}, had_place});
  }
}

template <class N>
N ViewOf<N>::percent_gap(Index container, Axis axis, N inner) const {
  return length(
      container, [&](const Keys& own) { return axis == x_axis ? own.gap.x : own.gap.y; }, inner);
}

template <class N>
N ViewOf<N>::aspect_height(Index node) const {
  const N width = size(node, x_axis);
  N height = 0;
  if (rare_fields(node).keys && keys(node).aspect_ratio) {
    height = width / *keys(node).aspect_ratio;
  } else {  // a picture keeps its own shape inside its padding
    const N inner = max_of(0.0, width - edges_down(node).inset[x_axis].sum());
    height = inner * (natural(node, y_axis) / natural(node, x_axis)) + edges_up(node).inset[y_axis].sum();
  }
  return min_of(height, limits::largest_length);
}

template <class N>
EdgeSpaceOf<N>& SolveContextOf<N>::resolved_of(Index node) {
  const Index place = extra_place(node), record = place & ~of_solver;
  if (record == place) return state_.resolved[place];
  if constexpr (std::is_same_v<N, double>) {
    return state_.forms.own[record].resolved;
  } else {
    return state_.own_resolved[record];
  }
}

template <class N>
void SolveContextOf<N>::resolve_percent_edges(Index node, Axis axis, N whole) {
  const Side before = axis == x_axis ? Side::left : Side::top, after = axis == x_axis ? Side::right : Side::bottom;
  const auto px = [&](Edges Keys::*edges, Side side) {
    return this->length(
        node, [&](const Keys& own) { return length_of((own.*edges).on(side, mirrored)); }, whole);
  };
  SidesOf<N> margin{px(&Keys::margin, before), px(&Keys::margin, after)};
  SidesOf<N> inset{px(&Keys::padding, before), px(&Keys::padding, after)};
  const BorderAt border_at = keys(node).border_at;
  if (border_at == BorderAt::inside || border_at == BorderAt::around) {
    SidesOf<N>& space = border_at == BorderAt::inside ? inset : margin;
    space.before = min_of(space.before + px(&Keys::border, before), limits::largest_length);
    space.after = min_of(space.after + px(&Keys::border, after), limits::largest_length);
  }
  EdgeSpaceOf<N>& resolved = resolved_of(node);
  if (!is_same(inset.before, resolved.inset[axis].before) || !is_same(inset.after, resolved.inset[axis].after)) {
    set_flag(node, NodeFlag::edges_moved, true);
  }
  resolved.margin[axis] = margin;
  resolved.inset[axis] = inset;
}

template <class N>
bool ViewOf<N>::holds_content(Index node) const {
  if (!is_container(traits(node).node_kind())) return content(node) != nullptr;
  const Index first = first_child(node), count = child_count(node);
  return std::any_of(traits_ + first, traits_ + first + count,
                     [](const Traits& child) { return !child.hidden && !child.pinned; });
}

template <class N>
SidesOf<N> ViewOf<N>::border(Index node, Axis axis) const {
  if (!rare_fields(node).keys || keys(node).border_at != BorderAt::inside) return {};
  const auto px = [&](Side side) {
    return length(
        node, [&](const Keys& own) { return own.border.on(side, mirrored).length(); }, N(0));
  };
  return {px(axis == x_axis ? Side::left : Side::top), px(axis == x_axis ? Side::right : Side::bottom)};
}

template <class N>
void ViewOf<N>::list_odd_flow(Index container, std::vector<Index>& listed) const {
  listed.clear();
  bool ordered = false;
  const Index first = first_child(container), count = child_count(container);
  for (Index child = first; child < first + count; ++child) {
    const Traits own = traits(child);
    if (own.hidden || own.pinned) continue;
    ordered |= own.ordered != 0;
    listed.push_back(child);
  }
  if (!ordered) return;
  const auto rank = [&](Index child) { return traits(child).ordered ? keys(child).order.rank : 0; };
  std::sort(listed.begin(), listed.end(), [&](Index a, Index b) {
    const int of_a = rank(a), of_b = rank(b);
    return of_a != of_b ? of_a < of_b : a < b;
  });
}

template class ViewOf<double>;
template class ViewOf<TracedNumber>;
template class SolveContextOf<double>;
template class SolveContextOf<TracedNumber>;

}  // namespace fond_ladder::inline v0::detail
