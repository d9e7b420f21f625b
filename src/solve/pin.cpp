// SPDX-License-Identifier: MIT
//
// Pinned children stand outside the flow: nobody counts them going up, and they are placed after everybody else,
// against the padding box of their parent. CSS Positioned Layout 3, section 4 gives the idea of insets that set a size.
//
// A side may be tied to edges of siblings instead. Those that are tied wait for those that they are tied to: each is
// placed once, depth first in the order of the file, which is linear in children and ties. A tie that would close a
// circle, or that leads to nobody, is as if that side were at the edge of the parent.
//
// Tests: semantics.md, plain_arranger_test.cpp, ties_test.cpp.
#include "solve/pin.hpp"

#include "solve/cross.hpp"
#include "solve/kinds.hpp"
#include "solve/moving.hpp"

namespace fond_ladder::inline v0::detail {
namespace {

/// The sides of one axis, start and end already turned into left and right; none where nothing is said.
struct AxisPins {
  std::optional<PinSide> before, after, center;
  bool starts_far = false;  // start is the far edge, and decides where both ends are pinned or nothing is

  /// Whether the child holds to its far edge: that alone is pinned, or start decides and is that.
  [[nodiscard]] bool hold_far() const { return before && after ? starts_far : after || (!before && starts_far); }
};

AxisPins pins_on(const Pin& pin, Axis axis, bool mirrored) {
  const auto said = [&](PinSide side) { return pin.says(side) ? std::optional(side) : std::nullopt; };
  if (axis == y_axis) return {said(PinSide::top), said(PinSide::bottom), said(PinSide::middle_y)};
  const auto starts_left = said(mirrored ? PinSide::end : PinSide::start);
  const auto starts_right = said(mirrored ? PinSide::start : PinSide::end);
  const auto left = said(PinSide::left), right = said(PinSide::right);
  AxisPins pins{left ? left : starts_left, right ? right : starts_right, said(PinSide::middle_x)};
  pins.starts_far = mirrored && !left && !right;
  return pins;
}

/// Whether opposite pins set the size: it is not given, and no aspect gives it.
template <Axis axis, class N>
bool is_held_open(const Child<axis, false, N>& child, const AxisPins& pins) {
  if (!pins.before || !pins.after) return false;
  return child.way() == SizeWay::fill || (child.way() == SizeWay::automatic && !child.keeps_aspect());
}

bool has_ties(const Pin& pin, Axis axis) {
  return std::ranges::any_of(pin.ties, [&](const auto& tie) { return axis_of(tie.side) == axis; });
}

/// Where an edge of a placed sibling lies, from the corner of the parent's border box.
template <class N>
N edge_of(const FrameOf<N>& frame, Index sibling, PinSide edge) {
  const Axis axis = axis_of(edge);
  const N at = frame.place(sibling, axis), size = frame.size(sibling, axis);
  switch (edge) {
    case PinSide::left:
    case PinSide::top: return at;
    case PinSide::right:
    case PinSide::bottom: return at + size;
    case PinSide::start: return frame.mirrored ? at + size : at;
    case PinSide::end: return frame.mirrored ? at : at + size;
    case PinSide::middle_x:
    case PinSide::middle_y: break;
  }
  return at + size / 2;
}

template <Axis axis, class N>
class PinnedChild {
 public:
  /// `follows(i)` says whether a tie, by its place in the pin, is one that can be followed.
  template <class Follows>
  PinnedChild(FrameOf<N>& frame, Index container, Index node, const Follows& follows)
      : frame_(frame), node_(node), border_(frame.border(container, axis)) {
    whole_ = most_of(0.0, frame.size(container, axis) - border_.sum());
    frame.resolve_edges(node, axis, whole_);
    const Pin& pin = *frame.keys(node).pin;
    const AxisPins pins = pins_on(pin, axis, frame.mirrored && axis == x_axis);
    const N before = distance(container, pins.before, follows), after = distance(container, pins.after, follows);
    const auto child = any_child<axis, N>(frame, node);
    const SidesOf<N> margin = child.margin_down(false);
    const N room = most_of(0.0, whole_ - before_room(pin, pins, before, after) - margin.sum());
    const N size = is_held_open(child, pins)
                       ? child.bounds(child.inset_down(), whole_).held(room / child.counted_scale())
                       : size_across_down<axis, false, N>(frame, child, room, whole_, Across::start);
    N at = before + margin.before;
    if (pins.center && !pins.before && !pins.after) {
      at = (whole_ - size) / 2 + distance(container, pins.center, follows);
    } else if (pins.hold_far()) {
      at = whole_ - after - margin.after - size;
    }
    frame.set_place(node, axis, border_.before + at);
    frame.template set_size<axis>(node, size, child.traits().passive);
  }

