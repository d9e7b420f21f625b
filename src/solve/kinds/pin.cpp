// SPDX-License-Identifier: MIT
//
// Pinned children are outside the flow: they do not count going up, and they are placed after all others,
// against the padding box of their parent. CSS Positioned Layout 3, section 4 gives the idea of insets that set a size.
//
// A side may be tied to edges of siblings instead. Those that are tied wait for those that they are tied to: each is
// placed once, depth first in the order of the file, which is linear in children and ties. A tie that would close a
// circle, or that leads to no sibling, counts as if that side were at the edge of the parent.
//
// Tests: semantics.md, plain_arranger_test.cpp, ties_test.cpp.
#include "solve/kinds/pin.hpp"

#include "solve/kinds/cross.hpp"
#include "solve/kinds/kinds.hpp"
#include "solve/numbers/traced_number.hpp"

namespace fond_ladder::inline v0::detail {
namespace {

/// The sides of one axis, start and end already mapped to left and right; none if nothing is set.
struct AxisPins {
  std::optional<PinSide> before, after, center;
  bool starts_far = false;  // start is the far edge, and decides where both ends are pinned or nothing is

  /// Whether the child holds to its far edge: that alone is pinned, or start decides and is that.
  [[nodiscard]] bool hold_far() const { return before && after ? starts_far : after || (!before && starts_far); }
};

AxisPins pins_on(const Pin& pin, Axis axis, bool mirrored) {
  const auto if_set = [&](PinSide side) { return pin.has(side) ? std::optional(side) : std::nullopt; };
  if (axis == y_axis) return {if_set(PinSide::top), if_set(PinSide::bottom), if_set(PinSide::middle_y)};
  const auto starts_left = if_set(mirrored ? PinSide::end : PinSide::start);
  const auto starts_right = if_set(mirrored ? PinSide::start : PinSide::end);
  const auto left = if_set(PinSide::left), right = if_set(PinSide::right);
  AxisPins pins{left ? left : starts_left, right ? right : starts_right, if_set(PinSide::middle_x)};
  pins.starts_far = mirrored && !left && !right;
  return pins;
}

/// Whether opposite pins set the size: it is not given, and no aspect gives it.
template <Axis axis, class N>
bool is_stretched_open(const Child<axis, false, N>& child, const AxisPins& pins) {
  if (!pins.before || !pins.after) return false;
  return child.way() == SizeWay::fill || (child.way() == SizeWay::automatic && !child.keeps_aspect());
}

bool has_ties(const Pin& pin, Axis axis) {
  return std::ranges::any_of(pin.ties, [&](const auto& tie) { return axis_of(tie.side) == axis; });
}

/// The position of an edge of a placed sibling, from the corner of the parent's border box.
template <class N>
N edge_of(const SolveContextOf<N>& context, Index sibling, PinSide edge) {
  const Axis axis = axis_of(edge);
  const N at = context.place(sibling, axis), size = context.size(sibling, axis);
  switch (end_of(edge, context.mirrored)) {
    case End::before: return at;
    case End::middle: return at + size / 2;
    case End::after: break;
  }
  return at + size;
}

template <Axis axis, class N>
class PinnedChild {
 public:
  /// `follows(i)` returns whether a tie, by its index in the pin, can be followed.
  template <class Follows>
  PinnedChild(SolveContextOf<N>& context, Index container, Index node, const Follows& follows)
      : context_(context), node_(node), border_(context.border(container, axis)) {
    whole_ = max_of(0.0, context.size(container, axis) - border_.sum());
    context.resolve_edges(node, axis, whole_);
    const Pin& pin = *context.keys(node).pin;
    const AxisPins pins = pins_on(pin, axis, context.mirrored && axis == x_axis);
    const N before = distance(container, pins.before, follows), after = distance(container, pins.after, follows);
    const auto child = any_child<axis, N>(context, node);
    const SidesOf<N> margin = child.margin_down(false);
    const N space = max_of(0.0, whole_ - before_space(pin, pins, before, after) - margin.sum());
    const N size = is_stretched_open(child, pins)
                       ? child.bounds(child.inset_down(), whole_).clamp(space / child.counted_scale())
                       : size_across_down<axis, false, N>(context, child, space, whole_, Across::start);
    N at = before + margin.before;
    if (pins.center && !pins.before && !pins.after) {
      at = (whole_ - size) / 2 + distance(container, pins.center, follows);
    } else if (pins.hold_far()) {
      at = whole_ - after - margin.after - size;
    }
    context.set_place(node, axis, border_.before + at);
    context.template set_size<axis>(node, size, child.traits().passive);
  }

