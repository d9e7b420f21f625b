// SPDX-License-Identifier: MIT
#include "solve/state/dragged_setting.hpp"

#include <algorithm>
#include <bit>

namespace fond_ladder::inline v0::detail {
namespace {

/// Gives `keys` the lengths of others, if both set one.
void take_lengths(const Keys& from, Keys& keys) {
  const auto take_size = [](const Sizing& other, Sizing& own) {
    if (other.way() == Sizing::Way::by_length && own.way() == Sizing::Way::by_length) own = other;
  };
  take_size(from.width, keys.width);
  take_size(from.height, keys.height);
  take_size(from.basis, keys.basis);
  const auto take_limit = [](const Limit& other, Limit& own) {
    if (other && own) own = other;
  };
  take_limit(from.min_width, keys.min_width);
  take_limit(from.max_width, keys.max_width);
  take_limit(from.min_height, keys.min_height);
  take_limit(from.max_height, keys.max_height);
  keys.natural_size = from.natural_size;
  keys.gap = from.gap;
  keys.nudge = from.nudge;
  const auto take_edges = [](const Edges& other, Edges& own) {
    for (std::size_t i = 0; i < side_words.size(); ++i) {
      const std::optional<Edge> here = own.given(static_cast<Side>(i)), there = other.given(static_cast<Side>(i));
      if (here && there && !here->is_automatic() && !there->is_automatic()) own.set(static_cast<Side>(i), *there);
    }
  };
  take_edges(from.margin, keys.margin);
  take_edges(from.padding, keys.padding);
  take_edges(from.border, keys.border);
  if (!from.pin || !keys.pin) return;
  for (std::size_t i = 0; i < fond_ladder::words_of<PinSide>.size(); ++i) {
    take_limit(from.pin->distance(static_cast<PinSide>(i)), keys.pin->distance(static_cast<PinSide>(i)));
  }
  for (std::size_t i = 0; i < std::min(from.pin->ties.size(), keys.pin->ties.size()); ++i) {
    keys.pin->ties[i].tie.plus = from.pin->ties[i].tie.plus;
  }
}

/// Whether keys that differ, differ in lengths alone; if the width of a node follows its height it is not linear.
bool are_alike(Keys one, const Keys& other) {
  if (one == other) return true;
  const bool is_picture = one.kind == Kind::image && one.natural_size.x > 0;
  if (one.aspect_ratio || is_picture) return false;
  take_lengths(other, one);
  return one == other;
}

bool forms_are_alike(const std::vector<NodeForm>* one, const std::vector<NodeForm>* other) {
  if (one == nullptr || other == nullptr) return one == other;
  return std::ranges::equal(*one, *other, [](const NodeForm& a, const NodeForm& b) {
    Keys set_here, set_there;
    a.change.put_into(set_here);
    b.change.put_into(set_there);
    return a.condition == b.condition && a.change.sets_same_keys(b.change) && are_alike(set_here, set_there);
  });
}

bool same_traits(const Traits& one, const Traits& other) {
  return std::bit_cast<std::uint64_t>(one) == std::bit_cast<std::uint64_t>(other);
}

/// Whether two trees differ in nothing but lengths that the passes read, each in its unit: the same nodes under the
/// same handles.
bool differ_in_lengths(const TreeStore& one, const TreeStore& other) {
  if (one.size() != other.size() || one.em() != other.em() || one.direction() != other.direction() ||
      one.forms().ranges() != other.forms().ranges() || one.forms().modes() != other.forms().modes()) {
    return false;
  }
  bool same = true;
  one.walk([&](Index node, std::size_t) {
    if (!same) return;
    const NodeId handle = one.id_of(node);
    same = other.contains(handle) && other.index_of(handle) == node;
    if (!same) return;
    const Flat &here = one.flat(), &there = other.flat();
    same = here.first_child[node] == there.first_child[node] && here.child_count[node] == there.child_count[node] &&
           same_traits(here.traits[node], there.traits[node]) &&
           (here.rare_fields[node] == 0) == (there.rare_fields[node] == 0) &&
           (one.rare_fields(node).keys == nullptr) == (other.rare_fields(node).keys == nullptr) &&
           are_alike(one.keys(node), other.keys(node)) && forms_are_alike(one.forms_of(node), other.forms_of(node)) &&
           (one.kind(node) == Kind::text || one.content(node) == other.content(node));
  });
  return same;
}

}  // namespace

DraggedSetting::DraggedSetting(const TreeStore& tree, double value, const TreeStore& other, double other_value)
    : other_(other), value_(value), step_(other_value - value), is_sound_(differ_in_lengths(tree, other)) {}

TracedNumber DraggedSetting::between(const TracedNumber& here, const TracedNumber& there) const {
  return is_same(here, there) ? here : here + behind_ * (there - here);
}

EdgeSpaceOf<TracedNumber> DraggedSetting::between(const EdgeSpace& here, const EdgeSpace& there) const {
  const auto sides = [&](const Sides& a, const Sides& b) {
    return SidesOf<TracedNumber>{between(a.before, b.before), between(a.after, b.after)};
  };
  return {{sides(here.margin[0], there.margin[0]), sides(here.margin[1], there.margin[1])},
          {sides(here.inset[0], there.inset[0]), sides(here.inset[1], there.inset[1])}};
}

bool DraggedSetting::begin_forms(const FormRecords& of_tree) {
  forms_.begin(other_, of_tree.holding());
  if (of_tree.own.size() != forms_.own.size()) return false;
  for (Index node = 0; node < of_tree.records.traits.size(); ++node) {
    if (!is_alike(of_tree, node)) return false;
  }
  return true;
}

bool DraggedSetting::enter_forms(const FormRecords& of_tree, const std::vector<Index>& entered, std::uint32_t active) {
  static_cast<void>(forms_.enter(other_, entered.front(), active));
  return std::ranges::all_of(entered, [&](Index node) { return is_alike(of_tree, node); });
}

/// Whether a node has the same form in both trees, so that its numbers run straight from one to the other. The width
/// that is compiled of an aspect follows a height that its limits hold, and does not: there nothing may be dragged.
bool DraggedSetting::is_alike(const FormRecords& of_tree, Index node) const {
  const Records &here = of_tree.records, &there = forms_.records;
  if (!same_traits(here.traits[node], there.traits[node])) return false;
  const auto of_form = [&](const FormRecords& forms) {
    const Index place = forms.records.rare_fields[node];
    return (place & of_solver) == 0 ? nullptr : &forms.own[place & ~of_solver].rare_fields;
  };
  const RareFields *own = of_form(of_tree), *other = of_form(forms_);
  if ((own == nullptr) != (other == nullptr)) return false;
  if (own != nullptr && (own->keys == nullptr) != (other->keys == nullptr)) return false;
  if (!here.traits[node].has_aspect_ratio) return true;
  for (const auto sizes : {&Records::given, &Records::smallest, &Records::largest}) {
    for (std::size_t axis = 0; axis < 2; ++axis) {
      if ((here.*sizes)[axis][node] != (there.*sizes)[axis][node]) return false;
    }
  }
  return own == nullptr || own->edges == other->edges;
}

}  // namespace fond_ladder::inline v0::detail