 private:
  /// What distances and ties leave of the parent. A single tie leaves all: the child fits as if it were anywhere.
  N before_room(const Pin& pin, const AxisPins& pins, const N& before, const N& after) const {
    const bool both = pins.before && pins.after;
    const auto takes = [&](const std::optional<PinSide>& side) { return side && (both || !pin.has_tie(*side)); };
    return (takes(pins.before) ? before : N(0)) + (takes(pins.after) ? after : N(0));
  }

  /// From the side of the padding box, of the middle from its middle.
  template <class Follows>
  N distance(Index container, const std::optional<PinSide>& side, const Follows& follows) const {
    if (!side) return 0;
    if (frame_.keys(node_).pin->distance(*side)) {
      return frame_.length(
          node_, [&](const Keys& keys) { return *keys.pin->distance(*side); }, whole_);
    }
    const auto& ties = frame_.keys(node_).pin->ties;
    N furthest = 0;
    bool any = false;
    for (std::size_t i = 0; i < ties.size(); ++i) {
      const Tie& tie = ties[i].tie;
      if (ties[i].side != *side || !follows(i)) continue;
      const N plus = frame_.length(
          node_, [&](const Keys& keys) { return keys.pin->ties[i].tie.plus; }, whole_);
      const bool backwards = frame_.mirrored && (tie.edge == PinSide::start || tie.edge == PinSide::end);
      const N at = edge_of(frame_, sibling_of(frame_.store, container, tie), tie.edge) - border_.before +
                   (backwards ? -plus : plus);
      const bool far = *side == PinSide::right || *side == PinSide::bottom ||
                       *side == (frame_.mirrored ? PinSide::start : PinSide::end);
      const bool middle = *side == PinSide::middle_x || *side == PinSide::middle_y;
      const N away = far ? whole_ - at : middle ? at - whole_ / 2 : at;
      furthest = any ? most_of(furthest, away) : away;
      any = true;
    }
    return furthest;
  }

  FrameOf<N>& frame_;
  Index node_;
  SidesOf<N> border_;
  N whole_;
};

/// Places the children of one container that are pinned, ties first followed to those that they lead to.
template <Axis axis, class N>
class PinnedChildren {
 public:
  PinnedChildren(FrameOf<N>& frame, Index container)
      : frame_(frame), container_(container), first_(frame.first_child(container)) {}

  void place_all() {
    const Index count = frame_.child_count(container_);
    bool tied = false;
    for (Index child = first_; child < first_ + count; ++child) {
      if (!is_pinned(child)) continue;
      if (has_ties(*frame_.keys(child).pin, axis)) {
        tied = true;
      } else {
        PinnedChild<axis, N>(frame_, container_, child, [](std::size_t) { return false; });
      }
    }
    if (axis == x_axis || tied) frame_.set_flag(container_, NodeFlag::holds_ties, tied || has_ties_up(count));
    if (!tied) return;
    frame_.scratch.tie_marks.assign(count, unseen);
    for (Index child = first_; child < first_ + count; ++child) {
      if (waits(child)) follow(child);
    }
  }

 private:
  enum Mark : std::uint8_t { unseen, open, done };

  [[nodiscard]] bool is_pinned(Index child) const {
    return frame_.traits(child).pinned && !frame_.traits(child).hidden;
  }
  /// Whether some are tied up and down, which is placed later.
  [[nodiscard]] bool has_ties_up(Index count) const {
    for (Index child = first_; child < first_ + count; ++child) {
      if (is_pinned(child) && has_ties(*frame_.keys(child).pin, y_axis)) return true;
    }
    return false;
  }
  [[nodiscard]] bool waits(Index child) const {
    return is_pinned(child) && has_ties(*frame_.keys(child).pin, axis) && mark(child) == unseen;
  }
  std::uint8_t& mark(Index child) const { return frame_.scratch.tie_marks[child - first_]; }

  /// Whether a tie leads to somebody who is placed by then.
  [[nodiscard]] bool can_follow(Index child, const Tie& tie) const {
    if (axis_of(tie.edge) != axis) return false;
    const Index sibling = sibling_of(frame_.store, container_, tie);
    if (sibling == no_index || sibling == child || frame_.traits(sibling).hidden) return false;
    if (!frame_.traits(sibling).pinned) return !places_late<axis>(frame_.traits(container_));
    return mark(sibling) != open;
  }