 private:
  /// What distances and ties leave of the parent. A single tie leaves all: the child fits as if it were anywhere.
  N before_space(const Pin& pin, const AxisPins& pins, const N& before, const N& after) const {
    const bool both = pins.before && pins.after;
    const auto takes = [&](const std::optional<PinSide>& side) { return side && (both || !pin.has_tie(*side)); };
    return (takes(pins.before) ? before : N(0)) + (takes(pins.after) ? after : N(0));
  }

  /// From the side of the padding box, of the middle from its middle.
  template <class Follows>
  N distance(Index container, const std::optional<PinSide>& side, const Follows& follows) const {
    if (!side) return 0;
    if (context_.keys(node_).pin->distance(*side)) {
      return context_.length(
          node_, [&](const Keys& keys) { return *keys.pin->distance(*side); }, whole_);
    }
    const auto& ties = context_.keys(node_).pin->ties;
    N furthest = 0;
    bool any = false;
    for (std::size_t i = 0; i < ties.size(); ++i) {
      const Tie& tie = ties[i].tie;
      if (ties[i].side != *side || !follows(i)) continue;
      const N plus = context_.length(
          node_, [&](const Keys& keys) { return keys.pin->ties[i].tie.plus; }, whole_);
      const N at = edge_of(context_, sibling_of(context_.store, container, tie), tie.edge) - border_.before +
                   (counts_backwards(tie.edge, context_.mirrored) ? -plus : plus);
      const End end = end_of(*side, context_.mirrored);
      const N away = end == End::after ? whole_ - at : end == End::middle ? at - whole_ / 2 : at;
      furthest = any ? max_of(furthest, away) : away;
      any = true;
    }
    return furthest;
  }

