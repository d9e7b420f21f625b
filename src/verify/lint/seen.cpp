// SPDX-License-Identifier: MIT
//
// Siblings whose ink overlaps are found by sweeping along the axis on which fewer of them have something in common.
#include "verify/lint/seen.hpp"

#include <algorithm>
#include <array>
#include <map>

namespace fond_ladder::inline v0 {
namespace {

/// What overhangs a node counts to it, unless it scrolls there.
void spread_ink(Seen& seen) {
  for (std::size_t i = seen.nodes.size(); i-- > 1;) {
    const SeenNode& one = seen.nodes[i];
    if (!one.placed) continue;
    SeenNode& above = seen.nodes[one.parent];
    const double left = std::min(above.ink.x, one.ink.x), top = std::min(above.ink.y, one.ink.y);
    const double right = std::max(above.ink.right(), one.ink.right()),
                 bottom = std::max(above.ink.bottom(), one.ink.bottom());
    if (!scrolls_x(above.keys().scroll)) above.ink.x = left, above.ink.width = right - left;
    if (!scrolls_y(above.keys().scroll)) above.ink.y = top, above.ink.height = bottom - top;
  }
}

/// Keys that many nodes share, kept once. Looks only at the last ones: copies and siblings are adjacent.
class SharedKeys {
 public:
  std::shared_ptr<const Keys> of(Keys keys) {
    for (const auto& known : last_) {
      if (known && *known == keys) return known;
    }
    std::shared_ptr<const Keys>& place = last_[next_++ % last_.size()];
    return place = std::make_shared<const Keys>(std::move(keys));
  }

