// SPDX-License-Identifier: MIT
//
// Questions to a finished solve about what lies inside a node: its edges and gaps, its lines, its words, and what there
// is to scroll.
#include <algorithm>
#include <cmath>

#include "fond_ladder/plain_text.hpp"
#include "solve/leaf.hpp"
#include "solve/lines.hpp"
#include "solve/placed.hpp"
#include "solve/scrolled_view.hpp"

namespace fond_ladder::inline v0 {
namespace {

using detail::Index;
using detail::scrolls_backwards;
using detail::Sides;
using detail::Traits;
using detail::View;
using detail::view_of;

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

double content_extent(const View& view, Index node, Axis axis) {
  const Sides border = view.border(node, axis);
  const double view_size = std::max(0.0, view.size(node, axis) - border.sum());
  const Sides inset = view.edges_down(node).inset[axis];
  if (!is_container(view.traits(node).node_kind())) {
    const Sides padding{inset.before - border.before, inset.after - border.after};
    if (const OwnContent* content = view.content(node)) {
      const double width = view.inner_size(node, x_axis);
      if (axis == y_axis) return padding.sum() + detail::leaf::sound_size(content->height_for(width).height);
      const auto [least, most] = detail::leaf::sound_widths(content->widths());
      return padding.sum() + std::min(most, std::max(least, width));
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

/// Whether a text has the room it asks for, so that nobody needs to break its lines to know that no word sticks out.
bool words_surely_fit(const View& view, Index node) {
  const Traits own = view.traits(node);
  if (own.node_kind() != Kind::text) return true;
  if (own.has_aspect || own.percent_edges || own.scroll_x || own.scroll_y) return false;
  if (view.size(node, x_axis) < view.min_content(node) || view.size(node, y_axis) < view.need(node)) return false;
  const auto* text = dynamic_cast<const PlainText*>(view.content(node));
  return text == nullptr || !text->style().max_lines;
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
      std::ranges::count_if(flow, [&](Index child) { return detail::begins_line(view, own, child); }));
}

}  // namespace

Extent Solution::room_in(NodeId container) const {
  if (!is_placed(container)) return {};
  const View view = view_of(tree(), passes());
  const Index i = tree().store().index_of(container);
  return {view.inner_size(i, x_axis), view.inner_size(i, y_axis)};
}

FourSides Solution::padding(NodeId node) const {
  if (!is_placed(node)) return {};
  const View view = view_of(tree(), passes());
  const Index i = tree().store().index_of(node);
  const auto on = [&](Axis axis) -> Sides {
    const Sides inset = view.edges_down(i).inset[axis], border = view.border(i, axis);
    return {inset.before - border.before, inset.after - border.after};
  };
  const Sides x = on(x_axis), y = on(y_axis);
  return {y.before, x.after, y.after, x.before};
}

FourSides Solution::border(NodeId node) const {
  if (!is_placed(node)) return {};
  const Edges given = keys(node).border;
  const auto on = [&](Side side) {
    return given.on(side, tree().direction() == Direction::rtl).length().in_px(tree().em(), 0);
  };
  return {on(Side::top), on(Side::right), on(Side::bottom), on(Side::left)};
}

FourSides Solution::margin(NodeId node) const {
  if (!is_placed(node)) return {};
  const View view = view_of(tree(), passes());
  const auto& margin = view.edges_down(tree().store().index_of(node)).margin;
  return {margin[y_axis].before, margin[x_axis].after, margin[y_axis].after, margin[x_axis].before};
}

Extent Solution::gap(NodeId container) const {
  if (!is_placed(container) || !is_container(kind(container))) return {};
  const View view = view_of(tree(), passes());
  const Index i = tree().store().index_of(container);
  return {view.gap_down(i, x_axis, view.inner_size(i, x_axis)), view.gap_down(i, y_axis, view.inner_size(i, y_axis))};
}

std::vector<Solution::Words> Solution::words(NodeId text_node) const {
  if (!is_placed(text_node)) return {};
  const View view = view_of(tree(), passes());
  const Index i = tree().store().index_of(text_node);
  const auto* text = dynamic_cast<const PlainText*>(view.content(i));
  if (text == nullptr) return {};
  const double inner = view.inner_size(i, x_axis);
  const Sides x = view.edges_down(i).inset[x_axis], y = view.edges_down(i).inset[y_axis];
  const WordsAt words_at = keys(text_node).words_at;
  const double far = words_at == WordsAt::center ? 0.5 : (words_at == WordsAt::end) == view.mirrored ? 0 : 1;
  std::vector<Words> all;
  for (const PlainText::Line& line : text->lines_at(inner)) {
    const auto above = static_cast<double>(all.size()) * text->line_height();
    const Rect box{x.before + far * (inner - line.width), y.before + above, line.width, text->line_height()};
    const auto most = text->style().max_lines;
    const bool dropped = most && all.size() >= static_cast<std::size_t>(*most);
    all.push_back({line.text, box, box.y + 0.95 * text->style().size, dropped});
  }
  return all;
}

FourSides Solution::words_cut(NodeId text_node) const {
  const View view = view_of(tree(), passes());
  const Index i = tree().store().index_of(text_node);
  if (words_surely_fit(view, i)) return {};
  const std::vector<Words> lines = words(text_node);
  if (lines.empty()) return {};
  const Traits own = view.traits(i);
  const Sides border_x = view.border(i, x_axis), border_y = view.border(i, y_axis);
  FourSides cut;
  double dropped = 0, bottom = 0;
  for (const Words& line : lines) {
    const Sides sides =
        detail::outside(line.box.x, line.box.width, border_x.before, view.size(i, x_axis) - border_x.after);
    cut.left = std::max(cut.left, sides.before);
    cut.right = std::max(cut.right, sides.after);
    (line.dropped ? dropped : bottom) = line.dropped ? dropped + line.box.height : line.box.bottom();
  }
  if (own.scroll_x) cut.left = cut.right = 0;
  if (!own.scroll_y) cut.bottom = dropped + detail::outside(0, bottom, 0, view.size(i, y_axis) - border_y.after).after;
  return cut;
}

FourSides Solution::words_intrusion(NodeId text_node) const {
  const View view = view_of(tree(), passes());
  const Index i = tree().store().index_of(text_node);
  if (words_surely_fit(view, i)) return {};
  FourSides all;
  const Traits own = view.traits(i);
  const Sides border_x = view.border(i, x_axis), border_y = view.border(i, y_axis);
  const Sides inset_x = view.edges_down(i).inset[x_axis], inset_y = view.edges_down(i).inset[y_axis];
  for (const Words& line : words(text_node)) {
    if (line.dropped) continue;
    const Sides x = detail::outside(line.box.x, line.box.width, inset_x.before, view.size(i, x_axis) - inset_x.after);
    const Sides y = detail::outside(line.box.y, line.box.height, inset_y.before, view.size(i, y_axis) - inset_y.after);
    if (!own.scroll_x) {
      all.left = std::max(all.left, std::min(x.before, inset_x.before - border_x.before));
      all.right = std::max(all.right, std::min(x.after, inset_x.after - border_x.after));
    }
    if (!own.scroll_y) all.bottom = std::max(all.bottom, std::min(y.after, inset_y.after - border_y.after));
  }
  return all;
}

double Solution::most_cut(NodeId node) const {
  if (!is_placed(node)) return 0;
  const View view = view_of(tree(), passes());
  const Index top = tree().store().index_of(node);
  const auto is_meant = [&](NodeId cut_node) { return keys(cut_node).meant.cut(); };
  double most = std::max(cut(node).most(), words_cut(node).most());
  if (most > 0 && is_meant(node)) most = 0;
  std::vector<Index> open{top};
  while (!open.empty()) {
    const Index above = open.back();
    open.pop_back();
    const Traits own = view.traits(above);
    if (!is_container(own.node_kind())) {
      if (words_surely_fit(view, above)) continue;
      const NodeId text = tree().store().id_of(above);
      const double over = words_cut(text).most();
      if (over > most && !is_meant(text)) most = over;
      continue;
    }
    const bool plain = view.is_plain(above);
    const Sides border_x = plain ? Sides() : view.border(above, x_axis),
                border_y = plain ? Sides() : view.border(above, y_axis);
    const double right = view.size(above, x_axis) - border_x.after, bottom = view.size(above, y_axis) - border_y.after;
    const auto see = [&](Index child, double at, double size, double low, double high) {
      const double over = std::max(low - at, at + size - high);
      if (over > limits::told_tolerance && over > most && !is_meant(tree().store().id_of(child))) most = over;
    };
    const Index first = view.first_child(above), behind = first + view.child_count(above);
    for (Index child = first; child < behind; ++child) {
      if (view.traits(child).hidden) continue;
      if (!own.scroll_x) see(child, view.place(child, x_axis), view.size(child, x_axis), border_x.before, right);
      if (!own.scroll_y) see(child, view.place(child, y_axis), view.size(child, y_axis), border_y.before, bottom);
      const Kind kind = view.traits(child).node_kind();
      if (is_container(kind) || kind == Kind::text) open.push_back(child);
    }
  }
  return most;
}

Extent Solution::content_size(NodeId node) const {
  if (!is_placed(node)) return {};
  const View view = view_of(tree(), passes());
  const Index i = tree().store().index_of(node);
  return {content_extent(view, i, x_axis), content_extent(view, i, y_axis)};
}

Extent Solution::scroll_range(NodeId node) const {
  if (!is_placed(node)) return {};
  const View view = view_of(tree(), passes());
  const Index i = tree().store().index_of(node);
  const auto on = [&](Axis axis) {
    if (!view.traits(i).scrolls(axis)) return 0.0;
    const double view_size = std::max(0.0, view.size(i, axis) - view.border(i, axis).sum());
    return std::max(0.0, content_extent(view, i, axis) - view_size);
  };
  return {on(x_axis), on(y_axis)};
}

int Solution::lines(NodeId node) const {
  return is_placed(node) ? line_count(view_of(tree(), passes()), tree().store().index_of(node)) : 0;
}

std::vector<std::vector<NodeId>> Solution::laid_lines(NodeId container) const {
  if (!is_placed(container)) return {};
  const View view = view_of(tree(), passes());
  const Index above = tree().store().index_of(container);
  std::vector<std::vector<NodeId>> lines;
  for (const Index child : flow_of(view, above)) {
    if (lines.empty() || detail::begins_line(view, view.traits(above), child)) lines.emplace_back();
    lines.back().push_back(tree().store().id_of(child));
  }
  return lines;
}

int Solution::line(NodeId node) const {
  const NodeId parent = tree().parent(node);
  if (!parent || !is_placed(node)) return 0;
  const Traits above = view_of(tree(), passes()).traits(tree().store().index_of(parent));
  if (above.node_kind() != Kind::row && above.node_kind() != Kind::column) return 0;
  const auto lines = laid_lines(parent);
  const auto holding =
      std::ranges::find_if(lines, [&](const auto& line) { return std::ranges::count(line, node) > 0; });
  return holding == lines.end() ? 0 : static_cast<int>(holding - lines.begin()) + 1;
}

std::vector<NodeId> Solution::laid_order(NodeId container) const {
  std::vector<NodeId> order;
  for (const Index child : flow_of(view_of(tree(), passes()), tree().store().index_of(container))) {
    order.push_back(tree().store().id_of(child));
  }
  return order;
}

}  // namespace fond_ladder::inline v0
