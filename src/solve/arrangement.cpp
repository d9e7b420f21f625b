// SPDX-License-Identifier: MIT
//
// Questions to a finished solve. Only sizes, and places in the parent, are stored; whatever follows from them is worked
// out when asked, so that a solve costs nothing for questions that nobody asks.
#include "fond_ladder/arrangement.hpp"

#include <algorithm>
#include <cmath>
#include <type_traits>

#include "fond_ladder/plain_text.hpp"
#include "solve/child.hpp"

namespace fond_ladder {
namespace {

using detail::Axis;
using detail::Flat;
using detail::Index;
using detail::no_index;
using detail::Sides;
using detail::State;
using detail::Traits;
using detail::TreeStore;
using detail::View;
using detail::x_axis;
using detail::y_axis;

View view_of(const TreeStore& store, const detail::Passes& passes) {
  return {store, passes.state};
}

bool shows_children(const Flat& flat, Index node) {
  return is_container(flat.traits[node].node_kind());
}

bool placed(const Flat& flat, Index node) {
  if (flat.traits[node].hidden && node != 0) return false;
  for (Index above = flat.parent[node]; above != no_index; above = flat.parent[above]) {
    if (!shows_children(flat, above) || (flat.traits[above].hidden && above != 0)) return false;
  }
  return true;
}

/// What a percentage of a node is of: the content box of its parent, for a pinned node the padding box.
double whole_for(const View& view, Index node, Axis axis) {
  const Index above = view.parent(node);
  if (!view.traits(node).pinned) return view.inner_size(above, axis);
  return std::max(0.0, view.size(above, axis) - view.border(above, axis).sum());
}

/// Calls `each(node, depth)` for all placed nodes, parents first; `backwards(node)` turns a node's children round.
template <class Backwards, class Each>
void walk_placed(const Flat& flat, Backwards backwards, Each each) {
  struct Visit {
    Index node;
    int depth;
  };
  std::vector<Visit> open{{0, 0}};
  while (!open.empty()) {
    const Visit visit = open.back();
    open.pop_back();
    each(visit.node, visit.depth);
    if (!shows_children(flat, visit.node)) continue;
    const Index first = flat.first_child[visit.node], count = flat.child_count[visit.node];
    const bool turned = backwards(visit.node);
    for (Index i = 0; i < count; ++i) {
      const Index child = first + (turned ? i : count - 1 - i);
      if (!flat.traits[child].hidden) open.push_back({child, visit.depth + 1});
    }
  }
}

bool in_file_order(Index) {
  return false;
}

/// What of [at, at + size) lies outside [low, high), before and after.
Sides outside(double at, double size, double low, double high) {
  const auto counted = [](double amount) { return amount > limits::cut_tolerance ? amount : 0; };
  return {counted(low - at), counted(at + size - high)};
}

double scale_of(const View& view, Index node) {
  return view.extra(node).keys ? view.keys(node).scale : 1;
}

/// A map from a node's own coordinates to the root's, as painted.
struct Lens {
  double scale = 1, x = 0, y = 0;
};

Lens lens_into(const View& view, const Lens& parent, Index node) {
  const double scale = scale_of(view, node);
  const auto shift = [&](Axis axis) { return view.place(node, axis) + view.size(node, axis) * (1 - scale) / 2; };
  return {parent.scale * scale, parent.x + parent.scale * shift(x_axis), parent.y + parent.scale * shift(y_axis)};
}

Rect through(const Lens& lens, const View& view, Index node) {
  return {lens.x, lens.y, view.size(node, x_axis) * lens.scale, view.size(node, y_axis) * lens.scale};
}

/// The furthest margin edge of a container's children on an axis, from the edge at which its scrolling starts.
double furthest_edge(const View& view, Index node, Axis axis, bool backwards, const std::vector<Index>& flow) {
  double furthest = 0;
  for (const Index child : flow) {
    const Sides margin = view.edges_down(child).margin[axis];
    const double edge = backwards ? view.size(node, axis) - view.place(child, axis) + margin.before
                                  : view.place(child, axis) + view.size(child, axis) + margin.after;
    furthest = std::max(furthest, edge);
  }
  return furthest;
}

std::vector<Index> flow_of(const View& view, Index node) {
  std::vector<Index> listed;
  const auto flow = view.flow(node, listed);
  std::vector<Index> all;
  all.reserve(flow.size());
  for (Index i = 0; i < flow.size(); ++i) all.push_back(flow[i]);
  return all;
}

bool scrolls_backwards(const View& view, Index node, Axis axis) {
  const Traits own = view.traits(node);
  const bool mirrored = axis == x_axis && view.mirrored;
  const bool along = own.node_kind() == (axis == x_axis ? Kind::row : Kind::column);
  return along ? mirrored != (own.reverse != 0) : mirrored;
}

double content_extent(const View& view, Index node, Axis axis) {
  const Sides border = view.border(node, axis);
  const double view_size = std::max(0.0, view.size(node, axis) - border.sum());
  const Sides inset = view.edges_down(node).inset[axis];
  if (!is_container(view.traits(node).node_kind())) {
    const Sides padding{inset.before - border.before, inset.after - border.after};
    if (const Measured* content = view.content(node)) {
      const double width = view.inner_size(node, x_axis);
      if (axis == y_axis) return padding.sum() + content->height_for(width).height;
      return padding.sum() + std::min(content->widths().max_content, std::max(content->widths().min_content, width));
    }
    return padding.sum() + view.natural(node, axis);
  }
  const bool backwards = scrolls_backwards(view, node, axis);
  const auto flow = flow_of(view, node);
  const double end_padding = backwards ? inset.before - border.before : inset.after - border.after;
  const double start_border = backwards ? border.after : border.before;
  const double furthest = flow.empty() ? inset.sum() - end_padding : furthest_edge(view, node, axis, backwards, flow);
  const double extent = furthest - start_border + end_padding;
  return view.traits(node).scrolls(axis) ? std::max(view_size, extent) : extent;
}

int line_count(const View& view, Index node) {
  const Traits own = view.traits(node);
  if (const auto* text = dynamic_cast<const PlainText*>(view.content(node))) {
    const auto lines = text->lines_at(view.inner_size(node, x_axis)).size();
    const auto most = text->style().max_lines;
    return static_cast<int>(most ? std::min(lines, static_cast<std::size_t>(*most)) : lines);
  }
  if (own.node_kind() != Kind::row && own.node_kind() != Kind::column) return 0;
  const auto flow = flow_of(view, node);
  if (flow.empty() || !own.wrap) return flow.empty() ? 0 : 1;
  return static_cast<int>(
      std::ranges::count_if(flow, [&](Index child) { return view.has(child, detail::NodeFlag::starts_line); }));
}

std::size_t find_index(const Tree& tree, NodeId node) {
  return tree.store().index_of(node);
}

}  // namespace

Arrangement::Arrangement(const Tree& tree, const detail::Passes& passes) : tree_(&tree), passes_(&passes) {}

Arrangement Arrangement::kept_alive_by(std::shared_ptr<const void> owner) const {
  Arrangement kept = *this;
  kept.owner_ = std::move(owner);
  return kept;
}

Extent Arrangement::container() const {
  return {passes_->state.size[x_axis][0], passes_->state.size[y_axis][0]};
}

bool Arrangement::is_placed(NodeId node) const {
  const TreeStore& store = tree_->store();
  return placed(store.packed(), store.index_of(node));
}

Rect Arrangement::relative_box(NodeId node) const {
  if (!is_placed(node)) return {};
  const State& state = passes_->state;
  const std::size_t i = find_index(*tree_, node);
  return {state.place[x_axis][i], state.place[y_axis][i], state.size[x_axis][i], state.size[y_axis][i]};
}

Rect Arrangement::box(NodeId node) const {
  Rect box = relative_box(node);
  if (!is_placed(node)) return box;
  const Flat& flat = tree_->store().packed();
  for (Index above = flat.parent[find_index(*tree_, node)]; above != no_index; above = flat.parent[above]) {
    box.x += passes_->state.place[x_axis][above];
    box.y += passes_->state.place[y_axis][above];
  }
  return box;
}

Rect Arrangement::operator[](std::string_view path) const {
  return box(tree_->at(path));
}

std::vector<Arrangement::Placed> Arrangement::boxes() const {
  const TreeStore& store = tree_->store();
  const Flat& flat = store.packed();
  const State& state = passes_->state;
  std::vector<Placed> all;
  all.reserve(flat.size());
  std::vector<Rect> above;  // the boxes on the way from the root, by depth
  walk_placed(flat, in_file_order, [&](Index node, int depth) {
    Rect box{state.place[x_axis][node], state.place[y_axis][node], state.size[x_axis][node], state.size[y_axis][node]};
    above.resize(static_cast<std::size_t>(depth));
    if (depth > 0) {
      box.x += above.back().x;
      box.y += above.back().y;
    }
    above.push_back(box);
    all.push_back({store.id_of(node), box, depth});
  });
  return all;
}

Extent Arrangement::room_in(NodeId container) const {
  if (!is_placed(container)) return {};
  const View view = view_of(tree_->store(), *passes_);
  const Index i = tree_->store().index_of(container);
  return {view.inner_size(i, x_axis), view.inner_size(i, y_axis)};
}

Extent Arrangement::wished(NodeId node) const {
  if (!is_placed(node)) return {};
  const View view = view_of(tree_->store(), *passes_);
  const Index i = tree_->store().index_of(node);
  if (i == 0) return container();
  const Traits own = view.traits(i);
  const Traits above = view.traits(view.parent(i));
  const auto wish = [&]<Axis axis>(std::integral_constant<Axis, axis>, double by_content) {
    const detail::Child<axis, false> child(view, i);
    const double whole = whole_for(view, i, axis), given = child.given(whole);
    const bool along = above.node_kind() == (axis == x_axis ? Kind::row : Kind::column);
    const bool by_weight = along && (own.weighted || above.alike);
    return child.bounds(child.inset_down(), whole).held(given >= 0 && !by_weight ? given : by_content);
  };
  return {wish(std::integral_constant<Axis, x_axis>(), view.max_content(i)),
          wish(std::integral_constant<Axis, y_axis>(), view.need(i))};
}

Cut Arrangement::cut(NodeId node) const {
  const Tree& tree = *tree_;
  const NodeId parent = tree.parent(node);
  if (!parent || !is_placed(node)) return {};
  const View view = view_of(tree.store(), *passes_);
  const Index i = tree.store().index_of(node), above = tree.store().index_of(parent);
  const auto on = [&](Axis axis) -> Sides {
    if (view.traits(above).scrolls(axis)) return {};
    const Sides border = view.border(above, axis);
    return outside(view.place(i, axis), view.size(i, axis), border.before, view.size(above, axis) - border.after);
  };
  const Sides sideways = on(x_axis), up_and_down = on(y_axis);
  return {up_and_down.before, sideways.after, up_and_down.after, sideways.before};
}

Cut Arrangement::words_cut(NodeId node) const {
  if (!is_placed(node)) return {};
  const View view = view_of(tree_->store(), *passes_);
  const Index i = tree_->store().index_of(node);
  const auto* text = dynamic_cast<const PlainText*>(view.content(i));
  if (text == nullptr) return {};
  const double inner = view.inner_size(i, x_axis);
  const auto lines = text->lines_at(inner);
  const Traits own = view.traits(i);
  Cut cut;
  if (!own.scroll_x) {
    const Sides inset = view.edges_down(i).inset[x_axis], border = view.border(i, x_axis);
    const WordsAt words_at = view.extra(i).keys ? view.keys(i).words_at : WordsAt::start;
    const bool at_left = words_at == WordsAt::center || (words_at == WordsAt::end) == view.mirrored;
    for (const PlainText::Line& line : lines) {
      const double over = std::max(0.0, line.width - inner);
      const double at = words_at == WordsAt::center ? (inner - line.width) / 2 : at_left ? 0 : inner - line.width;
      const Sides sides =
          outside(inset.before + (over > 0 ? at : 0), line.width, border.before, view.size(i, x_axis) - border.after);
      cut.left = std::max(cut.left, sides.before);
      cut.right = std::max(cut.right, sides.after);
    }
  }
  if (!own.scroll_y) {
    const double all = static_cast<double>(lines.size()) * text->line_height();
    const Sides inset = view.edges_down(i).inset[y_axis], border = view.border(i, y_axis);
    const double shown = static_cast<double>(line_count(view, i)) * text->line_height();
    cut.bottom = outside(inset.before, shown, 0, view.size(i, y_axis) - border.after).after + all - shown;
  }
  return cut;
}

Extent Arrangement::content_size(NodeId node) const {
  if (!is_placed(node)) return {};
  const View view = view_of(tree_->store(), *passes_);
  const Index i = tree_->store().index_of(node);
  return {content_extent(view, i, x_axis), content_extent(view, i, y_axis)};
}

Extent Arrangement::scroll_range(NodeId node) const {
  if (!is_placed(node)) return {};
  const View view = view_of(tree_->store(), *passes_);
  const Index i = tree_->store().index_of(node);
  const auto on = [&](Axis axis) {
    if (!view.traits(i).scrolls(axis)) return 0.0;
    const double view_size = std::max(0.0, view.size(i, axis) - view.border(i, axis).sum());
    return std::max(0.0, content_extent(view, i, axis) - view_size);
  };
  return {on(x_axis), on(y_axis)};
}

int Arrangement::lines(NodeId node) const {
  return is_placed(node) ? line_count(view_of(tree_->store(), *passes_), tree_->store().index_of(node)) : 0;
}

int Arrangement::line(NodeId node) const {
  const NodeId parent = tree_->parent(node);
  if (!parent || !is_placed(node)) return 0;
  const View view = view_of(tree_->store(), *passes_);
  const Index above = tree_->store().index_of(parent), i = tree_->store().index_of(node);
  if (!view.traits(above).wrap) return 0;
  int line = -1;
  for (const Index child : flow_of(view, above)) {
    if (view.has(child, detail::NodeFlag::starts_line)) ++line;
    if (child == i) return line;
  }
  return 0;
}

double Arrangement::baseline(NodeId node) const {
  if (!is_placed(node)) return 0;
  return box(node).y + detail::first_baseline(view_of(tree_->store(), *passes_), tree_->store().index_of(node));
}

std::vector<NodeId> Arrangement::laid_order(NodeId container) const {
  const TreeStore& store = tree_->store();
  std::vector<NodeId> order;
  for (const Index child : flow_of(view_of(store, *passes_), store.index_of(container))) {
    order.push_back(store.id_of(child));
  }
  return order;
}

std::vector<NodeId> Arrangement::paint_order() const {
  const TreeStore& store = tree_->store();
  const Flat& flat = store.packed();
  std::vector<NodeId> order;
  walk_placed(
      flat, [&](Index node) { return flat.traits[node].overlap_earlier != 0; },
      [&](Index node, int) { order.push_back(store.id_of(node)); });
  return order;
}

Rect Arrangement::painted_box(NodeId node) const {
  if (!is_placed(node)) return {};
  const View view = view_of(tree_->store(), *passes_);
  std::vector<Index> way;
  for (Index i = tree_->store().index_of(node); i != no_index; i = view.parent(i)) way.push_back(i);
  Lens lens;
  for (auto i = way.rbegin(); i != way.rend(); ++i) lens = lens_into(view, lens, *i);
  return through(lens, view, way.front());
}

std::vector<NodeId> Arrangement::under(double x, double y) const {
  const TreeStore& store = tree_->store();
  const View view = view_of(store, *passes_);
  struct Level {
    Lens lens;
    bool open = true;  // no scroller above hides the point
  };
  std::vector<Level> above;
  std::vector<NodeId> hit;
  const auto holds = [&](const Rect& box) { return x >= box.x && x < box.right() && y >= box.y && y < box.bottom(); };
  walk_placed(
      store.packed(), [&](Index node) { return view.traits(node).overlap_earlier != 0; },
      [&](Index node, int depth) {
        above.resize(static_cast<std::size_t>(depth));
        const Level parent = above.empty() ? Level{} : above.back();
        const Lens lens = lens_into(view, parent.lens, node);
        const Rect box = through(lens, view, node);
        if (parent.open && holds(box)) hit.push_back(store.id_of(node));
        const Traits own = view.traits(node);
        const bool open = parent.open && (!own.scroll_x || (x >= box.x && x < box.right())) &&
                          (!own.scroll_y || (y >= box.y && y < box.bottom()));
        above.push_back({lens, open});
      });
  std::ranges::reverse(hit);
  return hit;
}

std::vector<Arrangement::Placed> Arrangement::snapped(double density) const {
  if (!std::isfinite(density) || density <= 0) throw BadValue("a density must be more than 0");
  std::vector<Placed> all = boxes();
  const auto snap = [&](double edge) { return std::round(edge * density) / density; };
  for (Placed& placed : all) {
    const Rect box = placed.box;
    placed.box.x = snap(box.x);
    placed.box.y = snap(box.y);
    placed.box.width = snap(box.right()) - placed.box.x;
    placed.box.height = snap(box.bottom()) - placed.box.y;
  }
  return all;
}

std::vector<Note> Arrangement::notes() const {
  const TreeStore& store = tree_->store();
  std::vector<Note> notes;
  if (passes_->container_changed) {
    notes.push_back({tree_->root(), "the container asked for was no size from 0 to 1e9; the nearest one was taken"});
  }
  const auto& flags = passes_->state.flags;
  for (Index i = 0; i < flags.size(); ++i) {
    if (!store.content(i)) continue;
    if (detail::bits(flags[i] & detail::NodeFlag::odd_widths) != 0)
      notes.push_back({store.id_of(i), "its content measured a width that is no size"});
    if (detail::bits(flags[i] & detail::NodeFlag::odd_heights) != 0) {
      notes.push_back({store.id_of(i), "its content measured a height that is no size"});
    }
  }
  return notes;
}

std::array<std::size_t, 4> Arrangement::visited() const {
  return passes_->visited;
}

}  // namespace fond_ladder