 private:
  std::array<std::shared_ptr<const Keys>, 16> last_;
  std::size_t next_ = 0;
};

/// A box without a name that only takes space, as people put between things to push them apart.
bool is_spacer(const SeenNode& one) {
  return one.keys().kind == Kind::box && !one.has_name && one.is_empty && one.keys().natural_size == Pair{};
}

bool asks_for_nothing(const Sizing& size) {
  return size.way() == Sizing::Way::by_length && size.length().amount() == 0;
}

bool have_common_area(const Rect& a, const Rect& b) {
  return std::min(a.right(), b.right()) - std::max(a.x, b.x) > fit_tolerance &&
         std::min(a.bottom(), b.bottom()) - std::max(a.y, b.y) > fit_tolerance;
}

}  // namespace

Seen unseen_scene(const Scene& scene) {
  Seen seen;
  seen.scene = &scene;
  const Tree& tree = scene.tree;
  std::map<NodeId, std::size_t> places;
  std::vector<NodeId> open{tree.root()};
  while (!open.empty()) {  // each node with all that is in it, then its next sibling
    const NodeId node = open.back();
    open.pop_back();
    places[node] = seen.nodes.size();
    SeenNode& one = seen.nodes.emplace_back();
    one.node = node;
    if (tree.parent(node)) one.parent = places[tree.parent(node)];
    const std::vector<NodeId> children = tree.children(node);
    one.is_empty = children.empty();
    open.insert(open.end(), children.rbegin(), children.rend());
  }
  for (std::size_t i = seen.nodes.size(); i-- > 0;) {
    SeenNode& one = seen.nodes[i];
    one.end = std::max(one.end, i + 1);
    SeenNode& above = seen.nodes[one.parent];
    above.end = std::max(above.end, one.end);
  }
  return seen;
}

void see(Seen& seen, const Solution& solution, bool other_form) {
  seen.solution = &solution;
  SharedKeys shared;
  for (SeenNode& one : seen.nodes) {
    if (other_form) {
      Keys keys = solution.keys(one.node);
      one.has_name = !keys.name.empty();
      keys.name.clear();
      one.in_force = shared.of(std::move(keys));
    }
    const SeenNode& parent = seen.parent(one);
    one.placed = seen.is_root(one) ||
                 (parent.placed && is_container(parent.keys().kind) && !one.keys().hidden);  // as is_placed does
    if (!one.placed) continue;
    one.box = solution.relative_box(one.node);
    if (!seen.is_root(one)) {
      const Rect& above = seen.parent(one).box;
      one.box.x += above.x;
      one.box.y += above.y;
    }
    one.ink = one.box;
  }
  spread_ink(seen);
}

FourSides only_inside(const FourSides& into, const FourSides& overhang) {
  const auto side = [](double in, double out) { return out > 0 ? 0 : in; };
  return {side(into.top, overhang.top), side(into.right, overhang.right), side(into.bottom, overhang.bottom),
          side(into.left, overhang.left)};
}

bool goes_below_zero(const Edges& edges) {
  for (std::size_t side = 0; side < side_words.size(); ++side) {
    const auto edge = edges.given(static_cast<Side>(side));
    if (edge && !edge->is_automatic() && edge->length().amount() < 0) return true;
  }
  return false;
}

bool has_area(const Rect& box) {
  return box.width > fit_tolerance && box.height > fit_tolerance;
}

bool is_nothing(const Seen& seen, const SeenNode& one, Axis axis) {
  return one.box.size_on(axis) < fit_tolerance && seen.parent(one).box.size_on(axis) >= fit_tolerance &&
         !asks_for_nothing(one.keys().width) && !asks_for_nothing(one.keys().height) && !is_spacer(one);
}

std::optional<Squeezed> squeezed(const Seen& seen, const SeenNode& one, Axis axis) {
  const Keys &keys = one.keys(), &above = seen.parent(one).keys();
  if (keys.pin || keys.weight || above.equal_sizes || keys.shrink != Keys().shrink) return {};
  const Sizing& size = keys.size_on(axis);
  const Limit &least = keys.least_on(axis), &most = keys.most_on(axis);
  if (!lays_along(above.kind, axis) || size.way() != Sizing::Way::by_length || size.length().is_percent() || least)
    return {};
  if (most && most->is_percent()) return {};
  const FontUnits units = seen.scene->tree.units(keys);
  double given = size.length().in_px(units, 0);
  if (most) given = std::min(given, most->in_px(units, 0));
  const double got = one.box.size_on(axis);
  if (got >= given - fit_tolerance) return {};
  return Squeezed{given, got};
}

namespace {

/// How many pairs of nodes have something in common on an axis alone.
std::size_t meetings_on(const std::vector<const SeenNode*>& nodes, Axis axis) {
  std::vector<double> starts, ends;
  for (const SeenNode* one : nodes) {
    starts.push_back(axis == x_axis ? one->ink.x : one->ink.y);
    ends.push_back(axis == x_axis ? one->ink.right() : one->ink.bottom());
  }
  for (std::vector<double>* places : {&starts, &ends}) {
    if (!std::ranges::is_sorted(*places)) std::ranges::sort(*places);  // mostly they stand in order
  }
  std::size_t pairs = 0, ended = 0;
  for (std::size_t begun = 0; begun < starts.size(); ++begun) {
    while (ends[ended] - fit_tolerance <= starts[begun] && ended < begun) ++ended;
    pairs += begun - ended;
  }
  return pairs;
}

}  // namespace

bool for_each_meeting(const Seen& seen, const SeenNode& parent, std::size_t& left,
                      const std::function<void(const SeenNode&, const SeenNode&)>& each) {
  if (!parent.placed || parent.is_empty || !is_container(parent.keys().kind)) return true;
  std::vector<const SeenNode*> children;
  seen.for_each_child(parent, [&](const SeenNode& child) {
    if (has_area(child.ink)) children.push_back(&child);
  });
  const bool by_x = meetings_on(children, x_axis) <= meetings_on(children, y_axis);
  const auto start = [&](const SeenNode* one) { return by_x ? one->ink.x : one->ink.y; };
  std::ranges::stable_sort(children, {}, start);
  for (std::size_t i = 0; i < children.size(); ++i) {
    const double end = by_x ? children[i]->ink.right() : children[i]->ink.bottom();
    for (std::size_t k = i + 1; k < children.size() && start(children[k]) < end - fit_tolerance; ++k) {
      if (!have_common_area(children[i]->ink, children[k]->ink)) continue;
      if (left == 0) return false;
      --left;
      const bool in_order = children[i] < children[k];  // as they stand in the file
      each(*children[in_order ? i : k], *children[in_order ? k : i]);
    }
  }
  return true;
}

}  // namespace fond_ladder::inline v0