  SolveContextOf<N>& context_;
  Index node_;
  SidesOf<N> border_;
  N whole_;
};

enum Mark : std::uint8_t { invisible, open, done };

/// Why a tie of a child cannot be followed at this point of a walk, on an axis; none where it can, or is of the other.
template <class SomeView>
std::optional<LooseTie::Why> why_loose(const SomeView& view, const TreeStore& store, Index container, Axis axis,
                                       const std::vector<std::uint8_t>& marks, const Tie& tie) {
  if (axis_of(tie.edge) != axis) return {};
  const Index sibling = sibling_of(store, container, tie);
  if (sibling == no_index) return LooseTie::Why::nobody;
  if (view.traits(sibling).hidden) return LooseTie::Why::hidden;
  if (!view.traits(sibling).pinned) {
    return axis == x_axis && places_late(view.traits(container)) ? std::optional(LooseTie::Why::late) : std::nullopt;
  }
  return marks[sibling - view.first_child(container)] == open ? std::optional(LooseTie::Why::circle) : std::nullopt;
}

/// The pin of a child that is tied on an axis; null for others.
template <class SomeView>
const Pin* tied_pin(const SomeView& view, Index child, Axis axis) {
  if (!view.traits(child).pinned || view.traits(child).hidden) return nullptr;
  const Pin& pin = *view.keys(child).pin;
  return has_ties(pin, axis) ? &pin : nullptr;
}

/// Calls `settle(child, pin)` for all children of a container that are tied on an axis, each behind those that it is
/// tied to; while it is called, whoever waits for the child is marked as open, and so is the child.
template <class SomeView, class Settle>
void walk_tied(const SomeView& view, const TreeStore& store, Index container, Axis axis, TieWalk& walk,
               const Settle& settle) {
  const Index first = view.first_child(container), count = view.child_count(container);
  walk.marks.assign(count, invisible);
  const auto begin = [&](Index child) {
    if (tied_pin(view, child, axis) == nullptr || walk.marks[child - first] != invisible) return;
    walk.marks[child - first] = open;
    walk.way.emplace_back(child, 0);
  };
  for (Index start = first; start < first + count; ++start) {
    begin(start);
    while (!walk.way.empty()) {
      const Index child = walk.way.back().first;
      const Pin& pin = *tied_pin(view, child, axis);
      if (walk.way.back().second < pin.ties.size()) {
        const Tie& tie = pin.ties[walk.way.back().second++].tie;
        const Index sibling = axis_of(tie.edge) == axis ? sibling_of(store, container, tie) : no_index;
        if (sibling != no_index) begin(sibling);
        continue;
      }
      settle(child, pin);
      walk.marks[child - first] = done;
      walk.way.pop_back();
    }
  }
}

template <Axis axis, class N>
void place_all(SolveContextOf<N>& context, Index container) {
  const Index first = context.first_child(container), count = context.child_count(container);
  bool holds_ties = false, tied = false;
  for (Index child = first; child < first + count; ++child) {
    if (!context.traits(child).pinned || context.traits(child).hidden) continue;
    holds_ties |= !context.keys(child).pin->ties.empty();
    if (tied_pin(context, child, axis) != nullptr) {
      tied = true;
    } else {
      PinnedChild<axis, N>(context, container, child, [](std::size_t) { return false; });
    }
  }
  context.set_flag(container, NodeFlag::holds_ties, holds_ties);
  if (!tied) return;
  walk_tied(context, context.store, container, axis, context.scratch.ties, [&](Index child, const Pin& pin) {
    PinnedChild<axis, N>(context, container, child, [&](std::size_t i) {
      return !why_loose(context, context.store, container, axis, context.scratch.ties.marks, pin.ties[i].tie);
    });
  });
}

}  // namespace

End end_of(PinSide side, bool mirrored) {
  switch (side) {
    case PinSide::left:
    case PinSide::top: return End::before;
    case PinSide::right:
    case PinSide::bottom: return End::after;
    case PinSide::start: return mirrored ? End::after : End::before;
    case PinSide::end: return mirrored ? End::before : End::after;
    case PinSide::middle_x:
    case PinSide::middle_y: break;
  }
  return End::middle;
}

Index sibling_of(const TreeStore& store, Index container, const Tie& tie) {
  if (!tie.node) return store.child_of_step(container, tie.to);
  if (!store.contains(tie.node)) return no_index;
  const Index sibling = store.index_of(tie.node);
  return store.parent(sibling) == container ? sibling : no_index;
}

std::vector<LooseTie> loose_ties(const View& view, const TreeStore& store, Index container) {
  std::vector<LooseTie> loose;
  TieWalk walk;
  for (const Axis axis : {x_axis, y_axis}) {
    walk_tied(view, store, container, axis, walk, [&](Index child, const Pin& pin) {
      for (std::size_t i = 0; i < pin.ties.size(); ++i) {
        const auto why = why_loose(view, store, container, axis, walk.marks, pin.ties[i].tie);
        if (why) loose.push_back({child, static_cast<Index>(i), *why});
      }
    });
  }
  return loose;
}

std::string loose_tie_words(LooseTie::Why why, std::string_view sibling) {
  const std::string tied = "it is tied to \"" + std::string(sibling) + "\", ";
  switch (why) {
    case LooseTie::Why::nobody: return tied + "which is not a sibling";
    case LooseTie::Why::hidden: return tied + "which is hidden";
    case LooseTie::Why::late: return tied + "whose position across a wrapping column is not known in time";
    case LooseTie::Why::circle: break;
  }
  return tied + "which is tied back to it";
}

template <class N>
void place_pinned(SolveContextOf<N>& context, Index container, Axis axis) {
  if (!context.traits(container).odd_children) return;
  if (axis == x_axis) {
    place_all<x_axis>(context, container);
  } else {
    place_all<y_axis>(context, container);
  }
}

void place_pinned_child(SolveContext& context, Index container, Index child, Axis axis) {
  const auto none = [](std::size_t) { return false; };
  if (axis == x_axis) {
    PinnedChild<x_axis, double>(context, container, child, none);
  } else {
    PinnedChild<y_axis, double>(context, container, child, none);
  }
}

template void place_pinned(SolveContextOf<double>&, Index, Axis);
template void place_pinned(SolveContextOf<TracedNumber>&, Index, Axis);

}  // namespace fond_ladder::inline v0::detail