  void follow(Index start) {
    auto& way = frame_.scratch.tie_way;
    way.clear();
    way.emplace_back(start, 0);
    mark(start) = open;
    while (!way.empty()) {
      const Index child = way.back().first;
      const auto& ties = frame_.keys(child).pin->ties;
      if (way.back().second < ties.size()) {
        const Tie& tie = ties[way.back().second++].tie;
        const Index sibling = axis_of(tie.edge) == axis ? sibling_of(frame_.store, container_, tie) : no_index;
        if (sibling == no_index || !waits(sibling)) continue;
        mark(sibling) = open;
        way.emplace_back(sibling, 0);
        continue;
      }
      PinnedChild<axis, N>(frame_, container_, child, [&](std::size_t i) { return can_follow(child, ties[i].tie); });
      mark(child) = done;
      way.pop_back();
    }
  }

  FrameOf<N>& frame_;
  Index container_, first_;
};

}  // namespace

Index sibling_of(const TreeStore& store, Index container, const Tie& tie) {
  if (!tie.node) return store.child_of_step(container, tie.to);
  if (!store.contains(tie.node)) return no_index;
  const Index sibling = store.index_of(tie.node);
  return store.parent(sibling) == container ? sibling : no_index;
}

std::vector<LooseTie> loose_ties(const View& view, const TreeStore& store, Index container) {
  std::vector<LooseTie> loose;
  const Index first = view.first_child(container), count = view.child_count(container);
  const auto ties_of = [&](Index child) -> const Ties* {
    const Traits traits = view.traits(child);
    if (!traits.pinned || traits.hidden || view.keys(child).pin->ties.empty()) return nullptr;
    return &view.keys(child).pin->ties;
  };
  enum : std::uint8_t { unseen, open, done };
  for (const Axis axis : {x_axis, y_axis}) {
    std::vector<std::uint8_t> marks(count, unseen);
    std::vector<std::pair<Index, std::size_t>> way;
    for (Index start = first; start < first + count; ++start) {
      if (ties_of(start) == nullptr || marks[start - first] != unseen) continue;
      way.assign(1, {start, 0});
      marks[start - first] = open;
      while (!way.empty()) {
        const Index child = way.back().first;
        const Ties& ties = *ties_of(child);
        if (way.back().second == ties.size()) {
          marks[child - first] = done;
          way.pop_back();
          continue;
        }
        const std::size_t i = way.back().second++;
        if (axis_of(ties[i].side) != axis) continue;
        const Index sibling = sibling_of(store, container, ties[i].tie);
        const auto add = [&](LooseTie::Why why) { loose.push_back({child, static_cast<Index>(i), why}); };
        if (sibling == no_index) {
          add(LooseTie::Why::nobody);
        } else if (view.traits(sibling).hidden) {
          add(LooseTie::Why::hidden);
        } else if (!view.traits(sibling).pinned) {
          if (axis == x_axis && places_late<x_axis>(view.traits(container))) add(LooseTie::Why::late);
        } else if (marks[sibling - first] == open) {
          add(LooseTie::Why::circle);
        } else if (ties_of(sibling) != nullptr && marks[sibling - first] == unseen) {
          marks[sibling - first] = open;
          way.emplace_back(sibling, 0);
        }
      }
    }
  }
  return loose;
}

std::string loose_tie_words(LooseTie::Why why, std::string_view sibling) {
  const std::string tied = "it is tied to \"" + std::string(sibling) + "\", ";
  switch (why) {
    case LooseTie::Why::nobody: return tied + "which is none of its siblings";
    case LooseTie::Why::hidden: return tied + "which is hidden";
    case LooseTie::Why::late: return tied + "whose place across a wrapping column is not known in time";
    case LooseTie::Why::circle: break;
  }
  return tied + "which waits for it in turn";
}

template <class N>
void place_pinned(FrameOf<N>& frame, Index container, Axis axis) {
  if (!frame.traits(container).odd_children) return;
  if (axis == x_axis) {
    PinnedChildren<x_axis, N>(frame, container).place_all();
  } else {
    PinnedChildren<y_axis, N>(frame, container).place_all();
  }
}

void place_pinned_child(Frame& frame, Index container, Index child, Axis axis) {
  const auto none = [](std::size_t) { return false; };
  if (axis == x_axis) {
    PinnedChild<x_axis, double>(frame, container, child, none);
  } else {
    PinnedChild<y_axis, double>(frame, container, child, none);
  }
}

template void place_pinned(FrameOf<double>&, Index, Axis);
template void place_pinned(FrameOf<Moving>&, Index, Axis);

}  // namespace fond_ladder::inline v0::detail
