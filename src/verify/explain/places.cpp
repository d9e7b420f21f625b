// SPDX-License-Identifier: MIT
//
// A place as a sum: from the sibling, track or edge that it is counted from, margin, pin and alignment, to the node.
#include <algorithm>
#include <cmath>

#include "fond_ladder/explanation.hpp"
#include "model/limits.hpp"
#include "model/number_text.hpp"
#include "model/thousands.hpp"
#include "solve/kinds/pin.hpp"
#include "verify/measure/same.hpp"

namespace fond_ladder::inline v0 {
namespace {

Axis axis_along_of(Kind kind) {
  return kind == Kind::row ? x_axis : y_axis;
}

/// The position of a child as a sum from an edge.
class Places {
 public:
  Places(const Solution& solution, NodeId parent, NodeId child)
      : solution_(solution), tree_(solution.tree()), parent_(parent), child_(child) {}

  [[nodiscard]] std::string on(Axis axis) const {
    const double place = start_of(solution_.box(child_), axis);
    const Keys keys = solution_.keys(child_);
    const bool backwards = !keys.pin && is_laid_backwards(axis);
    Sum sum = keys.pin ? pinned_edge(axis, *keys.pin) : backwards ? far_edge(axis) : edge(axis);
    if (!keys.pin && !backwards) {
      add_outside(sum, child_, axis == x_axis ? &FourSides::left : &FourSides::top, 1, "");
      if (solution_.kind(parent_) == Kind::stack) add(sum, axis == x_axis ? keys.nudge.x : keys.nudge.y, "nudge");
    }
    add(sum, place - sum.at, keys.pin ? "pin" : rest_words(axis, keys));
    return std::string(axis == x_axis ? "x " : "y ") + rounded(place) + ": " + sum.words;
  }

 private:
  [[nodiscard]] static double start_of(const Rect& box, Axis axis) { return axis == x_axis ? box.x : box.y; }
  [[nodiscard]] static double end_of(const Rect& box, Axis axis) { return axis == x_axis ? box.right() : box.bottom(); }
  [[nodiscard]] bool is_mirrored() const { return tree_.direction() == Direction::rtl; }

  /// An edge, and what is added to it, in words; `from_end` counts backwards.
  struct Sum {
    std::string words;
    double at = 0;
  };
  static void add(Sum& sum, double amount, const std::string& what) {
    if (std::abs(amount) <= limits::report_tolerance) return;
    sum.at += amount;
    sum.words += (amount < 0 ? " - " : " + ") + what + " " + rounded(std::abs(amount));
  }

  /// What a child in the flow is moved by beside its margin.
  [[nodiscard]] std::string rest_words(Axis axis, const Keys& keys) const {
    const bool x = axis == x_axis;
    const auto is_auto = [&](Side side) {
      const auto edge = keys.margin.given(side);
      return edge && edge->is_automatic();
    };
    if (is_auto(x ? Side::left : Side::top) || is_auto(x ? Side::right : Side::bottom) ||
        is_auto(x ? Side::x : Side::y) || (x && (is_auto(Side::start) || is_auto(Side::end))))
      return "automatic margin";
    const Keys own = solution_.keys(parent_);
    const bool is_line = own.kind == Kind::row || own.kind == Kind::column;
    const NodeId before = sibling_before();
    if (keys.scale_affects_layout || (before && solution_.keys(before).scale_affects_layout))
      return "space for the painted size";
    if (is_line && axis == axis_along_of(own.kind)) {
      if (own.is_list()) return in_thousands(own.virtualized.second - 1) + " entries like the first";
      return "along " + std::string(word(own.along));
    }
    if (is_line && own.wrap && solution_.line(child_) > 1) return "the lines before it";
    if (is_line) return "across " + std::string(word(keys.place_self.across.value_or(own.across)));
    const auto& place_self = x ? keys.place_self.x : keys.place_self.y;
    const auto& all = x ? own.place_items.x : own.place_items.y;
    const Across usual = own.kind == Kind::grid ? Across::stretch : Across::start;
    return "place_items " + std::string(word(place_self.value_or(all.value_or(usual))));
  }

  /// The edge of the padding box that a pin holds to, and the size where that is the far one.
  [[nodiscard]] Sum pinned_edge(Axis axis, const Pin& pin) const {
    const bool x = axis == x_axis;
    const auto side_of = [&](PinSide physical, PinSide logical) {
      return pin.has(physical) || !x ? physical : logical;
    };
    const PinSide near = side_of(x ? PinSide::left : PinSide::top, is_mirrored() ? PinSide::end : PinSide::start);
    const PinSide far = side_of(x ? PinSide::right : PinSide::bottom, is_mirrored() ? PinSide::start : PinSide::end);
    const Rect own = solution_.box(parent_), box = solution_.box(child_);
    if (pin.has(near) || !pin.has(far))
      return tied_edge(axis, pin, near, start_of(box, axis)).value_or(inner_edge(axis));
    if (std::optional<Sum> tied = tied_edge(axis, pin, far, end_of(box, axis))) {
      add(*tied, -box.size_on(axis), std::string("its ") + side_word(axis));
      return *tied;
    }
    Sum sum{"the " + end_word(axis) + " of " + tree_.segment(parent_) + " " + rounded(end_of(own, axis)),
            end_of(own, axis)};
    const FourSides border = border_inside();
    add(sum, -(x ? border.right : border.bottom), "border");
    add(sum, end_of(box, axis) - sum.at, "pin");
    add(sum, -box.size_on(axis), std::string("its ") + side_word(axis));
    return sum;
  }

  /// The edge of a sibling that a side is tied to: of several the one that decides its position.
  [[nodiscard]] std::optional<Sum> tied_edge(Axis axis, const Pin& pin, PinSide side, double at) const {
    std::optional<Sum> nearest;
    double off = 0;
    for (const Ties::SideTie& one : pin.ties) {
      if (one.side != side) continue;
      const detail::Index found = detail::sibling_of(tree_.store(), tree_.store().index_of(parent_), one.tie);
      const NodeId sibling = found == detail::no_index ? NodeId() : tree_.store().id_of(found);
      if (!sibling || !solution_.is_placed(sibling)) continue;
      const Rect box = solution_.box(sibling);
      const detail::End end = detail::end_of(one.tie.edge, is_mirrored());
      const bool middle = end == detail::End::middle, at_end = end == detail::End::after;
      const double from = start_of(box, axis) + box.size_on(axis) * (middle ? 0.5 : at_end ? 1 : 0);
      const std::string word = middle ? "middle" : at_end ? end_word(axis) : start_word(axis);
      Sum sum{"the " + word + " of " + tree_.segment(sibling) + " " + rounded(from), from};
      const double plus = one.tie.plus.in_px(tree_.units(solution_.keys(child_)), padding_box(axis));
      add(sum, detail::counts_backwards(one.tie.edge, is_mirrored()) ? -plus : plus, "tie");
      if (nearest && std::abs(sum.at - at) >= off) continue;
      off = std::abs(sum.at - at);
      nearest = std::move(sum);
    }
    return nearest;
  }

  [[nodiscard]] double padding_box(Axis axis) const {
    const FourSides border = border_inside();
    return solution_.box(parent_).size_on(axis) -
           (axis == x_axis ? border.left + border.right : border.top + border.bottom);
  }

  [[nodiscard]] static std::string start_word(Axis axis) { return axis == x_axis ? "left" : "top"; }
  [[nodiscard]] static std::string end_word(Axis axis) { return axis == x_axis ? "right" : "bottom"; }

  /// Whether its line begins at the far edge of an axis: reversed, or mirrored, but not both.
  [[nodiscard]] bool is_laid_backwards(Axis axis) const {
    const Keys own = solution_.keys(parent_);
    const bool is_line = own.kind == Kind::row || own.kind == Kind::column;
    return is_line && axis == axis_along_of(own.kind) && own.reverse != (axis == x_axis && is_mirrored());
  }

  /// Counted down from the sibling before it, or from the far edge of the container, to where the node begins.
  [[nodiscard]] Sum far_edge(Axis axis) const {
    const bool x = axis == x_axis;
    const NodeId before = sibling_before();
    const Rect own = solution_.box(parent_), box = solution_.box(child_);
    const FourSides padding = solution_.padding(parent_);
    Sum sum;
    if (before) {
      const double start = start_of(solution_.box(before), axis);
      sum = {"the " + start_word(axis) + " of " + tree_.segment(before) + " " + rounded(start), start};
      add_outside(sum, before, x ? &FourSides::left : &FourSides::top, -1, "its ");
      add(sum, -solution_.gap(parent_).on(axis), "gap");
    } else {
      sum = {"the " + end_word(axis) + " of " + tree_.segment(parent_) + " " + rounded(end_of(own, axis)),
             end_of(own, axis)};
      add(sum, -(x ? border_inside().right : border_inside().bottom), "border");
      add(sum, -(x ? padding.right : padding.bottom), "padding");
    }
    add_outside(sum, child_, x ? &FourSides::right : &FourSides::bottom, -1, "");
    add(sum, -box.size_on(axis), std::string("its ") + side_word(axis));
    return sum;
  }

  /// The one that is laid ahead of it on its line; none for the first.
  [[nodiscard]] NodeId sibling_before() const {
    for (const auto& line : solution_.laid_lines(parent_)) {
      const auto at = std::ranges::find(line, child_);
      if (at != line.end()) return at == line.begin() ? NodeId() : *(at - 1);
    }
    return {};
  }

  /// The space that a node keeps outside of its box on a side: a margin, and a border around the box.
  void add_outside(Sum& sum, NodeId node, double FourSides::*side, double sign, const std::string& whose) const {
    const double border = solution_.keys(node).border_at == BorderAt::around ? solution_.border(node).*side : 0;
    add(sum, sign * (solution_.margin(node).*side - border), whose + "margin");
    add(sum, sign * border, whose + "border");
  }

  [[nodiscard]] FourSides border_inside() const {
    return solution_.keys(parent_).border_at == BorderAt::inside ? solution_.border(parent_) : FourSides{};
  }

  /// The start of the container's padding box.
  [[nodiscard]] Sum inner_edge(Axis axis) const {
    const double start = start_of(solution_.box(parent_), axis);
    Sum sum{"the " + start_word(axis) + " of " + tree_.segment(parent_) + " " + rounded(start), start};
    add(sum, axis == x_axis ? border_inside().left : border_inside().top, "border");
    return sum;
  }

  /// What a place is counted from: the sibling before it, a track, or the edge of its container.
  [[nodiscard]] Sum edge(Axis axis) const {
    const Kind kind = solution_.kind(parent_);
    const FourSides padding = solution_.padding(parent_);
    const bool is_line = kind == Kind::row || kind == Kind::column;
    Sum inner = inner_edge(axis);
    add(inner, axis == x_axis ? padding.left : padding.top, "padding");
    if (kind == Kind::grid) return of_track(axis).value_or(inner);
    if (!is_line || axis != axis_along_of(kind)) return inner;
    return of_sibling(axis).value_or(inner);
  }

  [[nodiscard]] std::optional<Sum> of_track(Axis axis) const {
    const auto tracks = solution_.tracks(parent_);
    const auto& all = axis == x_axis ? tracks.columns : tracks.rows;
    const double place = start_of(solution_.box(child_), axis);
    for (std::size_t i = all.size(); i-- > 0;) {
      if (all[i].at > place + fit_tolerance) continue;
      return Sum{
          (axis == x_axis ? "the left of column " : "the top of row ") + std::to_string(i) + " " + rounded(all[i].at),
          all[i].at};
    }
    return {};
  }

  /// The end of the sibling before it on its line, with the gap and that sibling's margin.
  [[nodiscard]] std::optional<Sum> of_sibling(Axis axis) const {
    const NodeId before = sibling_before();
    if (!before) return {};
    const double end = end_of(solution_.box(before), axis);
    Sum sum{"the " + end_word(axis) + " of " + tree_.segment(before) + " " + rounded(end), end};
    add_outside(sum, before, axis == x_axis ? &FourSides::right : &FourSides::bottom, 1, "its ");
    add(sum, solution_.gap(parent_).on(axis), "gap");
    return sum;
  }

  const Solution& solution_;
  const Tree& tree_;
  NodeId parent_, child_;
};

}  // namespace

std::string why_there(const Solution& solution, NodeId node, Axis axis) {
  const NodeId parent = solution.tree().parent(node);
  return parent ? Places(solution, parent, node).on(axis) : "";
}

}  // namespace fond_ladder::inline v0
